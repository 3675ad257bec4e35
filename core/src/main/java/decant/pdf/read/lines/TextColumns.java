package decant.pdf.read.lines;

import decant.model.Columns;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.LookMaker;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Tells text that runs through columns from text that reaches across them. */
public final class TextColumns {
  /** A stretch of blocks in reading order that runs through so many columns. */
  public record Stretch(List<Detected> blocks, Columns columns) {}

  private record Measure(double left, double right) {
    double width() {
      return right - left;
    }

    boolean meets(double x1, double x2) {
      return Math.min(x2, right) - Math.max(x1, left) > 6;
    }
  }

  private TextColumns() {}

  /** The blocks of like pages, parted where they begin or cease to run through columns. */
  public static List<Stretch> of(List<Detected> blocks, int pages) {
    List<Stretch> whole = List.of(new Stretch(blocks, Columns.ONE));
    List<Measure> columns = columns(blocks);
    if (columns.size() < 2) {
      return whole;
    }
    double gap = 0;
    for (int k = 1; k < columns.size(); k++) {
      gap += (columns.get(k).left() - columns.get(k - 1).right()) / (columns.size() - 1);
    }
    Columns many = Columns.equal(columns.size(), LookMaker.halves(Math.clamp(gap, 6, 60)), false);
    var out = new ArrayList<Stretch>();
    var run = new ArrayList<Detected>();
    boolean within = false;
    for (Detected f : blocks) {
      boolean in = isIn(f, columns);
      if (in != within && !run.isEmpty()) {
        out.add(new Stretch(List.copyOf(run), within ? many : Columns.ONE));
        run.clear();
      }
      within = in;
      run.add(f);
    }
    out.add(new Stretch(List.copyOf(run), within ? many : Columns.ONE));
    // Text that changes its columns again and again is placed, not set in columns.
    return out.size() > 2 * pages + 3 ? whole : out;
  }

  private static boolean isIn(Detected f, List<Measure> columns) {
    double x1 = f instanceof Detected.Text t ? t.left() : f.box().x();
    double x2 = f instanceof Detected.Text t ? t.right() : f.box().right();
    return columns.stream().filter(c -> c.meets(x1, x2)).count() == 1;
  }

  /** The columns that most lines stand in, from the left; fewer than two if there are none. */
  private static List<Measure> columns(List<Detected> blocks) {
    Map<Measure, Integer> lines = new HashMap<>();
    int all = 0;
    for (Detected f : blocks) {
      if (f instanceof Detected.Text t) {
        all += t.lines().size();
        merge(lines, new Measure(t.left(), t.right()), t.lines().size());
      }
    }
    List<Measure> common =
        lines.entrySet().stream()
            .sorted(Map.Entry.<Measure, Integer>comparingByValue().reversed())
            .map(Map.Entry::getKey)
            .toList();
    var columns = new ArrayList<Measure>();
    int held = 0;
    for (Measure m : common) {
      boolean apart =
          columns.stream().allMatch(c -> c.right() <= m.left() || c.left() >= m.right());
      boolean alike =
          columns.isEmpty()
              || Math.abs(m.width() - columns.getFirst().width())
                  < columns.getFirst().width() * LineThresholds.TextColumns.ALIKE;
      int many = lines.getOrDefault(m, 0);
      boolean enough = many >= 4 && many * 10 >= all;
      if (apart && alike && enough && columns.size() < LineThresholds.TextColumns.MAX_COLUMNS) {
        columns.add(m);
        held += many;
      }
    }
    columns.sort(Comparator.comparingDouble(Measure::left));
    return held * 2 > all ? columns : List.of();
  }

  /** Edges are found anew on each page and differ a little. */
  private static void merge(Map<Measure, Integer> lines, Measure m, int count) {
    Optional<Measure> same =
        lines.keySet().stream()
            .filter(k ->
                Math.abs(k.left() - m.left()) < m.width() * LineThresholds.TextColumns.SAME_EDGE
                    && Math.abs(k.right() - m.right())
                        < m.width() * LineThresholds.TextColumns.ALIKE)
            .findFirst();
    lines.merge(same.orElse(m), count, Integer::sum);
  }
}
