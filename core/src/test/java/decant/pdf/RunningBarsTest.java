package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import org.apache.pdfbox.cos.COSName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The words of a header show on the bar that they stand on, as poppler paints the pages. */
class RunningBarsTest {
  private static final Color BAR = new Color(0, 0, 150);
  private static final int PAGES = 5;

  @TempDir Path folder;

  private static void bar(DrawnPdf pdf) {
    pdf.filled(BAR, 0, 20, 596, 50)
        .ink(Color.WHITE)
        .text(DrawnPdf.BOLD, 16, 72, 50, "Saltmarsh Quay harbour office")
        .ink(Color.BLACK);
  }

  private static DrawnPdf document(boolean onFirst) {
    var pdf = new DrawnPdf();
    for (int k = 0; k < PAGES; k++) {
      if (k > 0) {
        pdf.page();
      }
      if (k > 0 || onFirst) {
        bar(pdf);
      }
      pdf.prose(72, 120, 440, "Notice " + (k * 7919) + ". " + DrawnPdf.PROSE.repeat(2));
    }
    return pdf;
  }

  /** Pixels of paper's colour within the bar, which letters are made of. */
  private static int letters(BufferedImage page) {
    int light = 0;
    for (int y = 22; y < 68; y++) {
      for (int x = 60; x < 400; x++) {
        light += new Color(page.getRGB(x, y)).getRed() > 150 ? 1 : 0;
      }
    }
    return light;
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void theWordsShowOnTheirBar(boolean onFirst) throws Exception {
    Path source = document(onFirst).saved(folder);
    Document d = Samples.taken(source).document();
    Layout l = Samples.layout(d);
    Path published = Published.file(folder, l, Samples.choices(l));
    for (int page = onFirst ? 1 : 2; page <= PAGES; page++) {
      BufferedImage was = Tool.painted(source, page);
      BufferedImage is = Tool.painted(published, page);
      assertThat(new Color(is.getRGB(580, 40))).as("page " + page).isEqualTo(BAR);
      assertThat(letters(is)).as("page " + page).isGreaterThan(letters(was) / 2);
    }
    assertThat(new Color(Tool.painted(published, 1).getRGB(580, 40)).equals(BAR))
        .isEqualTo(onFirst);
  }

  /** The bar is written once, in the header, rather than on each page. */
  @Test
  void theBarIsPartOfTheHeader() throws Exception {
    Document d = Samples.taken(document(true).saved(folder)).document();
    assertThat(d.paragraphs())
        .noneMatch(p -> p.inlines().stream().anyMatch(i -> i instanceof Inline.Shape));
    assertThat(d.sections().getFirst().running().values())
        .anyMatch(s ->
            s.blocks().stream()
                .anyMatch(b ->
                    b instanceof Paragraph p
                        && p.inlines().stream().anyMatch(i -> i instanceof Inline.Shape)));
  }

  /** A gradient from dark to light behind all of a page, as slides have it. */
  private static void background(DrawnPdf pdf) {
    pdf.painted((file, page, c) ->
        DrawnPdf.fade(
            page,
            c,
            DrawnPdf.gradient(
                COSName.DEVICERGB,
                DrawnPdf.numbers(0, 0, 0, 842),
                DrawnPdf.numbers(.9, .95, 1),
                DrawnPdf.numbers(0, 0, .4)),
            0,
            0,
            596,
            843));
  }

  @Test
  void theWordsShowOnTheGroundOfAllPages() throws Exception {
    var pdf = new DrawnPdf();
    for (int k = 0; k < PAGES; k++) {
      if (k > 0) {
        pdf.page();
      }
      background(pdf);
      pdf.ink(Color.WHITE)
          .text(DrawnPdf.BOLD, 16, 72, 50, "Saltmarsh Quay harbour office")
          .ink(Color.BLACK);
      pdf.prose(72, 420, 440, "Notice " + (k * 7919) + ". " + DrawnPdf.PROSE.repeat(2));
    }
    Path source = pdf.saved(folder);
    Layout l = Samples.layout(Samples.taken(source).document());
    Path published = Published.file(folder, l, Samples.choices(l));
    for (int page = 1; page <= PAGES; page++) {
      BufferedImage was = Tool.painted(source, page);
      BufferedImage is = Tool.painted(published, page);
      for (int y : new int[] {90, 400, 800}) {
        assertThat(Math.abs(rgb(is, y).getRed() - rgb(was, y).getRed()))
            .as("ground of page %d at %d", page, y)
            .isLessThan(12);
      }
      assertThat(letters(is)).as("page " + page).isGreaterThan(letters(was) / 2);
    }
  }

  private static Color rgb(BufferedImage page, int y) {
    return new Color(page.getRGB(20, y));
  }
}
