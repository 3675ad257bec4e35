package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Placement;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Pictures that text runs beside, drawn by PDFBox: they stay beside the paragraph they stood by.
 */
class RecoveredFloatsTest {
  private static final BufferedImage QUAY = Published.photograph(120, 90);
  private static final Offset<Double> NEAR = Offset.offset(8.0);

  @TempDir Path folder;

  /** A paragraph of which the lines from 102 to 222 leave room for a picture of 160 by 120. */
  private static DrawnPdf beside(boolean right) {
    var pdf = new DrawnPdf();
    pdf.prose(72, 78, 450, DrawnPdf.PROSE);
    String[] words = (DrawnPdf.PROSE + DrawnPdf.PROSE + DrawnPdf.PROSE).strip().split(" ");
    double y = 160;
    int k = 0;
    while (k < words.length) {
      boolean short_ = y > 170 && y < 300;
      double x = short_ && !right ? 72 + 170 : 72;
      double width = short_ ? 280 : 450;
      var line = new StringBuilder(words[k++]);
      while (k < words.length
          && DrawnPdf.width(DrawnPdf.PLAIN, 10, line + " " + words[k]) < width) {
        line.append(' ').append(words[k++]);
      }
      pdf.text(x, y, line.toString());
      y += 12;
    }
    pdf.picture(QUAY, right ? 362 : 72, 166, 160, 120);
    pdf.prose(72, y + 14, 450, DrawnPdf.PROSE);
    return pdf;
  }

  private static List<Inline.Picture> pictures(Document d) {
    return d.paragraphs().stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Picture)
        .map(i -> (Inline.Picture) i)
        .toList();
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void aPictureStaysBesideItsText(boolean right) throws Exception {
    Document d = beside(right).takenIn(folder).document();
    assertThat(pictures(d)).hasSize(1);
    Inline.Picture p = pictures(d).getFirst();
    assertThat(p.placement()).isInstanceOf(Placement.Floating.class);
    var f = (Placement.Floating) p.placement();
    assertThat(f.wrap()).isInstanceOf(Placement.Wrap.Around.class);
    assertThat(f.across().origin()).isEqualTo(Placement.Origin.COLUMN);
    assertThat(f.across().offset()).isCloseTo(right ? 290 : 0, NEAR);
    Paragraph anchor =
        d.paragraphs().stream().filter(x -> x.inlines().contains(p)).findFirst().orElseThrow();
    assertThat(anchor.text()).contains("The harbour office keeps");
    assertThat(f.down().offset()).isBetween(0.0, 30.0);
    assertThat(anchor.look().value(decant.model.look.ParagraphTraits.INDENT_START))
        .as("the picture makes the room, not the paragraph")
        .isZero();
    assertThat(d.paragraphs().stream().filter(x -> x.text().strip().length() > 20))
        .as("lines beside the picture are one paragraph")
        .hasSize(3);
  }

  @Test
  void aPictureOnItsOwnStaysInTheFlow() throws Exception {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, DrawnPdf.PROSE);
    pdf.picture(QUAY, 72, y + 4, 160, 120);
    pdf.prose(72, y + 150, 450, DrawnPdf.PROSE);
    Document d = pdf.takenIn(folder).document();
    assertThat(pictures(d).getFirst().placement()).isEqualTo(Placement.INLINE);
  }
}
