package decant.pdf.amend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.model.Box;
import decant.model.look.Media;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pictures that are put on pages, moved and scaled; held against poppler's painting and qpdf. */
class PlacedPicturesTest extends ChangedPdfCase {
  private static final Media BLUE_SQUARE =
      Media.of(
          "image/svg+xml",
          ("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"40\" height=\"20\">"
                  + "<rect width=\"40\" height=\"20\" fill=\"#0000ff\"/>"
                  + "<rect width=\"20\" height=\"10\" fill=\"#00ff00\"/></svg>")
              .getBytes(StandardCharsets.US_ASCII));

  private static boolean red(int rgb) {
    var c = new Color(rgb);
    return c.getRed() > 200 && c.getGreen() < 60 && c.getBlue() < 60;
  }

  private static boolean blueOrGreen(int rgb) {
    var c = new Color(rgb);
    return c.getRed() < 60 && c.getGreen() + c.getBlue() > 200;
  }

  private static boolean green(int rgb) {
    var c = new Color(rgb);
    return c.getRed() < 60 && c.getGreen() > 200 && c.getBlue() < 60;
  }

  private static void near(Rectangle is, int x, int y, int w, int h) {
    assertThat(is.x).isCloseTo(x, within(1));
    assertThat(is.y).isCloseTo(y, within(1));
    assertThat(is.width).isCloseTo(w, within(2));
    assertThat(is.height).isCloseTo(h, within(2));
  }

