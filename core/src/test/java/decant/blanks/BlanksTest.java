package decant.blanks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Revision;
import decant.model.look.FieldRule;
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
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.action.PDFormFieldAdditionalActions;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

  private static Blank asked(FieldRule rule) {
    var f = new FormField("1", "Due", Kind.TEXT, List.of(), 0, "").with(rule);
    Paragraph p =
        Samples.paragraph("")
            .withInlines(List.of(new Inline.Text("___", Look.of(TextTraits.FIELD, f))));
    return Blanks.of(Samples.document(p)).getFirst();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "dd.mm.yyyy | 03.05.2027 | true",
        "dd.mm.yyyy | 3.5.2027   | true",
        "dd.mm.yyyy | 31.02      | false",
        "dd.mm.yyyy | 2027-05-03 | false",
        "dd.mm.yyyy | 03.13.2027 | false",
        "m/d/yy     | 5/3/27     | true",
        "mmm d, yyyy| may 3, 2027| true",
        "mmm d, yyyy| soon       | false",
        "HH:MM      | whatever   | true",
      })
  void datesAreWrittenAsTheFormAsks(String picture, String value, boolean fits) {
    assertThat(asked(FieldRule.NONE.date(picture)).problem(value).isEmpty()).isEqualTo(fits);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "12.5      | true",
        "12,5      | true",
        "1 234,50  | true",
        "1.234,50  | true",
        "1,234.50  | true",
        "-3        | false",
        "5000      | false",
        "12 metres | false",
        "1.2.3     | false",
      })
  void numbersAreNumbersWithinTheirLimits(String value, boolean fits) {
    FieldRule rule = FieldRule.NONE.number().between(0, 2000);
    assertThat(asked(rule).problem(value).isEmpty()).isEqualTo(fits);
  }

  @Test
  void valuesAreNoLongerThanTheFormAllows() {
    Blank b = asked(FieldRule.NONE.withMost(5));
    assertThat(b.problem("12345")).isEmpty();
    assertThat(b.problem("123456").orElseThrow()).contains("Due", "5 characters");
    assertThat(b.problem("")).isEmpty();
  }

  /** What PDFBox writes of a form's lengths and scripts is asked of values here. */
  @Test
  void rulesComeFromTheForm() throws Exception {
    Path file = folder.resolve("rules.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage();
      pdf.addPage(page);
      var form = new PDAcroForm(pdf);
      form.setDefaultAppearance("/Helv 10 Tf 0 g");
      pdf.getDocumentCatalog().setAcroForm(form);
      int y = 700;
      for (String script :
          List.of(
              "",
              "AFNumber_Keystroke(2, 0, 0, 0, \"\", true);",
              "AFDate_FormatEx(\"dd.mm.yyyy\");",
              "AFDate_Format(1);")) {
        var f = new PDTextField(form);
        f.setPartialName("f" + y);
        f.setMaxLen(12);
        if (!script.isEmpty()) {
          var js = new PDActionJavaScript(script);
          var actions = new PDFormFieldAdditionalActions();
          actions.setF(js);
          f.getCOSObject().setItem("AA", actions.getCOSObject());
        }
        var w = f.getWidgets().getFirst();
        w.setRectangle(new PDRectangle(72, y, 200, 18));
        w.setPage(page);
        var all = new ArrayList<>(page.getAnnotations());
        all.add(w);
        page.setAnnotations(all);
        form.getFields().add(f);
        y -= 40;
      }
      pdf.save(file.toFile());
    }
    List<Blank> blanks = Blanks.of(Samples.taken(file).document());
    assertThat(blanks).hasSize(4);
    List<FieldRule> rules = blanks.stream().map(b -> b.places().getFirst().field().rule()).toList();
    assertThat(rules)
        .containsExactly(
            FieldRule.NONE.withMost(12),
            FieldRule.NONE.withMost(12).number(),
            FieldRule.NONE.withMost(12).date("dd.mm.yyyy"),
            FieldRule.NONE.withMost(12).date("m/d/yy"));
    assertThat(blanks.get(1).problem("twelve").orElseThrow()).contains("number");
  }
}
