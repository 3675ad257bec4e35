package decant.office.grid;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/** Where the columns of a table begin and end, over all of its rows, in twips. */
public final class ColumnEdges {
  private static final double TWIPS = 20;
  private static final int SAME_EDGE = 20; // edges nearer than a point are one

  private final int[] edges;

  private ColumnEdges(int[] edges) {
    this.edges = edges;
  }

  /** Of all edges of all cells. */
  public static ColumnEdges of(Collection<Integer> all) {
    var out = new ArrayList<Integer>();
    for (int e : new TreeSet<>(all)) {
      if (out.isEmpty() || e - out.getLast() > SAME_EDGE) {
        out.add(e);
      }
    }
    return new ColumnEdges(out.stream().mapToInt(i -> i).toArray());
  }

  /** The number of the edge that is nearest to a place; 0 if there is none at all. */
  public int nearest(int at) {
    int found = Arrays.binarySearch(edges, at);
    if (found >= 0 || edges.length == 0) {
      return Math.max(0, found);
    }
    int after = Math.min(-found - 1, edges.length - 1);
    int before = Math.max(0, after - 1);
    return at - edges[before] <= edges[after] - at ? before : after;
  }

  public boolean isEmpty() {
    return edges.length == 0;
  }

  /** Where the first column begins, in points. */
  public double left() {
    return isEmpty() ? 0 : edges[0] / TWIPS;
  }

  /** How wide the columns are, in points. */
  public List<Double> widths() {
    var columns = new ArrayList<Double>();
    for (int k = 1; k < edges.length; k++) {
      columns.add((edges[k] - edges[k - 1]) / TWIPS);
    }
    return columns;
  }
}
