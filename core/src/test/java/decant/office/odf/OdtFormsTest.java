package decant.office.odf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.odf.write.OdtWriter;
import decant.preview.LeftOut;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.office.OdtVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Controls of forms (ODF 1.3 part 3, §13), and readings beside words (§6.4). */
class OdtFormsTest {
  private static final String HEAD =
      "<?xml version=\"1.0\"?><office:document"
          + " xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\""
          + " xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\""
          + " xmlns:form=\"urn:oasis:names:tc:opendocument:xmlns:form:1.0\""
          + " xmlns:draw=\"urn:oasis:names:tc:opendocument:xmlns:drawing:1.0\""
          + " xmlns:svg=\"urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0\""
          + " office:mimetype=\"application/vnd.oasis.opendocument.text\" office:version=\"1.3\">"
          + "<office:body><office:text>";

  @TempDir Path folder;

  private TakenIn taken(String controls, String text) throws IOException {
    Path file = folder.resolve("form.fodt");
    Files.writeString(
        file,
        HEAD
            + "<office:forms><form:form form:name=\"Form\">"
            + controls
            + "</form:form></office:forms>"
            + text
            + "</office:text></office:body></office:document>");
    return Samples.taken(file);
  }

  private static String onLine(String id) {
    return "<draw:control text:anchor-type=\"as-char\" svg:width=\"60pt\" svg:height=\"14pt\""
        + " draw:control=\""
        + id
        + "\"/>";
  }

  @Test
  void controlsOnTheLineAreFieldsInTheText() throws IOException {
    TakenIn t =
        taken(
            "<form:text xml:id=\"a\" form:name=\"Vessel\" form:max-length=\"20\""
                + " form:current-value=\"Grey Heron\"/>"
                + "<form:checkbox xml:id=\"b\" form:name=\"Mast\" form:label=\"mast is down\""
                + " form:current-state=\"checked\"/>"
                + "<form:listbox xml:id=\"c\" form:name=\"Pontoon\"><form:option form:label=\"North\"/>"
                + "<form:option form:label=\"South\" form:current-selected=\"true\"/></form:listbox>"
                + "<form:radio xml:id=\"d\" form:name=\"Side\" form:label=\"port\"/>"
                + "<form:combobox xml:id=\"e\" form:name=\"Paid\" form:current-value=\"in cash\">"
                + "<form:item form:label=\"by card\"/></form:combobox>"
                + "<form:number xml:id=\"f\" form:name=\"Metres\" form:value=\"9.5\"/>",
            "<text:p>Vessel "
                + onLine("a")
                + ", "
                + onLine("b")
                + ", "
                + onLine("c")
                + ", "
                + onLine("d")
                + ", "
                + onLine("e")
                + ", "
                + onLine("f")
                + "</text:p>");
    assertThat(t.document().paragraphs().getFirst().text())
        .isEqualTo("Vessel Grey Heron, \u2611 mast is down, South, \u25CB port, in cash, 9.5");
    Map<FormField, String> all = Samples.fields(t.document());
    assertThat(all.keySet())
        .extracting(FormField::kind)
        .containsExactly(
            Kind.TEXT, Kind.TICK, Kind.CHOICE, Kind.ONE_OF, Kind.CHOICE_OR_TEXT, Kind.TEXT);
    assertThat(all.keySet())
        .extracting(FormField::name)
        .containsExactly("Vessel", "Mast", "Pontoon", "Side", "Paid", "Metres");
    FormField first = all.keySet().iterator().next();
    assertThat(first.rule().most()).isEqualTo(20);
    assertThat(first.width()).isEqualTo(60);
    assertThat(t.findings()).noneMatch(f -> f.kind() == Finding.Kind.FORM);
  }

