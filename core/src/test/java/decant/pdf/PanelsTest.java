package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.Placement;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Conformance.Standard;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import decant.reading.TakenIn;
import decant.verify.pdf.PdfVerifier;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Text on a decorated ground is text; the labels of a drawing are part of it, and told. */
class PanelsTest {
  @TempDir Path folder;

  private static final PDType1Font FONT = new PDType1Font(Standard14Fonts.FontName.HELVETICA);

  private interface Painting {
    void on(PDPageContentStream c) throws IOException;
  }

  private TakenIn taken(Painting painting) throws IOException {
    Path file = folder.resolve("made.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        text(c, 72, 760, "Boats are let down by the crane between eight and noon on weekdays.");
        painting.on(c);
        text(c, 72, 300, "Whoever comes later waits for the next day, or pays for the crane.");
      }
      pdf.save(file.toFile());
    }
    return Samples.taken(file);
  }

  private static void text(PDPageContentStream c, float x, float y, String s) throws IOException {
    c.beginText();
    c.setFont(FONT, 11);
    c.newLineAtOffset(x, y);
    c.showText(s);
    c.endText();
  }

  /** A box with round corners. */
  private static void round(PDPageContentStream c, float x, float y, float w, float h, Color fill)
      throws IOException {
    float r = 8;
    c.setNonStrokingColor(fill);
    c.moveTo(x + r, y);
    c.lineTo(x + w - r, y);
    c.curveTo(x + w, y, x + w, y, x + w, y + r);
    c.lineTo(x + w, y + h - r);
    c.curveTo(x + w, y + h, x + w, y + h, x + w - r, y + h);
    c.lineTo(x + r, y + h);
    c.curveTo(x, y + h, x, y + h, x, y + h - r);
    c.lineTo(x, y + r);
    c.curveTo(x, y, x, y, x + r, y);
    c.fill();
    c.setNonStrokingColor(Color.BLACK);
  }

  /** A banner whose lower edge is a wave. */
  private static void wave(PDPageContentStream c, float x, float y, float w, float h, Color fill)
      throws IOException {
    c.setNonStrokingColor(fill);
    c.moveTo(x, y + h);
    c.lineTo(x + w, y + h);
    c.lineTo(x + w, y);
    c.curveTo(x + w * 2 / 3, y + 18, x + w / 3, y - 18, x, y);
    c.fill();
    c.setNonStrokingColor(Color.BLACK);
  }

  private static List<String> texts(TakenIn t) {
    return t.document().paragraphs().stream().map(p -> p.text().replace("\uFFFC", "")).toList();
  }

  private static List<Inline.Picture> pictures(TakenIn t) {
    return t.document().paragraphs().stream()
        .map(Paragraph::inlines)
        .flatMap(List::stream)
        .filter(i -> i instanceof Inline.Picture)
        .map(i -> (Inline.Picture) i)
        .toList();
  }

  @Test
  void textOnAPanelIsTextAndThePanelStandsBehindIt() throws IOException {
    TakenIn t =
        taken(c -> {
          wave(c, 72, 560, 400, 110, new Color(0xE6, 0xE6, 0xF2));
          round(c, 72, 640, 400, 30, new Color(0x26, 0x26, 0x80));
          c.setNonStrokingColor(Color.WHITE);
          text(c, 82, 650, "Before the season");
          c.setNonStrokingColor(Color.BLACK);
          text(c, 82, 615, "Fenders and lines are looked over by the holder.");
          text(c, 82, 597, "The mast is stepped only below the crane.");
          text(c, 82, 579, "Fuel is taken on at the fuel berth and nowhere else.");
        });
    assertThat(String.join(" ", texts(t)))
        .contains("Before the season")
        .contains("Fenders and lines are looked over by the holder.")
        .contains("Fuel is taken on at the fuel berth and nowhere else.");
    assertThat(pictures(t))
        .singleElement()
        .satisfies(p -> {
          assertThat(p.placement()).isInstanceOf(Placement.Floating.class);
          assertThat(((Placement.Floating) p.placement()).behind()).isTrue();
          assertThat(p.width()).isBetween(400.0, 410.0);
        });
    assertThat(t.findings()).noneMatch(f -> f.kind() == Finding.Kind.WORDS_IN_PICTURE);
  }

  /** Boats go from here to there: a drawing with labels. */
  private TakenIn drawing() throws IOException {
    return taken(c -> {
      round(c, 80, 560, 110, 40, Color.LIGHT_GRAY);
      round(c, 300, 560, 110, 40, Color.LIGHT_GRAY);
      round(c, 190, 480, 110, 40, Color.LIGHT_GRAY);
      c.moveTo(190, 580);
      c.curveTo(230, 600, 260, 600, 300, 580);
      c.stroke();
      c.moveTo(135, 560);
      c.curveTo(140, 520, 160, 500, 190, 500);
      c.stroke();
      text(c, 92, 577, "Slip");
      text(c, 312, 577, "Fuel berth");
      text(c, 202, 497, "Winter store");
    });
  }

  @Test
  void theLabelsOfADrawingArePartOfItAndTold() throws IOException {
    TakenIn t = drawing();
    assertThat(String.join(" ", texts(t))).doesNotContain("Winter store");
    assertThat(pictures(t))
        .singleElement()
        .satisfies(p -> assertThat(p.alt()).contains("Winter store"));
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.WORDS_IN_PICTURE)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).contains("page 1").contains("Fuel berth"));
  }

  /** A label that leans is one of the drawing's as well, whose letters it becomes lines of. */
  @Test
  void aSlantedLabelIsToldAndSearchedToo() throws IOException {
    TakenIn t =
        taken(c -> {
          c.moveTo(100, 400);
          c.lineTo(320, 548);
          c.lineTo(260, 640);
          c.lineTo(40, 492);
          c.closeAndStroke();
          c.beginText();
          c.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 10);
          c.setTextMatrix(Matrix.getRotateInstance(Math.toRadians(34), 150, 440));
          c.showText("Crane at the slip");
          c.endText();
        });
    assertThat(pictures(t))
        .singleElement()
        .satisfies(p -> assertThat(p.alt()).contains("Crane at the slip"));
    assertThat(t.findings()).anyMatch(f -> f.message().contains("Crane at the slip"));
  }

  /** They are searched where they are seen, and painted once; PDFBox's stripper is the reader. */
  @Test
  void theLabelsOfADrawingAreSearchedInWhatIsPublished() throws IOException {
    Layout l = Samples.layout(drawing().document());
    PdfChoices usual = Samples.choices(l);
    var archive =
        usual
            .with(new Conformance(Standard.A2U, true, true, Version.V1_7, Enclosures.DEFAULT))
            .with(new Metadata("Slips", "", "", "", "en"));
    for (PdfChoices choices : List.of(usual, archive)) {
      Path file = Published.file(folder, l, choices);
      assertThat(PdfVerifier.verify(file, l, choices))
          .as("veraPDF judges within")
          .allSatisfy(x -> assertThat(x.passed()).as(x.name() + ": " + x.detail()).isTrue());
      try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
        var found = new java.util.ArrayList<org.apache.pdfbox.text.TextPosition>();
        var stripper =
            new PDFTextStripper() {
              @Override
              protected void writeString(
                  String text, List<org.apache.pdfbox.text.TextPosition> at) {
                if (text.contains("Winter store")) {
                  found.addAll(at);
                }
              }
            };
        stripper.getText(pdf);
        assertThat(found).as("once").hasSize("Winter store".length());
        assertThat((double) found.getFirst().getX()).isBetween(195.0, 215.0);
        assertThat((double) found.getLast().getX()).isBetween(240.0, 270.0);
      }
    }
  }
}
