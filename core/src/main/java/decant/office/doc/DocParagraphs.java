package decant.office.doc;

import decant.work.Faults;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.util.LittleEndian;

/**
 * What the file says of each paragraph ([MS-DOC] 2.9.174), which the library loses where pages
 * break in it.
 */
final class DocParagraphs {
  private static final int TABLE = 13; // PlcfBtePapx, §2.5.6
  private static final int PIECES = 33; // Clx
  private static final int PAGE = 512;
  private static final int PLACE = 4; // bytes
  private static final int BX_PAP = 13; // bytes
  private static final int MOST = 29; // on a page
  private static final int HUGE = 0x6646; // sprmPHugePapx, §2.6.2
  private static final byte[] NONE = new byte[0];

  /**
   * @param from the place in the stream where the paragraph begins
   */
  private record Said(int from, byte[] properties) {}

  /**
   * A piece of the text (§2.8.35).
   *
   * @param place in the stream
   * @param width of its characters, in bytes
   */
  private record Piece(int from, int to, int place, int width) {}

  private final HWPFDocument file;
  private final List<Piece> pieces = new ArrayList<>();

  /** By the place in the stream where the paragraph ends. */
  private final TreeMap<Integer, Said> all = new TreeMap<>();

  DocParagraphs(HWPFDocument file, DocHead head) {
    this.file = file;
    try {
      if (head.has(file, TABLE) && head.has(file, PIECES)) {
        pieces(head);
        read(head);
      }
    } catch (RuntimeException e) {
      Faults.mended("reading the paragraphs of a binary office document", e);
    }
  }

  private void read(DocHead head) {
    byte[] table = file.getTableStream();
    byte[] text = head.bytes();
    int count = (head.size(TABLE) - PLACE) / (2 * PLACE);
    for (int k = 0; k < count; k++) {
      int number = head.place(TABLE) + PLACE * (count + 1) + PLACE * k;
      long page = (long) PAGE * (LittleEndian.getInt(table, number) & 0x3FFFFF);
      if (page + PAGE <= text.length) {
        page(text, (int) page);
      }
    }
  }

  private void pieces(DocHead head) {
    byte[] b = file.getTableStream();
    int at = head.place(PIECES);
    while (b[at] == 1) { // properties of pieces
      at += 3 + LittleEndian.getUShort(b, at + 1);
    }
    int count = (LittleEndian.getInt(b, at + 1) - PLACE) / (PLACE + 8);
    at += 5;
    for (int k = 0; k < count; k++) {
      int place = LittleEndian.getInt(b, at + PLACE * (count + 1) + 8 * k + 2);
      boolean narrow = (place >> 30 & 1) == 1;
      int bare = place & 0x3FFFFFFF;
      pieces.add(
          new Piece(
              LittleEndian.getInt(b, at + PLACE * k),
              LittleEndian.getInt(b, at + PLACE * (k + 1)),
              narrow ? bare / 2 : bare,
              narrow ? 1 : 2));
    }
  }

  private void page(byte[] text, int page) {
    int count = Math.min(MOST, text[page + PAGE - 1] & 0xFF);
    for (int k = 0; k < count; k++) {
      int from = LittleEndian.getInt(text, page + PLACE * k);
      int to = LittleEndian.getInt(text, page + PLACE * (k + 1));
      int at = page + 2 * (text[page + PLACE * (count + 1) + BX_PAP * k] & 0xFF);
      byte[] said = NONE;
      if (at > page) {
        int half = text[at] & 0xFF;
        int size = half == 0 ? 2 * (text[at + 1] & 0xFF) : 2 * half - 1;
        int start = half == 0 ? at + 2 : at + 1;
        said = Arrays.copyOfRange(text, start, Math.min(page + PAGE, start + size));
      }
      all.put(to, new Said(from, whole(said)));
    }
  }

  /** Properties that stand elsewhere, with the style that stands here. */
  private byte[] whole(byte[] said) {
    if (said.length < 8 || LittleEndian.getUShort(said, 2) != HUGE) {
      return said;
    }
    byte[] data = file.getDataStream();
    int at = LittleEndian.getInt(said, 4);
    if (data == null || at < 0 || at + 2 > data.length) {
      return Arrays.copyOf(said, 2);
    }
    int size = Math.min(LittleEndian.getUShort(data, at), data.length - at - 2);
    byte[] out = Arrays.copyOf(said, 2 + size);
    System.arraycopy(data, at + 2, out, 2, size);
    return out;
  }

  /**
   * What is said of the paragraph that a character ends: the number of its style, then its
   * properties; nothing where the file is wrong.
   */
  byte[] of(int end) {
    for (Piece p : pieces) {
      if (end > p.from() && end <= p.to()) {
        int at = p.place() + p.width() * (end - 1 - p.from());
        Map.Entry<Integer, Said> e = all.higherEntry(at);
        return e == null || e.getValue().from() > at ? NONE : e.getValue().properties();
      }
    }
    return NONE;
  }
}
