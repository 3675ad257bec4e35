package decant.office.doc;

import decant.model.NodeId;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.grid.ColumnEdges;
import decant.office.grid.GridRows;
import decant.office.grid.GridRows.Join;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.apache.poi.hwpf.usermodel.Table;
import org.apache.poi.hwpf.usermodel.TableCell;
import org.apache.poi.hwpf.usermodel.TableRow;
import org.apache.poi.util.LittleEndian;

/** Tables ([MS-DOC] 2.4.3), whose rows each say by themselves where their cells end. */
final class DocTables {
  private static final double TWIPS = 20;
  private static final int PADDING = 0xD634; // sprmTCellPaddingDefault, §2.6.3
  private static final int OF_CELLS = 0xD632; // sprmTCellPadding
  private static final int RIGHT_TO_LEFT = 0x560B; // sprmTFBiDi
  private static final int MEASURED = 3; // a width in twips, §2.9.100

  /** sprmTBrcTopCv and its neighbours: top, left, bottom, right. */
  private static final int[] COLOURS = {0xD61A, 0xD61B, 0xD61C, 0xD61D};

  private final DocText text;

  DocTables(DocText text) {
    this.text = text;
  }

  decant.model.Table read(Table t, int depth) throws ReadProblem {
    ColumnEdges edges = edges(t);
    var rows = new GridRows(edges);
    Look look = Look.of(TableTraits.FIXED_COLUMNS, true);
    if (t.numRows() > 0) {
      TableRow first = t.getRow(0);
      byte[] said = text.said(first);
      Insets room = padding(first, said);
      for (int r = 0; r < t.numRows(); r++) {
        row(t.getRow(r), rows, room, depth);
      }
      look = look.with(TableTraits.CELL_PADDING, room);
      if (depth == 0 && DocFrames.table(said) instanceof Placement.Floating f) {
        look = look.with(TableTraits.PLACEMENT, f);
      }
      if (DocSprms.last(said, 2, RIGHT_TO_LEFT).orElse(0) == 1) {
        look = look.with(TableTraits.RIGHT_TO_LEFT, true);
      }
      int jc = first.getRowJustification();
      if (jc != 0) {
        look = look.with(TableTraits.ALIGNMENT, jc == 1 ? Alignment.CENTRE : Alignment.END);
      } else if (!edges.isEmpty()) {
        // The text of the first cell stands so far from the margin.
        look = look.with(TableTraits.INDENT, edges.left() + first.getGapHalf() / TWIPS);
      }
    }
    return new decant.model.Table(NodeId.fresh(), look, edges.widths(), rows.rows());
  }

  private static ColumnEdges edges(Table t) {
    var all = new TreeSet<Integer>();
    for (int r = 0; r < t.numRows(); r++) {
      TableRow row = t.getRow(r);
      for (int k = 0; k < row.numCells(); k++) {
        TableCell c = row.getCell(k);
        all.add(c.getLeftEdge());
        all.add(c.getLeftEdge() + c.getWidth());
      }
    }
    return ColumnEdges.of(all);
  }

  /**
   * @param usual the room around the text of cells that say nothing of it
   */
  private void row(TableRow row, GridRows rows, Insets usual, int depth) throws ReadProblem {
    byte[] said = text.said(row);
    List<Colour> shades = DocSprms.shades(said);
    var colours = new RuleColours(said);
    Insets ofRow = padding(row, said);
    List<byte[]> ofCells = DocSprms.each(said, 2, OF_CELLS);
    for (int k = 0; k < row.numCells(); k++) {
      TableCell c = row.getCell(k);
      Look look = look(c, row, k, colours);
      boolean shaded = k < shades.size() && !shades.get(k).equals(Colour.WHITE);
      Insets room = padding(ofCells, k, ofRow);
      look = room.equals(usual) ? look : look.with(TableTraits.CELL_PADDING, room);
      rows.cell(
          c.getLeftEdge(),
          c.getLeftEdge() + c.getWidth(),
          join(c),
          shaded ? look.with(TableTraits.SHADING, shades.get(k)) : look,
          text.blocks(c, depth + 1));
    }
    rows.end(look(row));
  }

