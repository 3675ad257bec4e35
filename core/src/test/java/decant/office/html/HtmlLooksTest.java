package decant.office.html;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.picture.VectorPicture;
import decant.preview.LeftOut;
import decant.reading.ReadRequest;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Looks of HTML: what a copy says in style sheets, and how those of any page are read. */
class HtmlLooksTest {
  @TempDir Path folder;

  private Path written(Document d) throws Exception {
    Path file = folder.resolve("copy.html");
    try (OutputStream out = Files.newOutputStream(file)) {
      HtmlFile.write(d, out);
    }
    return file;
  }

  private Document back(Document d) throws Exception {
    return HtmlFile.read(ReadRequest.of(written(d))).document();
  }

  private Document taken(String html) throws Exception {
    Path file = Files.writeString(folder.resolve("page.html"), html);
    return HtmlFile.read(ReadRequest.of(file)).document();
  }

  private static Look look(Document d, int paragraph) {
    return d.styles().paragraphLook(d.paragraphs().get(paragraph).look());
  }

  private static Paragraph paragraph(String text, Look look) {
    return new Paragraph(
        NodeId.fresh(), look, Look.PLAIN, List.of(new Inline.Text(text, Look.PLAIN)));
  }

  static List<LinePitch> pitches() {
    return List.of(
        LinePitch.SINGLE,
        new LinePitch.Multiple(1.5),
        new LinePitch.Multiple(0.9),
        new LinePitch.AtLeast(20),
        new LinePitch.Exactly(9));
  }

  /** CSS 2.2, §10.8.1. */
  @ParameterizedTest
  @MethodSource("pitches")
  void linesStandAsFarApart(LinePitch pitch) throws Exception {
    Document d = Samples.document(paragraph("Berths", Look.of(ParagraphTraits.LINE_PITCH, pitch)));
    LinePitch is = look(back(d), 0).value(ParagraphTraits.LINE_PITCH);
    if (pitch instanceof LinePitch.Multiple m) {
      assertThat(is)
          .isInstanceOfSatisfying(
              LinePitch.Multiple.class,
              b -> assertThat(b.factor()).isCloseTo(m.factor(), within(.001)));
    } else {
      assertThat(is).isEqualTo(pitch);
    }
  }

  /** A number and a share are of the font's size; it is inherited, and normal is none. */
  @ParameterizedTest
  @CsvSource({
    "2.3, 2",
    "230%, 2",
    "2.3em, 2",
    "normal, 1",
    "inherit, 1.5",
    "-2, 1.5",
    "1000, 1.5",
    "x, 1.5"
  })
  void heightsOfLinesAreReadInAnyUnit(String said, double factor) throws Exception {
    Document d =
        taken("<body style='line-height:1.725'><p style='line-height:" + said + "'>Berths</p>");
    assertThat(look(d, 0).value(ParagraphTraits.LINE_PITCH))
        .isInstanceOfSatisfying(
            LinePitch.Multiple.class, m -> assertThat(m.factor()).isCloseTo(factor, within(.001)));
  }

  @Test
  void theShorthandOfFontsSetsThemToo() throws Exception {
    Document d = taken("<p style='font:12pt/30pt serif'>Berths<p style='line-height:9pt'>Fees");
    assertThat(look(d, 0).value(ParagraphTraits.LINE_PITCH)).isEqualTo(new LinePitch.AtLeast(30));
    assertThat(look(d, 1).value(ParagraphTraits.LINE_PITCH)).isEqualTo(new LinePitch.Exactly(9));
  }

