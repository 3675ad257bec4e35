package decant.office.doc.write;

import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.emit.CellGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Tables, row by row: the mark that ends a row says where its cells stand and what they are like
 * ([MS-DOC] 2.6.3).
 *
 * @param edges where the columns begin and end, in points from the start side of the table
 * @param textAtEdge whether tables reach into the margin so that their text stands at it
 */
record RowProperties(Table table, CellGrid grid, double[] edges, boolean textAtEdge) {
  /** A row has no more cells (§2.9.321). */
  private static final double WIDEST = 1500; // points that a table can have across

  private static final int MOST_CELLS = 63;

  private static final int SHADED_AT_ONCE = 22; // cells, §2.9.51
  private static final int SIDES = 4;
  private static final int MEASURED = 3; // a width in twips, §2.9.100

  /** A table; one that is wider than can be said is made narrower, all its columns alike. */
  static RowProperties of(Table table, CellGrid grid, double[] edges, boolean textAtEdge) {
    double width = edges[edges.length - 1];
    double[] fitting = edges.clone();
    for (int k = 0; k < fitting.length && width > WIDEST; k++) {
      fitting[k] *= WIDEST / width;
    }
    return new RowProperties(table, grid, fitting, textAtEdge);
  }

  /** The cells that a row has in the file: what is more stands in its last one. */
  private List<CellGrid.Piece> pieces(int row) {
    List<CellGrid.Piece> all = grid.rows().get(row);
    return all.size() <= MOST_CELLS ? all : all.subList(0, MOST_CELLS);
  }

  /** Whether a cell of the file ends with what stands in a row. */
  boolean ends(int row, CellGrid.Piece p) {
    List<CellGrid.Piece> all = grid.rows().get(row);
    int at = all.indexOf(p);
    return at < MOST_CELLS - 1 || at == all.size() - 1;
  }

  byte[] of(int row) {
    Look look = table.look();
    Look own = table.rows().get(row).look();
    Insets padding = table.padding();
    var out = new Properties();
    Alignment a = look.value(TableTraits.ALIGNMENT);
    int side = a == Alignment.CENTRE ? 1 : a == Alignment.END ? 2 : 0;
    out.add(Sprm.T_ALIGNMENT_90, side).add(Sprm.T_ALIGNMENT, side);
    if (look.value(TableTraits.RIGHT_TO_LEFT)) {
      out.flag(Sprm.T_RIGHT_TO_LEFT, true);
    }
    int gap = Units.twips((padding.left() + padding.right()) / 2);
    out.add(Sprm.T_GAP, gap);
    if (!own.value(TableTraits.ROW_SPLITS)) {
      out.flag(Sprm.T_KEEP_TOGETHER_90, true).flag(Sprm.T_KEEP_TOGETHER, true);
    }
    out.flag(Sprm.T_HEADER, own.value(TableTraits.HEADER_ROW));
    double height = own.value(TableTraits.ROW_HEIGHT);
    if (height > 0) {
      int h = Units.twips(height);
      out.add(Sprm.T_HEIGHT, own.value(TableTraits.ROW_EXACT) ? -h : h);
    }
    if (look.value(TableTraits.PLACEMENT) instanceof Placement.Floating f) {
      floating(out, f);
    }
    out.flag(Sprm.T_AUTOFIT, !look.value(TableTraits.FIXED_COLUMNS));
    double reach = textAtEdge ? padding.left() : 0;
    cells(out, row, look.value(TableTraits.INDENT) - reach);
    padding(out, row, sides(padding));
    return out.array();
  }

  /** The room around text: that of all cells, then that of cells with other room. */
  private void padding(Properties out, int row, int[] usual) {
    for (int side = 0; side < SIDES; side++) {
      out.add(Sprm.T_PADDING, padding(0, side, usual[side]));
    }
    List<CellGrid.Piece> pieces = pieces(row);
    for (int k = 0; k < pieces.size(); k++) {
      Look look = table.lookOf(table.rows().get(row), pieces.get(k).cell());
      int[] own = look.get(TableTraits.CELL_PADDING).map(RowProperties::sides).orElse(usual);
      for (int side = 0; side < SIDES; side++) {
        if (own[side] != usual[side]) {
          out.add(Sprm.T_CELL_PADDING, padding(k, side, own[side]));
        }
      }
    }
  }

  /** CSSAOperand, §2.9.45: for a cell, on a side, so many twips. */
  private static Bytes padding(int cell, int side, int twips) {
    return new Bytes().u8(cell).u8(cell + 1).u8(1 << side).u8(MEASURED).u16(twips);
  }

  /** In twips, in the order that the bits for them have. */
  private static int[] sides(Insets i) {
    return new int[] {
      Units.twips(i.top()), Units.twips(i.left()), Units.twips(i.bottom()), Units.twips(i.right())
    };
  }

