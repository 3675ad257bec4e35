package decant.office.doc.write;

/**
 * A list of single properties (grpprl, [MS-DOC] 2.9.105). Each is a number that says what it is of
 * and how long, and its operand (Prl, §2.9.211).
 */
final class Properties {
  private final Bytes out = new Bytes();

  /** Adds a property whose operand has a length of its own that its number says (§2.2.5.1). */
  Properties add(int sprm, long operand) {
    out.u16(sprm);
    switch (sprm >>> 13) {
      case 0, 1 -> out.u8((int) operand);
      case 2, 4, 5 -> out.u16((int) operand);
      case 3 -> out.u32(operand);
      default -> out.u16((int) operand).u8((int) (operand >> 16));
    }
    return this;
  }

  Properties flag(int sprm, boolean on) {
    return add(sprm, on ? 1 : 0);
  }

  /** Adds a property whose operand says its length, of at most 255 bytes, before itself. */
  Properties add(int sprm, Bytes operand) {
    out.u16(sprm).u8(operand.size()).add(operand.array());
    return this;
  }

  /** Adds one whose length takes two bytes, and counts one more (sprmTDefTable, §2.9.321). */
  Properties addLong(int sprm, Bytes operand) {
    out.u16(sprm).u16(operand.size() + 1).add(operand.array());
    return this;
  }

  Properties add(byte[] others) {
    out.add(others);
    return this;
  }

  boolean isEmpty() {
    return out.size() == 0;
  }

  byte[] array() {
    return out.array();
  }
}
