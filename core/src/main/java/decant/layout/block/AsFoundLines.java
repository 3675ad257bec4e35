package decant.layout.block;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UProperty;
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
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Sets a paragraph in the lines that its source had, each word where it stood. */
final class AsFoundLines {
  /** Spaces are not pressed together to less, in points. */
  private static final double LEAST_SPACE = 0.4;

  /** Columns whose widths differ by less, in points, are the same. */
  private static final double SAME_WIDTH = 1;

  private final List<Unit> units;
  private final String text;
  private final TextUnits texts;
  private final LinePlacer placer;
  private final Optional<Unit> label;
  private final List<Line> lines = new ArrayList<>();
  private OptionalDouble labelAt = OptionalDouble.empty();

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
   * @param was of at least one line
   */
  ParagraphLayout set(Paragraph p, ParagraphStyle style, double width, SetBlock was) {
    List<SetLine> found = was.lines();
    labelAt = was.label();
    int first = 0;
    for (int l = 0; l < found.size(); l++) {
      boolean last = l + 1 == found.size();
      int end = last ? units.size() : endOf(first, found.get(l + 1));
      line(found.get(l), found.get(Math.max(0, l - 1)), first, end);
      first = end;
    }
    return new ParagraphLayout(p, style, width, lines);
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
    double[] widths = new double[here.size()];
    double start = fit(line, here, order, widths);
    double top = lines.isEmpty() ? 0 : lines.getLast().bottom();
    int from = first < units.size() ? units.get(first).from() : text.length();
    int to = end == units.size() ? text.length() : units.get(end - 1).to();
    Line placed =
        placer.set(
            new LinePlacer.Given(
                here,
                widths,
                start,
                new Lane(0, 0, top),
                lines.isEmpty() ? label : Optional.empty(),
                labelAt,
                top,
                from,
                Math.max(from, to),
                true,
                false,
                Line.Ends.NOTHING));
    boolean goesOn = !lines.isEmpty() && line.page() == before.page();
    double above = goesOn ? lines.getLast().top() + lines.getLast().baseline() : 0;
    lines.add(
        goesOn
            ? placed.at(above + line.baseline() - before.baseline() - placed.baseline())
            : placed);
  }

  /**
   * Widths by which each word begins and ends where it did: the space before it gives or takes, and
   * its letters stand a little closer or wider, as kerning had them.
   *
   * @param order of the units from left to right
   * @param widths takes the width of each unit
   * @return where the line starts: with what stands before its first word, as the label of a note
   */
  private double fit(SetLine line, List<Unit> here, int[] order, double[] widths) {
    for (int k = 0; k < widths.length; k++) {
      widths[k] = here.get(k).kind() == Kind.TAB ? LEAST_SPACE : here.get(k).width();
    }
    double start = 0;
    double x = 0;
    int word = -1; // the last whose place was reached
    for (int v = 0; v < order.length; v++) {
      Unit u = here.get(order[v]);
      int w = isGap(u) ? -1 : wordOf(line, u);
      if (w >= 0 && w != word) {
        double letters = widthOf(line, here, order, widths, v, Kind.WORD);
        double marks = widthOf(line, here, order, widths, v, Kind.OBJECT);
        boolean fits = fits(u, letters, line.ends()[w] - line.xs()[w] - marks);
        boolean atRight = !fits && u.level() % 2 == 1;
        double left = atRight ? line.ends()[w] - letters - marks : line.xs()[w];
        if (word < 0) {
          start = left - x;
          x = left;
        } else if (isGap(here.get(order[v - 1]))) {
          int gap = order[v - 1];
          double by = Math.max(left - x, LEAST_SPACE - widths[gap]);
          widths[gap] += by;
          x += by;
        }
        word = w;
        double wanted = line.ends()[w] - x - marks;
        if (fits(u, letters, wanted)) {
          fit(line, here, order, widths, v, wanted / letters);
        }
      }
      x += widths[order[v]];
    }
    return start;
  }

  private static boolean isGap(Unit u) {
    return u.isSpace() || u.kind() == Kind.TAB;
  }

  /** The word that a unit is part of; -1 if it stands before all of them. */
  private static int wordOf(SetLine line, Unit u) {
    int at = Arrays.binarySearch(line.words(), u.from());
    return at >= 0 ? at : -at - 2;
  }

  /** How wide the units of one kind are in a word, from its first on. */
  private static double widthOf(
      SetLine line, List<Unit> here, int[] order, double[] widths, int first, Kind kind) {
    double sum = 0;
    for (int k = first; k < order.length && isOf(line, here, order, first, k); k++) {
      sum += here.get(order[k]).kind() == kind ? widths[order[k]] : 0;
    }
    return sum;
  }

  private static boolean isOf(SetLine line, List<Unit> here, int[] order, int first, int k) {
    Unit u = here.get(order[k]);
    return (u.kind() == Kind.WORD || u.kind() == Kind.OBJECT)
        && wordOf(line, u) == wordOf(line, here.get(order[first]));
  }

  /** Whether a word can be made as wide as it was: not if it is set in quite another font. */
  private boolean fits(Unit u, double natural, double wanted) {
    double factor = natural > 0 ? wanted / natural : 0;
    // Letters that join stay joined.
    boolean joined =
        u.level() % 2 == 1
            && text.substring(u.from(), u.to()).codePoints().anyMatch(AsFoundLines::joins);
    return joined ? Math.abs(factor - 1) < SAME_SHAPES : factor > NARROWEST && factor < WIDEST;
  }

  /** Unicode's Joining_Type is Dual_Joining. */
  private static boolean joins(int codePoint) {
    return UCharacter.getIntPropertyValue(codePoint, UProperty.JOINING_TYPE)
        == UCharacter.JoiningType.DUAL_JOINING;
  }

  private static void fit(
      SetLine line, List<Unit> here, int[] order, double[] widths, int first, double factor) {
    for (int k = first; k < order.length && isOf(line, here, order, first, k); k++) {
      widths[order[k]] *= here.get(order[k]).kind() == Kind.WORD ? factor : 1;
    }
  }

  /**
   * A word that would become narrower than this share of its width is set in quite another font.
   */
  private static final double NARROWEST = 0.7;

  private static final double WIDEST = 1.6;

  /** Joined letters that are wider or narrower by a smaller share are of the same shapes. */
  private static final double SAME_SHAPES = 0.02;
}
