package decant.layout.block;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UProperty;
import decant.layout.block.TextUnits.Kind;
import decant.layout.block.TextUnits.Unit;
import decant.model.SetLine;
import java.util.Arrays;
import java.util.List;

/**
 * Widths by which each word of a line begins and ends where its source had it: the space before it
 * gives or takes, and its letters stand a little closer or wider, as kerning had them.
 */
final class FoundWords {
  /** Spaces are not pressed together to less, in points. */
  private static final double LEAST_SPACE = 0.4;

  /**
   * A word that would become narrower than this share of its width is set in quite another font.
   */
  private static final double NARROWEST = 0.7;

  private static final double WIDEST = 1.6;

  /** Joined letters that are wider or narrower by a smaller share are of the same shapes. */
  private static final double SAME_SHAPES = 0.02;

  private final SetLine line;
  private final List<Unit> units;
  private final int[] order;
  private final String text;
  private final double[] widths;
  private final double start;
  private double right;

  /**
   * @param order of the units from left to right
   * @param text of the paragraph
   */
  FoundWords(SetLine line, List<Unit> units, int[] order, String text) {
    this.line = line;
    this.units = units;
    this.order = order;
    this.text = text;
    this.widths = new double[units.size()];
    this.start = settle();
  }

  /** Of each unit, in the order of the text. */
  double[] widths() {
    return widths;
  }

  /** Where the line starts: with what stands before its first word, as the label of a note. */
  double start() {
    return start;
  }

  /**
   * Whether the words do not fit into the line that they were found in: then what is known of it is
   * not of them, or their font is quite another.
   */
  boolean overrun() {
    float end = 0;
    for (float e : line.ends()) {
      end = Math.max(end, e);
    }
    return line.ends().length > 0 && right > end * OVERRUN;
  }

  /** Lines of another font may stand a little into the margin, rather than become more lines. */
  private static final double OVERRUN = 1.1;

  /** The unit that is the next from left to right. */
  private Unit shown(int v) {
    return units.get(order[v]);
  }

  private double settle() {
    for (int k = 0; k < widths.length; k++) {
      widths[k] = units.get(k).kind() == Kind.TAB ? LEAST_SPACE : units.get(k).width();
    }
    double first = 0;
    double x = 0;
    int word = -1; // the last whose place was reached
    for (int v = 0; v < order.length; v++) {
      Unit u = shown(v);
      int w = isGap(u) ? -1 : wordOf(u);
      if (w >= 0 && w != word) {
        double letters = widthOf(v, Kind.WORD);
        double marks = widthOf(v, Kind.OBJECT);
        boolean fits = fits(u, letters, line.ends()[w] - line.xs()[w] - marks);
        boolean atRight = !fits && u.level() % 2 == 1;
        double left = atRight ? line.ends()[w] - letters - marks : line.xs()[w];
        if (word < 0) {
          first = left - x;
          x = left;
        } else if (isGap(shown(v - 1))) {
          int gap = order[v - 1];
          double by = Math.max(left - x, LEAST_SPACE - widths[gap]);
          widths[gap] += by;
          x += by;
        }
        word = w;
        double wanted = line.ends()[w] - x - marks;
        if (fits(u, letters, wanted)) {
          stretch(v, wanted / letters);
        }
      }
      x += widths[order[v]];
      right = isGap(u) ? right : x;
    }
    return first;
  }

  private static boolean isGap(Unit u) {
    return u.isSpace() || u.kind() == Kind.TAB;
  }

  /** The word that a unit is part of; -1 if it stands before all of them. */
  private int wordOf(Unit u) {
    int at = Arrays.binarySearch(line.words(), u.from());
    return at >= 0 ? at : -at - 2;
  }

  /** How wide the units of one kind are in a word, from its first on. */
  private double widthOf(int first, Kind kind) {
    double sum = 0;
    for (int v = first; v < order.length && isOf(first, v); v++) {
      sum += shown(v).kind() == kind ? widths[order[v]] : 0;
    }
    return sum;
  }

  private boolean isOf(int first, int v) {
    Unit u = shown(v);
    return (u.kind() == Kind.WORD || u.kind() == Kind.OBJECT) && wordOf(u) == wordOf(shown(first));
  }

  /** Whether a word can be made as wide as it was: not if it is set in quite another font. */
  private boolean fits(Unit u, double natural, double wanted) {
    double factor = natural > 0 ? wanted / natural : 0;
    // Letters that join stay joined.
    boolean joined =
        u.level() % 2 == 1
            && text.substring(u.from(), u.to()).codePoints().anyMatch(FoundWords::joins);
    return joined ? Math.abs(factor - 1) < SAME_SHAPES : factor > NARROWEST && factor < WIDEST;
  }

  /** Unicode's Joining_Type is Dual_Joining. */
  private static boolean joins(int codePoint) {
    return UCharacter.getIntPropertyValue(codePoint, UProperty.JOINING_TYPE)
        == UCharacter.JoiningType.DUAL_JOINING;
  }

  private void stretch(int first, double factor) {
    for (int v = first; v < order.length && isOf(first, v); v++) {
      widths[order[v]] *= shown(v).kind() == Kind.WORD ? factor : 1;
    }
  }
}
