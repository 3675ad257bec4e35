package decant.pdf.read.tables;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Box;
import decant.model.look.Colour;
import decant.pdf.read.page.Decor;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Rows that white parts, on lines made by hand. */
class WhiteBandsTest {
  private static final SourceFace FACE = new SourceFace("Serif", "Serif", false, false, true);

  private static TextLine line(double x, double baseline, String text, double width) {
    var glyphs = new ArrayList<Glyph>();
    for (int k = 0; k < text.length(); k++) {
      glyphs.add(
          new Glyph(
              text.substring(k, k + 1),
              x + k * width,
              baseline,
              width,
              10,
              new Glyph.Ink(FACE, Colour.BLACK, Decor.NONE),
              0,
              Glyph.Marked.NOT,
              Optional.empty()));
    }
    double all = text.length() * width;
    return new TextLine(0, glyphs, new Box(x, baseline - 8, all, 10), baseline, 10);
  }

  /** Rows with a cell of two lines and one in the middle beside it, and something to the right. */
  private static List<TextLine> rows(double widthOfLast) {
    var out = new ArrayList<TextLine>();
    for (int row = 0; row < 6; row++) {
      double y = 100 + 40 * row;
      out.add(line(72, y, "lines are doubled", 5));
      out.add(line(72, y + 12, "in a gale", 5));
      out.add(line(220, y + 6, "Curlew", 5));
      out.add(line(320, y + 6, "12", widthOfLast));
    }
    return out;
  }

  @Test
  void rowsInTheMiddleAreFound() {
    assertThat(WhiteBands.of(rows(5)).stream().mapToInt(s -> s.rows().size())).containsExactly(6);
  }

  /** As letters of damaged fonts have, and marks that are put over others. */
  @Test
  void whatHasNoWidthStandsNowhere() {
    assertThat(WhiteBands.of(rows(0)).stream().mapToInt(s -> s.rows().size())).containsExactly(6);
  }
}
