package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.layout.item.Item;
import decant.model.Block;
import decant.model.Box;
import decant.model.Columns;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.VerticalAlignment;
import decant.publication.PageSink;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Lines and backgrounds of paragraphs and pages (ISO/IEC 29500-1 §17.3.1.24, §17.3.1.31 and
 * §17.6.10) stand where those clauses say.
 */
class PageRulesTest {
  private static final Colour INK = new Colour(0x204060);
  private static final Colour SHADE = new Colour(0xEEEEDD);

  private record Filled(Box box, Colour colour) {}

  private static List<Filled> fills(Layout l, int page) {
    var out = new ArrayList<Filled>();
    l.walk(
        l.pages().get(page),
        new PageSink() {
          @Override
          public void glyphs(Item.GlyphRun run, double x, double y) {}

          @Override
          public void fill(Box box, Colour colour) {
            out.add(new Filled(box, colour));
          }

          @Override
          public void picture(Item.PictureBox picture, Box box) {}
        });
    return out;
  }

  private static List<Box> of(List<Filled> all, Colour c) {
    return all.stream().filter(f -> f.colour().equals(c)).map(Filled::box).toList();
  }

  private static Rule rule(double width, double space) {
    return new Rule(Rule.Kind.SINGLE, width, INK, space);
  }

  private static Paragraph ruled(Rules rules, String text) {
    return Paragraph.of(
        Look.of(ParagraphTraits.RULES, rules).with(ParagraphTraits.SPACE_AFTER, 0.0), text);
  }

  private static Layout layout(Block... blocks) {
    return Samples.layout(Samples.document(blocks));
  }

  @Test
  void linesStandAroundTheTextAtTheirDistance() {
    Layout l = layout(ruled(Rules.around(rule(2, 4)), "Low water"));
    List<Box> lines = of(fills(l, 0), INK);
    assertThat(lines).hasSize(4);
    Places.PlacedLine text = Places.lines(l.pages().getFirst()).getFirst();
    PageSetup p = l.pages().getFirst().setup();
    Box top = lines.stream().min(java.util.Comparator.comparing(Box::y)).orElseThrow();
    Box bottom = lines.stream().max(java.util.Comparator.comparing(Box::bottom)).orElseThrow();
    assertThat(top.bottom()).isCloseTo(text.top() - 4, within(0.01));
    assertThat(bottom.bottom() - 2).isCloseTo(text.bottom() + 4, within(2.01));
    assertThat(lines)
        .anyMatch(b -> b.width() < 3 && Math.abs(b.right() - (p.margins().left() - 4)) < 0.01);
    assertThat(lines)
        .anyMatch(b ->
            b.width() < 3 && Math.abs(b.x() - (p.margins().left() + p.textWidth() + 4)) < 0.01);
  }

  /** Paragraphs of equal borders stand in one box, with the line that is between them. */
  @Test
  void equalNeighboursShareABox() {
    Rules plain = Rules.around(rule(1, 2));
    var between =
        new Rules(
            plain.top(),
            plain.end(),
            plain.bottom(),
            plain.start(),
            Optional.of(rule(1, 1)),
            Optional.empty());
    assertThat(horizontal(layout(ruled(plain, "a"), ruled(plain, "b")))).hasSize(2);
    assertThat(horizontal(layout(ruled(between, "a"), ruled(between, "b"), ruled(between, "c"))))
        .hasSize(4);
    Rules other = Rules.around(rule(1, 3));
    assertThat(horizontal(layout(ruled(plain, "a"), ruled(other, "b")))).hasSize(4);
    assertThat(horizontal(layout(ruled(plain, "a"), Samples.paragraph("x"), ruled(plain, "b"))))
        .hasSize(4);
  }

  private static List<Box> horizontal(Layout l) {
    return of(fills(l, 0), INK).stream().filter(b -> b.width() > 100).toList();
  }

