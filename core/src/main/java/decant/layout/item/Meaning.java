package decant.layout.item;

import decant.model.look.Colour;
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
 * @param frame the colour of the frame around the link, if it has one
 * @param field the place to fill in that it stands on
 * @param comments what was noted about it
 */
public record Meaning(
    Optional<Link> link,
    Optional<Colour> frame,
    Optional<FormField> field,
    List<Comment> comments) {
  public static final Meaning NONE =
      new Meaning(Optional.empty(), Optional.empty(), Optional.empty(), List.of());

  static Meaning of(Look look) {
    boolean none =
        !look.sets(TextTraits.LINK)
            && !look.sets(TextTraits.FIELD)
            && !look.sets(TextTraits.COMMENTS);
    return none
        ? NONE
        : new Meaning(
            look.get(TextTraits.LINK),
            look.get(TextTraits.LINK_FRAME),
            look.get(TextTraits.FIELD),
            look.value(TextTraits.COMMENTS));
  }
}
