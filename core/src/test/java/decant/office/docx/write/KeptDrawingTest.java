package decant.office.docx.write;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.look.Kept;
import decant.office.xml.XmlParts;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The source's own markup of drawings, with what became of them. */
class KeptDrawingTest {
  private static final String NAMESPACES =
      " xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\""
          + " xmlns:v=\"urn:schemas-microsoft-com:vml\""
          + " xmlns:o=\"urn:schemas-microsoft-com:office:office\""
          + " xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\"";

  private static KeptDrawing object(String style) {
    String xml =
        "<w:object"
            + NAMESPACES
            + "><v:shape style=\""
            + style
            + "\" o:ole=\"\"><v:imagedata r:id=\"rId4\"/></v:shape>"
            + "<o:OLEObject Type=\"Embed\" ProgID=\"Sheet\" r:id=\"rId5\"/></w:object>";
    return KeptDrawing.of(Optional.of(new Kept("docx", xml))).orElseThrow();
  }

  private static String written(KeptDrawing k) {
    return XmlParts.write(k.root());
  }

  /** ISO/IEC 29500-4 §19.1.2.19: lengths in points; what is about as it was stays as it was. */
  @ParameterizedTest
  @CsvSource({
    "width:1in;height:36pt, 72.3, 35.8, width:1in;height:36pt",
    "width:1in;height:36pt, 100, 50, width:100.00pt;height:50.00pt",
    "position:absolute;width:1in;height:36pt;z-index:3, 100, 50,"
        + " position:absolute;width:100.00pt;height:50.00pt;z-index:3",
  })
  void objectsAreAsLargeAsTheyWereMade(String style, double w, double h, String now) {
    KeptDrawing k = object(style);
    k.resize(w, h);
    k.show("rId9");
    assertThat(written(k))
        .contains("style=\"" + now + "\"", "r:id=\"rId9\"", "ProgID=\"Sheet\" r:id=\"rId5\"");
  }

  /** Groups are not shown turned: one that is turned is written anew. */
  @Test
  void whatCannotBeSaidIsTold() {
    KeptDrawing turned = object("width:1in;height:1in");
    assertThat(turned.turn(90)).isTrue();
    assertThat(written(turned)).contains("rotation:90.00");
    KeptDrawing as = object("width:1in;height:1in");
    assertThat(as.turn(360)).isTrue();
    assertThat(written(as)).doesNotContain("rotation");
    String group = "<w:pict" + NAMESPACES + "><v:group style=\"width:1in;height:1in\"/></w:pict>";
    KeptDrawing of = KeptDrawing.of(Optional.of(new Kept("docx", group))).orElseThrow();
    assertThat(of.turn(90)).isFalse();
    assertThat(of.turn(0)).isTrue();
  }

  @Test
  void whatCameOfAnotherFormatIsNone() {
    assertThat(KeptDrawing.of(Optional.of(new Kept("odt", "<draw:object/>")))).isEmpty();
    assertThat(KeptDrawing.of(Optional.of(new Kept("docx", "<w:pict>")))).isEmpty();
    assertThat(KeptDrawing.of(Optional.empty())).isEmpty();
  }
}
