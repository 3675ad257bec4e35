package decant.model.look;

import java.util.Map;
import java.util.Optional;

/**
 * What a named style gives to the cells of a table by where they stand in it (ISO/IEC 29500-1
 * §17.7.6).
 *
 * @param looks those of the parts that have any
 * @param bandRows how many rows make a band, at least 1
 * @param asked which parts the table asks for
 */
public record TableStyle(Map<Part, CellLooks> looks, int bandRows, Asked asked) {
  /** The style of a table that has none. */
  public static final TableStyle NONE =
      new TableStyle(Map.of(), 1, new Asked(false, false, false, false, false, false));

  /** The parts of a table, each going before those above it (§17.7.6.5). */
  public enum Part {
    WHOLE,
    ODD_COLUMNS,
    EVEN_COLUMNS,
    ODD_ROWS,
    EVEN_ROWS,
    FIRST_COLUMN,
    LAST_COLUMN,
    FIRST_ROW,
    LAST_ROW,
    FIRST_OF_FIRST_ROW,
    LAST_OF_FIRST_ROW,
    FIRST_OF_LAST_ROW,
    LAST_OF_LAST_ROW;

    private boolean goesAcross() {
      return this == FIRST_ROW || this == LAST_ROW || isRowBand();
    }

    private boolean isRowBand() {
      return this == ODD_ROWS || this == EVEN_ROWS;
    }

    private boolean goesDown() {
      return this == FIRST_COLUMN
          || this == LAST_COLUMN
          || this == ODD_COLUMNS
          || this == EVEN_COLUMNS;
    }
  }

  /** The looks of cells, of the paragraphs in them and of their text. */
  public record CellLooks(Look cell, Look paragraphs, Look texts) {
    public static final CellLooks NONE = new CellLooks(Look.PLAIN, Look.PLAIN, Look.PLAIN);

    /** These, and what others say where these say nothing. */
    public CellLooks over(CellLooks base) {
      return new CellLooks(
          cell.over(base.cell), paragraphs.over(base.paragraphs), texts.over(base.texts));
    }

    public boolean isPlain() {
      return cell.isPlain() && paragraphs.isPlain() && texts.isPlain();
    }

    /** A cell's look with these as what comes from its table's style. */
    Look under(Look own) {
      Look out = with(own, TableTraits.FROM_STYLE, cell);
      return with(with(out, TableTraits.PARAGRAPHS, paragraphs), TableTraits.TEXTS, texts);
    }

    private static Look with(Look look, Trait<Look> trait, Look value) {
      return value.isPlain() ? look.without(trait) : look.with(trait, value);
    }
  }

  /** Which parts of its style a table asks for (§17.4.55). */
  public record Asked(
      boolean firstRow,
      boolean lastRow,
      boolean firstColumn,
      boolean lastColumn,
      boolean rowBands,
      boolean columnBands) {}

  /**
   * Where a cell stands.
   *
   * @param row from 0, of so many {@code rows}
   * @param left its first grid column, from 0
   * @param right the grid column after it, of so many {@code columns}
   */
  public record Place(int row, int rows, int left, int right, int columns) {}

  public TableStyle {
    looks = Map.copyOf(looks);
  }

  /** Whether it gives nothing to any cell. */
  public boolean isPlain() {
    return looks.values().stream().allMatch(CellLooks::isPlain);
  }

  /** The look of a cell that stands at a place, with what the style gives to it there. */
  public Look of(Look cell, Place at) {
    CellLooks out = CellLooks.NONE;
    for (Part part : Part.values()) {
      CellLooks given = looks.get(part);
      if (given != null && holds(part, at)) {
        out = within(given, part, at).over(out);
      }
    }
    return out.under(cell);
  }

  private boolean holds(Part part, Place at) {
    boolean firstRow = asked.firstRow && at.row == 0;
    boolean lastRow = asked.lastRow && at.row == at.rows - 1 && at.rows > 1;
    boolean firstColumn = asked.firstColumn && at.left == 0;
    boolean lastColumn = asked.lastColumn && at.right >= at.columns && at.columns > 1;
    return switch (part) {
      case WHOLE -> true;
      case ODD_COLUMNS -> inColumns(at, firstColumn || lastColumn).filter(k -> k == 0).isPresent();
      case EVEN_COLUMNS -> inColumns(at, firstColumn || lastColumn).filter(k -> k == 1).isPresent();
      case ODD_ROWS -> inRows(at, firstRow || lastRow).filter(k -> k == 0).isPresent();
      case EVEN_ROWS -> inRows(at, firstRow || lastRow).filter(k -> k == 1).isPresent();
      case FIRST_COLUMN -> firstColumn;
      case LAST_COLUMN -> lastColumn;
      case FIRST_ROW -> firstRow;
      case LAST_ROW -> lastRow;
      case FIRST_OF_FIRST_ROW -> firstRow && firstColumn;
      case LAST_OF_FIRST_ROW -> firstRow && lastColumn;
      case FIRST_OF_LAST_ROW -> lastRow && firstColumn;
      case LAST_OF_LAST_ROW -> lastRow && lastColumn;
    };
  }

  /** 0 and 1 by turns; what stands at the edges of the table is in no band. */
  private Optional<Integer> inColumns(Place at, boolean edge) {
    return asked.columnBands && !edge
        ? Optional.of((at.left - (asked.firstColumn ? 1 : 0)) % 2)
        : Optional.empty();
  }

  private Optional<Integer> inRows(Place at, boolean edge) {
    return asked.rowBands && !edge
        ? Optional.of((at.row - (asked.firstRow ? 1 : 0)) / bandRows % 2)
        : Optional.empty();
  }

  /**
   * The lines of a part stand around the part as a whole: on a cell within it, the lines between
   * its cells take the place of the outer ones.
   */
  private CellLooks within(CellLooks p, Part part, Place at) {
    if (part == Part.WHOLE || !p.cell.sets(TableTraits.RULES)) {
      return p;
    }
    Rules r = p.cell.value(TableTraits.RULES);
    int begins = asked.firstColumn && part.isRowBand() ? 1 : 0;
    var own =
        new Rules(
            part.goesDown() && at.row > 0 ? r.insideAcross() : r.top(),
            part.goesAcross() && at.right < at.columns ? r.insideDown() : r.end(),
            part.goesDown() && at.row < at.rows - 1 ? r.insideAcross() : r.bottom(),
            part.goesAcross() && at.left > begins ? r.insideDown() : r.start(),
            Optional.empty(),
            Optional.empty());
    return new CellLooks(p.cell.with(TableTraits.RULES, own), p.paragraphs, p.texts);
  }
}
