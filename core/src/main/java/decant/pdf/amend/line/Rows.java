package decant.pdf.amend.line;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** The lines of a page, by where its letters stand. */
public final class Rows {
  /** More pieces of text are not on a page that is read, and each is held against all others. */
  private static final int MOST_CHAINS = 6000;

  private Rows() {}

  /** Letters that follow one another in the content and on the page. */
  private static final class Chain {
    private final List<Letter> letters = new ArrayList<>();

    private Letter last() {
      return letters.getLast();
    }

    private Letter first() {
      return letters.getFirst();
    }

    private double size() {
      return letters.getFirst().show.size();
    }

    private double v() {
      return letters.getFirst().v;
    }

    private double right() {
      return last().right();
    }

    private boolean goesOnWith(Letter l) {
      return Math.abs(l.v - last().v) < AmendLimits.STEADY * size()
          && l.show.size() == last().show.size()
          && l.u > right() - AmendLimits.BACK * size()
          && l.u < right() + AmendLimits.COLUMN_GAP * size();
    }
  }

  /** In the order of the page: by direction, from head to foot, along the lines. */
  public static List<Row> of(List<Letter> letters) {
    Map<Long, List<Letter>> byAngle = new TreeMap<>();
    for (Letter l : letters) {
      boolean usable =
          !l.show.state.font().isVertical()
              && l.show.sign() != 0
              && l.show.size() > 0
              && Double.isFinite(l.u + l.v);
      if (usable) {
        long degrees = Math.floorMod(Math.round(Math.toDegrees(l.show.angle())), 360L);
        byAngle.computeIfAbsent(degrees, k -> new ArrayList<>()).add(l);
      }
    }
    var out = new ArrayList<Row>();
    byAngle.values().forEach(l -> out.addAll(ofOneDirection(l)));
    return out;
  }

  private static List<Row> ofOneDirection(List<Letter> letters) {
    List<Chain> chains = chains(letters);
    if (chains.size() > MOST_CHAINS) {
      return List.of(); // scattered like the letters of a map: no lines to tell
    }
    chains.sort(
        Comparator.comparingDouble((Chain c) -> -c.size())
            .thenComparingInt(c -> -c.letters.size())
            .thenComparing(c -> c.first().u));
    var bands = new ArrayList<List<Chain>>();
    var byPlace = new TreeMap<Double, List<Chain>>();
    for (Chain c : chains) {
      List<Chain> band =
          band(byPlace, c)
              .orElseGet(() -> {
                var fresh = new ArrayList<Chain>();
                bands.add(fresh);
                byPlace.putIfAbsent(c.v(), fresh);
                return fresh;
              });
      band.add(c);
    }
    var out = new ArrayList<Row>();
    bands.sort(Comparator.comparingDouble(b -> -b.getFirst().v()));
    bands.forEach(b -> out.addAll(rows(b)));
    return out;
  }

  /** The band that a chain stands in: larger letters came before. */
  private static Optional<List<Chain>> band(TreeMap<Double, List<Chain>> bands, Chain c) {
    double reach = c.size() * 3;
    List<Chain> best = null;
    double distance = Double.MAX_VALUE;
    for (var e : bands.subMap(c.v() - reach, true, c.v() + reach, true).entrySet()) {
      for (Chain o : e.getValue()) {
        double off = c.v() - o.v();
        double size = o.size();
        boolean level = Math.abs(off) <= AmendLimits.BASELINE * Math.min(size, c.size());
        boolean aside =
            c.size() <= size * (1 + AmendLimits.BASELINE)
                && off <= AmendLimits.RAISED * size
                && off >= -AmendLimits.LOWERED * size
                && touches(c, o, size);
        double d = level ? 0 : Math.abs(off);
        if ((level || aside) && d < distance) {
          best = e.getValue();
          distance = d;
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private static boolean touches(Chain c, Chain o, double size) {
    double gap = AmendLimits.BESIDE * size;
    return c.first().u - o.right() < gap && o.first().u - c.right() < gap;
  }

  private static List<Chain> chains(List<Letter> letters) {
    var out = new ArrayList<Chain>();
    for (Letter l : letters) {
      if (out.isEmpty() || !out.getLast().goesOnWith(l)) {
        out.add(new Chain());
      }
      out.getLast().letters.add(l);
    }
    return out;
  }

  private static List<Row> rows(List<Chain> band) {
    var sorted = new ArrayList<Letter>();
    band.forEach(c -> sorted.addAll(c.letters));
    sorted.sort(Comparator.comparingDouble(l -> l.u));
    double size = band.getFirst().size();
    double v = band.getFirst().v();
    double angle = band.getFirst().first().show.angle();
    var out = new ArrayList<Row>();
    var letters = new ArrayList<Letter>();
    var again = new ArrayList<List<Letter>>();
    for (Letter l : sorted) {
      Optional<Integer> same = same(letters, l, size);
      if (same.isPresent()) {
        again.get(same.get()).add(l);
        continue;
      }
      if (!letters.isEmpty() && endsBefore(letters, l, size)) {
        add(out, letters, again, v, size, angle);
        letters.clear();
        again.clear();
      }
      letters.add(l);
      again.add(new ArrayList<>());
    }
    add(out, letters, again, v, size, angle);
    return out;
  }

  /** A letter shown before at the same place, so that it looks bold or throws a shadow. */
  private static Optional<Integer> same(List<Letter> letters, Letter l, double size) {
    if (l.isSpace()) {
      return Optional.empty();
    }
    for (int k = letters.size() - 1; k >= 0 && k >= letters.size() - 4; k--) {
      Letter o = letters.get(k);
      if (o.show == l.show) {
        continue; // one operator shows each letter once
      }
      boolean near =
          Math.abs(o.u - l.u) < AmendLimits.TWICE * Math.min(size, Math.max(l.right() - l.u, 0.1));
      if (near && o.text.equals(l.text) && !o.text.isEmpty()) {
        return Optional.of(k);
      }
    }
    return Optional.empty();
  }

  private static boolean endsBefore(List<Letter> letters, Letter l, double size) {
    int k = letters.size() - 1;
    boolean spaced = l.isSpace();
    while (k > 0 && letters.get(k).isSpace()) {
      spaced = true;
      k--;
    }
    double gap = l.u - letters.get(k).right();
    return !l.isSpace() && gap > (spaced ? AmendLimits.SPACED_GAP : AmendLimits.COLUMN_GAP) * size;
  }

  /** Spaces before its first letter are no part of it. */
  private static void add(
      List<Row> out,
      List<Letter> letters,
      List<List<Letter>> again,
      double v,
      double size,
      double angle) {
    int from = 0;
    final int to = letters.size();
    while (from < to && letters.get(from).isSpace()) {
      from++;
    }
    if (to > from) {
      out.add(
          new Row(
              List.copyOf(letters.subList(from, to)),
              List.copyOf(again.subList(from, to)),
              v,
              size,
              angle));
    }
  }
}
