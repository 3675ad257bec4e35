package decant.pdf.amend.line;

import decant.pdf.amend.line.PageLetters.Upright;
import java.util.ArrayList;
import java.util.List;

/**
 * How far a line may reach along itself, in points, and where it is held.
 *
 * @param left the furthest it may begin
 * @param right where its column ends
 * @param furthest where something stands that it must not reach, or the margin of the page
 */
public record Room(double left, double right, double furthest, Held held) {
  /** What stays in its place when a line becomes longer or shorter. */
  public enum Held {
    LEFT,
    MIDDLE,
    RIGHT,
    /** Both ends: the gaps between words give way. */
    BOTH
  }

  /** So many lines above and below tell of a column, in sizes. */
  private static final double COLUMN = 30;

  /** So many lines in a column tell where it ends. */
  private static final int ENOUGH = 3;

  /**
   * @param from where the page begins along the line, and
   * @param to where it ends
   */
  public static Room of(Row row, List<Row> rows, List<Upright> uprights, double from, double to) {
    double beside = AmendLimits.BESIDE * row.size();
    double least = from + beside;
    double most = to - beside;
    var column = new Column();
    double pageLeft = row.left();
    for (Row r : rows) {
      if (r == row || r.angle() != row.angle()) {
        continue;
      }
      pageLeft = Math.min(pageLeft, Math.max(from, r.left()));
      if (Math.abs(r.v() - row.v()) < 0.8 * Math.max(r.size(), row.size())) {
        if (r.left() >= row.right() - beside) {
          most = Math.min(most, r.left() - beside);
        }
        if (r.right() <= row.left() + beside) {
          least = Math.max(least, r.right() + beside);
        }
      } else {
        column.add(row, r);
      }
    }
    for (Upright e : row.angle() == 0 ? uprights : List.<Upright>of()) {
      if (e.low() < row.v() + 0.2 * row.size() && e.high() > row.v()) {
        if (e.x() >= row.right() - 0.5) {
          most = Math.min(most, e.x() - beside / 2);
        }
        if (e.x() <= row.left() + 0.5) {
          least = Math.max(least, e.x() + beside / 2);
        }
      }
    }
    double margin = Math.max(row.right(), Math.min(most, to - (pageLeft - from)));
    double right = Math.max(row.right(), Math.min(margin, column.right(row, margin)));
    boolean centred = Math.abs(row.middle() - (from + to) / 2) < 2 * AmendLimits.EDGE;
    Held held = column.held(row, centred);
    double left =
        switch (held) {
          case LEFT, BOTH -> row.left();
          case RIGHT, MIDDLE -> Math.min(row.left(), Math.max(least, from + (to - margin)));
        };
    return switch (held) {
      case BOTH, RIGHT -> new Room(left, row.right(), row.right(), held);
      case LEFT, MIDDLE -> new Room(left, right, margin, held);
    };
  }

  /** What the lines above and below tell. */
  private static final class Column {
    private int lines;
    private int lefts;
    private int rights;
    private int middles;
    private boolean next;
    private final List<Double> besideEdge = new ArrayList<>();
    private double right = Double.NEGATIVE_INFINITY;

    private void add(Row row, Row r) {
      double away = Math.abs(r.v() - row.v()) / row.size();
      if (!r.isBeside(row) || away > COLUMN) {
        return;
      }
      lines++;
      right = Math.max(right, r.right());
      if (away > 2 * AmendLimits.NEXT_LINE) {
        return;
      }
      boolean left = isEdge(r.left(), row.left());
      boolean edge = isEdge(r.right(), row.right());
      lefts += left ? 1 : 0;
      rights += edge ? 1 : 0;
      if (edge) {
        besideEdge.add(r.left());
      }
      next |= edge && away < AmendLimits.NEXT_LINE;
      middles += !left && !edge && isEdge(r.middle(), row.middle()) ? 1 : 0;
    }

    private double right(Row row, double margin) {
      return lines >= ENOUGH ? Math.max(right, row.right()) : margin;
    }

    private Held held(Row row, boolean centred) {
      boolean spaced = row.letters().stream().anyMatch(Letter::isSpace) || row.gaps() > 0;
      if (next && spaced && (lefts > 0 || isEven())) {
        return Held.BOTH;
      }
      if (lefts > 0) {
        return Held.LEFT;
      }
      return rights > 0 ? Held.RIGHT : middles > 0 || centred ? Held.MIDDLE : Held.LEFT;
    }

    /** Whether lines that end where this one ends begin together, as below a first line set in. */
    private boolean isEven() {
      double first = besideEdge.isEmpty() ? 0 : besideEdge.getFirst();
      return besideEdge.size() > 1 && besideEdge.stream().allMatch(l -> isEdge(l, first));
    }

    private static boolean isEdge(double a, double b) {
      return Math.abs(a - b) < AmendLimits.EDGE;
    }
  }
}
