package decant.office.doc.write;

/** Characters that stand for something ([MS-DOC] 2.4.1). */
final class Mark {
  static final char PICTURE = 0x01;
  static final char NOTE = 0x02;
  static final char COMMENT = 0x05;
  static final char CELL = 0x07;
  static final char DRAWING = 0x08;
  static final char LINE = 0x0B;

  /** The end of a page, or of a section. */
  static final char SECTION = 0x0C;

  static final char PARAGRAPH = '\r';
  static final char COLUMN = 0x0E;
  static final char FIELD_BEGIN = 0x13;
  static final char FIELD_SEPARATOR = 0x14;
  static final char FIELD_END = 0x15;
  static final char HYPHEN = 0x1E;
  static final char SOFT_HYPHEN = 0x1F;

  /** What characters must say of themselves to stand for something. */
  static final byte[] SPECIAL = new Properties().add(Sprm.C_SPECIAL, 1).array();

  private Mark() {}

  /** Properties with that which makes a mark one. */
  static byte[] special(byte[] properties) {
    return new Properties().add(properties).add(SPECIAL).array();
  }
}
