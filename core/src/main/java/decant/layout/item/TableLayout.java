package decant.layout.item;

import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A table set to a width: rows of cells.
 *
 * @param x distance of the table's left edge from that of its column
 * @param headerRows how many first rows are repeated on each page the table continues on
 */
public record TableLayout(Table source, double x, double width, List<Row> rows, int headerRows)
    implements BlockLayout {
  /**
   * A row.
   *
   * @param number which row of the table it is, or is a part of
   * @param splits a page break may fall inside it
   * @param keepWithNext it stands on the page of the row after it
   */
  public record Row(
      int number, double height, boolean splits, boolean keepWithNext, List<CellBox> cells) {
    public Row {
      cells = List.copyOf(cells);
    }
  }

  /** The lines that are drawn at the edges of a cell. */
  public record Edges(Rule top, Rule right, Rule bottom, Rule left) {
    static final Edges NONE = new Edges(Rule.NONE, Rule.NONE, Rule.NONE, Rule.NONE);
  }

  /**
   * A cell.
   *
   * @param number which cell of its row it is
   * @param height as drawn: more than its row's where it reaches down
   */
  public record CellBox(
      int number,
      double x,
      double width,
      double height,
      Colour shading,
      Edges edges,
      boolean header,
      Inside inside) {
    /** What it holds. */
    public List<Fragment> content() {
      return inside.content();
    }

    /** This cell as high as its rows are, its content where the cell's alignment puts it. */
    public CellBox sized(double h) {
      double shift = shift(h);
      List<Fragment> moved =
          shift == 0 ? content() : content().stream().map(f -> f.moved(0, shift)).toList();
      return with(h, moved);
    }

    /** How far down the content stands in a height because of the cell's alignment. */
    private double shift(double h) {
      return Math.max(0, h - inside.needed())
          * switch (inside.alignment()) {
            case TOP -> 0;
            case CENTRE -> 0.5;
            case BOTTOM -> 1;
          };
    }

    /** The content as it stands at the top of the cell. */
    List<Fragment> atTop() {
      double shift = shift(height);
      return shift == 0 ? content() : content().stream().map(f -> f.moved(0, -shift)).toList();
    }

    /** A part of this cell, whose content stands at its top. */
    CellBox part(double h, double ownNeeded, List<Fragment> part) {
      return new CellBox(
              number,
              x,
              width,
              h,
              shading,
              edges,
              header,
              inside.with(Math.min(h, ownNeeded), part))
          .sized(h);
    }

    /** A part of this cell. */
    CellBox with(double h, List<Fragment> part) {
      return new CellBox(
          number, x, width, h, shading, edges, header, inside.with(inside.needed(), part));
    }
  }

  /**
   * What stands in a cell.
   *
   * @param needed the height that it asks for, padding included
   * @param paddingBottom below it
   * @param alignment where it stands in a cell that it does not fill
   */
  public record Inside(
      double needed, double paddingBottom, VerticalAlignment alignment, List<Fragment> content) {
    public Inside {
      content = List.copyOf(content);
    }

    Inside with(double newNeeded, List<Fragment> part) {
      return new Inside(newNeeded, paddingBottom, alignment, part);
    }
  }

  /** The baseline of the highest first line of some cells, from the top of their row. */
  public static double firstBaseline(List<CellBox> cells) {
    double first = Double.MAX_VALUE;
    for (CellBox c : cells) {
      for (Fragment f : c.content()) {
        if (f instanceof Fragment.Lines l) {
          Line line = l.layout().lines().get(l.from());
          first = line.items().isEmpty() ? first : Math.min(first, f.y() + line.baseline());
          break;
        }
      }
    }
    return first == Double.MAX_VALUE ? 0 : first;
  }

  public TableLayout {
    rows = List.copyOf(rows);
  }

  @Override
  public double spaceBefore() {
    return 0;
  }

  @Override
  public double spaceAfter() {
    return 0;
  }

  @Override
  public boolean keepWithNext() {
    return false;
  }

  @Override
  public double height() {
    return height(0, rows.size());
  }

  @Override
  public Line.Ends ends(int part) {
    return Line.Ends.NOTHING;
  }

  @Override
  public int parts() {
    return rows.size();
  }

  @Override
  public double height(int from, int to) {
    double h = 0;
    for (int k = from; k < to; k++) {
      h += rows.get(k).height();
    }
    return h;
  }

  @Override
  public int leastHead() {
    int n = headerRows;
    while (n < rows.size() - 1 && rows.get(n).keepWithNext()) {
      n++;
    }
    return Math.min(rows.size(), n + 1);
  }

  /** Height of the rows that are repeated where the table continues with a row; 0 if none are. */
  public double repeated(int from) {
    return from > 0 && headerRows > 0 && from >= headerRows ? height(0, headerRows) : 0;
  }

  /**
   * A cell as it stands among some rows of its table: the whole of it, or, where it reaches over a
   * page break, a piece.
   *
   * @param row which row of the table it begins in
   * @param y from the top of those rows
   */
  public record Placed(CellBox cell, int row, double y, double height, List<Fragment> content) {}

  /** The cells of some rows, and the pieces of those that reach into them from above. */
  public List<Placed> placed(int from, int to) {
    var out = new ArrayList<Placed>();
    double start = height(0, from);
    double end = start + height(from, to);
    double top = 0;
    for (int r = 0; r < to; r++) {
      Row row = rows.get(r);
      for (CellBox c : row.cells()) {
        boolean whole = r >= from && top + c.height() <= end + CLOSE;
        if (whole) {
          out.add(new Placed(c, row.number(), top - start, c.height(), c.content()));
        } else if (top + c.height() > start + CLOSE) {
          double head = Math.max(0, start - top);
          out.add(piece(c, row.number(), head, Math.min(c.height(), end - top), top - start));
        }
      }
      top += row.height();
    }
    return out;
  }

  private static final double CLOSE = 0.05;

  /**
   * @param from where the piece begins, from the top of the cell
   * @param offset of the cell's top from that of the rows
   */
  private static Placed piece(CellBox c, int row, double from, double to, double offset) {
    var content = new ArrayList<Fragment>();
    boolean last = to >= c.height() - CLOSE;
    double shift = Double.NaN;
    for (Fragment f : c.content()) {
      int first = from <= 0 ? Parts.from(f) : Parts.fitting(f, from - c.inside().paddingBottom());
      int end = last ? Parts.to(f) : Parts.fitting(f, to - c.inside().paddingBottom());
      if (first < end) {
        double y = f.y() + Parts.height(f, Parts.from(f), first);
        shift = Double.isNaN(shift) ? (from <= 0 ? 0 : y - c.content().getFirst().y()) : shift;
        content.add(Parts.part(f, first, end, y - shift));
      }
    }
    return new Placed(c, row, offset + from, to - from, content);
  }

  /**
   * This table with one row cut between lines, the first part no higher than the room; empty if
   * nothing of the row fits, or all.
   */
  public Optional<TableLayout> cutAt(int row, double room) {
    RowCut cut = RowCut.of(rows.get(row), room);
    if (cut.tail().isEmpty()) {
      return Optional.empty();
    }
    var out = new ArrayList<>(rows.subList(0, row));
    out.add(cut.head());
    out.add(cut.tail().get());
    out.addAll(rows.subList(row + 1, rows.size()));
    return Optional.of(new TableLayout(source, x, width, out, headerRows));
  }
}
