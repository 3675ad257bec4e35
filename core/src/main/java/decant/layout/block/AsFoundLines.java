package decant.layout.block;

import decant.layout.block.TextUnits.Kind;
import decant.layout.block.TextUnits.Unit;
import decant.layout.item.Exclusions.Lane;
import decant.layout.item.Line;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.ParagraphStyle;
import decant.model.Paragraph;
import decant.model.SetBlock;
import decant.model.SetLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Sets a paragraph in the lines that its source had, each word where it stood. */
final class AsFoundLines {
  /** Columns whose widths differ by less, in points, are the same. */
  private static final double SAME_WIDTH = 1;

  private final List<Unit> units;
  private final String text;
  private final TextUnits texts;
  private final LinePlacer placer;
  private final Optional<Unit> label;
  private final List<Line> lines = new ArrayList<>();
  private OptionalDouble labelAt = OptionalDouble.empty();
  private boolean overrun;

  /**
   * @param units of the paragraph; some are cut where a line ended within a word
   * @param label of a list's item, if it is one
   */
  AsFoundLines(
      List<Unit> units, String text, TextUnits texts, LinePlacer placer, Optional<Unit> label) {
    this.units = units;
    this.text = text;
    this.texts = texts;
    this.placer = placer;
    this.label = label;
  }

  /** Whether lines are known that fit into a width. */
  static boolean fit(SetBlock was, double width) {
    return !was.lines().isEmpty() && Math.abs(was.width() - width) < SAME_WIDTH;
  }

  /**
   * The paragraph in its lines; empty if its words run over them.
   *
   * @param was of at least one line
   */
  Optional<ParagraphLayout> set(Paragraph p, ParagraphStyle style, double width, SetBlock was) {
    List<SetLine> found = was.lines();
    labelAt = was.label();
    int first = 0;
    for (int l = 0; l < found.size() && !overrun; l++) {
      boolean last = l + 1 == found.size();
      int end = last ? units.size() : endOf(first, found.get(l + 1));
      line(found.get(l), found.get(Math.max(0, l - 1)), first, end);
      first = end;
    }
    return overrun ? Optional.empty() : Optional.of(new ParagraphLayout(p, style, width, lines));
  }

  /** The unit after those of a line; one that goes on in the next is cut. */
  private int endOf(int first, SetLine next) {
    int end = first;
    while (end < units.size() && units.get(end).from() < next.from()) {
      Unit u = units.get(end);
      if (u.to() > next.from() && u.kind() == Kind.WORD) {
        units.set(end, texts.part(u, text, u.from(), next.from(), true, next.divided()));
        units.add(end + 1, texts.part(u, text, next.from(), u.to(), u.breakAfter(), u.hyphen()));
      }
      end++;
    }
    return end;
  }

  private void line(SetLine line, SetLine before, int first, int end) {
    List<Unit> here = units.subList(first, end);
    if (!here.isEmpty() && here.getLast().hyphen() && end < units.size()) {
      here = new ArrayList<>(here);
      here.add(texts.hyphenAfter(here.getLast()));
    }
    int[] order = placer.visualOrder(here);
    var words = new FoundWords(line, here, order, text);
    overrun |= words.overrun();
    double top = lines.isEmpty() ? 0 : lines.getLast().bottom();
    int from = first < units.size() ? units.get(first).from() : text.length();
    int to = end == units.size() ? text.length() : units.get(end - 1).to();
    Line placed =
        placer.set(
            new LinePlacer.Given(
                here,
                words.widths(),
                words.start(),
                new Lane(0, 0, top),
                lines.isEmpty() ? label : Optional.empty(),
                labelAt,
                top,
                from,
                Math.max(from, to),
                true,
                false,
                Line.Ends.NOTHING),
            order);
    boolean goesOn = !lines.isEmpty() && line.page() == before.page();
    double above = goesOn ? lines.getLast().top() + lines.getLast().baseline() : 0;
    lines.add(
        goesOn
            ? placed.at(above + line.baseline() - before.baseline() - placed.baseline())
            : placed);
  }
}
