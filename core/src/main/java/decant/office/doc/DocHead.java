package decant.office.doc;

import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.PlexOfCps;
import org.apache.poi.util.LittleEndian;

/**
 * The head of a file (Fib, [MS-DOC] 2.5), for the tables that the library does not read.
 *
 * @param bytes the stream of the text, which it begins
 */
record DocHead(byte[] bytes) {
  // Tables by their numbers, §2.5.6.
  static final int COMMENT_TEXTS = 5;
  static final int COMMENT_MARKS = 4;
  static final int COMMENT_AUTHORS = 36;
  static final int COMMENT_TAGS = 37;
  static final int COMMENT_STARTS = 42;
  static final int COMMENT_ENDS = 43;
  static final int DRAWN = 50;
  static final int BOX_TEXTS = 56;
  static final int RUNNING_BOX_TEXTS = 58;

  private static final int TABLES = 154; // where the places of tables begin

  int place(int table) {
    return number(TABLES + 8 * table);
  }

  int size(int table) {
    return number(TABLES + 8 * table + 4);
  }

  private int number(int at) {
    return at + 4 <= bytes.length ? LittleEndian.getInt(bytes, at) : 0;
  }

  /** Whether a file has a table, whole. */
  boolean has(HWPFDocument file, int table) {
    return size(table) > 0
        && place(table) >= 0
        && (long) place(table) + size(table) <= file.getTableStream().length;
  }

  PlexOfCps plex(HWPFDocument file, int table, int each) {
    return new PlexOfCps(file.getTableStream(), place(table), size(table), each);
  }
}
