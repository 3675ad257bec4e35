package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.Tool;
import decant.blanks.Blank;
import decant.blanks.Blanks;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.model.look.Look;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Fields made of lines and boxes; held against PDFBox, poppler and qpdf. */
class MadeFieldsTest {
  @TempDir private Path folder;

  /** A form on paper: a typed line, a drawn one, a box to tick and one to write in. */
  private Path flat(int rotation) throws Exception {
    Path out = folder.resolve("flat" + rotation + ".pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      page.setRotation(rotation);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        if (rotation == 90) {
          c.transform(new org.apache.pdfbox.util.Matrix(0, 1, -1, 0, 595, 0));
        }
        float top = rotation == 90 ? 595 : 842;
        text(c, 72, top - 80, "Application for a berth");
        text(c, 72, top - 120, "Name: ______________________________");
        text(c, 72, top - 150, "Vessel");
        c.moveTo(130, top - 152);
        c.lineTo(330, top - 152);
        c.stroke();
        c.addRect(72, top - 181, 10, 10);
        c.stroke();
        text(c, 90, top - 180, "The vessel is insured");
        text(c, 72, top - 216, "Remarks");
        c.addRect(130, top - 260, 300, 56);
        c.stroke();
      }
      pdf.save(out.toFile());
    }
    return out;
  }

  private static void text(PDPageContentStream c, float x, float y, String text) throws Exception {
    c.beginText();
    c.setFont(new PDType1Font(FontName.HELVETICA), 11);
    c.newLineAtOffset(x, y);
    c.showText(text);
    c.endText();
  }

  private Path published(Document d) throws Exception {
    return PinnedSample.published(d, folder.resolve("out.pdf"));
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 90})
  void linesAndBoxesOfAPinnedPageBecomeFields(int rotation) throws Exception {
    Revision before = PinnedSample.pages(flat(rotation), 0);
    MadeFields.Result made = MadeFields.make(before);
    assertThat(made.names()).containsExactly("Name", "Vessel", "The vessel is insured", "Remarks");
    List<Blank> blanks = Blanks.of(made.revision().document());
    assertThat(blanks).extracting(Blank::name).containsExactlyInAnyOrderElementsOf(made.names());
    assertThat(blanks).allSatisfy(b -> assertThat(b.value()).isEmpty());
    Document filled =
        PinnedBlanks.fill(
                made.revision().document(),
                Map.of(
                    "Name", "Mara Lund",
                    "Vessel", "Curlew",
                    "The vessel is insured", "Yes",
                    "Remarks", "Two masts"))
            .document();
    Path out = published(filled);
    assertThat(Tool.run("qpdf", "--check", out.toString()).status()).isZero();
    try (var pdf = Loader.loadPDF(out.toFile())) {
      var form = pdf.getDocumentCatalog().getAcroForm();
      assertThat(((PDTextField) form.getField("Name")).getValue()).isEqualTo("Mara Lund");
      assertThat(((PDTextField) form.getField("Remarks")).isMultiline()).isTrue();
      assertThat(((PDCheckBox) form.getField("The vessel is insured")).isChecked()).isTrue();
      var where = form.getField("Vessel").getWidgets().getFirst().getRectangle();
      double along = rotation == 90 ? where.getLowerLeftY() : where.getLowerLeftX();
      assertThat(along).isCloseTo(130, within(1.5));
    }
    String read = Tool.run("pdftotext", "-layout", out.toString(), "-").output();
    assertThat(read.lines().filter(l -> l.contains("Vessel") && l.contains("Curlew"))).hasSize(1);
    assertThat(read).contains("Mara Lund", "Two masts");
    assertThat(made.revision().undo().document().sections())
        .isEqualTo(before.document().sections());
    // Made once, there is nothing left to make.
    assertThat(MadeFields.make(made.revision()).names()).isEmpty();
  }

  @Test
  void signsOfATextThatFlowsBecomeFields() throws Exception {
    Document d =
        Samples.document(
            Paragraph.of(Look.PLAIN, "Name: __________ Town ________"),
            Paragraph.of(Look.PLAIN, "\u2610 by post \u2610 by hand"),
            Paragraph.of(Look.PLAIN, "Name: ________"),
            Paragraph.of(Look.PLAIN, "a_b __ c"));
    MadeFields.Result made = MadeFields.make(Revision.of(d));
    assertThat(made.names()).containsExactly("Name", "Town", "by post", "by hand", "Name 2");
    Document filled =
        Blanks.filled(
            made.revision().document(), Map.of("Town", "Saltmarsh Quay", "by hand", "Yes"));
    assertThat(filled.paragraphs().get(0).text()).isEqualTo("Name: __________ Town Saltmarsh Quay");
    assertThat(filled.paragraphs().get(1).text()).isEqualTo("\u2610 by post \u2611 by hand");
    try (var pdf = Loader.loadPDF(published(filled).toFile())) {
      var form = pdf.getDocumentCatalog().getAcroForm();
      assertThat(form.getField("Town").getValueAsString()).isEqualTo("Saltmarsh Quay");
      assertThat(((PDCheckBox) form.getField("by hand")).isChecked()).isTrue();
      assertThat(form.getField("Name 2").getValueAsString()).isEmpty();
    }
    // Emptied, the line is back.
    assertThat(Blanks.filled(filled, Map.of("Town", "")).paragraphs().get(0).text())
        .isEqualTo("Name: __________ Town ________");
  }

  @Test
  void takingInTellsOfThem() throws Exception {
    assertThat(Samples.taken(flat(0)).findings())
        .filteredOn(f -> f.kind() == Finding.Kind.FORM)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).startsWith("4 lines and boxes"));
    assertThat(Samples.taken(Samples.DEMO.resolve("Berth rules.pdf")).findings())
        .noneMatch(f -> f.kind() == Finding.Kind.FORM);
  }
}
