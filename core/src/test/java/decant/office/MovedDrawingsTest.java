package decant.office;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Position;
import decant.model.edit.Revision;
import decant.model.edit.object.ObjectEdits;
import decant.model.look.Kept;
import decant.model.look.Placement;
import java.io.IOException;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Drawings of which more is kept than is known (ISO/IEC 29500-1 §20.4, -4 §19) stay what they are
 * when they are moved, wrapped or turned, and stand where they were put.
 */
class MovedDrawingsTest extends MadeDocx {
  private static final String STAR =
      "<a:graphic><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\"><wps:wsp><wps:cNvSpPr/><wps:spPr>"
          + "<a:xfrm><a:off x=\"0\" y=\"0\"/><a:ext cx=\"914400\" cy=\"457200\"/></a:xfrm>"
          + "<a:prstGeom prst=\"star5\"><a:avLst/></a:prstGeom></wps:spPr><wps:bodyPr/></wps:wsp></a:graphicData></a:graphic>";

  private static final String ANCHORED =
      "<w:p><w:r><w:drawing><wp:anchor distT=\"0\" distB=\"0\" distL=\"114300\" distR=\"114300\" simplePos=\"0\" relativeHeight=\"7\" behindDoc=\"0\" locked=\"0\" layoutInCell=\"1\" allowOverlap=\"1\">"
          + "<wp:simplePos x=\"0\" y=\"0\"/><wp:positionH relativeFrom=\"column\"><wp:posOffset>127000</wp:posOffset></wp:positionH>"
          + "<wp:positionV relativeFrom=\"paragraph\"><wp:posOffset>254000</wp:posOffset></wp:positionV>"
          + "<wp:extent cx=\"914400\" cy=\"457200\"/><wp:effectExtent l=\"9525\" t=\"0\" r=\"0\" b=\"0\"/><wp:wrapSquare wrapText=\"left\"/>"
          + "<wp:docPr id=\"4\" name=\"Star\"/><wp:cNvGraphicFramePr/>"
          + STAR
          + "</wp:anchor></w:drawing></w:r></w:p>";

  private static final String INLINE =
      "<w:p><w:r><w:drawing><wp:inline distT=\"0\" distB=\"0\" distL=\"0\" distR=\"0\"><wp:extent cx=\"914400\" cy=\"457200\"/>"
          + "<wp:docPr id=\"4\" name=\"Star\"/><wp:cNvGraphicFramePr/>"
          + STAR
          + "</wp:inline></w:drawing></w:r></w:p>";

  private static final String OLDER =
      "<w:p><w:r><w:pict><v:shape style=\"position:absolute;margin-left:10pt;margin-top:20pt;width:72pt;height:36pt;z-index:4\" path=\"m0,0l100,50,0,100xe\" fillcolor=\"#336699\"/></w:pict></w:r></w:p>";

  private static final String LINE =
      "<w:p><w:r><w:pict><v:line style=\"position:absolute;z-index:4\" from=\"30pt,40pt\" to=\"90pt,70pt\"><v:stroke endarrow=\"block\"/></v:line></w:pict></w:r></w:p>";

  private static Inline object(Document d) {
    return first(d).inlines().getFirst();
  }

  private static Revision selected(Document d) {
    return Revision.of(d).withSelection(ObjectEdits.selection(new Position(first(d).id(), 0)));
  }

  private static String kept(Document d) {
    Optional<Kept> kept =
        object(d) instanceof Inline.Picture p ? p.kept() : ((Inline.Shape) object(d)).kept();
    return kept.map(Kept::source).orElse("");
  }

  /** What is saved stands where it was put, and has what stays. */
  private void stays(String body, String what, UnaryOperator<Revision> edit) throws IOException {
    Document edited = edit.apply(selected(read(body))).document();
    Document back = again(edited);
    assertThat(kept(back)).contains(what);
    Placement was = object(edited).placement();
    assertThat(object(back).placement())
        .usingRecursiveComparison()
        .withEqualsForType((a, b) -> Math.abs(a - b) < 0.01, Double.class)
        .isEqualTo(was);
    assertThat(object(read(body)).placement()).isNotEqualTo(was);
  }

  @ParameterizedTest
  @EnumSource(ObjectEdits.Wrapping.class)
  void textMayFlowAroundThemOtherwise(ObjectEdits.Wrapping w) throws IOException {
    if (w != ObjectEdits.Wrapping.IN_LINE) {
      stays(INLINE, "star5", r -> ObjectEdits.wrap(r, w, 100, 5));
    }
    if (w != ObjectEdits.Wrapping.AROUND) {
      stays(ANCHORED, "star5", r -> ObjectEdits.wrap(r, w, 100, 5));
    }
    if (w != ObjectEdits.Wrapping.IN_FRONT) {
      stays(OLDER, "m0,0l100,50", r -> ObjectEdits.wrap(r, w, 100, 5));
      stays(LINE, "endarrow", r -> ObjectEdits.wrap(r, w, 100, 5));
    }
  }

  @Test
  void theyMayBeMoved() throws IOException {
    UnaryOperator<Revision> move = r -> ObjectEdits.move(r, 12, -3, 90, 120);
    stays(ANCHORED, "star5", move);
    stays(ANCHORED, "relativeHeight=\"7\"", move);
    stays(ANCHORED, "wrapText=\"left\"", move);
    stays(OLDER, "m0,0l100,50", move);
    stays(LINE, "endarrow", move);
    stays(ANCHORED, "star5", r -> ObjectEdits.anchorToPage(r, true, 50, 60, 5));
    stays(OLDER, "m0,0l100,50", r -> ObjectEdits.anchorToPage(r, true, 50, 60, 5));
  }

  @ParameterizedTest
  @ValueSource(doubles = {30, 90, 270})
  void theyMayBeTurned(double degrees) throws IOException {
    for (String body : new String[] {ANCHORED, INLINE, OLDER}) {
      Document back = again(ObjectEdits.turn(selected(read(body)), degrees).document());
      assertThat(kept(back)).containsAnyOf("star5", "m0,0l100,50");
      assertThat(((Inline.Shape) object(back)).rotation()).isCloseTo(degrees, within(0.01));
    }
  }

  /**
   * What was not touched goes back as it came, a line of which the ends say where it stands too.
   */
  @Test
  void whatIsNotTouchedStaysAsItWas() throws IOException {
    for (String body : new String[] {ANCHORED, INLINE, OLDER, LINE}) {
      Document d = read(body);
      assertThat(kept(again(d))).isEqualTo(kept(d)).isNotEmpty();
    }
  }
}
