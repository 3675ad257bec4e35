package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Content in several forms, as ISO/IEC 29500-3 §9.3 has it chosen. */
class AlternatesTest extends MadeDocx {
  private static final String INK =
      "<mc:AlternateContent><mc:Choice xmlns:pen=\"urn:quay:ink\" Requires=\"pen\">"
          + "<w:drawing><wp:inline><wp:extent cx=\"635000\" cy=\"254000\"/><wp:docPr id=\"1\" name=\"Ink\"/>"
          + "<a:graphic><a:graphicData uri=\"urn:quay:ink\"><pen:stroke pen:points=\"1 2 3\"/></a:graphicData></a:graphic>"
          + "</wp:inline></w:drawing></mc:Choice><mc:Fallback><w:pict>"
          + "<v:shape style=\"width:50pt;height:20pt\"><v:imagedata r:id=\"rink\"/></v:shape>"
          + "</w:pict></mc:Fallback></mc:AlternateContent>";

  private static Inline only(Document d) {
    return ((Paragraph) d.sections().getFirst().blocks().getFirst()).inlines().getFirst();
  }

  @Test
  void whatIsNotUnderstoodShowsInItsSimplerFormAndGoesBackWhole() throws Exception {
    with(
        "ink",
        "image",
        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"50\" height=\"20\"><path d=\"M0 0L50 20\" stroke=\"black\"/></svg>");
    TakenIn t = taken("<w:p><w:r>" + INK + "</w:r></w:p>");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.LAYOUT_SIMPLIFIED)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).contains("kept when you save"));
    for (Document d : java.util.List.of(t.document(), again(t.document()))) {
      assertThat(only(d))
          .isInstanceOfSatisfying(
              Inline.Picture.class,
              p -> {
                assertThat(p.width()).isEqualTo(50);
                assertThat(d.media().get(p.media()).type()).isEqualTo("image/svg+xml");
                assertThat(choice(p.kept().orElseThrow().source())).isEqualTo("{urn:quay:ink}");
              });
    }
  }

  /** What a choice asks for, however its prefix is written. */
  private static String choice(String xml) {
    try {
      Element all = XmlParts.parse(xml.getBytes(StandardCharsets.UTF_8), "kept", 100);
      return all.child("mc:Choice").flatMap(c -> c.attribute("Requires")).orElse("");
    } catch (ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "wps, a, b, a",
    "wps w14, a, b, a",
    "pen, a, b, b",
    "wps pen, a, b, b",
    "pen, a, '', a",
    "'', a, b, a"
  })
  void theFirstFormThatIsUnderstoodIsRead(
      String requires, String choice, String fallback, String read) throws IOException {
    String run = "<w:r><w:t>%s</w:t></w:r>";
    Document d =
        read(
            "<w:p xmlns:pen=\"urn:quay:ink\" xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\">"
                + "<mc:AlternateContent><mc:Choice Requires=\"%s\">%s</mc:Choice><mc:Fallback>%s</mc:Fallback></mc:AlternateContent></w:p>"
                    .formatted(
                        requires,
                        run.formatted(choice),
                        fallback.isEmpty() ? "" : run.formatted(fallback)));
    assertThat(((Paragraph) d.sections().getFirst().blocks().getFirst()).text()).isEqualTo(read);
  }
}
