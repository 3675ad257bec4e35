package decant.blanks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Revision;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.TextTraits;
import decant.pin.PinnedBlanks;
import decant.pin.Pinning;
import decant.reading.TakenIn;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdfparser.FDFParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Held against PDFBox's forms, FDF and XFDF. */
class BlanksTest {
  private static final Path FORM = Samples.DEMO.resolve("Berth application.pdf");

  @TempDir private Path folder;

  private static Inline.Text field(String id, String name, Kind kind, String text, String... of) {
    var f = new FormField(id, name, kind, List.of(of), 0, "");
    return new Inline.Text(text, Look.of(TextTraits.FIELD, f));
  }

  private static Inline.Text text(String s) {
    return new Inline.Text(s, Look.PLAIN);
  }

  private static Document form() {
    Paragraph p =
        Samples.paragraph("")
            .withInlines(
                List.of(
                    text("Name "),
                    field("1", "holder.name", Kind.TEXT, "_____"),
                    text(", berth "),
                    field("2", "berth", Kind.CHOICE, "North", "North", "South"),
                    text(" insured "),
                    field("3", "insured", Kind.TICK, "\u2610", "Yes"),
                    text(" day "),
                    field("4", "when", Kind.ONE_OF, "\u25CB", "day"),
                    text(" night "),
                    field("5", "when", Kind.ONE_OF, "\u25C9", "night")));
    return Samples.document(p, Samples.paragraph("End."));
  }

  private static Map<String, String> values(Document d) {
    var out = new LinkedHashMap<String, String>();
    Blanks.of(d).forEach(b -> out.put(b.name(), b.value()));
    return out;
  }

  @Test
  void blanksAreFoundWithWhatIsFilledIn() {
    assertThat(values(form()))
        .containsExactly(
            Map.entry("holder.name", ""),
            Map.entry("berth", "North"),
            Map.entry("insured", ""),
            Map.entry("when", "night"));
    assertThat(Blanks.of(form()).getLast().options()).containsExactly("day", "night");
  }

  @Test
  void blanksAreFilledInAndEmptiedByOneAct() {
    Map<String, String> some =
        Map.of(
            "holder.name", "Ada Quay", "berth", "South", "insured", "Yes", "when", "day", "x", "y");
    Revision r = Blanks.fill(Revision.of(form()), some);
    assertThat(r.document().paragraphs().getFirst().text())
        .isEqualTo("Name Ada Quay, berth South insured \u2611 day \u25C9 night \u25CB");
    assertThat(values(r.document()).get("when")).isEqualTo("day");
    assertThat(values(r.undo().document())).isEqualTo(values(form()));
    Document empty =
        Blanks.filled(
            r.document(), Map.of("holder.name", "", "insured", "", "when", "", "berth", ""));
    assertThat(values(empty).values()).containsOnly("");
    // What is empty is still a blank.
    assertThat(Blanks.of(empty)).hasSize(4);
  }

  @Test
  void whatAFormDoesNotTakeIsSaid() {
    List<Blank> all = Blanks.of(form());
    assertThat(all.get(1).problem("East").orElseThrow()).contains("North, South");
    assertThat(all.get(1).problem("South")).isEmpty();
    assertThat(all.get(0).problem("two\nlines")).isPresent();
    assertThat(all.get(3).problem("noon")).isPresent();
    assertThat(all.get(3).problem("")).isEmpty();
  }

  @Test
  void valuesGoOutAndComeInInEveryKindOfFile() throws Exception {
    Document filled =
        Blanks.filled(
            form(),
            Map.of("holder.name", "Zoë \"Q\", of\u00A0Łódź", "insured", "Yes", "when", "day"));
    for (BlankFiles.Kind k : BlankFiles.Kind.values()) {
      Path file = folder.resolve("values." + k.extension());
      try (var out = Files.newOutputStream(file)) {
        BlankFiles.write(k, Blanks.of(filled), "form.pdf", out);
      }
      List<Map<String, String>> back = BlankFiles.read(file);
      assertThat(back).as(k.name()).hasSize(1);
      assertThat(values(Blanks.filled(form(), back.getFirst())))
          .as(k.name())
          .isEqualTo(values(filled));
    }
  }

