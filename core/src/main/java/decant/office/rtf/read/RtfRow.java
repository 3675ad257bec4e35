package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement.Floating;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.grid.GridRows.Join;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a row is told to be like (Rich Text Format 1.9.1, “Table Definitions”). */
final class RtfRow {
  private static final double TWIPS = 20;
  private static final double TALLEST = 1584;
  private static final int MOST_CELLS = 200;
  private static final int FARTHEST = 31_680; // 22 inches, in twips
  private static final int MEASURED = 3; // a distance in twips

  /**
   * A cell.
   *
   * @param right where it ends, in twips
   */
  record CellSaid(int right, Join join, Look look) {}

  private final RtfColours colours;
  private final List<CellSaid> cells = new ArrayList<>();
  private int left;
  private double gap;
  private int height;
  private boolean head;
  private boolean whole;
  private boolean rightToLeft;
  private boolean fits;
  private Alignment alignment = Alignment.START;
  private Optional<Floating> place = Optional.empty();
  private Rules rules = Rules.UNSAID;
  private final Sides padding = new Sides();

  // Of the cell that is told of.
  private Join join = Join.NONE;
  private Look cell = Look.PLAIN;
  private Sides inCell = new Sides();
  private int front;
  private int back;
  private int share;

  /** Distances that count once it is said how they are measured. */
  private static final class Sides {
    final int[] value = new int[4];
    final boolean[] measured = new boolean[4];

    boolean isSaid() {
      return measured[0] || measured[1] || measured[2] || measured[3];
    }

    Insets over(Insets usual) {
      return new Insets(
          side(0, usual.top()),
          side(1, usual.right()),
          side(2, usual.bottom()),
          side(3, usual.left()));
    }

    private double side(int k, double usual) {
      return measured[k] ? Math.clamp(value[k] / TWIPS, 0, TALLEST) : usual;
    }
  }

  RtfRow(RtfColours colours) {
    this.colours = colours;
  }

  List<CellSaid> cells() {
    return cells;
  }

  /** Where its first cell begins, in twips. */
  int left() {
    return left;
  }

  /** What it says of the table as a whole. @param columns where its columns begin, in points */
  Look table(double columns) {
    Insets inside = padding.over(new Insets(0, gap, 0, gap));
    Look look = Look.of(TableTraits.CELL_PADDING, inside);
    if (!fits) {
      look = look.with(TableTraits.FIXED_COLUMNS, true);
    }
    if (!rules.equals(Rules.UNSAID)) {
      look = look.with(TableTraits.RULES, rules);
    }
    if (rightToLeft) {
      look = look.with(TableTraits.RIGHT_TO_LEFT, true);
    }
    if (place.isPresent()) {
      return look.with(TableTraits.PLACEMENT, place.get());
    }
    // The text of the first cell stands so far from the margin.
    return alignment == Alignment.START
        ? look.with(TableTraits.INDENT, columns + inside.left())
        : look.with(TableTraits.ALIGNMENT, alignment);
  }

  Look look() {
    Look look = head ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN;
    if (height != 0) {
      look = look.with(TableTraits.ROW_HEIGHT, Math.min(TALLEST, Math.abs(height / TWIPS)));
    }
    if (height < 0) {
      look = look.with(TableTraits.ROW_EXACT, true);
    }
    return whole ? look.with(TableTraits.ROW_SPLITS, false) : look;
  }