  private static void floating(Properties out, Placement.Floating f) {
    out.add(Sprm.T_ORIGINS, ParagraphProperties.origins(f));
    out.add(Sprm.T_ACROSS, ParagraphProperties.across(f.across()));
    out.add(Sprm.T_DOWN, ParagraphProperties.down(f.down()));
    out.add(Sprm.T_DISTANCE_LEFT, Math.max(0, Units.twips(f.distance().left())));
    out.add(Sprm.T_DISTANCE_RIGHT, Math.max(0, Units.twips(f.distance().right())));
    out.add(Sprm.T_DISTANCE_TOP, Math.max(0, Units.twips(f.distance().top())));
    out.add(Sprm.T_DISTANCE_BOTTOM, Math.max(0, Units.twips(f.distance().bottom())));
  }

  /** TDefTableOperand, §2.9.321: where cells begin and end, then each of them. */
  private void cells(Properties out, int row, double left) {
    List<CellGrid.Piece> pieces = pieces(row);
    var places = new Bytes();
    var cells = new Bytes();
    var colours = new ArrayList<Bytes>();
    for (int k = 0; k < SIDES; k++) {
      colours.add(new Bytes());
    }
    for (CellGrid.Piece p : pieces) {
      places.u16(Units.twips(left + edges[p.column()]));
      cell(cells, p, colours);
    }
    CellGrid.Piece last = grid.rows().get(row).getLast();
    places.u16(Units.twips(left + edges[end(last)]));
    out.addLong(
        Sprm.T_DEFINITION, new Bytes().u8(pieces.size()).add(places.array()).add(cells.array()));
    for (int k = 0; k < SIDES; k++) {
      out.add(Sprm.T_RULE_COLOURS[k], colours.get(k));
    }
    shading(out, pieces);
  }

  private int end(CellGrid.Piece p) {
    return Math.min(p.column() + p.cell().columnSpan(), edges.length - 1);
  }

  /** TC80, §2.9.315. */
  private void cell(Bytes out, CellGrid.Piece p, List<Bytes> colours) {
    Look look = p.cell().look();
    Look inForce = look.over(look.value(TableTraits.FROM_STYLE));
    int merged = p.cell().rowSpan() == 1 ? 0 : p.below() ? 1 : 3;
    VerticalAlignment v = inForce.value(TableTraits.VERTICAL_ALIGNMENT);
    int down = v == VerticalAlignment.CENTRE ? 1 : v == VerticalAlignment.BOTTOM ? 2 : 0;
    int how = merged << 5 | down << 7 | MEASURED << 9;
    out.u16(how | (look.value(TableTraits.NO_WRAP) ? 1 << 13 : 0));
    out.u16(Units.twips(edges[end(p)] - edges[p.column()]));
    Rules own =
        look.value(TableTraits.RULES)
            .over(look.value(TableTraits.FROM_STYLE).value(TableTraits.RULES));
    Look t = table.look();
    Rules all =
        t.value(TableTraits.RULES).over(t.value(TableTraits.FROM_STYLE).value(TableTraits.RULES));
    boolean bottom = p.row() + p.cell().rowSpan() >= table.rows().size();
    boolean end = end(p) >= edges.length - 1;
    List<Optional<Rule>> sides =
        List.of(
            own.top().or(() -> p.row() == 0 ? all.top() : all.insideAcross()),
            own.start().or(() -> p.column() == 0 ? all.start() : all.insideDown()),
            own.bottom().or(() -> bottom ? all.bottom() : all.insideAcross()),
            own.end().or(() -> end ? all.end() : all.insideDown()));
    for (int k = 0; k < SIDES; k++) {
      out.u32(Units.rule80(sides.get(k)));
      colours.get(k).u32(Units.ruleColour(sides.get(k)));
    }
  }

  /** What stands behind the cells, twenty-two of them at once. */
  private static void shading(Properties out, List<CellGrid.Piece> pieces) {
    int[] sprms = {Sprm.T_SHADING, Sprm.T_SHADING_SECOND, Sprm.T_SHADING_THIRD};
    for (int k = 0; k * SHADED_AT_ONCE < pieces.size(); k++) {
      int to = Math.min(pieces.size(), (k + 1) * SHADED_AT_ONCE);
      var b = new Bytes();
      for (CellGrid.Piece p : pieces.subList(k * SHADED_AT_ONCE, to)) {
        Look look = p.cell().look();
        Colour behind = look.over(look.value(TableTraits.FROM_STYLE)).value(TableTraits.SHADING);
        b.add(Units.shading(behind).array());
      }
      out.add(sprms[k], b);
    }
  }
}