  /** ISO 32000-2 §12.7.8 and ISO 19444-1, as PDFBox reads them. */
  @Test
  void namesWithPointsAreFieldsWithinFields() throws Exception {
    var bytes = new ByteArrayOutputStream();
    Document d = Blanks.filled(form(), Map.of("holder.name", "Ada"));
    BlankFiles.write(BlankFiles.Kind.FDF, Blanks.of(d), "form.pdf", bytes);
    try (var fdf = new FDFParser(new RandomAccessReadBuffer(bytes.toByteArray())).parse()) {
      var holder = fdf.getCatalog().getFDF().getFields().getFirst();
      assertThat(holder.getPartialFieldName()).isEqualTo("holder");
      assertThat(holder.getKids().getFirst().getPartialFieldName()).isEqualTo("name");
      assertThat(holder.getKids().getFirst().getValue()).isEqualTo("Ada");
    }
    bytes.reset();
    BlankFiles.write(BlankFiles.Kind.XFDF, Blanks.of(d), "form.pdf", bytes);
    String xml = bytes.toString(StandardCharsets.UTF_8);
    assertThat(xml)
        .contains("http://ns.adobe.com/xfdf/")
        .containsSubsequence(
            "<field name=\"holder\"", "<field name=\"name\"", "<value>Ada</value>");
  }

  @Test
  void aTableHasAFilledFormInEachLine() throws Exception {
    Path file =
        Files.writeString(
            folder.resolve("rows.csv"),
            "\uFEFFholder.name,berth\r\nAda,South\r\n\"Bo, jr.\",North\r\n");
    assertThat(BlankFiles.read(file))
        .extracting(r -> r.get("holder.name"))
        .containsExactly("Ada", "Bo, jr.");
  }

  @Test
  void whatIsNoFileOfValuesIsRefused() throws Exception {
    Path other = Files.writeString(folder.resolve("values.docx"), "x");
    assertThatThrownBy(() -> BlankFiles.read(other))
        .isInstanceOf(BlankFiles.Problem.class)
        .hasMessageContaining("values.docx");
    for (String name : List.of("values.fdf", "values.xfdf")) {
      Path damaged = Files.writeString(folder.resolve(name), "not one of them");
      assertThatThrownBy(() -> BlankFiles.read(damaged)).isInstanceOf(BlankFiles.Problem.class);
    }
  }

  /** On a page that stays, the field itself is filled in, and shows it. */
  @Test
  void blanksOfPinnedPagesAreFilledInWhereTheyStand() throws Exception {
    TakenIn taken = Samples.taken(FORM);
    Media file = Media.of("application/pdf", Files.readAllBytes(FORM));
    Document d =
        Pinning.pin(
            taken.document(),
            taken.origin(),
            file,
            List.of(new Pinning.Sheet(0, 595.28, 841.89, "asked")));
    var texts = new ArrayList<>(Blanks.of(d));
    texts.removeIf(b -> b.kind() != Kind.TEXT);
    String name = texts.getFirst().name();
    PinnedBlanks.Filled filled = PinnedBlanks.fill(d, Map.of(name, "Ada Quay"));
    assertThat(filled.left()).isEmpty();
    assertThat(values(filled.document()).get(name)).isEqualTo("Ada Quay");
    byte[] page = Pinning.pages(filled.document()).get(0).file().bytes();
    try (PDDocument pdf = Loader.loadPDF(page)) {
      var field = pdf.getDocumentCatalog().getAcroForm().getField(name);
      assertThat(field.getValueAsString()).isEqualTo("Ada Quay");
      var looks = field.getWidgets().getFirst().getAppearance().getNormalAppearance();
      try (var in = looks.getAppearanceStream().getCOSObject().createInputStream()) {
        assertThat(in.readAllBytes()).isNotEmpty();
      }
    }
    assertThat(Pinning.pages(d).get(0).file()).isSameAs(file);
  }
}
