package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;

/**
 * The form fields of older programs in DOCX (ISO/IEC 29500-1 §17.16.5.20 to .22, §17.16.17), and
 * controls for dates (§17.5.2.7). The markup is as the standard's examples have it.
 */
class OlderFormFieldsTest extends MadeDocx {
  private static String run(String inside) {
    return "<w:r>" + inside + "</w:r>";
  }

  private static String field(String keyword, String data, String result) {
    return run("<w:fldChar w:fldCharType=\"begin\"><w:ffData>" + data + "</w:ffData></w:fldChar>")
        + run("<w:instrText xml:space=\"preserve\"> " + keyword + " </w:instrText>")
        + (result.isEmpty()
            ? ""
            : run("<w:fldChar w:fldCharType=\"separate\"/>")
                + run("<w:rPr><w:b/></w:rPr><w:t>" + result + "</w:t>"))
        + run("<w:fldChar w:fldCharType=\"end\"/>");
  }

  private static String named(String name, String more) {
    return "<w:name w:val=\"" + name + "\"/><w:enabled/><w:calcOnExit w:val=\"0\"/>" + more;
  }

  private static String p(String label, String field) {
    return "<w:p>" + run("<w:t xml:space=\"preserve\">" + label + " </w:t>") + field + "</w:p>";
  }

  private FormField only(Document d) {
    assertThat(Samples.fields(d)).hasSize(1);
    return Samples.fields(d).keySet().iterator().next();
  }

  @Test
  void aTextIsFilledInAsItAsks() throws IOException {
    Document d =
        read(
            p(
                "Metres",
                field(
                    "FORMTEXT",
                    named(
                        "Metres",
                        "<w:textInput><w:type w:val=\"number\"/><w:maxLength w:val=\"6\"/></w:textInput>"),
                    "9,5")));
    FormField f = only(d);
    assertThat(f.name()).isEqualTo("Metres");
    assertThat(f.kind()).isEqualTo(Kind.TEXT);
    assertThat(f.rule()).isEqualTo(FieldRule.NONE.withMost(6).number());
    assertThat(Samples.fields(d)).containsValue("9,5");
    assertThat(d.paragraphs().getFirst().text()).isEqualTo("Metres 9,5");
    assertThat(only(again(d)).rule()).as("written as a control").isEqualTo(f.rule());
  }

  @Test
  void spacesAreNothingFilledIn() throws IOException {
    for (String nothing : List.of("\u2002\u2002\u2002\u2002\u2002", "\u00A0\u00A0", "")) {
      Document d = read(p("Vessel", field("FORMTEXT", named("V", "<w:textInput/>"), nothing)));
      FormField f = only(d);
      String on = Samples.fields(d).get(f);
      assertThat(on).isNotEmpty();
      assertThat(f.holds(on)).as("[%s]", nothing).isFalse();
    }
  }

  @Test
  void aDateIsAskedForAsItIsWritten() throws IOException {
    FormField f =
        only(
            read(
                p(
                    "From",
                    field(
                        "FORMTEXT",
                        named(
                            "From",
                            "<w:textInput><w:type w:val=\"date\"/><w:format w:val=\"dd.MM.yyyy\"/></w:textInput>"),
                        "01.10.2026"))));
    assertThat(f.rule()).isEqualTo(FieldRule.NONE.date("dd.mm.yyyy"));
  }

  @Test
  void aBoxShowsWhetherItIsTicked() throws IOException {
    for (String state :
        List.of("<w:checked/>", "<w:checked w:val=\"0\"/>", "<w:default w:val=\"1\"/>")) {
      Document d =
          read(
              p(
                  "Mast",
                  field(
                      "FORMCHECKBOX",
                      named("Mast", "<w:checkBox><w:sizeAuto/>" + state + "</w:checkBox>"),
                      "")));
      FormField f = only(d);
      assertThat(f.kind()).isEqualTo(Kind.TICK);
      assertThat(f.holds(Samples.fields(d).get(f))).as(state).isEqualTo(!state.contains("\"0\""));
    }
  }

  @Test
  void aChoiceShowsWhatWasChosen() throws IOException {
    Document d =
        read(
            p(
                "Pontoon",
                field(
                    "FORMDROPDOWN",
                    named(
                        "Pontoon",
                        "<w:ddList><w:result w:val=\"1\"/><w:listEntry w:val=\"North\"/><w:listEntry w:val=\"South\"/></w:ddList>"),
                    "")));
    FormField f = only(d);
    assertThat(f.options()).containsExactly("North", "South");
    assertThat(d.paragraphs().getFirst().text()).isEqualTo("Pontoon South");
  }

  /** They are worked out by programs, or locked by whoever made the form. */
  @Test
  void whatNobodyFillsInStaysAField() throws IOException {
    for (String data :
        List.of(
            named("Sum", "<w:textInput><w:type w:val=\"calculated\"/></w:textInput>"),
            "<w:name w:val=\"Sum\"/><w:enabled w:val=\"0\"/><w:textInput/>")) {
      Document d = read(p("Sum", field("FORMTEXT", data, "12")));
      assertThat(Samples.fields(d)).isEmpty();
      assertThat(d.paragraphs().getFirst().text()).contains("12");
    }
  }

  private String saved(Document d) throws IOException {
    Path file = folder.resolve("saved" + files++ + ".docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(Formats.working()).write(d, out);
    }
    try (var zip = new ZipFile(file.toFile());
        var in = zip.getInputStream(zip.getEntry("word/document.xml"))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  @Test
  void untouchedFieldsAreSavedAsTheyWere() throws IOException {
    String entry = named("Vessel", "<w:textInput><w:maxLength w:val=\"30\"/></w:textInput>");
    Document d =
        read(
            p("Vessel", field("FORMTEXT", entry, "Grey Heron"))
                + "<w:p>"
                + run("<w:t>Below</w:t>")
                + "</w:p>");
    Paragraph last = d.paragraphs().getLast();
    var more = new ArrayList<>(last.inlines());
    Inline.Text text = (Inline.Text) more.removeLast();
    more.add(new Inline.Text(text.text() + " it", text.look()));
    String xml = saved(d.withParagraph(last.withInlines(more)));
    assertThat(xml).contains("Below it").contains("w:ffData").contains("w:maxLength");
    assertThat(xml).doesNotContain("w:sdt");
  }

  @Test
  void aControlForADateAsksForOne() throws IOException {
    String control =
        "<w:sdt><w:sdtPr><w:alias w:val=\"From\"/><w:date w:fullDate=\"2026-10-01T00:00:00Z\">"
            + "<w:dateFormat w:val=\"dd/MM/yyyy\"/><w:lid w:val=\"en-GB\"/></w:date></w:sdtPr>"
            + "<w:sdtContent>"
            + run("<w:t>01/10/2026</w:t>")
            + "</w:sdtContent></w:sdt>";
    Document d = read(p("From", control));
    FormField f = only(d);
    assertThat(f.rule()).isEqualTo(FieldRule.NONE.date("dd/mm/yyyy"));
    assertThat(only(again(d)).rule()).isEqualTo(f.rule());
  }
}
