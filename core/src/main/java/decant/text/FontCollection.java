package decant.text;

import java.nio.ByteBuffer;

/** Several fonts in one file that share tables (ISO/IEC 14496-22 §4.6.3). */
final class FontCollection {
  private static final int TAG = 0x74746366; // ttcf
  private static final int HEAD = 12;
  private static final int RECORD = 16;

  private FontCollection() {}

  static boolean is(byte[] file) {
    return file.length > HEAD && ByteBuffer.wrap(file).getInt(0) == TAG;
  }

  /**
   * The first font of a collection as a file of its own.
   *
   * @throws IllegalArgumentException if the file is damaged
   */
  static byte[] first(byte[] file) {
    try {
      ByteBuffer from = ByteBuffer.wrap(file);
      int directory = from.getInt(HEAD);
      int tables = from.getShort(directory + 4) & 0xFFFF;
      int size = HEAD + RECORD * tables;
      for (int t = 0; t < tables; t++) {
        size += padded(from.getInt(directory + HEAD + RECORD * t + 12));
      }
      if (tables == 0 || size < 0 || size > 2L * file.length) {
        throw new IllegalArgumentException("the collection of fonts is damaged");
      }
      ByteBuffer to = ByteBuffer.allocate(size);
      to.put(file, directory, HEAD);
      int at = HEAD + RECORD * tables;
      for (int t = 0; t < tables; t++) {
        int record = directory + HEAD + RECORD * t;
        int length = from.getInt(record + 12);
        to.putInt(from.getInt(record)).putInt(from.getInt(record + 4)).putInt(at).putInt(length);
        to.put(at, file, from.getInt(record + 8), length);
        at += padded(length);
      }
      return to.array();
    } catch (IndexOutOfBoundsException | java.nio.BufferOverflowException e) {
      throw new IllegalArgumentException("the collection of fonts is damaged", e);
    }
  }

  private static int padded(int length) {
    return length + 3 & ~3;
  }
}
