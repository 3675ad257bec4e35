package decant.office.docx;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Look;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** ISO/IEC 29500-1, 17.11.14: a mark may be followed by a label of its own. */
class NoteReferencesTest {
  private static final NodeId NOTE = NodeId.fresh();

  private final NoteReferences references = new NoteReferences();

  private static Element mark(String attributes) throws ReadProblem {
    String xml =
        "<w:footnoteReference xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\""
            + " w:id=\"2\" "
            + attributes
            + "/>";
    return XmlParts.parse(xml.getBytes(StandardCharsets.UTF_8), "document.xml", 10);
  }

  private String label() {
    var story = new Story(NOTE, Story.Kind.FOOTNOTE, List.of(Paragraph.of(Look.PLAIN, "By day.")));
    return references.labelled(Map.of(NOTE, story)).get(NOTE).label().orElse("none");
  }

  @Test
  void theTextOfItsRunIsTheLabel() throws ReadProblem {
    references.known(Story.Kind.FOOTNOTE, "2", NOTE);
    Element mark = mark("w:customMarkFollows=\"1\"");
    assertThat(references.target(Story.Kind.FOOTNOTE, mark)).contains(NOTE);
    assertThat(references.target(Story.Kind.ENDNOTE, mark)).isEmpty();
    assertThat(references.first(NOTE, mark)).isTrue();
    assertThat(references.takeAsLabel(" ")).isFalse();
    assertThat(references.takeAsLabel("*")).isTrue();
    assertThat(references.takeAsLabel("and what follows")).isFalse();
    assertThat(label()).isEqualTo("*");
    assertThat(references.first(NOTE, mark)).as("it leads there once").isFalse();
  }

  @Test
  void textIsNoLabelWhereNoneFollowsOrTheRunHasEnded() throws ReadProblem {
    references.known(Story.Kind.FOOTNOTE, "2", NOTE);
    references.first(NOTE, mark(""));
    assertThat(references.takeAsLabel("The quay is closed.")).isFalse();
    references.first(NOTE, mark("w:customMarkFollows=\"true\""));
    references.runEnds();
    assertThat(references.takeAsLabel("The quay is closed.")).as("no text is lost").isFalse();
    assertThat(label()).isEqualTo("none");
  }
}
