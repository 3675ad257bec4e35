package decant.desktop.runs;

import decant.model.edit.Search;
import decant.run.Row;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The rows of a run as lines of a table: folders with their files below them, folded or not, or the
 * files alone where they are sorted by something else or looked for.
 */
final class RunLines {
  /** A line. */
  sealed interface Line {
    /**
     * A folder.
     *
     * @param files how many are in it, not counting those of folders in it
     */
    record Folder(String path, int depth, int files, boolean folded) implements Line {}

    /**
     * A file, by its place among all rows.
     *
     * @param depth 0 if it stands alone
     * @param state what it was when the line was made, so that a line of another one is another
     */
    record File(int row, int depth, Row.State state) implements Line {}
  }

  /** Which rows are shown. */
  enum Filter {
    ALL,
    TO_DO,
    DONE,
    FAILED,
    LEFT_OUT;

    boolean takes(Row.State s) {
      return switch (this) {
        case ALL -> true;
        case TO_DO -> s == Row.State.PLANNED || s == Row.State.AT_WORK;
        case DONE -> s == Row.State.DONE;
        case FAILED -> s == Row.State.FAILED;
        case LEFT_OUT -> s == Row.State.LEFT_OUT;
      };
    }
  }

  /** How many rows a filter takes. */
  static int count(RunState state, Filter f) {
    int n = 0;
    for (Row.State s : Row.State.values()) {
      n += f.takes(s) ? state.count(s) : 0;
    }
    return n;
  }

  private RunLines() {}

  /**
   * The lines of some rows.
   *
   * @param words what the path, the message or a result must have in it; empty for all
   * @param order how files are sorted; nothing for folders with their files
   */
  static List<Line> of(
      List<Row> rows,
      Filter filter,
      String words,
      Optional<Comparator<Row>> order,
      Set<String> folded) {
    var some = new ArrayList<Integer>();
    for (int k = 0; k < rows.size(); k++) {
      Row r = rows.get(k);
      if (filter.takes(r.state()) && (words.isBlank() || has(r, words.strip()))) {
        some.add(k);
      }
    }
    if (order.isPresent()) {
      some.sort((a, b) -> order.get().compare(rows.get(a), rows.get(b)));
      return some.stream().map(k -> (Line) new Line.File(k, 0, rows.get(k).state())).toList();
    }
    return inFolders(rows, some, folded);
  }

  private static boolean has(Row r, String words) {
    return Search.contains(r.path(), words)
        || Search.contains(r.message(), words)
        || r.results().stream().anyMatch(x -> Search.contains(x.file(), words));
  }

  private static List<Line> inFolders(List<Row> rows, List<Integer> some, Set<String> folded) {
    var out = new ArrayList<Line>();
    String at = "";
    int head = -1;
    boolean hidden = false;
    for (int k : some) {
      Row r = rows.get(k);
      String folder = r.part() + ":" + r.folder();
      if (isWithin(r.folder(), folded)) {
        continue;
      }
      if (head < 0 || !folder.equals(at)) {
        at = folder;
        head = out.size();
        hidden = folded.contains(r.folder());
        out.add(new Line.Folder(r.folder(), depth(r.folder()), 0, hidden));
      }
      var f = (Line.Folder) out.get(head);
      out.set(head, new Line.Folder(f.path(), f.depth(), f.files() + 1, f.folded()));
      if (!hidden) {
        out.add(new Line.File(k, depth(r.folder()) + 1, r.state()));
      }
    }
    return out;
  }

  /** Whether a folder above this one is folded. */
  private static boolean isWithin(String folder, Set<String> folded) {
    for (int at = folder.lastIndexOf('/'); at > 0; at = folder.lastIndexOf('/', at - 1)) {
      if (folded.contains(folder.substring(0, at))) {
        return true;
      }
    }
    return false;
  }

  private static int depth(String folder) {
    return folder.isEmpty() ? 0 : 1 + (int) folder.chars().filter(c -> c == '/').count();
  }

  /** All folders that have files. */
  static Set<String> folders(List<Row> rows) {
    var out = new HashSet<String>();
    rows.forEach(r -> out.add(r.folder()));
    return out;
  }
}