  /** CSS 2.2, §16.4. */
  @Test
  void lettersStandAsFarApart() throws Exception {
    Look wide = Look.of(TextTraits.LETTER_SPACING, 1.5);
    Document d =
        Samples.document(
            new Paragraph(
                NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("Berths", wide))));
    assertThat(spacing(back(d))).isEqualTo(1.5);
    assertThat(spacing(taken("<p style='font-size:20pt;letter-spacing:.1em'>Berths"))).isEqualTo(2);
    assertThat(
            spacing(
                taken("<div style='letter-spacing:3pt'><p style='letter-spacing:normal'>Berths")))
        .isZero();
  }

  private static double spacing(Document d) {
    Paragraph p = d.paragraphs().getFirst();
    return d.styles()
        .textLook(d.styles().textBase(p.look()), p.inlines().getFirst().look())
        .value(TextTraits.LETTER_SPACING);
  }

  /** CSS 2.2, §8.3.1: browsers show the greater of two margins that meet, documents both. */
  @Test
  void roomBetweenParagraphsIsTheSum() throws Exception {
    Look room = Look.of(ParagraphTraits.SPACE_BEFORE, 6.0).with(ParagraphTraits.SPACE_AFTER, 10.0);
    Document d = Samples.document(paragraph("Berths", room), paragraph("Fees", room));
    assertThat(Files.readString(written(d)))
        .contains("margin-top:6pt;margin-bottom:10pt", "margin-top:16pt;margin-bottom:10pt");
    Document back = back(d);
    for (int k = 0; k < 2; k++) {
      assertThat(look(back, k).value(ParagraphTraits.SPACE_BEFORE)).isEqualTo(6);
      assertThat(look(back, k).value(ParagraphTraits.SPACE_AFTER)).isEqualTo(10);
    }
  }

  /** Neighbours of one style that want no room between them have none. */
  @Test
  void paragraphsThatWantNoRoomBesideTheirLikeHaveNone() throws Exception {
    Look room =
        Look.of(ParagraphTraits.SPACE_BEFORE, 6.0)
            .with(ParagraphTraits.SPACE_AFTER, 10.0)
            .with(ParagraphTraits.CONTEXTUAL_SPACING, true);
    Document d = Samples.document(paragraph("Berths", room), paragraph("Fees", room));
    assertThat(Files.readString(written(d)))
        .contains("margin-top:6pt;margin-bottom:0pt", "margin-top:0pt;margin-bottom:10pt");
  }

  /** Browsers have headings bold, with room of their own. */
  @Test
  void headingsThatAreNotBoldAreNot() throws Exception {
    Document d =
        taken(
            "<h1 style='font-weight:normal;margin-top:3pt;margin-bottom:0'>Berths</h1><h2>Fees</h2>");
    assertThat(isBold(d, 0)).isFalse();
    assertThat(isBold(d, 1)).isTrue();
    assertThat(look(d, 0).value(ParagraphTraits.SPACE_BEFORE)).isEqualTo(3);
    assertThat(look(d, 0).value(ParagraphTraits.SPACE_AFTER)).isZero();
    assertThat(isBold(back(d), 0)).isFalse();
    assertThat(isBold(back(d), 1)).isTrue();
  }

  private static boolean isBold(Document d, int paragraph) {
    Paragraph p = d.paragraphs().get(paragraph);
    return d.styles()
        .textLook(d.styles().textBase(p.look()), p.inlines().getFirst().look())
        .value(TextTraits.BOLD);
  }

  @Test
  void listsAreMarkedAndStandAsFarIn() throws Exception {
    ListDefinition marked = ListDefinition.marked("quay", "•");
    var levels = new java.util.ArrayList<>(marked.levels());
    for (int k = 0; k < 2; k++) {
      ListDefinition.Level was = levels.get(k);
      levels.set(
          k,
          new ListDefinition.Level(
              was.format(),
              was.pattern(),
              was.start(),
              was.paragraph().with(ParagraphTraits.INDENT_START, 25.0 + 30 * k),
              was.label()));
    }
    Document d =
        Samples.document(
                paragraph("Oars", Look.of(ParagraphTraits.LIST, new ListMembership("quay", 0))),
                paragraph("Ropes", Look.of(ParagraphTraits.LIST, new ListMembership("quay", 1))))
            .withLists(Map.of("quay", new ListDefinition("quay", levels)));
    Document back = back(d);
    for (int k = 0; k < 2; k++) {
      ListMembership m = back.paragraphs().get(k).look().value(ParagraphTraits.LIST);
      assertThat(
              back.lists()
                  .get(m.list())
                  .level(m.depth())
                  .paragraph()
                  .value(ParagraphTraits.INDENT_START))
          .isEqualTo(25 + 30 * k);
      assertThat(back.lists().get(m.list()).level(m.depth()).pattern())
          .isEqualTo(k == 0 ? "•" : "–");
    }
  }

  private static Inline.Shape shape(
      Inline.Geometry geometry, Placement placement, Optional<NodeId> text) {
    return new Inline.Shape(
        new Inline.Drawing(
            geometry, Optional.of(new Colour(0x0B5C7A)), Optional.of(Rule.single(2, Colour.BLACK))),
        90,
        45,
        new Inline.BoxText(text, false, new Insets(1, 2, 3, 4), VerticalAlignment.TOP),
        "a buoy",
        placement,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  private static Document drawn(Inline.Shape s) {
    return Samples.document(
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(new Inline.Text("Buoy ", Look.PLAIN), s)));
  }

  /** SVG 1.1, §9; what any reader of such drawings sees of them. */
  @ParameterizedTest
  @EnumSource(Inline.Geometry.class)
  void shapesAreDrawn(Inline.Geometry geometry) throws Exception {
    Document back = back(drawn(shape(geometry, Placement.INLINE, Optional.empty())));
    Inline.Picture p =
        back.paragraphs().getFirst().inlines().stream()
            .filter(Inline.Picture.class::isInstance)
            .map(Inline.Picture.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(p.width()).isCloseTo(90, within(.5));
    assertThat(p.height()).isCloseTo(45, within(.5));
    assertThat(p.alt()).isEqualTo("a buoy");
    var seen = new BufferedImage(180, 90, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = seen.createGraphics();
    VectorPicture.of(back.media().get(p.media())).orElseThrow().draw(g, 0, 0, 180, 90);
    g.dispose();
    boolean line = geometry.name().startsWith("LINE");
    int middle = seen.getRGB(90, 45) & 0xFFFFFF;
    assertThat(middle).as("in the middle").isEqualTo(line ? 0 : 0x0B5C7A);
    boolean corner = geometry == Inline.Geometry.RECTANGLE || geometry == Inline.Geometry.LINE_DOWN;
    assertThat(seen.getRGB(1, 1) >>> 24 > 128).as("at the corner").isEqualTo(corner);
  }

  /** The text of a box stands in one. */
  @Test
  void boxesShow() throws Exception {
    NodeId id = NodeId.fresh();
    var story = new Story(id, Story.Kind.BOX, List.of(paragraph("Mind the tide", Look.PLAIN)));
    Document d =
        drawn(shape(Inline.Geometry.RECTANGLE, Placement.INLINE, Optional.of(id)))
            .withStories(Map.of(id, story));
    assertThat(Files.readString(written(d)))
        .contains(
            "width:90pt",
            "padding:1pt 2pt 3pt 4pt",
            "background-color:#0B5C7A",
            "border:2pt solid #000000")
        .doesNotContain("<svg");
    assertThat(back(d).paragraphs()).extracting(Paragraph::text).contains("Mind the tide");
  }

  /** A page in a browser has no places: what stood at one is told. */
  @Test
  void placesAreTold() throws Exception {
    Format html = Formats.of("html").orElseThrow();
    Document beside =
        drawn(
            shape(
                Inline.Geometry.ELLIPSE, Placement.Floating.onPage(9, 9, false), Optional.empty()));
    assertThat(LeftOut.of(beside, html))
        .singleElement()
        .asString()
        .contains("place of 1 picture, shape");
    Document behind =
        drawn(
            shape(
                Inline.Geometry.ELLIPSE, Placement.Floating.onPage(9, 9, true), Optional.empty()));
    assertThat(LeftOut.of(behind, html)).containsExactly("1 drawn shape behind the text.");
    assertThat(Files.readString(written(behind))).doesNotContain("<svg");
    assertThat(
            LeftOut.of(
                drawn(shape(Inline.Geometry.ELLIPSE, Placement.INLINE, Optional.empty())), html))
        .isEmpty();
    for (String f : List.of("docx", "odt", "doc", "rtf")) {
      assertThat(LeftOut.of(behind, Formats.of(f).orElseThrow())).as(f).isEmpty();
    }
  }
}