  /** What goes on over a page has its upper line on the first and its lower one on the last. */
  @Test
  void aBoxThatGoesOnIsOpenAtThePage() {
    Layout l = layout(ruled(Rules.around(rule(1, 2)), Samples.PROSE.repeat(60)));
    assertThat(l.pages()).hasSize(2);
    List<Box> first = of(fills(l, 0), INK).stream().filter(b -> b.width() > 100).toList();
    List<Box> second = of(fills(l, 1), INK).stream().filter(b -> b.width() > 100).toList();
    assertThat(first).hasSize(1);
    assertThat(second).hasSize(1);
    assertThat(first.getFirst().y()).isLessThan(100);
    double textEnd =
        Places.lines(l.pages().get(1)).stream()
            .mapToDouble(Places.PlacedLine::bottom)
            .max()
            .orElseThrow();
    assertThat(second.getFirst().y()).isGreaterThanOrEqualTo(textEnd);
  }

  @Test
  void shadesOfNeighboursMeet() {
    Look shaded = Look.of(ParagraphTraits.SHADING, SHADE).with(ParagraphTraits.SPACE_AFTER, 12.0);
    Layout l = layout(Paragraph.of(shaded, "a"), Paragraph.of(shaded, "b"));
    List<Box> boxes = of(fills(l, 0), SHADE);
    assertThat(boxes).hasSize(2);
    assertThat(boxes.get(1).y()).isLessThanOrEqualTo(boxes.getFirst().bottom() + 0.01);
    Layout apart =
        layout(
            Paragraph.of(shaded, "a"),
            Paragraph.of(shaded.with(ParagraphTraits.INDENT_START, 20.0), "b"));
    List<Box> two = of(fills(apart, 0), SHADE);
    assertThat(two.get(1).y()).isGreaterThan(two.getFirst().bottom() + 5);
    assertThat(two.get(1).x() - two.getFirst().x()).isCloseTo(20, within(0.01));
  }

  private static PageSetup bordered(boolean fromEdge) {
    PageSetup a = PageSetup.A4;
    return new PageSetup(
        a.width(),
        a.height(),
        a.margins(),
        Columns.ONE,
        a.numbers(),
        new PageSetup.Borders(Rules.around(rule(3, 10)), fromEdge),
        Colour.WHITE,
        VerticalAlignment.TOP,
        0);
  }

  @Test
  void bordersOfAPageKeepTheirDistanceFromTheEdgeOrTheText() {
    for (boolean fromEdge : new boolean[] {true, false}) {
      PageSetup p = bordered(fromEdge);
      var section =
          new Section(
              NodeId.fresh(), p, Section.Start.NEW_PAGE, Map.of(), List.of(Samples.paragraph("x")));
      Layout l =
          Samples.layout(
              decant.model.Document.of(
                  decant.model.Metadata.NONE,
                  Samples.styles(),
                  Map.of(),
                  List.of(section),
                  Map.of(),
                  Map.of(),
                  List.of()));
      List<Box> lines = of(fills(l, 0), INK);
      assertThat(lines).hasSize(4);
      double left = fromEdge ? 10 : p.margins().left() - 10;
      double top = fromEdge ? 10 : p.margins().top() - 10;
      assertThat(lines)
          .anyMatch(b -> b.height() > 400 && Math.abs(b.x() + b.width() / 2 - left) < 0.01);
      assertThat(lines)
          .anyMatch(b -> b.width() > 400 && Math.abs(b.y() + b.height() / 2 - top) < 0.01);
    }
  }

  /** Kinds of lines: two thin ones, dots as long as wide, dashes longer than wide. */
  @Test
  void kindsOfLinesAreTold() {
    int[] parts = new int[3];
    Rule.Kind[] kinds = {Rule.Kind.DOUBLE, Rule.Kind.DOTTED, Rule.Kind.DASHED};
    for (int k = 0; k < kinds.length; k++) {
      Optional<Rule> r = Optional.of(new Rule(kinds[k], 2, INK, 1));
      Rules top =
          new Rules(
              r,
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              Optional.empty());
      parts[k] = of(fills(layout(ruled(top, "x")), 0), INK).size();
    }
    assertThat(parts[0]).isEqualTo(2);
    assertThat(parts[1]).isGreaterThan(parts[2]);
    assertThat(parts[2]).isGreaterThan(10);
  }
}
