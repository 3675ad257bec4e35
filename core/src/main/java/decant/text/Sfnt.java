package decant.text;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;

/** Puts the tables of a font into one file, with their checksums (ISO/IEC 14496-22, clause 4). */
final class Sfnt {
  private static final int MAGIC = 0xB1B0AFBA;
  private static final int ADJUSTMENT = 8; // where the file's own checksum stands in "head"

  private Sfnt() {}

  static byte[] file(Map<String, byte[]> tables) {
    var sorted = new TreeMap<>(tables);
    int n = sorted.size();
    int power = Integer.highestOneBit(n);
    int size = 12 + 16 * n;
    for (byte[] t : sorted.values()) {
      size += padded(t.length);
    }
    ByteBuffer b = ByteBuffer.allocate(size);
    b.putInt(0x00010000).putShort((short) n).putShort((short) (16 * power));
    b.putShort((short) Integer.numberOfTrailingZeros(power)).putShort((short) (16 * (n - power)));
    int at = 12 + 16 * n;
    int head = 0;
    for (Map.Entry<String, byte[]> t : sorted.entrySet()) {
      byte[] bytes = t.getValue();
      b.put(t.getKey().getBytes(StandardCharsets.US_ASCII));
      b.putInt(sum(ByteBuffer.wrap(java.util.Arrays.copyOf(bytes, padded(bytes.length)))));
      b.putInt(at).putInt(bytes.length);
      b.put(at, bytes);
      head = t.getKey().equals("head") ? at : head;
      at += padded(bytes.length);
    }
    b.putInt(head + ADJUSTMENT, MAGIC - sum(b.rewind()));
    return b.array();
  }

  private static int padded(int length) {
    return (length + 3) / 4 * 4;
  }

  private static int sum(ByteBuffer b) {
    int sum = 0;
    for (int k = 0; k + 3 < b.capacity(); k += 4) {
      sum += b.getInt(k);
    }
    return sum;
  }
}
