package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.format.Intake;
import decant.layout.Layout;
import decant.model.AttachedFile;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.DocxSchemas;
import decant.office.docx.DocxReader;
import decant.office.docx.write.DocxWriter;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.PdfChoices;
import decant.reading.ReadRequest;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What goes along with the pages: fields to fill in (ISO 32000-2 §12.7), notes (§12.5.6.4) and
 * files (§7.11.4), read back by PDFBox, poppler and our own reader, through DOCX and back.
 */
class EnclosuresTest {
  @TempDir Path folder;

  private static Look blank(String id, String name, FormField.Kind kind, List<String> options) {
    return Look.of(TextTraits.FIELD, new FormField(id, name, kind, options, 120, ""));
  }

  private static final Document FORM =
      Samples.document(
          line("Owner: ", "M. Tern", blank("1", "owner.name", FormField.Kind.TEXT, List.of())),
          line("Vessel: ", "__________", blank("2", "vessel", FormField.Kind.TEXT, List.of())),
          line(
              "Berth: ",
              "North quay",
              blank("3", "berth", FormField.Kind.CHOICE, List.of("North quay", "South quay"))),
          line("", "☑", blank("4", "insured", FormField.Kind.TICK, List.of("Yes"))),
          line("", "☐", blank("5", "winter", FormField.Kind.TICK, List.of("Yes"))),
          line("Pays ", "◉", blank("6", "pays", FormField.Kind.ONE_OF, List.of("yearly"))),
          line("or ", "○", blank("7", "pays", FormField.Kind.ONE_OF, List.of("monthly"))));

  private static Block line(String label, String text, Look look) {
    return label.isEmpty()
        ? Samples.runs(text, look, " as agreed", Look.PLAIN)
        : Samples.runs(label, Look.PLAIN, text, look, " end", Look.PLAIN);
  }

  private Path published(Document d, Conformance k) {
    Layout l = Samples.layout(d);
    PdfChoices c = Samples.choices(l).with(k);
    Path file = Published.file(folder, l, c);
    assertThat(PdfVerifier.verify(file, l, c))
        .allSatisfy(x -> assertThat(x.passed()).as(x.name() + ": " + x.detail()).isTrue());
    assertThat(Tool.run("qpdf", "--check", file.toString()).output()).contains("No syntax");
    return file;
  }

  private static Conformance conformance(Enclosures a) {
    return Conformance.DEFAULT.with(a);
  }