  /** Content may leave states open, close too many, and scale everything. */
  @ParameterizedTest
  @CsvSource({
    "0, ''",
    "90, ''",
    "180, q 2 0 0 2 7 9 cm",
    "270, Q Q 3 0 0 3 0 0 cm q 0 g",
    "0, q q 0.5 0 0 0.5 0 0 cm Q"
  })
  void aDrawingStandsUprightWhereItIsPut(int turned, String rest) throws IOException {
    String content = "BT /F1 12 Tf 50 700 Td (The berth) Tj ET " + rest;
    byte[] source =
        new RawPdf().page(content).pages("/Rotate " + turned + "/CropBox[20 30 580 790]").bytes();
    byte[] now = changed(source, pdf -> pdf.addPicture(0, BLUE_SQUARE, new Box(100, 60, 120, 60)));
    BufferedImage image = painted(now);
    near(where(image, PlacedPicturesTest::blueOrGreen), 100, 60, 120, 60);
    near(where(image, PlacedPicturesTest::green), 100, 60, 60, 30);
    BufferedImage before = painted(source);
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        if (!new Rectangle(98, 58, 124, 64).contains(x, y)) {
          assertThat(image.getRGB(x, y)).isEqualTo(before.getRGB(x, y));
        }
      }
    }
    try (PDDocument pdf = Loader.loadPDF(now)) {
      COSArray parts = pdf.getPage(0).getCOSObject().getCOSArray(COSName.CONTENTS);
      assertThat(parts.size()).isEqualTo(3);
      assertThat(((COSStream) parts.getObject(1)).createInputStream().readAllBytes())
          .isEqualTo(content.getBytes(StandardCharsets.US_ASCII));
    }
  }

  @Test
  void aDrawingStaysADrawingAndCanBeMovedAndTakenAway() throws ReadProblem {
    byte[] source = new RawPdf().page("BT /F1 12 Tf 50 700 Td (The berth) Tj ET").bytes();
    byte[] with = changed(source, pdf -> pdf.addPicture(0, BLUE_SQUARE, new Box(100, 60, 40, 20)));
    PdfAmender.in(
        with,
        pdf -> {
          assertThat(pdf.parts(0).pictures())
              .singleElement()
              .satisfies(p -> {
                assertThat(p.drawing()).isTrue();
                assertThat(p.box().x()).isCloseTo(100, within(0.1));
                assertThat(p.box().height()).isCloseTo(20, within(0.1));
              });
          return pdf;
        });
    byte[] moved =
        changed(with, pdf -> assertThat(pdf.movePicture(0, 0, new Box(300, 200, 80, 40))).isTrue());
    near(where(painted(moved), PlacedPicturesTest::blueOrGreen), 300, 200, 80, 40);
    byte[] again =
        changed(moved, pdf -> assertThat(pdf.movePicture(0, 0, new Box(10, 20, 40, 20))).isTrue());
    near(where(painted(again), PlacedPicturesTest::blueOrGreen), 10, 20, 40, 20);
    byte[] gone = changed(again, pdf -> pdf.removePicture(0, 0));
    assertThat(where(painted(gone), PlacedPicturesTest::blueOrGreen).isEmpty()).isTrue();
  }

  @Test
  void aPictureWithAClearGroundShowsWhatIsBelow() throws IOException {
    var image = new BufferedImage(40, 40, BufferedImage.TYPE_INT_ARGB);
    for (int k = 0; k < 40; k++) {
      image.setRGB(k, k, 0xFF0000FF);
      image.setRGB(k, 39 - k, 0xFF0000FF);
    }
    var png = new ByteArrayOutputStream();
    ImageIO.write(image, "png", png);
    byte[] source = new RawPdf().page("1 0 0 rg 100 600 100 100 re f").bytes();
    byte[] now =
        changed(
            source,
            pdf ->
                pdf.addPicture(
                    0, Media.of("image/png", png.toByteArray()), new Box(100, 100, 100, 100)));
    BufferedImage painted = painted(now);
    assertThat(red(painted.getRGB(150, 110) & 0xFFFFFF)).isTrue();
    assertThat(blueOrGreen(painted.getRGB(110, 110) & 0xFFFFFF)).isTrue();
  }

  /** Text over a picture stays over it. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "q 100 0 0 50 100 600 cm /X1 Do Q",
        "q 0 100 -50 0 150 600 cm /X1 Do Q",
        "q 2 0 0 2 0 0 cm 0 0 300 400 re W n q 50 0 0 25 50 300 cm /X1 Do Q Q",
        "q 100 0 0 50 100 600 cm BI /W 1 /H 1 /CS /RGB /BPC 8 ID \u00ff\0\0 EI Q"
      })
  void aPictureMovesInItsPlaceAmongAllThatIsPainted(String picture) throws ReadProblem {
    byte[] source = new RawPdf().page(picture + " 0 0 1 rg 320 500 20 20 re f").dot(false).bytes();
    byte[] now =
        changed(
            source, pdf -> assertThat(pdf.movePicture(0, 0, new Box(300, 250, 60, 60))).isTrue());
    BufferedImage image = painted(now);
    near(where(image, PlacedPicturesTest::red), 300, 250, 60, 60);
    assertThat(image.getRGB(330, 290) & 0xFFFFFF).isEqualTo(0x0000FF);
    PdfAmender.in(
        now,
        pdf -> {
          assertThat(pdf.parts(0).pictures())
              .singleElement()
              .satisfies(p -> assertThat(p.box().x()).isCloseTo(300, within(0.1)));
          return pdf;
        });
  }

  @Test
  void whatItsSurroundingsCutIsPaintedAfterEverythingElse() {
    String cut = "q 90 590 120 70 re W n q 100 0 0 50 100 600 cm /X1 Do Q Q";
    byte[] source = new RawPdf().page(cut).dot(false).bytes();
    byte[] now =
        changed(
            source, pdf -> assertThat(pdf.movePicture(0, 0, new Box(300, 250, 60, 60))).isTrue());
    near(where(painted(now), PlacedPicturesTest::red), 300, 250, 60, 60);
  }

  @ParameterizedTest
  @CsvSource({"true, 1 0 0 rg", "false, /G1 gs"})
  void whatWouldLookOtherwiseThereStays(boolean stencil, String state) {
    String cut = "q 90 590 120 70 re W n " + state + " q 100 0 0 50 100 600 cm /X1 Do Q Q";
    byte[] source =
        new RawPdf()
            .page(cut)
            .dot(stencil)
            .pages("/Resources<</XObject<</X1 10 0 R>>/ExtGState<</G1<</ca 0.5>>>>>>")
            .bytes();
    try {
      PdfAmender.in(
          source,
          pdf -> {
            assertThat(pdf.movePicture(0, 0, new Box(300, 250, 60, 60))).isFalse();
            assertThat(pdf.movePicture(0, 0, new Box(110, 150, 60, 40))).isTrue(); // within
            return pdf;
          });
    } catch (ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void aPictureTakesThePlaceOfADrawing() throws IOException {
    var image = new BufferedImage(20, 20, BufferedImage.TYPE_INT_RGB);
    for (int k = 0; k < 400; k++) {
      image.setRGB(k % 20, k / 20, 0xFF0000);
    }
    var png = new ByteArrayOutputStream();
    ImageIO.write(image, "png", png);
    byte[] source = new RawPdf().page("").bytes();
    byte[] with = changed(source, pdf -> pdf.addPicture(0, BLUE_SQUARE, new Box(100, 60, 80, 40)));
    byte[] now = changed(with, pdf -> pdf.replacePicture(0, 0, png.toByteArray()));
    // As large as fits, in the middle.
    near(where(painted(now), PlacedPicturesTest::red), 120, 60, 40, 40);
    assertThat(where(painted(now), PlacedPicturesTest::blueOrGreen).isEmpty()).isTrue();
  }

  @Test
  void aFormWithTextIsNoDrawing() throws ReadProblem {
    byte[] source =
        new RawPdf().page("/X1 Do").form("BT /F1 12 Tf 50 700 Td (The berth) Tj ET").bytes();
    PdfAmender.in(
        source,
        pdf -> {
          assertThat(pdf.parts(0).pictures()).isEmpty();
          assertThat(pdf.parts(0).lines()).hasSize(1);
          return pdf;
        });
  }

  @Test
  void whatIsNoPictureIsRefused() {
    byte[] source = new RawPdf().page("").bytes();
    assertThatThrownBy(() ->
            PdfAmender.in(
                source,
                pdf -> {
                  pdf.addPicture(
                      0, Media.of("image/png", new byte[] {1, 2}), new Box(1, 1, 10, 10));
                  return pdf;
                }))
        .isInstanceOf(ReadProblem.class);
  }
}
