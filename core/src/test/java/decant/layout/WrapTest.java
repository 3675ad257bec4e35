package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.item.Obstacle;
import decant.layout.pages.Page;
import decant.model.Document;
import decant.model.Inline;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.look.Contour;
import decant.model.look.Contour.Point;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement.Side;
import decant.model.look.Placement.Wrap;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Text that flows around the outline of things, and on both sides of them. */
class WrapTest {
  private static final double LEFT = PageSetup.A4.margins().left();
  private static final double RIGHT = PageSetup.A4.width() - PageSetup.A4.margins().right();

  /** A tent: as wide as its box at the foot, a point at the top. */
  private static final Contour TENT =
      new Contour(List.of(new Point(0.5, 0), new Point(1, 1), new Point(0, 1)));

  private final Rich rich = new Rich();

  private static Layout around(Wrap wrap, double x, double width) {
    var rich = new Rich();
    Inline picture = rich.picture(width, 200, Rich.beside(wrap, x, 0));
    Paragraph p = Rich.of(picture, Rich.text(Samples.PROSE.repeat(16)));
    return Samples.layout(rich.section(PageSetup.A4, Section.Start.NEW_PAGE, p).document());
  }

  private static List<Places.PlacedLine> besideIt(Layout l) {
    return Places.lines(l.pages().getFirst()).stream()
        .filter(x -> x.top() < PageSetup.A4.margins().top() + 199)
        .toList();
  }

  private static double from(Places.PlacedLine l) {
    return l.x() + l.line().items().stream().mapToDouble(Item::x).min().orElse(0);
  }

  /** Where a line's text ends, the space after it left aside. */
  private static double to(Places.PlacedLine l) {
    String text = l.paragraph().source().text().substring(l.line().from(), l.line().to());
    double end = l.line().items().stream().mapToDouble(i -> i.x() + i.width()).max().orElse(0);
    return l.x() + end - (text.endsWith(" ") ? 2.7 : 0);
  }

  @Test
  void linesFollowAnOutlineRatherThanItsBox() {
    List<Places.PlacedLine> lines = besideIt(around(new Wrap.Around(Side.RIGHT, TENT), 0, 200));
    assertThat(lines).hasSizeGreaterThan(8);
    for (Places.PlacedLine l : lines) {
      double foot = Math.min(200, l.bottom() - PageSetup.A4.margins().top());
      double edge = LEFT + 100 + foot / 2; // where the tent's right side is that far down
      assertThat(from(l)).as("clear of the outline").isGreaterThanOrEqualTo(edge + 5.9);
      assertThat(from(l)).as("and no further off than need be").isLessThan(edge + 7);
    }
    assertThat(from(lines.getFirst())).isLessThan(from(lines.getLast()) - 70);
  }

  @Test
  void textRunsOnBothSidesOfWhatStandsAmidTheLines() {
    Layout l = around(Wrap.AROUND, 170, 120);
    List<Places.PlacedLine> lines = besideIt(l);
    int pairs = 0;
    for (int k = 0; k + 1 < lines.size(); k += 2) {
      Places.PlacedLine a = lines.get(k);
      Places.PlacedLine b = lines.get(k + 1);
      assertThat(b.top()).isEqualTo(a.top());
      assertThat(to(a)).isLessThanOrEqualTo(LEFT + 170 - 5.9);
      assertThat(from(b)).isGreaterThanOrEqualTo(LEFT + 290 + 5.9);
      assertThat(b.line().from()).as("read from left to right").isEqualTo(a.line().to());
      pairs++;
    }
    assertThat(pairs).isGreaterThan(9);
    Paragraph p = l.document().paragraphs().getFirst();
    assertThat(l.caret(new Position(p.id(), 0))).as("before the picture").isPresent();
    for (int k = 1; k < p.length(); k++) {
      CaretPlace c = l.caret(new Position(p.id(), k)).orElseThrow();
      assertThat(l.positionAt(c.page(), c.x(), c.top() + c.height() / 2))
          .as("place %d", k)
          .contains(new Position(p.id(), k));
    }
  }

  @Test
  void linesBesideEachOtherStandOnOneBaseline() {
    Inline picture = rich.picture(120, 100, Rich.beside(Wrap.AROUND, 170, 0));
    Look large = Look.of(TextTraits.SIZE, 18.0);
    Layout l =
        Samples.layout(
            rich.section(
                    PageSetup.A4,
                    Section.Start.NEW_PAGE,
                    Rich.of(
                        picture,
                        Rich.text("Lines are doubled ahead of a gale, at the "),
                        new Inline.Text("east stairs", large),
                        Rich.text(" and all along the quay. " + Samples.PROSE.repeat(2))))
                .document());
    List<Places.PlacedLine> lines = besideIt(l);
    assertThat(lines.get(0).baseline()).isEqualTo(lines.get(1).baseline());
    assertThat(lines.get(2).top())
        .as("the next lines stand below the taller of both")
        .isGreaterThanOrEqualTo(lines.get(0).bottom());
    assertThat(lines.get(0).line().height()).isGreaterThan(18);
  }

