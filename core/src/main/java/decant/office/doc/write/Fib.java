package decant.office.doc.write;

import java.util.EnumMap;
import java.util.Map;

/**
 * The head of a file (Fib, [MS-DOC] 2.5): how long each part of the text is, and where in the
 * stream of tables each of these stands.
 */
final class Fib {
  static final int SIZE = 2048; // bytes that are set apart for it

  private static final int VERSION = 0x00C1; // nFib of 1997, which all readers know
  private static final int TABLES = 93;
  private static final int HEAD = 154; // bytes before the places of tables

  /** The tables that are written, by their numbers (FibRgFcLcb97, §2.5.6). */
  enum Table {
    STYLES(1),
    FOOTNOTE_MARKS(2),
    FOOTNOTE_TEXTS(3),
    COMMENT_MARKS(4),
    COMMENT_TEXTS(5),
    SECTIONS(6),
    RUNNING(11),
    CHARACTERS(12),
    PARAGRAPHS(13),
    FONTS(15),
    FIELDS(16),
    RUNNING_FIELDS(17),
    FOOTNOTE_FIELDS(18),
    COMMENT_FIELDS(19),
    BOOKMARK_NAMES(21),
    BOOKMARK_STARTS(22),
    BOOKMARK_ENDS(23),
    SETTING(31),
    PIECES(33),
    AUTHORS(36),
    COMMENT_TAGS(37),
    DRAWN_PLACES(40),
    RUNNING_DRAWN_PLACES(41),
    COMMENT_STARTS(42),
    COMMENT_ENDS(43),
    ENDNOTE_MARKS(46),
    ENDNOTE_TEXTS(47),
    ENDNOTE_FIELDS(48),
    DRAWN(50),
    CHANGED_BY(51),
    BOX_TEXTS(56),
    BOX_FIELDS(57),
    RUNNING_BOX_TEXTS(58),
    RUNNING_BOX_FIELDS(59),
    LISTS(73),
    LIST_OVERRIDES(74),
    BOX_BREAKS(75),
    RUNNING_BOX_BREAKS(76);

    private final int number;

    Table(int number) {
      this.number = number;
    }
  }

  private record Place(int at, int size) {}

  private final Map<Table, Place> places = new EnumMap<>(Table.class);
  private final Bytes tables = new Bytes();

  /** Puts a table at the end of the stream of tables. */
  void put(Table t, Bytes table) {
    put(t, table, new Bytes());
  }

  /** The same, for one that something follows which does not count as part of it. */
  void put(Table t, Bytes table, Bytes after) {
    places.put(t, new Place(tables.size(), table.size()));
    tables.add(table.array()).add(after.array()).align(4);
  }

  byte[] tables() {
    return tables.array();
  }

  /**
   * The head.
   *
   * @param text where the text begins and ends in its stream
   * @param size of the stream
   * @param lengths characters of each part
   */
  byte[] head(
      int[] text, int size, Map<Part, Integer> lengths, boolean pictures, boolean template) {
    int flags =
        (template ? 1 : 0)
            | (pictures ? 1 << 3 : 0)
            | 1 << 9 // the stream of tables is the second of two
            | 1 << 12; // characters of two bytes
    var out = new Bytes();
    out.u16(0xA5EC).u16(VERSION).u16(0).u16(0x0409).u16(0).u16(flags);
    out.u16(0x00BF).u32(0).u8(0).u8(0).u16(0).u16(0).u32(text[0]).u32(text[1]);
    out.u16(14).zeros(26).u16(0x0409);
    out.u16(22).u32(size).u32(0).u32(0);
    for (Part p : Part.values()) {
      out.u32(lengths.getOrDefault(p, 0));
      if (p == Part.RUNNING) {
        out.u32(0); // macros, of which there are none
      }
    }
    out.zeros(4 * (22 - 3 - 8));
    out.u16(TABLES);
    for (int k = 0; k < TABLES; k++) {
      out.u32(0).u32(0);
    }
    places.forEach((t, p) -> {
      out.put32(HEAD + 8 * t.number, p.at());
      out.put32(HEAD + 8 * t.number + 4, p.size());
    });
    out.u16(0);
    return out.zeros(SIZE - out.size()).array();
  }
}