  private static Join join(TableCell c) {
    if (c.isMerged() && !c.isFirstMerged()) {
      return Join.LEFT;
    }
    return c.isFirstVerticallyMerged()
        ? Join.DOWN
        : c.isVerticallyMerged() ? Join.ABOVE : Join.NONE;
  }

  private static Look look(TableRow row) {
    Look look = row.isTableHeader() ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN;
    int height = row.getRowHeight();
    if (height != 0) {
      look = look.with(TableTraits.ROW_HEIGHT, Math.min(1584, Math.abs(height) / TWIPS));
    }
    if (height < 0) {
      look = look.with(TableTraits.ROW_EXACT, true);
    }
    return row.cantSplit() ? look.with(TableTraits.ROW_SPLITS, false) : look;
  }

  /** What stands between the edges of cells and their text, by what a row says of all of them. */
  private static Insets padding(TableRow row, byte[] said) {
    double gap = row.getGapHalf() / TWIPS;
    return padding(DocSprms.each(said, 2, PADDING), 0, new Insets(0, gap, 0, gap));
  }

  /** The room of a cell by what is said of some. */
  private static Insets padding(List<byte[]> said, int cell, Insets usual) {
    double[] sides = {usual.top(), usual.left(), usual.bottom(), usual.right()};
    for (byte[] b : said) {
      // CSSAOperand, §2.9.45: which cells, which sides, how it is measured, how wide.
      boolean holds = b.length >= 6 && b[3] == MEASURED && b[0] <= cell && cell < b[1];
      for (int k = 0; holds && k < sides.length; k++) {
        if ((b[2] >> k & 1) == 1) {
          sides[k] = LittleEndian.getUShort(b, 4) / TWIPS;
        }
      }
    }
    return new Insets(sides[0], sides[3], sides[2], sides[1]);
  }

  /** The colours of the lines of cells, where they are said beside the sixteen that lines have. */
  private static final class RuleColours {
    private final List<List<byte[]>> sides = new ArrayList<>();

    RuleColours(byte[] row) {
      for (int sprm : COLOURS) {
        sides.add(DocSprms.each(row, 2, sprm));
      }
    }

    Optional<Rule> of(Optional<Rule> rule, int side, int cell) {
      for (byte[] b : sides.get(side)) {
        if (4 * cell + 4 <= b.length && b[4 * cell + 3] == 0) {
          var c =
              new Colour(
                  (b[4 * cell] & 0xFF) << 16
                      | (b[4 * cell + 1] & 0xFF) << 8
                      | b[4 * cell + 2] & 0xFF);
          return rule.map(r -> new Rule(r.kind(), r.width(), c, r.space()));
        }
      }
      return rule;
    }
  }

  private static Look look(TableCell c, TableRow row, int k, RuleColours colours) {
    Look look =
        Look.of(
            TableTraits.RULES,
            new Rules(
                colours.of(rule(c.getBrcTop(), row.getTopBorder()), 0, k),
                colours.of(rule(c.getBrcRight(), row.getVerticalBorder()), 3, k),
                colours.of(rule(c.getBrcBottom(), row.getHorizontalBorder()), 2, k),
                colours.of(rule(c.getBrcLeft(), row.getVerticalBorder()), 1, k),
                Optional.empty(),
                Optional.empty()));
    return switch (c.getVertAlign()) {
      case 1 -> look.with(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.CENTRE);
      case 2 -> look.with(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM);
      default -> look;
    };
  }

  private static Optional<Rule> rule(
      org.apache.poi.hwpf.usermodel.BorderCode own, org.apache.poi.hwpf.usermodel.BorderCode row) {
    return DocLooks.rule(own).or(() -> DocLooks.rule(row));
  }
}