  @Test
  void blanksAreFieldsWithWhatTheyHold() throws IOException {
    Path file = published(FORM, Conformance.DEFAULT);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
      assertThat(((PDTextField) form.getField("owner.name")).getValue()).isEqualTo("M. Tern");
      assertThat(((PDTextField) form.getField("vessel")).getValue()).isEmpty();
      var berth = (PDComboBox) form.getField("berth");
      assertThat(berth.getValue()).containsExactly("North quay");
      assertThat(berth.getOptions()).containsExactly("North quay", "South quay");
      assertThat(((PDCheckBox) form.getField("insured")).isChecked()).isTrue();
      assertThat(((PDCheckBox) form.getField("winter")).isChecked()).isFalse();
      var pays = (PDRadioButton) form.getField("pays");
      assertThat(pays.getOnValues()).containsExactlyInAnyOrder("yearly", "monthly");
      assertThat(pays.getValue()).isEqualTo("yearly");
      assertThat(form.getField("vessel").getWidgets().getFirst().getRectangle().getWidth())
          .isGreaterThanOrEqualTo(120);
      assertThat(form.getNeedAppearances()).isFalse();
    }
    // What was filled in shows, though the page itself does not show it.
    assertThat(Tool.run("pdftotext", file.toString(), "-").output()).contains("Owner:", "M. Tern");
  }

  @Test
  void aReaderCanFillThemIn() throws IOException {
    Path file = published(FORM, Conformance.DEFAULT);
    Path filled = folder.resolve("filled.pdf");
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
      form.getField("vessel").setValue("Curlew");
      ((PDCheckBox) form.getField("winter")).check();
      form.getField("pays").setValue("monthly");
      pdf.save(filled.toFile());
    }
    String text = Tool.run("pdftotext", filled.toString(), "-").output();
    assertThat(text).contains("Curlew");
    Document document = take(filled);
    assertThat(on(document)).containsExactly("insured", "winter", "pays monthly");
  }

  /** The names of switches that are on. */
  private static List<String> on(Document d) {
    var out = new ArrayList<String>();
    for (var p : d.paragraphs()) {
      for (Inline i : p.inlines()) {
        i.look()
            .get(TextTraits.FIELD)
            .filter(b -> b.isSwitch() && b.holds(((Inline.Text) i).text()))
            .ifPresent(b ->
                out.add(
                    b.kind() == FormField.Kind.ONE_OF
                        ? b.name() + " " + b.options().getFirst()
                        : b.name()));
      }
    }
    return out;
  }

  private static Document take(Path file) {
    try {
      return Intake.take(ReadRequest.of(file)).document();
    } catch (decant.reading.ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  private static List<FormField> blanks(Document d) {
    var out = new ArrayList<FormField>();
    d.paragraphs()
        .forEach(p ->
            p.inlines()
                .forEach(i ->
                    i.look()
                        .get(TextTraits.FIELD)
                        .filter(b -> !out.contains(b))
                        .ifPresent(out::add)));
    return out;
  }

  @Test
  void blanksCanBeLinesAndBoxesInstead() throws IOException {
    for (Conformance k :
        List.of(
            conformance(Enclosures.DEFAULT.withFields(false)),
            Conformance.DEFAULT.with(Conformance.Standard.A2B))) {
      Path file = published(FORM, k);
      try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
        assertThat(pdf.getDocumentCatalog().getAcroForm()).isNull();
      }
      assertThat(Tool.run("pdftotext", file.toString(), "-").output())
          .contains("M. Tern", "______", "☑");
    }
  }

  @Test
  void blanksComeBackFromPdfAndFromDocx() throws Exception {
    Document d = take(published(FORM, Conformance.DEFAULT));
    check(blanks(d));
    assertThat(on(d)).containsExactly("insured", "pays yearly");
    Path copy = copy(d);
    Document back = DocxReader.read(ReadRequest.of(copy)).document();
    check(blanks(back));
    assertThat(on(back)).containsExactly("insured", "pays yearly");
    assertThat(blanks(back)).extracting(FormField::width).contains(120.0);
    assertThat(DocxSchemas.errors(copy)).isEmpty();
  }

  private static void check(List<FormField> blanks) {
    assertThat(blanks)
        .extracting(FormField::name)
        .containsExactly("owner.name", "vessel", "berth", "insured", "winter", "pays", "pays");
    assertThat(blanks)
        .extracting(FormField::kind)
        .containsExactly(
            FormField.Kind.TEXT,
            FormField.Kind.TEXT,
            FormField.Kind.CHOICE,
            FormField.Kind.TICK,
            FormField.Kind.TICK,
            FormField.Kind.ONE_OF,
            FormField.Kind.ONE_OF);
    assertThat(blanks.get(2).options()).containsExactly("North quay", "South quay");
    assertThat(blanks.get(6).options()).containsExactly("monthly");
  }

  private Path copy(Document d) throws IOException {
    Path copy = folder.resolve("copy.docx");
    try (OutputStream out = Files.newOutputStream(copy)) {
      DocxWriter.write(d, out);
    }
    return copy;
  }

  /** Whoever types into a blank fills it in; the line that is left is no part of it. */
  @Test
  void whatIsTypedIntoABlankIsItsValue() throws IOException {
    Look look = blank("1", "vessel", FormField.Kind.TEXT, List.of());
    Document d = Samples.document(line("Vessel: ", "Curlew____", look));
    try (PDDocument pdf = Loader.loadPDF(published(d, Conformance.DEFAULT).toFile())) {
      assertThat(pdf.getDocumentCatalog().getAcroForm().getField("vessel").getValueAsString())
          .isEqualTo("Curlew");
    }
  }

  /** A prompt of a content control (§17.5.2.40) is no value. */
  @Test
  void aPromptIsNoValue() throws IOException {
    Look look =
        Look.of(
            TextTraits.FIELD,
            new FormField("1", "vessel", FormField.Kind.TEXT, List.of(), 0, "Name of the vessel"));
    Document d = Samples.document(line("Vessel: ", "Name of the vessel", look));
    try (PDDocument pdf = Loader.loadPDF(published(d, Conformance.DEFAULT).toFile())) {
      assertThat(pdf.getDocumentCatalog().getAcroForm().getField("vessel").getValueAsString())
          .isEmpty();
    }
  }

  private static final Comment REMARK =
      new Comment("r", "A. Clerk", "2026-03-01T09:30:00Z", "Is this still so?\nAsk.", false);

  private static final Document NOTED =
      Samples.document(
          Samples.runs(
              "Lines are ", Look.PLAIN,
              "doubled", Look.of(TextTraits.COMMENTS, List.of(REMARK)),
              " in a gale.", Look.PLAIN));

  @Test
  void remarksStayOutUnlessTheyAreWanted() throws IOException {
    Path file = published(NOTED, Conformance.DEFAULT);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      assertThat(pdf.getPage(0).getAnnotations()).isEmpty();
    }
  }

  @Test
  void remarksAreNotesAtTheirWords() throws IOException {
    Path file = published(NOTED, conformance(Enclosures.DEFAULT.withComments(true)));
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      PDAnnotation a = pdf.getPage(0).getAnnotations().getFirst();
      assertThat(a).isInstanceOf(PDAnnotationText.class);
      assertThat(a.getContents()).isEqualTo("Is this still so?\nAsk.");
      assertThat(((PDAnnotationText) a).getTitlePopup()).isEqualTo("A. Clerk");
      assertThat(a.getModifiedDate()).startsWith("D:20260301093000");
    }
    commented(take(file));
  }

  @Test
  void remarksComeBackFromDocx() throws Exception {
    Path copy = copy(NOTED);
    assertThat(DocxSchemas.errors(copy)).isEmpty();
    Document back = DocxReader.read(ReadRequest.of(copy)).document();
    commented(back);
    // And once more: what was understood is written anew, not twice.
    Path again = copy(back);
    Document twice = DocxReader.read(ReadRequest.of(again)).document();
    commented(twice);
    assertThat(twice.paragraphs().getFirst().inlines()).hasSize(3);
  }

  private static void commented(Document d) {
    List<Inline> noted =
        d.paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i.look().sets(TextTraits.COMMENTS))
            .toList();
    assertThat(noted).hasSize(1);
    assertThat(((Inline.Text) noted.getFirst()).text()).isEqualTo("doubled");
    Comment r = noted.getFirst().look().value(TextTraits.COMMENTS).getFirst();
    assertThat(r.text()).isEqualTo("Is this still so?\nAsk.");
    assertThat(r.author()).isEqualTo("A. Clerk");
    assertThat(r.date()).isEqualTo("2026-03-01T09:30:00Z");
  }

  private static final AttachedFile LIST =
      new AttachedFile(
          "berths.csv",
          "text/csv",
          "All berths",
          "berth,length\n1,8\n".getBytes(StandardCharsets.UTF_8));

  @Test
  void filesGoAlongThroughDocxAndPdf() throws Exception {
    Document d =
        Samples.document(Samples.paragraph("See the list."))
            .withAttachments(
                List.of(LIST, new AttachedFile("berths.csv", "", "", new byte[] {1, 2})));
    Document back = DocxReader.read(ReadRequest.of(copy(d))).document();
    same(back);
    Path file = published(back, Conformance.DEFAULT);
    assertThat(Tool.run("pdfdetach", "-list", file.toString()).output())
        .contains("2 embedded files", "berths.csv");
    same(take(file));
  }

  private static void same(Document d) {
    assertThat(d.attachments()).hasSize(2);
    AttachedFile a = d.attachments().getFirst();
    assertThat(a.name()).isEqualTo("berths.csv");
    assertThat(a.type()).isEqualTo("text/csv");
    assertThat(a.description()).isEqualTo("All berths");
    assertThat(a.bytes()).isEqualTo(LIST.bytes());
    assertThat(d.attachments().get(1).bytes()).containsExactly(1, 2);
  }

  /** ISO 19005-3 takes files of any kind, ISO 19005-2 does not; veraPDF judges within verifying. */
  @Test
  void archivesTakeFilesOnlyWhereTheirStandardDoes() throws IOException {
    Document d =
        Samples.document(Samples.paragraph("See the list."))
            .withMetadata(Published.PARTICULARS)
            .withAttachments(List.of(LIST));
    Path takes = published(d, Conformance.DEFAULT.with(Conformance.Standard.A3A));
    assertThat(Tool.run("pdfdetach", "-list", takes.toString()).output()).contains("berths.csv");
    Path not = published(d, Conformance.DEFAULT.with(Conformance.Standard.A2A));
    assertThat(Tool.run("pdfdetach", "-list", not.toString()).output()).doesNotContain("csv");
    assertThat(
            PdfVerifier.verify(
                not,
                Samples.layout(d.withAttachments(List.of())),
                Samples.choices(Samples.layout(d))
                    .with(Conformance.DEFAULT.with(Conformance.Standard.A2A))))
        .allMatch(Check::passed);
  }

  @Test
  void verifyingSeesAFieldThatDoesNotHoldItsText() throws IOException {
    Layout l = Samples.layout(FORM);
    PdfChoices c = Samples.choices(l);
    Path file = Published.file(folder, l, c);
    Path changed = folder.resolve("changed.pdf");
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      pdf.getDocumentCatalog().getAcroForm().getField("owner.name").setValue("J. Gull");
      pdf.save(changed.toFile());
    }
    assertThat(PdfVerifier.verify(changed, l, c))
        .anyMatch(x -> x.name().equals("Form fields") && !x.passed());
  }
}
