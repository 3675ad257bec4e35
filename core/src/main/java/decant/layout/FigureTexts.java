package decant.layout;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import java.util.List;

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
    List<Paragraph> paragraphs = d.paragraphs();
    int at = paragraphs.indexOf(p);
    if (at >= 0 && at + 1 < paragraphs.size()) {
      String below = plain(paragraphs.get(at + 1));
      if (below.matches(
          "(?i)(figure|fig\\.|picture|plate|chart|abb\\.|abbildung|bild|map)\\s?.{2,200}")) {
        return below;
      }
    }
    return "";
  }

  static String plain(Paragraph p) {
    return p.text().replace(Inline.OBJECT, ' ').replaceAll("\\s+", " ").strip();
  }
}
