package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.Table;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Conformance.Standard;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import decant.verify.pdf.PdfVerifier;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDPattern;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDTilingPattern;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What is filled with more than a colour (ISO 32000-2 §8.7, §11.3.5, §11.5) looks as it did when it
 * was taken in and published again, by poppler's painting of both files.
 */
class PatternedDrawingsTest {
  /** Of 255, for each of red, green and blue. */
  private static final int NEAR = 24;

  @TempDir Path folder;

  private static DrawnPdf prose() {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 450, DrawnPdf.PROSE);
    return pdf;
  }

  /** Both pages, as poppler paints them, have these colours in these places, from the top left. */
  private Document assertAlike(DrawnPdf drawn, int[]... places) throws Exception {
    Path source = drawn.saved(folder);
    Document d = Samples.taken(source).document();
    Layout l = Samples.layout(d);
    PdfChoices usual = Samples.choices(l);
    PdfChoices archive =
        usual
            .with(new Conformance(Standard.A2U, true, true, Version.V1_7, Enclosures.DEFAULT))
            .with(new Metadata("Storage", "", "", "", "en"));
    BufferedImage was = Tool.painted(source, 1);
    for (PdfChoices choices : List.of(usual, archive)) {
      Path file = Published.file(folder, l, choices);
      assertThat(PdfVerifier.verify(file, l, choices))
          .as("veraPDF judges within")
          .allSatisfy(x -> assertThat(x.passed()).as(x.name() + ": " + x.detail()).isTrue());
      BufferedImage is = Tool.painted(file, 1);
      for (int[] at : places) {
        assertThat(rgb(is, at))
            .as("%s at %d, %d", choices == usual ? "PDF" : "PDF/A", at[0], at[1])
            .satisfies(c -> assertNear(c, rgb(was, at)));
      }
    }
    return d;
  }

  private static Color rgb(BufferedImage image, int[] at) {
    return new Color(image.getRGB(at[0], at[1]));
  }

  private static void assertNear(Color a, Color b) {
    int most =
        Math.max(
            Math.abs(a.getRed() - b.getRed()),
            Math.max(Math.abs(a.getGreen() - b.getGreen()), Math.abs(a.getBlue() - b.getBlue())));
    assertThat(most).as("%s beside %s", a, b).isLessThan(NEAR);
  }

  @Test
  void gradientsStayGradients() throws Exception {
    DrawnPdf pdf =
        prose()
            .painted((file, page, c) -> {
              DrawnPdf.fade(
                  page,
                  c,
                  DrawnPdf.gradient(
                      COSName.DEVICERGB,
                      DrawnPdf.numbers(100, 0, 300, 0),
                      DrawnPdf.numbers(1, 0, 0),
                      DrawnPdf.numbers(0, 0, 1)),
                  100,
                  400,
                  200,
                  150);
              DrawnPdf.fade(
                  page,
                  c,
                  DrawnPdf.gradient(
                      COSName.DEVICECMYK,
                      DrawnPdf.numbers(420, 475, 0, 420, 475, 90),
                      DrawnPdf.numbers(0, 0, 1, 0),
                      DrawnPdf.numbers(1, 0, 1, 0)),
                  340,
                  400,
                  160,
                  150);
            });
    Document d =
        assertAlike(
            pdf,
            new int[][] {{110, 370}, {200, 370}, {290, 370}, {200, 300}, {420, 367}, {460, 330}});
    long drawings =
        d.paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i instanceof Inline.Picture)
            .count();
    assertThat(drawings).isPositive();
    // As functions, not as pixels: ISO 32000-2 §8.7.4.5.
    for (var m : d.media().values()) {
      try (PDDocument drawing = Loader.loadPDF(m.bytes())) {
        assertThat(drawing.getDocument().getObjectsByType(COSName.XOBJECT))
            .noneMatch(o ->
                o.getObject() instanceof COSStream s
                    && COSName.IMAGE.equals(s.getCOSName(COSName.SUBTYPE)));
      }
    }
  }

  @Test
  void smallDrawingsSideBySideFillTheirShape() throws Exception {
    DrawnPdf pdf =
        prose()
            .painted((file, page, c) -> {
              var tile = new PDTilingPattern();
              tile.setPaintType(PDTilingPattern.PAINT_COLORED);
              tile.setTilingType(1);
              tile.setBBox(new PDRectangle(40, 40));
              tile.setXStep(40);
              tile.setYStep(40);
              tile.setResources(new PDResources());
              try (OutputStream out = ((COSStream) tile.getCOSObject()).createOutputStream()) {
                out.write(
                    "1 0 0 rg 0 0 20 20 re f 0 0 1 rg 20 20 20 20 re f"
                        .getBytes(StandardCharsets.US_ASCII));
              }
              c.setNonStrokingColor(
                  new PDColor(page.getResources().add(tile), new PDPattern(page.getResources())));
              c.addRect(120, 400, 200, 120);
              c.fill();
            });
    // The middles of two squares, and of two that nothing is in.
    assertAlike(
        pdf, new int[][] {{130, 842 - 410}, {150, 842 - 430}, {150, 842 - 410}, {130, 842 - 430}});
  }

  @Test
  void whatShowsThroughAMaskFadesAsItDid() throws Exception {
    DrawnPdf pdf =
        prose()
            .painted((file, page, c) -> {
              var group = new PDTransparencyGroup(file);
              group.setBBox(PDRectangle.A4);
              group.setResources(new PDResources());
              COSName s =
                  group
                      .getResources()
                      .add(
                          PDShading.create(
                              DrawnPdf.gradient(
                                  COSName.DEVICEGRAY,
                                  DrawnPdf.numbers(100, 0, 300, 0),
                                  DrawnPdf.numbers(0),
                                  DrawnPdf.numbers(1))));
              try (OutputStream out = group.getCOSObject().createOutputStream()) {
                out.write(("/" + s.getName() + " sh").getBytes(StandardCharsets.US_ASCII));
              }
              var transparency = new COSDictionary();
              transparency.setItem(COSName.S, COSName.TRANSPARENCY);
              transparency.setItem(COSName.CS, COSName.DEVICEGRAY);
              group.getCOSObject().setItem(COSName.GROUP, transparency);
              var mask = new COSDictionary();
              mask.setItem(COSName.S, COSName.LUMINOSITY);
              mask.setItem(COSName.G, group.getCOSObject());
              var masked = new PDExtendedGraphicsState();
              masked.getCOSObject().setItem(COSName.SMASK, mask);
              c.saveGraphicsState();
              c.setGraphicsStateParameters(masked);
              triangle(c, new Color(200, 0, 0));
              c.restoreGraphicsState();
            });
    assertAlike(pdf, new int[][] {{150, 842 - 420}, {200, 842 - 450}, {270, 842 - 420}});
  }

  private static void triangle(PDPageContentStream c, Color colour) throws IOException {
    c.setNonStrokingColor(colour);
    c.moveTo(100, 400);
    c.lineTo(200, 500);
    c.lineTo(300, 400);
    c.closePath();
    c.fill();
  }

  @Test
  void coloursThatMixStillMix() throws Exception {
    DrawnPdf pdf =
        prose()
            .painted((file, page, c) -> {
              triangle(c, new Color(0, 120, 255));
              var mixing = new PDExtendedGraphicsState();
              mixing.setBlendMode(BlendMode.MULTIPLY);
              mixing.setNonStrokingAlphaConstant(0.75f);
              c.saveGraphicsState();
              c.setGraphicsStateParameters(mixing);
              c.setNonStrokingColor(new Color(255, 200, 0));
              c.addRect(150, 380, 120, 60);
              c.fill();
              c.restoreGraphicsState();
            });
    assertAlike(pdf, new int[][] {{200, 842 - 420}, {160, 842 - 390}, {200, 842 - 470}});
  }

  @Test
  void aHeadOnAGradientStaysText() throws Exception {
    DrawnPdf pdf =
        new DrawnPdf()
            .painted((file, page, c) -> {
              DrawnPdf.fade(
                  page,
                  c,
                  DrawnPdf.gradient(
                      COSName.DEVICERGB,
                      DrawnPdf.numbers(72, 0, 520, 0),
                      DrawnPdf.numbers(.2, 0, .5),
                      DrawnPdf.numbers(0, .2, .9)),
                  72,
                  760,
                  448,
                  30);
            })
            .ink(Color.WHITE)
            .text(DrawnPdf.BOLD, 16, 80, 72, "Winter storage")
            .ink(Color.BLACK);
    pdf.prose(72, 120, 450, DrawnPdf.PROSE);
    Document d = assertAlike(pdf, new int[][] {{75, 60}, {300, 60}, {515, 60}});
    assertThat(d.paragraphs()).anyMatch(p -> p.text().contains("Winter storage"));
  }

  @Test
  void aGradientBehindAPageStaysBehindIt() throws Exception {
    DrawnPdf pdf =
        new DrawnPdf()
            .painted((file, page, c) -> {
              DrawnPdf.fade(
                  page,
                  c,
                  DrawnPdf.gradient(
                      COSName.DEVICERGB,
                      DrawnPdf.numbers(0, 0, 0, 842),
                      DrawnPdf.numbers(1, 1, .6),
                      DrawnPdf.numbers(.6, .8, 1)),
                  0,
                  0,
                  596,
                  843);
              c.setNonStrokingColor(Color.WHITE);
              c.addRect(150, 300, 200, 100);
              c.fill();
              c.setNonStrokingColor(Color.BLACK);
            });
    pdf.prose(72, 90, 450, DrawnPdf.PROSE);
    assertAlike(pdf, new int[][] {{20, 20}, {20, 800}, {570, 420}, {250, 842 - 350}});
  }

  /** Office programs fill the heads of tables so; words in them are words of cells. */
  @Test
  void cellsWithGradientsStayATable() throws Exception {
    DrawnPdf pdf =
        prose()
            .painted((file, page, c) -> {
              COSDictionary fading =
                  DrawnPdf.gradient(
                      COSName.DEVICERGB,
                      DrawnPdf.numbers(0, 560, 0, 580),
                      DrawnPdf.numbers(.5, .6, .9),
                      DrawnPdf.numbers(.8, .9, 1));
              for (int k = 0; k < 5; k++) {
                DrawnPdf.fade(page, c, fading, 72 + 80 * k, 560, 80, 20);
              }
              c.setNonStrokingColor(Color.BLACK);
            });
    for (int k = 0; k <= 5; k++) {
      pdf.line(72 + 80 * k, 262, 72 + 80 * k, 362);
      pdf.line(72, 262 + 20 * k, 472, 262 + 20 * k);
    }
    for (int row = 0; row < 5; row++) {
      for (int k = 0; k < 5; k++) {
        pdf.text(76 + 80 * k, 276 + 20 * row, row == 0 ? "Head " + k : row + "." + k);
      }
    }
    Document d = Samples.taken(pdf.saved(folder)).document();
    assertThat(d.sections().getFirst().blocks())
        .filteredOn(b -> b instanceof Table)
        .singleElement()
        .satisfies(t -> {
          assertThat(((Table) t).rows()).hasSize(5);
          assertThat(((Table) t).rows().getFirst().cells()).hasSize(5);
        });
    assertThat(d.paragraphs()).anyMatch(p -> p.text().strip().equals("Head 3"));
  }
}
