package decant.model;

import java.util.List;

/**
 * The columns that a section's text runs through, from the start side on.
 *
 * @param widths the width of each, in points; empty for columns of equal width
 * @param gaps the space after each but the last
 * @param rule whether a line is drawn between them
 */
public record Columns(int count, List<Double> widths, List<Double> gaps, boolean rule) {
  /** One column between the margins. */
  public static final Columns ONE = new Columns(1, List.of(), List.of(), false);

  private static final double MIN = 18;

  public Columns {
    widths = List.copyOf(widths);
    gaps = List.copyOf(gaps);
    if (count < 1) {
      throw new IllegalArgumentException("no columns");
    }
  }

  /** Columns of equal width with equal gaps. */
  public static Columns equal(int count, double gap, boolean rule) {
    return count == 1
        ? ONE
        : new Columns(count, List.of(), java.util.Collections.nCopies(count - 1, gap), rule);
  }

  /** The width of a column where all columns share so much room. */
  public double width(int column, double room) {
    if (column < widths.size()) {
      return Math.min(widths.get(column), room);
    }
    double between = gaps.stream().mapToDouble(g -> g).sum();
    return Math.max(MIN, (room - between) / count);
  }

  /** The distance of a column's start from that of the first. */
  public double start(int column, double room) {
    double at = 0;
    for (int k = 0; k < column; k++) {
      at += width(k, room) + (k < gaps.size() ? gaps.get(k) : 0);
    }
    return at;
  }
}
