package decant.office.rtf.read;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Rule;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Shapes and pictures, written by hand after Rich Text Format 1.9.1 and [MS-ODRAW] 2.3. */
class RtfShapesTest {
  private static String shape(String words, Map<String, String> said, String rest) {
    return "{\\shp{\\*\\shpinst"
        + words
        + said.entrySet().stream()
            .map(e -> "{\\sp{\\sn " + e.getKey() + "}{\\sv " + e.getValue() + "}}")
            .collect(Collectors.joining())
        + rest
        + "}{\\shprslt{\\*\\do\\dobxpage Not this}}}";
  }

  private static List<Inline> inlines(Document d) {
    return d.paragraphs().getFirst().inlines();
  }

  private static Inline.Shape only(String rtf) {
    return (Inline.Shape) inlines(RtfIn.read("\\pard a" + rtf + "\\par")).getLast();
  }

  private static String png(int w, int h) {
    var out = new ByteArrayOutputStream();
    try {
      ImageIO.write(new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB), "png", out);
    } catch (IOException e) {
      throw new AssertionError(e);
    }
    return HexFormat.of().formatHex(out.toByteArray());
  }

  @Test
  void shapesLookAsTheySay() {
    Inline.Shape s =
        only(
            shape(
                "\\shpleft720\\shptop360\\shpright2160\\shpbottom1080\\shpbxpage\\shpbymargin\\shpwr1\\shpfblwtxt1",
                Map.of(
                    "shapeType", "3",
                    "fillColor", "255",
                    "lineColor", "12582912",
                    "lineWidth", "25400",
                    "lineDashing", "2",
                    "rotation", "2949120",
                    "wzDescription", "a buoy"),
                ""));
    assertThat(s.drawing().geometry()).isEqualTo(Inline.Geometry.ELLIPSE);
    assertThat(s.drawing().fill()).contains(new Colour(0xFF0000));
    assertThat(s.drawing().outline())
        .contains(new Rule(Rule.Kind.DOTTED, 2, new Colour(0x0000C0), 0));
    assertThat(s.width()).isEqualTo(72);
    assertThat(s.height()).isEqualTo(36);
    assertThat(s.rotation()).isEqualTo(45);
    assertThat(s.alt()).isEqualTo("a buoy");
    var f = (Placement.Floating) s.placement();
    assertThat(f.across()).isEqualTo(new Axis(Origin.PAGE, Align.OFFSET, 36));
    assertThat(f.down()).isEqualTo(new Axis(Origin.MARGIN, Align.OFFSET, 18));
    assertThat(f.wrap()).isEqualTo(Placement.Wrap.ABOVE_AND_BELOW);
    assertThat(f.behind()).isTrue();
  }

  @Test
  void boxesHoldTextAndLinesGoUp() {
    Inline.Shape box =
        only(
            shape(
                "\\shpleft0\\shptop0\\shpright2000\\shpbottom400",
                Map.of("shapeType", "202", "fFilled", "0", "fLine", "0", "dxTextLeft", "12700"),
                "{\\shptxt\\pard Low water\\par}"));
    assertThat(box.content().story()).isPresent();
    assertThat(box.drawing().fill()).isEmpty();
    assertThat(box.drawing().outline()).isEmpty();
    assertThat(box.content().padding()).isEqualTo(new Insets(3.6, 7.2, 3.6, 1));
    Inline.Shape line =
        only(
            shape(
                "\\shpleft0\\shptop0\\shpright2000\\shpbottom400",
                Map.of("shapeType", "20", "fFlipV", "1"),
                ""));
    assertThat(line.drawing().geometry()).isEqualTo(Inline.Geometry.LINE_UP);
    assertThat(line.drawing().fill()).isEmpty();
    assertThat(
            only(shape(
                    "\\shpleft0\\shptop0\\shpright200\\shpbottom400",
                    Map.of("shapeType", "1", "fPseudoInline", "1"),
                    ""))
                .placement())
        .isEqualTo(Placement.INLINE);
  }

  /** Shapes of a group say where they stand by what the group measures in. */
  @Test
  void shapesOfAGroupStandWhereItPutsThem() {
    String in =
        shape(
            "",
            Map.of(
                "shapeType",
                "1",
                "relLeft",
                "1000",
                "relTop",
                "500",
                "relRight",
                "2000",
                "relBottom",
                "1000"),
            "");
    Document d =
        RtfIn.read(
            "\\pard a{\\shpgrp{\\*\\shpinst\\shpleft1440\\shptop720\\shpright3440\\shpbottom1720\\shpbxpage\\shpbypara"
                + "{\\sp{\\sn groupLeft}{\\sv 0}}{\\sp{\\sn groupTop}{\\sv 0}}"
                + "{\\sp{\\sn groupRight}{\\sv 4000}}{\\sp{\\sn groupBottom}{\\sv 1000}}"
                + in
                + "}}\\par");
    assertThat(inlines(d)).hasSize(2);
    var s = (Inline.Shape) inlines(d).getLast();
    var f = (Placement.Floating) s.placement();
    // A quarter of 2,000 twips across, half of 1,000 down.
    assertThat(s.width()).isEqualTo(25);
    assertThat(s.height()).isEqualTo(25);
    assertThat(f.across()).isEqualTo(new Axis(Origin.PAGE, Align.OFFSET, 97));
    assertThat(f.down()).isEqualTo(new Axis(Origin.PARAGRAPH, Align.OFFSET, 61));
  }

  @Test
  void whatIsNotDrawnAsItIsIsTold() {
    String star =
        shape("\\shpleft0\\shptop0\\shpright200\\shpbottom400", Map.of("shapeType", "12"), "");
    RtfWhole.Whole w = RtfIn.whole("\\pard a" + star + "\\par");
    assertThat(w.told().simplified()).isTrue();
    assertThat(inlines(w.document())).hasSize(2);
    String hidden =
        shape(
            "\\shpleft0\\shptop0\\shpright200\\shpbottom400",
            Map.of("shapeType", "12", "fHidden", "1"),
            "");
    w = RtfIn.whole("\\pard a" + hidden + "\\par");
    assertThat(w.told().simplified()).isFalse();
    assertThat(inlines(w.document())).hasSize(1);
    w =
        RtfIn.whole(
            "\\pard a{\\object\\objemb{\\*\\objclass Chart}{\\*\\objdata 0105}{\\result{\\pict\\pngblip\\picwgoal200\\pichgoal200 "
                + png(4, 4)
                + "}}}\\par");
    assertThat(w.told().objects()).isTrue();
    assertThat(inlines(w.document()).getLast()).isInstanceOf(Inline.Picture.class);
  }

  @Test
  void picturesAreAsLargeAsTheySay() {
    Document d =
        RtfIn.read(
            "\\pard {\\*\\shppict{\\pict{\\*\\picprop{\\sp{\\sn wzDescription}{\\sv the quay}}}"
                + "\\picscalex50\\picscaley25\\piccropl500\\piccropr0\\piccropt0\\piccropb0"
                + "\\pngblip\\picwgoal20000\\pichgoal4000 "
                + png(40, 8)
                + "}}{\\nonshppict{\\pict\\wmetafile8 00}}{\\pict\\pngblip "
                + png(4, 2)
                + "}\\par");
    assertThat(inlines(d)).hasSize(2);
    var p = (Inline.Picture) inlines(d).getFirst();
    // 20,000 twips without 500, at half; wider than any page, and said so.
    assertThat(p.width()).isEqualTo(487.5);
    assertThat(p.height()).isEqualTo(50);
    assertThat(p.crop().left()).isCloseTo(0.025, within(1e-9));
    assertThat(p.alt()).isEqualTo("the quay");
    var plain = (Inline.Picture) inlines(d).getLast();
    assertThat(plain.width()).isEqualTo(3); // 96 pixels to the inch (common practice)
    assertThat(plain.alt()).isEmpty();
  }

  @Test
  void aPictureOfAShapeStandsWhereThatDoes() {
    Document d =
        RtfIn.read(
            "\\pard b"
                + shape(
                    "\\shpleft0\\shptop0\\shpright2000\\shpbottom1000\\shpwr3",
                    Map.of("shapeType", "75", "wzDescription", "a crane"),
                    "{\\sp{\\sn pib}{\\sv {\\pict\\pngblip\\picwgoal100\\pichgoal100 "
                        + png(3, 3)
                        + "}}}")
                + "\\par");
    var p = (Inline.Picture) inlines(d).getLast();
    assertThat(p.width()).isEqualTo(100);
    assertThat(p.alt()).isEqualTo("a crane");
    assertThat(((Placement.Floating) p.placement()).wrap()).isEqualTo(Placement.Wrap.THROUGH);
    assertThat(d.paragraphs()).extracting(Paragraph::text).first().asString().startsWith("b");
  }
}
