package decant.pdf.amend.setting;

import decant.pdf.amend.line.FontsOfFile;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Rows;
import decant.text.DividedWords;
import decant.text.DividedWords.Hyphen;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;

/** What a hyphen parts at the end of a line, as the pages around tell; they are read when asked. */
public final class WordsNearby {
  /** More pages are not read for one word. */
  private static final int PAGES = 30;

  private final PDDocument pdf;
  private final FontsOfFile fonts;
  private final DividedWords words = new DividedWords();
  private final java.util.BitSet read = new java.util.BitSet();

  public WordsNearby(PDDocument pdf, FontsOfFile fonts) {
    this.pdf = pdf;
    this.fonts = fonts;
  }

  /**
   * @param page from 0
   * @param head a word up to its hyphen, and with it
   * @param tail what the next line begins with
   */
  public Hyphen between(int page, String head, String tail) {
    String before = head.substring(0, head.length() - 1);
    String hyphen = head.substring(before.length());
    Hyphen known = words.between(before, hyphen, tail);
    for (int k = 0; known == Hyphen.UNKNOWN && k < PAGES; k++) {
      int next = page + (k % 2 == 0 ? k / 2 : -(k + 1) / 2);
      if (next >= 0 && next < pdf.getNumberOfPages() && !read.get(next)) {
        read.set(next);
        List<Row> rows = Rows.of(PageLetters.of(pdf.getPage(next), fonts).letters());
        rows.forEach(r -> words.learn(ChangedWords.of(LineDifference.text(r))));
        known = words.between(before, hyphen, tail);
      }
    }
    return known;
  }
}
