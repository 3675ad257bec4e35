package decant.office.doc.write;

import decant.office.emit.CellGrid;
import decant.office.emit.Event;
import decant.office.field.AskedFor;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** A text that is being written into its part; notes are while the text around them is. */
final class Writing {
  private static final int UNKNOWN_FIELD = 1;

  final Part part;
  final TextPart to;
  final Deque<OpenTable> tables = new ArrayDeque<>();

  /** What is said of the paragraph that is written now. */
  byte[] paragraph = new byte[2];

  String style = "";
  char mark = Mark.PARAGRAPH;

  /** How many fields are open. */
  int fields;

  /** Whether text that comes is shown by the field that it stands on. */
  boolean shownByField;

  /** How many breaks of pages are still to come in the paragraph. */
  int breaks;

  /** Whether the last of them ends it, and is said by the next paragraph. */
  boolean endsPage;

  boolean beginsPage;

  /** Shapes in notes and in other shapes, which stand beside this text instead. */
  final Deque<Event.Shape> waiting = new ArrayDeque<>();

  Writing(Part part, TextPart to) {
    this.part = part;
    this.to = to;
  }

  /** A table, and where in it. */
  static final class OpenTable {
    final RowProperties rows;
    int row;
    CellGrid.@Nullable Piece piece;

    OpenTable(RowProperties rows) {
      this.rows = rows;
    }

    boolean endsCell() {
      return piece == null || rows.ends(row, piece);
    }
  }

  /** Ends a paragraph of which nothing is said. */
  void endPlain(char mark) {
    to.end(mark, new byte[0], new byte[2]);
  }

  /** Begins a field; what it shows comes next. */
  void beginField(String instruction) {
    beginField(instruction, new byte[0]);
  }

  /**
   * Begins a field that programs work out anew.
   *
   * @param look of its instruction, which what it then shows takes
   */
  void beginField(String instruction, byte[] look) {
    mark(Mark.FIELD_BEGIN, type(instruction));
    to.add(" " + instruction + " ", look);
    mark(Mark.FIELD_SEPARATOR, 0xFF);
    fields++;
  }

  /**
   * Begins a field of a form.
   *
   * @param place of its data in the Data stream
   */
  void beginForm(AskedFor a, int place) {
    String keyword = a.kind().keyword();
    mark(Mark.FIELD_BEGIN, type(keyword));
    to.add(" " + keyword + " ", new byte[0]);
    to.add(
        String.valueOf(Mark.PICTURE),
        Mark.special(
            new Properties().add(Sprm.C_PICTURE, place).add(Sprm.C_FIELD_DATA, 1).array()));
    mark(Mark.FIELD_SEPARATOR, 0xFF);
    fields++;
  }

  void endField() {
    fields--;
    mark(Mark.FIELD_END, 0x80 | (fields > 0 ? 0x40 : 0));
  }

  private void mark(char mark, int said) {
    to.fields().add(to.length(), new Bytes().u8(mark).u8(said));
    to.add(String.valueOf(mark), Mark.SPECIAL);
  }

  /** The number of the kind of a field (flt, [MS-DOC] 2.9.90). */
  private static int type(String instruction) {
    return switch (instruction.strip().split("\\s+")[0].toUpperCase(Locale.ROOT)) {
      case "HYPERLINK" -> 0x58;
      case "PAGE" -> 0x21;
      case "NUMPAGES" -> 0x1A;
      case "TITLE" -> 0x0F;
      case "PAGEREF" -> 0x25;
      case "STYLEREF" -> 0x0A;
      case "DATE" -> 0x1F;
      case "FORMTEXT" -> 0x46;
      case "FORMCHECKBOX" -> 0x47;
      case "FORMDROPDOWN" -> 0x53;
      default -> UNKNOWN_FIELD;
    };
  }
}
