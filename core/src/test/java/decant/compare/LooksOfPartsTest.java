package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.compare.Difference.Kind;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What documents say the same in, and look or are counted otherwise. */
class LooksOfPartsTest {
  private static List<Difference> compared(Document a, Document b) {
    return Comparison.of(
        EditionReader.of(a, Samples.layout(a)), EditionReader.of(b, Samples.layout(b)));
  }

  private static List<String> told(Document a, Document b) {
    return compared(a, b).stream()
        .map(d ->
            d.kind().code()
                + ' '
                + d.change().code()
                + ": "
                + d.a().map(Difference.Side::text).orElse("-")
                + " > "
                + d.b().map(Difference.Side::text).orElse("-"))
        .toList();
  }

  // Paragraphs.

  static List<Look> standings() {
    Rule line = Rule.single(1, Colour.BLACK);
    return List.of(
        Look.of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE),
        Look.of(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT),
        Look.of(ParagraphTraits.INDENT_START, 12.0),
        Look.of(ParagraphTraits.INDENT_END, 12.0),
        Look.of(ParagraphTraits.FIRST_LINE, 12.0),
        Look.of(ParagraphTraits.SPACE_BEFORE, 18.0),
        Look.of(ParagraphTraits.SPACE_AFTER, 18.0),
        Look.of(ParagraphTraits.LINE_PITCH, new LinePitch.Multiple(1.5)),
        Look.of(ParagraphTraits.LINE_PITCH, new LinePitch.Exactly(20)),
        Look.of(ParagraphTraits.SHADING, new Colour(0xEEEEDD)),
        Look.of(ParagraphTraits.RULES, Rules.around(line)),
        Look.of(
            ParagraphTraits.TABS,
            List.of(new TabStop(200, TabStop.Kind.RIGHT, TabStop.Leader.DOT))));
  }

  @ParameterizedTest
  @MethodSource("standings")
  void aParagraphThatStandsOtherwiseIsListed(Look look) {
    String text = "Berth 4\tis let for one season.";
    Document a = Samples.document(Samples.paragraph("Rules."), Paragraph.of(Look.PLAIN, text));
    Document b = Samples.document(Samples.paragraph("Rules."), Paragraph.of(look, text));
    String said = "Berth 4 is let for one season.";
    assertThat(told(a, b)).containsExactly("look changed: " + said + " > " + said);
    assertThat(compared(b, b)).isEmpty();
  }

  @Test
  void whatFilesRoundIsNoDifference() {
    Document a = Samples.document(Paragraph.of(Look.of(ParagraphTraits.INDENT_START, 28.35), "Z."));
    Document b = Samples.document(Paragraph.of(Look.of(ParagraphTraits.INDENT_START, 28.5), "Z."));
    Document tabs =
        Samples.document(
            Paragraph.of(
                Look.of(
                        ParagraphTraits.TABS,
                        List.of(new TabStop(90, TabStop.Kind.LEFT, TabStop.Leader.NONE)))
                    .with(ParagraphTraits.INDENT_START, 28.35),
                "Z."));
    assertThat(compared(a, b)).isEmpty();
    assertThat(compared(a, tabs)).as("no tab needs them").isEmpty();
  }

  static List<Look> letters() {
    return List.of(
        Look.of(TextTraits.HIGHLIGHT, new Colour(0xFFFF00)),
        Look.of(TextTraits.LETTER_SPACING, 2.0),
        Look.of(TextTraits.SHIFT, 3.0),
        Look.of(TextTraits.DOUBLE_STRIKE, true),
        Look.of(TextTraits.UNDERLINE, true)
            .with(TextTraits.UNDERLINE_KIND, TextTraits.UnderlineKind.DOUBLE));
  }

  @ParameterizedTest
  @MethodSource("letters")
  void lettersThatOnlyADocumentTellsOfAreListed(Look look) {
    Paragraph p = Paragraph.of(Look.PLAIN, "Whoever");
    Look before =
        look.sets(TextTraits.UNDERLINE) ? Look.of(TextTraits.UNDERLINE, true) : Look.PLAIN;
    Document a = Samples.document(p.withInlines(List.of(new Inline.Text("Whoever", before))));
    Document b = Samples.document(p.withInlines(List.of(new Inline.Text("Whoever", look))));
    assertThat(told(a, b)).containsExactly("look changed: Whoever > Whoever");
  }

  // Labels.

  private static Document counted(ListDefinition list, String... items) {
    List<Block> blocks =
        Arrays.stream(items)
            .map(t -> {
              int depth = t.startsWith("  ") ? 1 : 0;
              Look member = Look.of(ParagraphTraits.LIST, new ListMembership(list.id(), depth));
              return (Block)
                  Paragraph.of(t.startsWith("/") ? Look.PLAIN : member, t.replace("/", "").strip());
            })
            .toList();
    return Document.of(Samples.styles(), blocks).withLists(Map.of(list.id(), list));
  }

  private static ListDefinition list(NumberFormat format, int start) {
    Level top =
        new Level(
            format, format == NumberFormat.BULLET ? "•" : "%1.", start, Look.PLAIN, Look.PLAIN);
    Level below = new Level(NumberFormat.DECIMAL, "%1.%2", 1, Look.PLAIN, Look.PLAIN);
    return new ListDefinition("l", List.of(top, below));
  }

  private static final String[] RULES = {"Berths", "  Lengths", "  Depths", "Charges", "Keys"};

  @Test
  void aListThatIsCountedFromAnotherNumberIsOneDifference() {
    Document a = counted(list(NumberFormat.DECIMAL, 1), RULES);
    Document b = counted(list(NumberFormat.DECIMAL, 5), RULES);
    assertThat(told(a, b)).containsExactly("text changed: 1. Berths > 5. Berths");
  }

  @Test
  void aListThatIsCountedInAnotherMannerIsOneDifference() {
    Document a = counted(list(NumberFormat.DECIMAL, 1), RULES);
    Document b = counted(list(NumberFormat.UPPER_LETTER, 1), RULES);
    Document c = counted(list(NumberFormat.BULLET, 1), RULES);
    assertThat(told(a, b)).containsExactly("text changed: 1. Berths > A. Berths");
    assertThat(told(a, c)).contains("text changed: 1. Berths > • Berths").hasSize(1);
  }

  /** Numbers that follow from an item that is listed are no differences of their own. */
  @Test
  void anItemMoreIsOneDifferenceThoughAllAfterItAreCountedOn() {
    Document a = counted(list(NumberFormat.DECIMAL, 1), RULES);
    Document more =
        counted(
            list(NumberFormat.DECIMAL, 1),
            "Berths",
            "  Lengths",
            "  Depths",
            "Winter",
            "Charges",
            "Keys");
    Document first =
        counted(
            list(NumberFormat.DECIMAL, 1),
            "Winter",
            "Berths",
            "  Lengths",
            "  Depths",
            "Charges",
            "Keys");
    assertThat(told(a, more)).containsExactly("text added: - > Winter");
    assertThat(told(more, a)).containsExactly("text removed: Winter > -");
    assertThat(told(a, first)).containsExactly("text added: - > Winter");
  }

  @Test
  void anItemThatIsNoneAnymoreIsListed() {
    Document a = counted(list(NumberFormat.DECIMAL, 1), "Berths", "Charges", "Keys");
    Document b = counted(list(NumberFormat.DECIMAL, 1), "Berths", "/Charges", "Keys");
    assertThat(told(a, b)).containsExactly("text changed: 2. Charges > Charges");
  }

  // Tables.

  private static Document table(Look first, Look all, Look whole) {
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < 3; r++) {
      int row = r;
      rows.add(
          new Table.Row(
              Look.PLAIN,
              IntStream.range(0, 2)
                  .mapToObj(c ->
                      new Cell(
                          NodeId.fresh(),
                          1,
                          1,
                          row + c == 0 ? first : all,
                          List.of(Samples.paragraph("r" + row + "c" + c))))
                  .toList()));
    }
    return Samples.document(new Table(NodeId.fresh(), whole, List.of(100.0, 100.0), rows));
  }

  @Test
  void aCellThatLooksOtherwiseIsListedByWhatItSays() {
    Document a = table(Look.PLAIN, Look.PLAIN, Look.PLAIN);
    for (Look look :
        List.of(
            Look.of(TableTraits.SHADING, new Colour(0xDDDDDD)),
            Look.of(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM))) {
      assertThat(told(a, table(look, Look.PLAIN, Look.PLAIN)))
          .containsExactly("look changed: r0c0 > r0c0");
    }
  }

  @Test
  void linesOfATableThatAreGoneAreOneDifference() {
    Look lines = Look.of(TableTraits.RULES, Rules.all(Rule.single(0.5, Colour.BLACK)));
    Document a = table(Look.PLAIN, Look.PLAIN, lines);
    Document b = table(Look.PLAIN, Look.PLAIN, Look.PLAIN);
    assertThat(compared(a, b))
        .singleElement()
        .satisfies(d -> {
          assertThat(d.kind()).isEqualTo(Kind.LOOK);
          assertThat(d.a().orElseThrow().text()).startsWith("r0c0 | r0c1 / r1c0");
        });
    assertThat(compared(a, a)).isEmpty();
  }

  // Pictures and comments.

  private static Document picture(Inline.Picture p, Media m) {
    return Samples.document(Samples.paragraph("").withInlines(List.of(p))).withMedia(m);
  }

  @Test
  void aPictureThatStandsOrIsDescribedOtherwiseIsListed() {
    Media m = Media.of("image/png", new byte[] {1, 2, 3});
    var plain = new Inline.Picture(m.id(), 100, 80, "Crane", Look.PLAIN);
    Placement place = Placement.Floating.onPage(100, 200, false);
    for (Inline.Picture other :
        List.of(
            new Inline.Picture(m.id(), 100, 80, "Slip", Look.PLAIN),
            turned(m, Placement.INLINE, 90),
            turned(m, place, 0))) {
      assertThat(compared(picture(plain, m), picture(other, m)))
          .singleElement()
          .satisfies(d -> assertThat(d.kind()).isEqualTo(Kind.PICTURE));
    }
    assertThat(compared(picture(turned(m, place, 0), m), picture(turned(m, place, 0), m)))
        .isEmpty();
  }

  private static Inline.Picture turned(Media m, Placement place, double degrees) {
    return new Inline.Picture(
        m.id(), 100, 80, "Crane", place, Insets.NONE, degrees, Optional.empty(), Look.PLAIN);
  }

  @Test
  void commentsThatComeAndGoAreListed() {
    Paragraph p = Samples.paragraph("Lines must be doubled.");
    var comment = new Comment("1", "Harbour office", "", "Since when?", false);
    Document a = Samples.document(p);
    Document b =
        Samples.document(
            p.withInlines(
                List.of(
                    new Inline.Text(
                        "Lines must be doubled.",
                        Look.of(TextTraits.COMMENTS, List.of(comment))))));
    assertThat(told(a, b)).containsExactly("note added: - > Harbour office: Since when?");
    assertThat(told(b, a)).containsExactly("note removed: Harbour office: Since when? > -");
    assertThat(compared(b, b)).isEmpty();
  }
}