  @Test
  void textStandsOnTheSidesThatAreAskedFor() {
    assertThat(besideIt(around(new Wrap.Around(Side.LEFT, Contour.BOX), 170, 120)))
        .extracting(WrapTest::to)
        .isNotEmpty()
        .allMatch(x -> x < LEFT + 170);
    assertThat(besideIt(around(new Wrap.Around(Side.RIGHT, Contour.BOX), 170, 120)))
        .extracting(WrapTest::from)
        .isNotEmpty()
        .allMatch(x -> x > LEFT + 290);
  }

  @Test
  void theWiderSideIsTakenWhereOnlyOneIsWanted() {
    assertThat(besideIt(around(new Wrap.Around(Side.WIDER, Contour.BOX), 250, 100)))
        .extracting(WrapTest::to)
        .isNotEmpty()
        .allMatch(x -> x < LEFT + 250);
  }

  @Test
  void aSideNarrowerThanAnInchIsLeftEmpty() {
    assertThat(besideIt(around(Wrap.AROUND, 70, 120)))
        .extracting(WrapTest::from)
        .isNotEmpty()
        .allMatch(x -> x > LEFT + 190);
  }

  @Test
  void textFromRightToLeftBeginsOnTheRight() {
    Inline picture = rich.picture(120, 100, Rich.beside(Wrap.AROUND, 170, 0));
    Look look = Look.of(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT);
    Paragraph p =
        Paragraph.of(look, "")
            .withInlines(List.of(picture, Rich.text("שלום לכולם ברציף המזרחי ".repeat(12))));
    Layout l = Samples.layout(rich.section(PageSetup.A4, Section.Start.NEW_PAGE, p).document());
    List<Places.PlacedLine> lines = besideIt(l);
    assertThat(from(lines.get(0))).isGreaterThan(LEFT + 290);
    assertThat(to(lines.get(1))).isLessThan(LEFT + 170);
    double end =
        lines.get(0).line().items().stream().mapToDouble(i -> i.x() + i.width()).max().orElse(0);
    assertThat(end + LEFT).as("the text begins at the margin").isCloseTo(RIGHT, within(0.1));
  }

  @Test
  void aPageDoesNotEndBetweenLinesThatStandBesideEachOther() {
    for (int above = 0; above < 30; above++) {
      var fresh = new Rich();
      Inline picture = fresh.picture(120, 100, Rich.beside(Wrap.AROUND, 170, 0));
      var blocks = new ArrayList<decant.model.Block>();
      for (int k = 0; k < 26 + above; k++) {
        blocks.add(Samples.paragraph("Above."));
      }
      blocks.add(Rich.of(picture, Rich.text(Samples.PROSE.repeat(9))));
      fresh.section(
          PageSetup.A4, Section.Start.NEW_PAGE, blocks.toArray(decant.model.Block[]::new));
      Document d = fresh.document();
      Layout l = Samples.layout(d);
      for (Page page : l.pages()) {
        for (Fragment f : page.body()) {
          if (f instanceof Fragment.Lines x) {
            assertThat(x.layout().standsBeside(x.to())).as("%d lines above", above).isFalse();
          }
        }
      }
    }
  }

  @Test
  void nothingStandsInTheWayAboveAndBelowAnOutline() {
    var flat = new Contour(List.of(new Point(0, 0.4), new Point(1, 0.4), new Point(1, 0.6)));
    var floating = Rich.beside(new Wrap.Around(Side.BOTH, flat), 0, 0);
    Obstacle o = Obstacle.of(floating, new decant.model.Box(0, 0, 100, 100)).orElseThrow();
    assertThat(o.reaches(0, 100, 0, 39)).isFalse();
    assertThat(o.reaches(0, 100, 61, 90)).isFalse();
    assertThat(o.between(30, 50).orElseThrow().left()).isEqualTo(-6.0);
    assertThat(o.between(30, 50).orElseThrow().right()).isEqualTo(106.0);
    Obstacle.Span low = o.between(55, 70).orElseThrow();
    assertThat(low.left()).as("the slanted edge, three quarters down").isEqualTo(75 - 6.0);
  }
}
