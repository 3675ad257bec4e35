package decant.compare;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Differences that a person has looked at and found right. They are known by what they say, and so
 * stay ticked when pages come to be elsewhere.
 */
public record Ticks(Set<Difference.Said> all) {
  public static final Ticks NONE = new Ticks(Set.of());

  public Ticks {
    all = Set.copyOf(all);
  }

  public boolean has(Difference d) {
    return all.contains(d.said());
  }

  /** The same with some ticked, or not any more. */
  public Ticks with(Collection<Difference> some, boolean ticked) {
    var out = new HashSet<>(all);
    for (Difference d : some) {
      if (ticked) {
        out.add(d.said());
      } else {
        out.remove(d.said());
      }
    }
    return new Ticks(out);
  }

  /** How many of some are still to be looked at. */
  public int lacking(List<Difference> some) {
    return (int) some.stream().filter(d -> !has(d)).count();
  }
}
