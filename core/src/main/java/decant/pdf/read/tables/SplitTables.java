package decant.pdf.read.tables;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.PageColumns;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * Tables over the columns of all pages. Of a table that is split between two, a part may be too
 * small to be known for a table, or may leave columns empty: the other part tells.
 */
public final class SplitTables {
  /** The tables of a column of a page, and the pieces that stand outside them. */
  public record Result(List<Detected.Grid> tables, List<TextLine> rest) {}

  /** A column of a page, with the tables that it has for itself. */
  public static final class Part {
    private final ScannedPage page;
    private final PageColumns.Column column;
    private final List<RowLine> lines;
    private final List<Detected.Grid> grids;
    private final List<AlignedTables.Found> tables;

    /**
     * @param column its pieces, without those of tables that are known
     * @param grids the tables of the page that are known by what is painted, or by their white
     */
    public Part(ScannedPage page, PageColumns.Column column, List<Detected.Grid> grids) {
      this.page = page;
      this.column = column;
      this.lines = RowLine.of(column.pieces());
      this.grids =
          grids.stream()
              .filter(g -> g.box().right() > column.left() && g.box().x() < column.right())
              .toList();
      this.tables = new ArrayList<>(AlignedTables.in(lines));
    }

    public PageColumns.Column column() {
      return column;
    }

    ScannedPage page() {
      return page;
    }

    List<RowLine> lines() {
      return lines;
    }

    /** Those of the page that are known by what is painted, or by their white. */
    List<Detected.Grid> grids() {
      return grids;
    }

    /** Those of its lines, down the page; more may come to them. */
    List<AlignedTables.Found> tables() {
      return tables;
    }

    /** How many lines stand above its first table. */
    private int above() {
      return tables.isEmpty() ? lines.size() : lines.indexOf(tables.getFirst().lines().getFirst());
    }

    /** Where the lines begin that stand below its last table. */
    int below() {
      return tables.isEmpty() ? 0 : lines.indexOf(tables.getLast().lines().getLast()) + 1;
    }

    private Result result() {
      Set<TextLine> taken = Collections.newSetFromMap(new IdentityHashMap<>());
      tables.forEach(t -> t.lines().forEach(l -> taken.addAll(l.pieces())));
      return new Result(
          tables.stream().map(t -> AlignedGrid.of(page, t)).toList(),
          column.pieces().stream().filter(l -> !taken.contains(l)).toList());
    }
  }

  private SplitTables() {}

  /**
   * What each column of each page holds.
   *
   * @param pages the columns of each, in reading order; tables that go on are put right in them
   */
  public static List<List<Result>> of(List<List<Part>> pages) {
    List<Part> parts = pages.stream().flatMap(List::stream).toList();
    for (int k = 1; k < parts.size(); k++) {
      Part a = parts.get(k - 1);
      Part b = parts.get(k);
      if (b.page.number() - a.page.number() <= 1) {
        join(a, b);
      }
    }
    return pages.parallelStream().map(p -> p.stream().map(Part::result).toList()).toList();
  }

  private static void join(Part a, Part b) {
    double by = b.column.left() - a.column.left();
    boolean beside = a.page == b.page;
    if (CutGrids.join(a, b)) {
      return;
    }
    // On the next page the text may begin elsewhere, but the table where it did; or margins change
    // sides.
    if (beside || by == 0 || !join(a, b, 0)) {
      join(a, b, by);
    }
  }

  /**
   * @param by how far the table is further to the right where it goes on, in points
   * @return whether anything is put right
   */
  private static boolean join(Part a, Part b, double by) {
    boolean group = takeGroup(a, b, by);
    boolean ends = !a.tables.isEmpty() && a.below() == a.lines.size();
    boolean begins = !b.tables.isEmpty() && b.above() == 0;
    if (ends && begins) {
      return asOne(a, b, by) || group;
    }
    if (ends) {
      return restOf(a, b, by) || group;
    }
    return begins && beginningOf(a, b, by) || group;
  }

  /** A line on its own at the foot of a column heads the rows with which the next begins. */
  private static boolean takeGroup(Part a, Part b, double by) {
    if (a.tables.isEmpty() || b.tables.isEmpty() || b.above() > 0) {
      return false;
    }
    AlignedTables.Found last = a.tables.getLast();
    WhiteColumns columns = last.columns();
    int end = a.below();
    // A title that stands further off begins another table.
    double most =
        Math.min(
            TableThresholds.AlignedTables.ENDS * last.lines().getLast().size(),
            TableThresholds.AlignedTables.APART * last.pitch());
    boolean one =
        end == a.lines.size() - 1
            && a.lines.get(end).baseline() - a.lines.get(end - 1).baseline() < most
            && columns.shifted(by).fit(b.tables.getFirst().lines());
    if (one) {
      var lines = new ArrayList<>(last.lines());
      lines.add(a.lines.get(end));
      a.tables.set(a.tables.size() - 1, new AlignedTables.Found(lines, columns));
    }
    return one;
  }

  /** Both parts with the columns of the one that has more. */
  private static boolean asOne(Part a, Part b, double by) {
    AlignedTables.Found last = a.tables.getLast();
    AlignedTables.Found first = b.tables.getFirst();
    int more = last.columns().columns().size() - first.columns().columns().size();
    int longer = last.lines().size() - first.lines().size();
    if ((more > 0 || more == 0 && longer > 0) && last.columns().shifted(by).fit(first.lines())) {
      b.tables.set(0, new AlignedTables.Found(first.lines(), last.columns().shifted(by)));
      return true;
    }
    if ((more < 0 || more == 0 && longer < 0) && first.columns().shifted(-by).fit(last.lines())) {
      a.tables.set(
          a.tables.size() - 1, new AlignedTables.Found(last.lines(), first.columns().shifted(-by)));
      return true;
    }
    return false;
  }

  /** The lines at the top of a column that are rows of the table at the end of the last. */
  private static boolean restOf(Part a, Part b, double by) {
    WhiteColumns columns = a.tables.getLast().columns().shifted(by);
    int end = 0;
    while (end < b.above() && columns.fits(b.lines.get(end))) {
      end++;
    }
    if (end > 0) {
      b.tables.addFirst(new AlignedTables.Found(List.copyOf(b.lines.subList(0, end)), columns));
    }
    return end > 0;
  }

  /** The lines at the foot of a column that are rows of the table which the next begins with. */
  private static boolean beginningOf(Part a, Part b, double by) {
    WhiteColumns columns = b.tables.getFirst().columns().shifted(-by);
    int from = a.lines.size();
    while (from > a.below()
        && (columns.fits(a.lines.get(from - 1)) || columns.fitsByParts(a.lines.get(from - 1)))) {
      from--;
    }
    if (from == a.lines.size()) {
      return false;
    }
    List<RowLine> lines = List.copyOf(a.lines.subList(from, a.lines.size()));
    // Titles may be wider than what is below them: only both parts tell where columns end.
    AlignedTables.Found first = b.tables.getFirst();
    var all = new ArrayList<RowLine>();
    lines.forEach(l -> all.add(l.shifted(by)));
    all.addAll(first.lines());
    WhiteColumns both = WhiteColumns.of(all);
    if (both.columns().size() == columns.columns().size()) {
      b.tables.set(0, new AlignedTables.Found(first.lines(), both));
      columns = both.shifted(-by);
    }
    a.tables.add(new AlignedTables.Found(lines, columns));
    return true;
  }
}
