package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Inline.Geometry;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.VerticalAlignment;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Drawings of ISO/IEC 29500-4 §19, as older programs write them. */
class VmlReaderTest extends MadeDocx {
  private Inline.Shape shape(String vml) throws IOException {
    return (Inline.Shape) first(read(pict(vml))).inlines().getFirst();
  }

  private static String pict(String vml) {
    return "<w:p><w:r><w:pict>" + vml + "</w:pict></w:r></w:p>";
  }

  /** CSS lengths in points; without a unit they are pixels. */
  @ParameterizedTest
  @CsvSource({
    "72pt, 72",
    "1in, 72",
    "2.54cm, 72",
    "25.4mm, 72",
    "6pc, 72",
    "96, 72",
    "96px, 72",
    "-5pt, 0",
    "nonsense, 0",
    "99999in, 4000"
  })
  void lengths(String width, double points) throws IOException {
    assertThat(shape("<v:rect style=\"width:" + width + ";height:10pt\"/>").width())
        .isCloseTo(points, org.assertj.core.api.Assertions.within(0.01));
  }

  @ParameterizedTest
  @CsvSource({"v:rect, RECTANGLE", "v:roundrect, ROUNDED", "v:oval, ELLIPSE", "v:shape, RECTANGLE"})
  void outlines(String element, Geometry drawn) throws IOException {
    Inline.Shape s = shape("<" + element + " style=\"width:50pt;height:20pt\"/>");
    assertThat(s.drawing().geometry()).isEqualTo(drawn);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "10pt,20pt;110pt,70pt;LINE_DOWN;100;50",
        "10pt,70pt;110pt,20pt;LINE_UP;100;50",
        "110pt,70pt;10pt,20pt;LINE_DOWN;100;50",
        "0,0;100pt,0;LINE_DOWN;100;0"
      })
  void lines(String from, String to, Geometry drawn, double w, double h) throws IOException {
    Inline.Shape s =
        shape(
            "<v:line style=\"position:absolute\" from=\"%s\" to=\"%s\" strokeweight=\"2pt\" strokecolor=\"red\"/>"
                .formatted(from, to));
    assertThat(s.drawing().geometry()).isEqualTo(drawn);
    assertThat(List.of(s.width(), s.height())).containsExactly(w, h);
    assertThat(s.drawing().outline().orElseThrow().width()).isEqualTo(2.0);
    assertThat(s.drawing().outline().orElseThrow().colour()).isEqualTo(new Colour(0xFF0000));
    assertThat(s.drawing().fill()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "#aabbcc, AABBCC",
    "#abc, AABBCC",
    "red, FF0000",
    "green, 008000",
    "silver, C0C0C0",
    "yellow, FFFF00",
    "#112233 [3204], 112233"
  })
  void colours(String said, String hex) throws IOException {
    Inline.Shape s =
        shape(
            "<v:rect style=\"width:50pt;height:20pt\" fillcolor=\"" + said + "\" stroked=\"f\"/>");
    assertThat(s.drawing().fill()).contains(Colour.parse(hex));
    assertThat(s.drawing().outline()).isEmpty();
  }

  @Test
  void aRuleAcrossThePage() throws IOException {
    Inline.Shape s =
        shape(
            "<v:rect style=\"width:0;height:1.5pt\" o:hr=\"t\" xmlns:o=\"urn:schemas-microsoft-com:office:office\" fillcolor=\"#a0a0a0\" stroked=\"f\"/>");
    assertThat(s.width()).isGreaterThan(400);
    assertThat(s.drawing().fill()).contains(new Colour(0xA0A0A0));
  }

  @Test
  void placesOnThePage() throws IOException {
    Inline.Shape s =
        shape(
            "<v:rect style=\"position:absolute;margin-left:36pt;margin-top:1in;width:50pt;height:20pt;mso-position-horizontal-relative:page;mso-position-vertical-relative:line;mso-wrap-distance-left:4pt;z-index:-3\"><w10:wrap type=\"topAndBottom\"/></v:rect>");
    Placement.Floating p = (Placement.Floating) s.placement();
    assertThat(p.across()).isEqualTo(new Placement.Axis(Origin.PAGE, Align.OFFSET, 36));
    assertThat(p.down()).isEqualTo(new Placement.Axis(Origin.LINE, Align.OFFSET, 72));
    assertThat(p.wrap()).isEqualTo(Wrap.ABOVE_AND_BELOW);
    assertThat(p.distance().left()).isEqualTo(4.0);
    assertThat(p.behind()).isTrue();
    Inline.Shape centred =
        shape(
            "<v:rect style=\"position:absolute;width:50pt;height:20pt;mso-position-horizontal:center;mso-position-horizontal-relative:margin;mso-position-vertical:bottom;mso-position-vertical-relative:page\"/>");
    Placement.Floating q = (Placement.Floating) centred.placement();
    assertThat(q.across()).isEqualTo(new Placement.Axis(Origin.MARGIN, Align.CENTRE, 0));
    assertThat(q.down()).isEqualTo(new Placement.Axis(Origin.PAGE, Align.END, 0));
    assertThat(q.wrap()).isEqualTo(Wrap.THROUGH);
    assertThat(shape("<v:rect style=\"width:50pt;height:20pt\"/>").placement())
        .isEqualTo(Placement.INLINE);
  }

  @Test
  void textStandsInItsBox() throws IOException {
    String box =
        "<v:shape style=\"width:100pt;height:40pt;v-text-anchor:middle\" fillcolor=\"#ffeecc\"><v:textbox inset=\"1pt,2pt,3pt,4pt\" style=\"mso-fit-shape-to-text:t\"><w:txbxContent><w:p><w:r><w:t>Low water</w:t></w:r></w:p></w:txbxContent></v:textbox></v:shape>";
    Document d = read(pict(box));
    for (Document x : List.of(d, again(d))) {
      Inline.Shape s = (Inline.Shape) first(x).inlines().getFirst();
      assertThat(s.content().alignment()).isEqualTo(VerticalAlignment.CENTRE);
      assertThat(s.content().grows()).isTrue();
      assertThat(
              List.of(
                  s.content().padding().left(),
                  s.content().padding().top(),
                  s.content().padding().right(),
                  s.content().padding().bottom()))
          .containsExactly(1.0, 2.0, 3.0, 4.0);
      assertThat(
              ((Paragraph) x.stories().get(s.content().story().orElseThrow()).blocks().getFirst())
                  .text())
          .isEqualTo("Low water");
    }
  }

  /** Members of a group stand in its own coordinates. */
  @Test
  void groupsScaleTheirMembers() throws IOException {
    Document d =
        read(
            pict(
                "<v:group style=\"width:200pt;height:100pt\" coordorigin=\"1000,1000\" coordsize=\"2000,2000\"><v:rect style=\"left:1500;top:2000;width:500;height:400\"/><v:oval style=\"left:1000;top:1000;width:2000;height:2000\"/></v:group>"));
    Inline.Shape group = (Inline.Shape) first(d).inlines().getFirst();
    Paragraph anchor =
        (Paragraph) d.stories().get(group.content().story().orElseThrow()).blocks().getFirst();
    assertThat(anchor.inlines()).hasSize(2);
    Inline.Shape a = (Inline.Shape) anchor.inlines().getFirst();
    assertThat(List.of(a.width(), a.height())).containsExactly(50.0, 20.0);
    Placement.Floating p = (Placement.Floating) a.placement();
    assertThat(List.of(p.across().offset(), p.down().offset())).containsExactly(50.0, 50.0);
    Inline.Shape b = (Inline.Shape) anchor.inlines().get(1);
    assertThat(List.of(b.width(), b.height())).containsExactly(200.0, 100.0);
  }

  /** §19.1.2.19: degrees, or 65536ths of one. */
  @ParameterizedTest
  @CsvSource({"45, 45", "315, 315", "2949120fd, 45", "405, 45"})
  void turned(String rotation, double degrees) throws IOException {
    assertThat(
            shape("<v:rect style=\"width:9pt;height:9pt;rotation:" + rotation + "\"/>").rotation())
        .isEqualTo(degrees);
  }
}
