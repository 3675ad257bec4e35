package decant.office.doc.write;

/** The texts of shapes, of the text or of headers ([MS-DOC] 2.8.32 and 2.8.34). */
final class Boxes {
  private final Plc texts = new Plc();
  private final Plc breaks = new Plc();
  private int count;

  /** The number of the next text, from 1. */
  int next() {
    return count + 1;
  }

  /**
   * @param from where its text begins
   * @param shape that it is in
   */
  void add(int from, int shape) {
    // An FTXBXS (§2.9.91), and a Tbkd (§2.9.314).
    texts.add(from, new Bytes().u32(1).u32(0).u16(0).u32(-1).u32(shape).u32(0));
    breaks.add(from, new Bytes().u16(count).u16(0).u16(0));
    count++;
  }

  boolean isEmpty() {
    return count == 0;
  }

  Bytes texts(int length, int lengthOfAll) {
    return texts
        .add(length - 1L, new Bytes().u32(-1).u32(0).u16(0).u32(-1).u32(0).u32(0))
        .end(lengthOfAll);
  }

  Bytes breaks(int length) {
    return breaks.add(length - 1L, new Bytes().u16(-1).u16(0).u16(0)).end(length);
  }
}
