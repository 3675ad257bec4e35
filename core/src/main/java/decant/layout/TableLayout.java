package decant.layout;

import decant.model.Colour;
import decant.model.Table;
import java.util.ArrayList;
import java.util.List;

/**
 * A table set to a width: rows of cells.
 *
 * @param headerRows how many first rows are repeated on each page the table continues on
 */
public record TableLayout(Table source, double width, List<Row> rows, int headerRows)
    implements BlockLayout {
  /**
   * A row.
   *
   * @param number which row of the table it is, or is a part of
   */
  public record Row(int number, double height, List<CellBox> cells) {
    public Row {
      cells = List.copyOf(cells);
    }
  }

  /**
   * A cell.
   *
   * @param number which cell of its row it is
   * @param height as drawn: more than its row's where it reaches down
   * @param padding from the edges to the text, left and right
   * @param ruleWidth width of the lines around it; 0 for none
   */
  public record CellBox(
      int number,
      double x,
      double width,
      double height,
      double padding,
      Colour shading,
      double ruleWidth,
      Colour ruleColour,
      boolean header,
      List<Fragment> content) {
    public CellBox {
      content = List.copyOf(content);
    }
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
    return Math.min(rows.size(), headerRows + 1);
  }

  /** This table with rows taller than a page cut between lines, so that every row fits on one. */
  TableLayout fittedTo(double pageHeight) {
    double room = pageHeight - height(0, headerRows);
    if (rows.stream().allMatch(r -> r.height() <= room)) {
      return this;
    }
    var out = new ArrayList<Row>();
    for (Row r : rows) {
      Row rest = r;
      while (rest.height() > room) {
        RowCut cut = RowCut.of(rest, room);
        out.add(cut.head());
        if (cut.tail().isEmpty()) {
          rest = null;
          break;
        }
        rest = cut.tail().get();
      }
      if (rest != null) {
        out.add(rest);
      }
    }
    return new TableLayout(source, width, out, headerRows);
  }
}
