package decant.pdf.write.fonts;

import java.util.Arrays;

/** Bytes that grow, for one thread. */
public final class Bytes {
  private static final byte[] HEX = {
    '0', '1', '2', '3', '4', '5', '6', '7', '8', '9', 'A', 'B', 'C', 'D', 'E', 'F'
  };

  private byte[] bytes = new byte[8192];
  private int size;

  public void write(int b) {
    if (size == bytes.length) {
      bytes = Arrays.copyOf(bytes, size * 2);
    }
    bytes[size++] = (byte) b;
  }

  /** Two or four digits in hexadecimal. */
  public void hex(int v, boolean four) {
    if (size + 4 > bytes.length) {
      bytes = Arrays.copyOf(bytes, bytes.length * 2);
    }
    if (four) {
      bytes[size++] = HEX[v >> 12 & 15];
      bytes[size++] = HEX[v >> 8 & 15];
    }
    bytes[size++] = HEX[v >> 4 & 15];
    bytes[size++] = HEX[v & 15];
  }

  public void ascii(String s) {
    int n = s.length();
    while (size + n > bytes.length) {
      bytes = Arrays.copyOf(bytes, bytes.length * 2);
    }
    for (int k = 0; k < n; k++) {
      bytes[size++] = (byte) s.charAt(k);
    }
  }

  public byte[] toArray() {
    return Arrays.copyOf(bytes, size);
  }
}