  @Test
  void aControlWithItsOwnPlaceIsABox() throws IOException {
    TakenIn t =
        taken(
            "<form:textarea xml:id=\"a\" form:name=\"Remarks\"/>",
            "<text:p>Remarks<draw:control text:anchor-type=\"paragraph\" svg:x=\"100pt\""
                + " svg:y=\"20pt\" svg:width=\"200pt\" svg:height=\"60pt\" draw:control=\"a\"/></text:p>");
    Inline.Shape box =
        t.document().paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i instanceof Inline.Shape)
            .map(i -> (Inline.Shape) i)
            .findFirst()
            .orElseThrow();
    assertThat(box.width()).isEqualTo(200);
    assertThat(box.drawing().outline()).isPresent();
    assertThat(Samples.fields(t.document()))
        .hasSize(1)
        .allSatisfy((f, on) -> {
          assertThat(f.kind()).isEqualTo(Kind.LINES);
          assertThat(f.holds(on)).isFalse();
        });
  }

  @Test
  void aControlOfAnotherKindIsTold() throws IOException {
    TakenIn t =
        taken(
            "<form:image-frame xml:id=\"a\" form:name=\"Photo\"/>",
            "<text:p>Photo" + onLine("a") + onLine("missing") + "</text:p>");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.FORM)
        .allMatch(f -> f.severity() == Finding.Severity.LOSS)
        .isNotEmpty();
  }

  private static Inline on(Kind kind, String name, String option, boolean is) {
    var f = new FormField(name + option, name, kind, List.of(option), 0, "");
    return new Inline.Text(FormField.sign(kind, is), Look.of(TextTraits.FIELD, f));
  }

  /** §13.5.11, §13.5.12: what is on or off is a control, and another state of it is seen. */
  @Test
  void switchesAreWrittenAsControls() throws Exception {
    Document d =
        Samples.document(
            Samples.inlines(
                on(Kind.TICK, "Mast", "", true),
                new Inline.Text(" mast is down, ", Look.PLAIN),
                on(Kind.TICK, "Cradle", "", false),
                new Inline.Text(" own cradle", Look.PLAIN)),
            Samples.inlines(
                on(Kind.ONE_OF, "Side", "port", false),
                new Inline.Text(" port ", Look.PLAIN),
                on(Kind.ONE_OF, "Side", "starboard", true),
                new Inline.Text(" starboard", Look.PLAIN)));
    Path file = folder.resolve("out.odt");
    try (OutputStream out = Files.newOutputStream(file)) {
      OdtWriter.write(d, out);
    }
    assertThat(OdfValidator.errors(List.of(file))).isEmpty();
    assertThat(OdtVerifier.verify(file, d)).allMatch(Check::passed);
    assertThat(LeftOut.of(d, Formats.of("odt").orElseThrow())).isEmpty();
    Document back = Samples.taken(file).document();
    assertThat(back.paragraphs())
        .extracting(Paragraph::text)
        .containsExactlyElementsOf(d.paragraphs().stream().map(Paragraph::text).toList());
    assertThat(Samples.fields(back).keySet())
        .extracting(f -> f.kind() + " " + f.name() + " " + String.join("", f.options()))
        .containsExactly("TICK Mast ", "TICK Cradle ", "ONE_OF Side port", "ONE_OF Side starboard");
    assertThat(OdtVerifier.verify(file, back)).allMatch(Check::passed);
    try (FileSystem zip = FileSystems.newFileSystem(file)) {
      Path content = zip.getPath("content.xml");
      Files.writeString(
          content, Files.readString(content).replaceFirst("\"checked\"", "\"unchecked\""));
    }
    assertThat(OdtVerifier.verify(file, d)).anyMatch(c -> !c.passed());
  }

  /** Headers have no controls: there a switch is its sign, as text. */
  @Test
  void switchesOfHeadersAreTheirSigns() throws Exception {
    Document plain = Samples.document(Samples.paragraph("Berths"));
    Section s = plain.sections().getFirst();
    var head =
        new Story(
            NodeId.fresh(),
            Story.Kind.RUNNING,
            List.of(
                Samples.inlines(
                    on(Kind.TICK, "Paid", "", true), new Inline.Text(" paid", Look.PLAIN))));
    Document d =
        plain.withSections(
            List.of(
                new Section(
                    s.id(),
                    s.page(),
                    s.start(),
                    Map.of(Section.Running.HEADER, head),
                    s.blocks())));
    Path file = folder.resolve("head.odt");
    try (OutputStream out = Files.newOutputStream(file)) {
      OdtWriter.write(d, out);
    }
    assertThat(OdfValidator.errors(List.of(file))).isEmpty();
    assertThat(OdtVerifier.verify(file, d)).allMatch(Check::passed);
  }

  /** What is asked of a value has no room in a text field of this format, and that is said. */
  @Test
  void whatAFieldAsksForIsToldAsLeftOut() {
    var f = new FormField("a", "Metres", Kind.TEXT, List.of(), 0, "", FieldRule.NONE.withMost(4));
    Document d =
        Samples.document(Samples.inlines(new Inline.Text("9.5", Look.of(TextTraits.FIELD, f))));
    assertThat(LeftOut.of(d, Formats.of("odt").orElseThrow()))
        .containsExactly(
            "What 1 form field asks for: its length, number, date or words to choose from.");
    assertThat(LeftOut.of(d, Formats.of("docx").orElseThrow())).isEmpty();
  }

  @Test
  void aReadingBesideAWordStandsAfterIt() throws IOException {
    TakenIn t =
        taken(
            "",
            "<text:p>The <text:ruby><text:ruby-base>port</text:ruby-base>"
                + "<text:ruby-text>minato</text:ruby-text></text:ruby> is open.</text:p>");
    assertThat(t.document().paragraphs().getFirst().text()).isEqualTo("The port(minato) is open.");
    assertThat(t.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
  }
}
