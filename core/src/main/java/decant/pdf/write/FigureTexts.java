package decant.pdf.write;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import java.util.List;

/** What pictures show, in words: as their authors wrote it, else as their captions have it. */
public final class FigureTexts implements Structure.Alternatives {
  private final List<Paragraph> paragraphs;
  private final boolean always;
  private int count;

  /**
   * @param always whether every picture needs words, be it only that it has none
   */
  FigureTexts(Document document, boolean always) {
    this.paragraphs = document.paragraphs();
    this.always = always;
  }

  @Override
  public String of(Paragraph p, int place, Inline.Picture picture) {
    count++;
    if (!picture.alt().isBlank()) {
      return picture.alt();
    }
    String caption = caption(p);
    if (!caption.isEmpty() || !always) {
      return caption;
    }
    return "Picture " + count + ", without a description";
  }

  /** The text beside the picture, or the line below it if that is short, as captions are. */
  private String caption(Paragraph p) {
    String own = plain(p);
    if (!own.isEmpty() && own.length() < 300) {
      return own;
    }
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

  private static String plain(Paragraph p) {
    return p.text().replace(Inline.OBJECT, ' ').replaceAll("\\s+", " ").strip();
  }
}
