package decant.layout.item;

import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.List;
import java.util.Optional;

/**
 * What a piece of text is for, besides how it looks.
 *
 * @param link where it leads
 * @param blank the place to fill in that it stands on
 * @param remarks what was noted about it
 */
public record Meaning(Optional<Link> link, Optional<FormField> blank, List<Comment> remarks) {
  public static final Meaning NONE = new Meaning(Optional.empty(), Optional.empty(), List.of());

  static Meaning of(Look look) {
    boolean none =
        !look.sets(TextTraits.LINK)
            && !look.sets(TextTraits.BLANK)
            && !look.sets(TextTraits.REMARKS);
    return none
        ? NONE
        : new Meaning(
            look.get(TextTraits.LINK), look.get(TextTraits.BLANK), look.value(TextTraits.REMARKS));
  }
}
