package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.layout.Places.PlacedLine;
import decant.layout.pages.Page;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where a caret stands, and which place a point means: each is the other's inverse. */
class PlacesTest {
  private static final String LONG = Samples.PROSE.repeat(6);

  private static Layout layout(Paragraph... all) {
    return Samples.layout(Samples.document(all));
  }

  private static Paragraph aligned(Alignment a, String text) {
    return Paragraph.of(Look.of(ParagraphTraits.ALIGNMENT, a), text);
  }

  /** Latin with ligatures, accents that join, Greek, two directions, wide characters. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "Efficient office in the fjord",
        "Ete\u0301 a\u0300 la cale",
        "Ωμέγα Причал",
        "שלום לנמל",
        "Berth שלום 14 לנמל end",
        "港の規則",
        "one\ttwo\tthree",
        "wide \uD83D\uDEA2 ship",
      })
  void aPointOnACaretMeansItsPlace(String text) {
    Layout l = layout(Samples.paragraph(text));
    PlacedLine line = Places.lines(l.pages().getFirst()).getFirst();
    for (int k = 0; k <= text.length(); k++) {
      boolean inside = k > 0 && k < text.length() && Character.isLowSurrogate(text.charAt(k));
      if (inside) {
        continue;
      }
      double x = Places.xOf(line, k);
      int back = Places.offsetAt(line, x);
      assertThat(Places.xOf(line, back)).as(text + " at " + k).isCloseTo(x, within(0.01));
    }
  }

  /** Every place of a long text: on its line, within the line's ends, in the order of reading. */
  @Test
  void caretsGoOnFromLineToLine() {
    for (Alignment a : Alignment.values()) {
      Layout l = layout(aligned(a, LONG));
      NodeId id = l.document().paragraphs().getFirst().id();
      double lastTop = -1;
      double lastX = -1;
      for (int k = 0; k <= LONG.length(); k++) {
        CaretPlace c = l.caret(new Position(id, k)).orElseThrow();
        assertThat(c.x()).isBetween(70.0, 530.0);
        if (c.top() == lastTop) {
          assertThat(c.x()).as(a + " at " + k).isGreaterThanOrEqualTo(lastX);
        } else {
          assertThat(c.top()).isGreaterThan(lastTop);
        }
        lastTop = c.top();
        lastX = c.x();
      }
    }
  }

  /** Between two lines a place is both the end of one and the beginning of the next. */
  @Test
  void aPlaceBetweenTwoLinesCanBeEither() {
    Layout l = layout(Samples.paragraph(LONG));
    List<PlacedLine> lines = Places.lines(l.pages().getFirst());
    PlacedLine first = lines.getFirst();
    int end = first.line().to();
    NodeId id = first.paragraph().source().id();
    assertThat(Places.isSoftBreak(first, end)).isTrue();
    assertThat(Places.isSoftBreak(first, end - 1)).isFalse();
    assertThat(Places.isSoftBreak(lines.getLast(), lines.getLast().line().to())).isFalse();
    var at = new Position(id, end);
    CaretPlace after = Places.caret(l, at, false, 0).orElseThrow();
    CaretPlace before = Places.caret(l, at, true, 0).orElseThrow();
    assertThat(before.top()).isEqualTo(first.top());
    assertThat(before.x()).isGreaterThan(400);
    assertThat(after.top()).isGreaterThan(before.top());
    assertThat(after.x()).isLessThan(100);
    assertThat(Places.line(l, at, true).orElseThrow().line()).isSameAs(first.line());
    assertThat(Places.line(l, at, false).orElseThrow().line()).isSameAs(lines.get(1).line());
    assertThat(Places.lineEnd(first)).isEqualTo(end - 1);
    assertThat(Places.caret(l, new Position(id, 3), true, 0))
        .isEqualTo(l.caret(new Position(id, 3)));
  }

  @Test
  void whatIsNearestIsMeant() {
    Layout l =
        Samples.layout(
            Samples.document(
                Samples.paragraph("above"),
                Samples.table(new String[] {"left", "right"}),
                Samples.paragraph("below")));
    Page page = l.pages().getFirst();
    for (PlacedLine line : Places.lines(page)) {
      NodeId id = line.paragraph().source().id();
      double middle = (line.top() + line.bottom()) / 2;
      assertThat(l.positionAt(page, line.left() + 1, middle)).contains(new Position(id, 0));
      int length = line.paragraph().source().length();
      assertThat(l.positionAt(page, line.right() + 0.5, middle)).contains(new Position(id, length));
    }
    Document d = l.document();
    assertThat(l.positionAt(page, 0, 0)).contains(new Position(d.index().order().getFirst(), 0));
    assertThat(l.positionAt(page, 5000, 5000).orElseThrow().paragraph())
        .isEqualTo(d.index().order().getLast());
  }

  @Test
  void textInShapesHasItsPlaces() {
    var rich = new Rich();
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        Rich.of(rich.box(200, 60, Placement.INLINE, Samples.paragraph("Low water"))));
    Layout l = Samples.layout(rich.document());
    Page page = l.pages().getFirst();
    PlacedLine inside =
        Places.lines(page).stream()
            .filter(x -> x.paragraph().source().text().equals("Low water"))
            .findFirst()
            .orElseThrow();
    double middle = (inside.top() + inside.bottom()) / 2;
    Position p = l.positionAt(page, inside.left() + 1, middle).orElseThrow();
    assertThat(p).isEqualTo(new Position(inside.paragraph().source().id(), 0));
    CaretPlace c = l.caret(new Position(p.paragraph(), 4)).orElseThrow();
    assertThat(c.x()).isGreaterThan(inside.left());
    assertThat(c.top()).isEqualTo(inside.top());
  }

  @Test
  void anEmptyParagraphHasOnePlaceWhereItsTextWouldBegin() {
    for (Alignment a : Alignment.values()) {
      Layout l = layout(aligned(a, ""), aligned(a, "x"));
      var order = l.document().index().order();
      double empty = l.caret(new Position(order.getFirst(), 0)).orElseThrow().x();
      double full = l.caret(new Position(order.get(1), 0)).orElseThrow().x();
      assertThat(empty).as(a.toString()).isCloseTo(full, within(8.0));
    }
  }
}
