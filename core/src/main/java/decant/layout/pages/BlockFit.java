package decant.layout.pages;

import decant.layout.item.BlockLayout;
import decant.layout.item.Line.Ends;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.TableLayout;
import decant.layout.label.NoteMarks;
import decant.model.NodeId;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Finds how much of a block a column has room for, beside the notes that it refers to. */
final class BlockFit {
  /** What does not fit by less than this fits, in points. */
  static final double TOLERANCE = 0.05;

  /** The column that is being filled. */
  interface Room {
    /** Where its text has to end, above the notes so far. */
    double floor();

    /** Where it would have to end without notes. */
    double limit();
  }

  private final NoteArea notes;
  private final NoteMarks marks;
  private final double width;
  private final Room column;

  /** The notes as they were before the last block was fitted. */
  private NoteArea.@Nullable State lastFitting;

  /**
   * @param width that notes are set in, in points
   */
  BlockFit(NoteArea notes, NoteMarks marks, double width, Room column) {
    this.notes = notes;
    this.marks = marks;
    this.width = width;
    this.column = column;
  }

  /** The part that a block must be broken before for all parts above it to fit. */
  int fitting(BlockLayout l, int from, double top, int max) {
    NoteArea.State before = notes.save();
    int to = from;
    while (to < max) {
      double end = top + l.height(from, to + 1);
      List<NodeId> marked = marks.in(l, to);
      double min = marked.isEmpty() ? 0 : notes.least(marked, width);
      if (end + min > column.floor() + TOLERANCE) {
        break;
      }
      if (!marked.isEmpty()) {
        notes.add(marked, width, column.limit() - end);
      }
      to++;
      if (l.ends(to - 1) != Ends.NOTHING) {
        break;
      }
    }
    lastFitting = before;
    return to;
  }

  /**
   * A table whose row is cut so that its first part fits, with the notes it refers to; null if that
   * cannot be. All parts before the row are fitted already.
   */
  @Nullable TableLayout cutToFit(TableLayout t, int from, int row, double top, boolean must) {
    if (!must && !t.rows().get(row).splits()) {
      return null;
    }
    double room = column.floor() - top - t.height(from, row);
    NoteArea.State before = lastFitting;
    for (int tries = 0; tries < 3 && room >= 8; tries++) {
      TableLayout cut = t.cutAt(row, room).orElse(null);
      if (cut == null || before == null) {
        return null;
      }
      notes.restore(before);
      if (fitting(cut, from, top, row + 1) > row) {
        return cut;
      }
      // The notes of its first part take room from it.
      room -= notes.least(marks.in(cut, row), width);
    }
    if (before != null) {
      notes.restore(before);
      fitting(t, from, top, row);
    }
    return null;
  }

  /** The break moved up where it would leave a line alone. */
  int held(BlockLayout l, int from, int to, double top, boolean atTop) {
    int kept = to;
    if (l instanceof ParagraphLayout p
        && to < l.parts()
        && to > from
        && l.ends(to - 1) == Ends.NOTHING
        && p.style().keeps().widowControl()) {
      if (l.parts() - to == 1 && to - from > 1) {
        kept--; // a last line does not stand alone on the next page
      }
      if (kept - from == 1 && from == 0 && !atTop) {
        kept = from;
      }
    }
    if (l instanceof ParagraphLayout p) {
      while (kept > from && p.standsBeside(kept)) {
        kept--; // lines beside each other stay on one page
      }
    }
    if (l instanceof TableLayout t && to < l.parts() && to > from) {
      while (kept > from && t.rows().get(kept - 1).keepWithNext()) {
        kept--;
      }
      kept = kept == from ? to : kept; // all of them kept together: that cannot be
      if (from == 0 && kept <= t.headerRows() && !atTop) {
        kept = from; // header rows alone say nothing
      }
    }
    if (kept < to && lastFitting != null) {
      notes.restore(lastFitting);
      return fitting(l, from, top, kept);
    }
    return kept;
  }

  /** Points that what stood at the edge of a sheet may reach beyond it. */
  private static final double OVER_EDGE = 36;

  /** As many parts as show: what stood on a page of the source may be taller now than the sheet. */
  static int onSheet(BlockLayout l, int from, int to, double top, double sheet) {
    int end = to;
    while (end > from + 1 && top + l.height(from, end) > sheet + OVER_EDGE) {
      end--;
    }
    return end;
  }
}
