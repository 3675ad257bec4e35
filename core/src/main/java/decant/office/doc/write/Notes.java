package decant.office.doc.write;

/** Notes of one kind: where each is marked, and where its text begins ([MS-DOC] 2.8.19–2.8.20). */
final class Notes {
  private final Plc marks = new Plc();
  private final Plc texts = new Plc();

  /**
   * @param mark the character that marks it, of the text
   * @param text where its text begins, in the part of such notes
   * @param counted whether it is numbered, rather than marked with signs of its own
   */
  void add(int mark, int text, boolean counted) {
    marks.add(mark, new Bytes().u16(counted ? 1 : 0));
    texts.add(text);
  }

  boolean isEmpty() {
    return marks.isEmpty();
  }

  Bytes marks(int lengthOfAll) {
    return marks.end(lengthOfAll);
  }

  /**
   * @param length of the part, with the mark that stands after the last of its texts
   */
  Bytes texts(int length) {
    return texts.add(length - 1L).end(length);
  }
}
