package decant.layout;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import java.util.List;
import java.util.Optional;

/** What pictures show, in words: as their authors wrote it, else as their captions have it. */
final class FigureTexts {
  private FigureTexts() {}

  /**
   * @param at the place of the picture in the paragraph
   * @return empty if nothing says it
   */
  static String of(Document d, Paragraph p, int at) {
    if (at >= p.length() || !(p.inlineAt(at) instanceof Inline.Picture picture)) {
      return "";
    }
    return picture.alt().isBlank() ? caption(d, p) : picture.alt();
  }

  /** The text beside the picture, or the line below it if that is short, as captions are. */
  private static String caption(Document d, Paragraph p) {
    String own = plain(p);
    if (!own.isEmpty() && own.length() < 300) {
      return own;
    }
    String below = d.index().ordinal(p.id()).flatMap(at -> after(d, at)).orElse("");
    boolean caption =
        below.matches(
            "(?i)(figure|fig\\.|picture|plate|chart|abb\\.|abbildung|bild|map)\\s?.{2,200}");
    return caption ? below : "";
  }

  private static Optional<String> after(Document d, int ordinal) {
    List<NodeId> order = d.index().order();
    return ordinal + 1 < order.size()
        ? d.paragraph(order.get(ordinal + 1)).map(FigureTexts::plain)
        : Optional.empty();
  }

  static String plain(Paragraph p) {
    return p.text().replace(Inline.OBJECT, ' ').replaceAll("\\s+", " ").strip();
  }
}