  /** A command about the row or a cell of it. @return whether it is one */
  boolean takes(Command c, int value, boolean hasValue) {
    boolean on = !hasValue || value != 0;
    switch (c) {
      case trleft -> left = Math.clamp(value, -FARTHEST, FARTHEST);
      case trgaph -> gap = Math.clamp(value / TWIPS, 0, TALLEST);
      case trrh -> height = value;
      case trhdr -> head = on;
      case trkeep -> whole = on;
      case rtlrow -> rightToLeft = on;
      case ltrrow -> rightToLeft = false;
      case trautofit -> fits = on;
      case trql -> alignment = Alignment.START;
      case trqc -> alignment = Alignment.CENTRE;
      case trqr -> alignment = Alignment.END;
      case trpaddt -> padding.value[0] = value;
      case trpaddr -> padding.value[1] = value;
      case trpaddb -> padding.value[2] = value;
      case trpaddl -> padding.value[3] = value;
      case trpaddft -> padding.measured[0] = value == MEASURED;
      case trpaddfr -> padding.measured[1] = value == MEASURED;
      case trpaddfb -> padding.measured[2] = value == MEASURED;
      case trpaddfl -> padding.measured[3] = value == MEASURED;
      default -> {
        Optional<Floating> at = RtfFrames.table(place, c, value);
        if (at.isEmpty()) {
          return takesOfCell(c, value);
        }
        place = at;
      }
    }
    return true;
  }

  private boolean takesOfCell(Command c, int value) {
    switch (c) {
      case clmgf -> {}
      case clmrg -> join = Join.LEFT;
      case clvmgf -> join = Join.DOWN;
      case clvmrg -> join = Join.ABOVE;
      case clvertalt -> cell = cell.without(TableTraits.VERTICAL_ALIGNMENT);
      case clvertalc -> aligned(VerticalAlignment.CENTRE);
      case clvertalb -> aligned(VerticalAlignment.BOTTOM);
      case clNoWrap -> cell = cell.with(TableTraits.NO_WRAP, true);
      case clcbpat -> {
        back = value;
        shade();
      }
      case clcfpat -> {
        front = value;
        shade();
      }
      case clshdng -> {
        share = value;
        shade();
      }
      // Top and left are named for each other in what is written everywhere (common practice).
      case clpadl -> inCell.value[0] = value;
      case clpadr -> inCell.value[1] = value;
      case clpadb -> inCell.value[2] = value;
      case clpadt -> inCell.value[3] = value;
      case clpadfl -> inCell.measured[0] = value == MEASURED;
      case clpadfr -> inCell.measured[1] = value == MEASURED;
      case clpadfb -> inCell.measured[2] = value == MEASURED;
      case clpadft -> inCell.measured[3] = value == MEASURED;
      case cellx -> known(value);
      default -> {
        return false;
      }
    }
    return true;
  }

  private void aligned(VerticalAlignment v) {
    cell = cell.with(TableTraits.VERTICAL_ALIGNMENT, v);
  }

  private void shade() {
    Colour c = colours.shade(front, back, share);
    cell =
        c.equals(Colour.WHITE)
            ? cell.without(TableTraits.SHADING)
            : cell.with(TableTraits.SHADING, c);
  }

  /** What was said last of a line is one of the row's, or of the cell's that is told of. */
  void ruled(RtfRules said) {
    Command side = said.side().orElse(Command.row);
    switch (side) {
      case trbrdrt, trbrdrb, trbrdrl, trbrdrr, trbrdrh, trbrdrv ->
          rules = RtfRules.with(rules, side, said.rule());
      case clbrdrt, clbrdrb, clbrdrl, clbrdrr ->
          cell =
              cell.with(
                  TableTraits.RULES,
                  RtfRules.with(cell.value(TableTraits.RULES), side, said.rule()));
      default -> {}
    }
  }

  /** A cell ends at a place, and with it what was said of it. */
  private void known(int right) {
    if (cells.size() < MOST_CELLS) {
      int from = cells.isEmpty() ? left : cells.getLast().right();
      Look look =
          inCell.isSaid()
              ? cell.with(
                  TableTraits.CELL_PADDING, inCell.over(padding.over(new Insets(0, gap, 0, gap))))
              : cell;
      cells.add(new CellSaid(Math.clamp(right, from, Math.max(from, 2 * FARTHEST)), join, look));
    }
    join = Join.NONE;
    cell = Look.PLAIN;
    inCell = new Sides();
    front = 0;
    back = 0;
    share = 0;
  }
}
