package decant.model.edit;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import java.util.List;

/** Says what pictures show, for those who cannot see them. */
public final class Describing {
  private Describing() {}

  /**
   * Gives a picture a description.
   *
   * @param at the place of the picture in its paragraph
   */
  public static Revision picture(Revision r, NodeId paragraph, int at, String words) {
    Paragraph p = r.document().requireParagraph(paragraph);
    List<Inline> there = p.slice(at, at + 1);
    if (there.size() != 1 || !(there.getFirst() instanceof Inline.Picture pic)) {
      return r;
    }
    Inline described = pic.withAlt(words.strip());
    return r.apply(
        Edit.of("Description", new Step.Restyle(paragraph, at, List.of(described))), r.selection());
  }
}
