package decant.office.doc.write;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What is said of characters and of paragraphs, in pages of 512 bytes ([MS-DOC] 2.9.33 and
 * 2.9.174): first where each stretch ends, then where in the page its properties stand, and these
 * from the end of the page on. Stretches that are said the same share them.
 */
final class FormattedPages {
  static final int PAGE = 512;

  private static final int MOST_RUNS = 101;
  private static final int MOST_PARAGRAPHS = 29;
  private static final int PLACE = 4; // bytes
  private static final int BX_PAP = 13; // bytes: where properties stand, and twelve that are unused

  /** The longest properties of a paragraph that surely fit into a page. */
  private static final int LONGEST = 480;

  /** The longest properties of a run, whose length is one byte. */
  private static final int LONGEST_RUN = 255;

  private final boolean paragraphs;
  private final Bytes data;
  private final List<byte[]> pages = new ArrayList<>();
  private final List<Integer> starts = new ArrayList<>();

  /** Where stretches end on the page that is being filled, and where their properties stand. */
  private final List<Integer> ends = new ArrayList<>();

  private final List<Integer> offsets = new ArrayList<>();
  private final Map<String, Integer> known = new HashMap<>();
  private byte[] page = new byte[PAGE];
  private int free = PAGE - 1;
  private int at;

  /**
   * @param start the place in the stream where the text begins
   * @param data takes properties that are too long for a page
   */
  FormattedPages(boolean paragraphs, int start, Bytes data) {
    this.paragraphs = paragraphs;
    this.at = start;
    this.data = data;
    starts.add(start);
  }

  /** Adds a stretch that goes on to a place in the stream. */
  void add(int end, byte[] properties) {
    byte[] some = paragraphs ? fitting(properties) : properties;
    if (!paragraphs && some.length > LONGEST_RUN) {
      throw new IllegalArgumentException("no text has so many properties: " + some.length);
    }
    byte[] written = some.length == 0 ? some : counted(some);
    String key = new String(written, java.nio.charset.StandardCharsets.ISO_8859_1);
    Integer offset = written.length == 0 ? Integer.valueOf(0) : known.get(key);
    int entry = PLACE + (paragraphs ? BX_PAP : 1);
    int head = PLACE + (ends.size() + 1) * entry;
    int room = free - (offset == null ? written.length + 1 : 0);
    boolean full = ends.size() == (paragraphs ? MOST_PARAGRAPHS : MOST_RUNS);
    if (full || head > room) {
      flush();
      offset = written.length == 0 ? Integer.valueOf(0) : null;
    }
    if (offset == null) {
      free = free - written.length & ~1;
      System.arraycopy(written, 0, page, free, written.length);
      offset = free / 2;
      known.put(key, offset);
    }
    ends.add(end);
    offsets.add(offset);
    at = end;
  }

  /** Properties too long for a page stand elsewhere, and are pointed to (§2.6.2, sprmPHugePapx). */
  private byte[] fitting(byte[] b) {
    if (b.length <= LONGEST) {
      return b;
    }
    int place = data.size();
    byte[] list = Arrays.copyOfRange(b, 2, b.length);
    data.u16(list.length).add(list).align(4);
    return new Bytes()
        .u8(b[0])
        .u8(b[1])
        .add(new Properties().add(Sprm.P_HUGE, place).array())
        .array();
  }

  /** Properties with their length, in words for paragraphs (§2.9.175). */
  private byte[] counted(byte[] b) {
    if (!paragraphs) {
      return new Bytes().u8(b.length).add(b).array();
    }
    return b.length % 2 == 1
        ? new Bytes().u8((b.length + 1) / 2).add(b).array()
        : new Bytes().u8(0).u8(b.length / 2).add(b).array();
  }

  private void flush() {
    int count = ends.size();
    var head = new Bytes().u32(starts.getLast());
    ends.forEach(head::u32);
    for (int o : offsets) {
      head.u8(o).zeros(paragraphs ? BX_PAP - 1 : 0);
    }
    System.arraycopy(head.array(), 0, page, 0, head.size());
    page[PAGE - 1] = (byte) count;
    pages.add(page);
    starts.add(at);
    page = new byte[PAGE];
    free = PAGE - 1;
    ends.clear();
    offsets.clear();
    known.clear();
  }

  /**
   * Puts the pages at the end of a stream and gives the table of them (§2.8.5 and 2.8.6): for each
   * the place in the text that it begins at, then its number.
   */
  Bytes finish(Bytes stream) {
    if (!ends.isEmpty()) {
      flush();
    }
    var table = new Bytes();
    starts.forEach(table::u32);
    for (byte[] p : pages) {
      stream.align(PAGE);
      table.u32(stream.size() / PAGE);
      stream.add(p);
    }
    return table;
  }
}
