package decant.office.odf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Inline;
import decant.model.finding.Finding;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
