package decant.pdf.read.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Things of a page by how far down they stand, so that those near a height are found at once. */
public final class Bands<T> {
  private static final double HEIGHT = 32;

  private final Map<Integer, List<T>> bands = new HashMap<>();

  private static int band(double y) {
    return (int) Math.floor(y / HEIGHT);
  }

  public boolean isEmpty() {
    return bands.isEmpty();
  }

  /** Adds what reaches from one height to another. */
  public void add(double top, double bottom, T thing) {
    for (int k = band(top); k <= band(bottom); k++) {
      bands.computeIfAbsent(k, b -> new ArrayList<>()).add(thing);
    }
  }

  /** What was added at a single height near those from one to another; near, not just between. */
  public List<T> between(double top, double bottom) {
    if (band(top) == band(bottom)) {
      return near(top);
    }
    var out = new ArrayList<T>();
    for (int k = band(top); k <= band(bottom); k++) {
      out.addAll(bands.getOrDefault(k, List.of()));
    }
    return out;
  }

  /** What reaches near a height. */
  public List<T> near(double y) {
    return bands.getOrDefault(band(y), List.of());
  }
}
