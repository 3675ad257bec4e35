package decant.pdf.read.report;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Inline;
import decant.model.finding.Finding;
import decant.model.look.TextTraits;
import decant.reading.TakenIn;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDBorderStyleDictionary;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is drawn and not carried over is told, and nothing else. */
class DrawnLossesTest {
  @TempDir Path folder;

  private interface Drawing {
    void on(PDPageContentStream out) throws IOException;
  }

  private List<Finding> told(Drawing drawing) throws IOException {
    Path file = folder.resolve("drawn.pdf");
    try (PDDocument pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var out = new PDPageContentStream(pdf, page)) {
        drawing.on(out);
        for (int k = 0; k < 6; k++) {
          text(out, 72, 400 - 14 * k, Samples.PROSE.substring(0, 80));
        }
      }
      pdf.save(file.toFile());
    }
    return Samples.taken(file).findings().stream()
        .filter(f -> f.message().contains("coloured areas"))
        .toList();
  }

  private static void text(PDPageContentStream out, double x, double y, String s)
      throws IOException {
    out.setNonStrokingColor(Color.BLACK);
    out.beginText();
    out.setFont(new PDType1Font(FontName.HELVETICA), 11);
    out.newLineAtOffset((float) x, (float) y);
    out.showText(s);
    out.endText();
  }

  private static void area(PDPageContentStream out, Color c, float x, float y, float w, float h)
      throws IOException {
    out.setNonStrokingColor(c);
    out.addRect(x, y, w, h);
    out.fill();
  }

  @Test
  void linesAcrossThePageAreShapesAndNoLoss() throws IOException {
    assertThat(
            told(out -> {
              for (int k = 0; k < 12; k++) {
                area(out, Color.DARK_GRAY, 30, 500 + 24 * k, 530, 2);
              }
            }))
        .isEmpty();
    assertThat(
            Samples.taken(folder.resolve("drawn.pdf")).document().paragraphs().stream()
                .flatMap(p -> p.inlines().stream())
                .filter(i -> i instanceof decant.model.Inline.Shape))
        .hasSize(12);
  }

  /** More than a person would revise one by one. */
  @Test
  void hundredsOfLinesAreALossThatIsTold() throws IOException {
    assertThat(
            told(out -> {
              for (int k = 0; k < 420; k++) {
                area(out, Color.DARK_GRAY, 30 + k % 20 * 27, 450 + k / 20 * 15, 20, 5);
              }
            }))
        .singleElement()
        .satisfies(f -> assertThat(f.severity()).isEqualTo(Finding.Severity.LOSS));
  }

  /** Frames as typesetting programs draw them around links (ISO 32000-1 §12.5.2 and §12.5.4). */
  @Test
  void framesAroundLinksComeAlongAndThoseOfLinksToNowhereAreTold() throws IOException {
    Path file = folder.resolve("links.pdf");
    try (var pdf = new PDDocument()) {
      for (float width : new float[] {1, 0, 2}) {
        var page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        for (int k = 0; k < 2; k++) {
          var link = new PDAnnotationLink();
          link.setRectangle(new PDRectangle(72, 600 + 30 * k, 80, 12));
          link.setColor(new PDColor(new float[] {1, 0, 0}, PDDeviceRGB.INSTANCE));
          if (k == 0) {
            var to = new PDActionURI();
            to.setURI("https://saltmarsh.example/tides");
            link.setAction(to);
          }
          if (width == 2) {
            var style = new PDBorderStyleDictionary();
            style.setWidth(width);
            link.setBorderStyle(style);
          } else {
            link.setBorder(COSArray.ofCOSIntegers(List.of(0, 0, (int) width)));
          }
          page.getAnnotations().add(link);
        }
        try (var out = new PDPageContentStream(pdf, page)) {
          text(out, 72, 602, "Tides and berths");
          text(out, 72, 632, "Charges and rules");
        }
      }
      pdf.save(file.toFile());
    }
    TakenIn taken = Samples.taken(file);
    assertThat(
            taken.document().paragraphs().stream()
                .flatMap(p -> p.inlines().stream())
                .filter(i -> i.look().get(TextTraits.LINK_FRAME).isPresent())
                .map(i -> ((Inline.Text) i).text() + i.look().value(TextTraits.LINK_FRAME).rgb()))
        .as("on the first page and on the third, in red")
        .containsExactly("Tides and berths" + 0xFF0000, "Tides and berths" + 0xFF0000);
    assertThat(taken.findings().stream().filter(f -> f.kind() == Finding.Kind.DRAWING_LEFT_OUT))
        .allSatisfy(f -> assertThat(f.severity()).isEqualTo(Finding.Severity.LOSS))
        .extracting(Finding::message)
        .containsExactly(
            "The frame around a link to nowhere on page 1 was left out.",
            "The frame around a link to nowhere on page 3 was left out.");
  }

  @Test
  void aTableBringsItsLinesAlong() throws IOException {
    assertThat(
            told(out -> {
              for (int r = 0; r <= 5; r++) {
                area(out, Color.BLACK, 72, 500 + 20 * r, 400, 1);
              }
              for (int c = 0; c <= 4; c++) {
                area(out, Color.BLACK, 72 + 100 * c, 500, 1, 101);
              }
              for (int r = 0; r < 5; r++) {
                for (int c = 0; c < 4; c++) {
                  text(out, 78 + 100 * c, 506 + 20 * r, "Cell " + r + c);
                }
              }
            }))
        .isEmpty();
  }

  @Test
  void aLineOrTwoAndWhiteAreNoLoss() throws IOException {
    assertThat(told(out -> area(out, Color.BLACK, 72, 600, 450, 0.6f))).isEmpty();
    assertThat(told(out -> area(out, Color.WHITE, 0, 0, 595, 842))).isEmpty();
    assertThat(told(out -> {})).isEmpty();
  }

  /** Listings are often shaded line by line. */
  @Test
  void aShadeInStripsIsOneShade() throws IOException {
    Path file = folder.resolve("listing.pdf");
    try (PDDocument pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var out = new PDPageContentStream(pdf, page)) {
        text(out, 72, 760, Samples.PROSE.substring(0, 80));
        for (int k = 0; k < 5; k++) {
          area(out, new Color(0xDD, 0xDD, 0xDD), 72, 700 - 13 * k, 450, 13);
        }
        for (int k = 0; k < 5; k++) {
          text(out, 78, 704 - 13 * k, "tide --gauge east-stairs --level " + k);
        }
        text(out, 72, 600, Samples.PROSE.substring(0, 80));
      }
      pdf.save(file.toFile());
    }
    var taken = Samples.taken(file);
    assertThat(taken.findings()).noneMatch(f -> f.message().contains("coloured areas"));
    assertThat(taken.document().paragraphs())
        .filteredOn(p -> p.text().startsWith("tide"))
        .isNotEmpty()
        .allMatch(p ->
            p.look()
                .value(decant.model.look.ParagraphTraits.SHADING)
                .equals(new decant.model.look.Colour(0xDDDDDD)));
  }

  @Test
  void linesUnderWordsAreTheirs() throws IOException {
    assertThat(
            told(out -> {
              for (int k = 0; k < 6; k++) {
                area(out, Color.BLACK, 72, 398 - 14 * k, 300, 0.8f);
              }
            }))
        .isEmpty();
  }
}
