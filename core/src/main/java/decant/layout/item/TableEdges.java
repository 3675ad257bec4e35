package decant.layout.item;

import decant.model.Cell;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import java.util.Optional;

/**
 * Which lines are drawn at the edges of a table's cells. A cell's own line goes before that of the
 * table; of two neighbours' lines the heavier is drawn, of two equally heavy ones the darker
 * (§17.4.66).
 */
public final class TableEdges {
  private final Rule[][] across; // above each grid row, and below the last, by column
  private final Rule[][] down; // left of each grid column, and right of the last, by row

  private final Table table;
  private final int[][] at;
  private final int columns;

  private TableEdges(Table table, int[][] at, int columns) {
    this.table = table;
    this.at = at;
    this.columns = columns;
    across = new Rule[table.rows().size() + 1][columns];
    down = new Rule[table.rows().size()][columns + 1];
  }

  /**
   * Those of a table.
   *
   * @param at what {@link Table#cellColumns} gives
   */
  public static TableEdges of(Table t, int[][] at, int columns) {
    int rows = t.rows().size();
    var edges = new TableEdges(t, at, columns);
    Rules table = rules(t.look());
    for (int r = 0; r < rows; r++) {
      for (int k = 0; k < at[r].length; k++) {
        Cell c = t.rows().get(r).cells().get(k);
        int left = Math.min(at[r][k], columns - 1);
        int right = Math.min(columns, left + c.columnSpan());
        int bottom = Math.min(rows, r + c.rowSpan());
        Rules own = rules(c.look());
        Rule above = either(own.top(), r == 0 ? table.top() : table.insideAcross());
        Rule below = either(own.bottom(), bottom == rows ? table.bottom() : table.insideAcross());
        Rule before = either(own.start(), left == 0 ? table.start() : table.insideDown());
        Rule after = either(own.end(), right == columns ? table.end() : table.insideDown());
        for (int c2 = left; c2 < right; c2++) {
          claim(edges.across[r], c2, above);
          claim(edges.across[bottom], c2, below);
        }
        for (int r2 = r; r2 < bottom; r2++) {
          claim(edges.down[r2], left, before);
          claim(edges.down[r2], right, after);
        }
      }
    }
    return edges;
  }

  private static Rules rules(Look look) {
    Rules own = look.value(TableTraits.RULES);
    return own.over(look.value(TableTraits.FROM_STYLE).value(TableTraits.RULES));
  }

  private static Rule either(Optional<Rule> own, Optional<Rule> table) {
    return own.or(() -> table).orElse(Rule.NONE);
  }

  private static void claim(Rule[] edge, int k, Rule r) {
    Rule known = edge[k];
    if (known == null || heavier(r, known)) {
      edge[k] = r;
    }
  }

  private static boolean heavier(Rule a, Rule b) {
    if (a.extent() != b.extent()) {
      return a.extent() > b.extent();
    }
    return brightness(a) < brightness(b);
  }

  private static int brightness(Rule r) {
    return r.colour().red() + 2 * r.colour().green() + r.colour().blue();
  }

  /** The heaviest line along each edge of a cell of a row. */
  public TableLayout.Edges around(int row, int cell) {
    Cell c = table.rows().get(row).cells().get(cell);
    int from = Math.min(at[row][cell], columns - 1);
    int to = Math.min(from + c.columnSpan(), columns);
    int bottom = Math.min(table.rows().size(), row + c.rowSpan());
    boolean mirrored = table.look().value(TableTraits.RIGHT_TO_LEFT);
    Rule before = heaviestDown(row, bottom, from);
    Rule after = heaviestDown(row, bottom, to);
    return new TableLayout.Edges(
        heaviest(across[row], from, to),
        mirrored ? before : after,
        heaviest(across[bottom], from, to),
        mirrored ? after : before);
  }

  /** How much the lines above a grid row take of its height. */
  public double above(int row) {
    double max = 0;
    for (Rule r : across[row]) {
      max = Math.max(max, r == null ? 0 : r.extent());
    }
    return max;
  }

  private static Rule heaviest(Rule[] edge, int from, int to) {
    Rule best = Rule.NONE;
    for (int k = from; k < to; k++) {
      Rule r = edge[k];
      if (r != null && heavier(r, best)) {
        best = r;
      }
    }
    return best;
  }

  private Rule heaviestDown(int from, int to, int column) {
    Rule best = Rule.NONE;
    for (int r = from; r < to; r++) {
      Rule known = down[r][column];
      if (known != null && heavier(known, best)) {
        best = known;
      }
    }
    return best;
  }
}
