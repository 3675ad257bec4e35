package decant.pdf.amend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.model.Box;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Drawings made of bare paths, moved and taken away; held against poppler's painting and qpdf. */
class PathDrawingsTest extends ChangedPdfCase {
  /** A red arrow to the right, 60 wide and 20 high, that touches its own shaft. */
  private static final String ARROW =
      "100 590 m 140 590 l 140 594 l 100 594 l f 138 582 m 160 592 l 138 602 l f";

  private static final String TEXT = " BT /F1 12 Tf 50 700 Td (The berth) Tj ET";

  private static List<Box> boxes(byte[] source) {
    try {
      return PdfAmender.in(
          source, pdf -> pdf.parts(0).pictures().stream().map(PagePicture::box).toList());
    } catch (ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  private static boolean red(int rgb) {
    var c = new Color(rgb);
    return c.getRed() > 200 && c.getGreen() < 90 && c.getBlue() < 90;
  }

  private static boolean blue(int rgb) {
    var c = new Color(rgb);
    return c.getRed() < 140 && c.getBlue() > 180;
  }

  /** Colours that are set within a drawing hold for what comes after it; spaces may be scaled. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "1 0 0 rg " + ARROW + " 0 0 1 rg 4 w" + TEXT,
        "q 1 0 0 rg " + ARROW + " Q 0 0 1 rg" + TEXT,
        "0 0 1 rg q 1 0 0 1 0 0 cm q 1 0 0 rg 100 590 m 140 590 l 140 594 l 100 594 l f Q"
            + " q 1 0 0 rg 138 582 m 160 592 l 138 602 l f Q Q"
            + TEXT,
        "0 0 1 rg /Artifact BMC q 1 0 0 rg " + ARROW + " Q EMC" + TEXT,
        "/Artifact BMC 1 0 0 rg 100 590 m 140 590 l 140 594 l 100 594 l f EMC"
            + " /Artifact BMC 138 582 m 160 592 l 138 602 l f 0 0 1 rg EMC"
            + TEXT,
        "q 2 0 0 2 0 0 cm 1 0 0 rg 50 295 m 70 295 l 70 297 l 50 297 l f 69 291 m 80 296 l"
            + " 69 301 l f 0 0 1 rg BT /F1 6 Tf 25 350 Td (The berth) Tj ET Q",
        "q 90 570 80 40 re W n 1 0 0 rg " + ARROW + " Q 0 0 1 rg" + TEXT
      })
  void anArrowIsMovedScaledAndTakenAway(String content) throws IOException {
    byte[] source = new RawPdf().page(content).bytes();
    assertThat(boxes(source))
        .singleElement()
        .satisfies(b -> {
          assertThat(b.x()).isCloseTo(100, within(0.1));
          assertThat(b.width()).isCloseTo(60, within(0.1));
          assertThat(b.height()).isCloseTo(20, within(0.1));
        });
    Box at = boxes(source).getFirst();
    Rectangle text = where(painted(source), PathDrawingsTest::blue);
    assertThat(text.isEmpty()).isFalse();
    var to = new Box(at.x() + 200, at.y() + 100, 120, 40);
    byte[] moved = changed(source, pdf -> assertThat(pdf.movePicture(0, 0, to)).isTrue());
    BufferedImage image = painted(moved);
    Rectangle now = where(image, PathDrawingsTest::red);
    assertThat(now.x).isCloseTo((int) to.x(), within(1));
    assertThat(now.y).isCloseTo((int) to.y(), within(1));
    assertThat(now.width).isCloseTo(120, within(2));
    assertThat(now.height).isCloseTo(40, within(2));
    assertThat(where(image, PathDrawingsTest::blue)).isEqualTo(text);
    byte[] again = changed(moved, pdf -> assertThat(pdf.movePicture(0, 0, at)).isTrue());
    assertThat(where(painted(again), PathDrawingsTest::red))
        .isEqualTo(where(painted(source), PathDrawingsTest::red));
    byte[] gone = changed(source, pdf -> pdf.removePicture(0, 0));
    assertThat(where(painted(gone), PathDrawingsTest::red).isEmpty()).isTrue();
    assertThat(where(painted(gone), PathDrawingsTest::blue)).isEqualTo(text);
    assertThat(boxes(gone)).isEmpty();
  }

  @Test
  void rulesFramesAndWhatStandsBehindTextAreNoDrawings() {
    String grid = "50 600 200 40 re S 50 620 m 250 620 l S 150 600 m 150 640 l S";
    String round = "50 690 m 150 690 170 690 170 710 c 50 715 l f";
    assertThat(boxes(new RawPdf().page(grid).bytes())).isEmpty();
    assertThat(boxes(new RawPdf().page(round).bytes())).hasSize(1);
    assertThat(boxes(new RawPdf().page(round + TEXT).bytes())).isEmpty();
    // One that reaches over the page is its ground.
    String ground = "0 0 m 600 0 l 610 790 l 0 800 l f";
    assertThat(boxes(new RawPdf().page(ground).bytes())).isEmpty();
  }

  @Test
  void twoDrawingsApartAreTwo() throws IOException {
    byte[] source =
        new RawPdf()
            .page("1 0 0 rg " + ARROW + " 300 300 m 340 320 l 300 340 l f 0 g" + TEXT)
            .bytes();
    assertThat(boxes(source)).hasSize(2);
    byte[] one = changed(source, pdf -> pdf.removePicture(0, 1));
    Rectangle left = where(painted(one), PathDrawingsTest::red);
    assertThat(left.width).isCloseTo(60, within(2));
  }

  /** A thick line covers more than its path, and what shows twice would change twice. */
  @Test
  void thickLinesCountAndWhatShowsTwiceIsNotMoved() {
    byte[] thick = new RawPdf().page("20 w 100 600 m 150 620 l S").bytes();
    assertThat(boxes(thick))
        .singleElement()
        .satisfies(b -> {
          assertThat(b.width()).isCloseTo(70, within(0.1));
          assertThat(b.height()).isCloseTo(40, within(0.1));
        });
    RawPdf once = new RawPdf().form(ARROW + TEXT).page("/X1 Do");
    assertThat(boxes(once.bytes())).hasSize(1);
    RawPdf twice = new RawPdf().form(ARROW + TEXT).page("/X1 Do 1 0 0 1 0 50 cm /X1 Do");
    assertThat(boxes(twice.bytes())).isEmpty();
  }

  /** As a map has them: each touches the one before, and all are one. */
  @Test
  void veryManyPathsAreOneDrawing() {
    var many = new StringBuilder("1 0 0 rg");
    for (int k = 0; k < 30_000; k++) {
      int x = 50 + k % 200;
      int y = 200 + k / 200;
      many.append(" %d %d m %d %d l %d %d l f".formatted(x, y, x + 2, y + 1, x, y + 2));
    }
    assertThat(boxes(new RawPdf().page(many.toString()).bytes())).hasSize(1);
  }

  @Test
  void statesAndMarksThatCrossTellOfNoDrawing() {
    byte[] source = new RawPdf().page("q /Artifact BMC 1 0 0 rg " + ARROW + " Q EMC").bytes();
    assertThat(boxes(source)).isEmpty();
  }
}
