package decant.pdf.read.page;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/** Ruled lines that make grids together. */
public final class RuledLines {
  private RuledLines() {}

  /**
   * Lines that touch one another, directly or through others.
   *
   * @param near as far apart they still touch, in points
   */
  public static List<List<RuledLine>> touching(List<RuledLine> rules, double near) {
    int n = rules.size();
    var groups = new Groups(n);
    Integer[] byX = new Integer[n];
    Arrays.setAll(byX, k -> k);
    Arrays.sort(byX, Comparator.comparingDouble(k -> rules.get(k).x1()));
    for (int i = 0; i < n; i++) {
      RuledLine a = rules.get(byX[i]);
      for (int j = i + 1; j < n; j++) {
        RuledLine b = rules.get(byX[j]);
        if (b.x1() > a.x2() + near) {
          break;
        }
        if (b.y1() <= a.y2() + near && b.y2() >= a.y1() - near) {
          groups.join(byX[i], byX[j]);
        }
      }
    }
    return groups.of(rules);
  }

  /**
   * Where lying or standing lines are, each place once.
   *
   * @param near places no further apart are one, in points
   */
  public static List<Double> places(List<RuledLine> rules, boolean lying, double near) {
    double[] at =
        rules.stream()
            .filter(r -> r.lying() == lying)
            .mapToDouble(RuledLine::middle)
            .sorted()
            .toArray();
    var out = new ArrayList<Double>();
    for (double v : at) {
      if (out.isEmpty() || v - out.getLast() > near) {
        out.add(v);
      }
    }
    return out;
  }
}
