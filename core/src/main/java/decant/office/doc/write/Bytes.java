package decant.office.doc.write;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** Bytes that are written one after another, numbers with the lowest byte first. */
final class Bytes {
  private byte[] all = new byte[64];
  private int size;

  int size() {
    return size;
  }

  private void room(int more) {
    if (size + more > all.length) {
      all = Arrays.copyOf(all, Math.max(size + more, all.length * 2));
    }
  }

  Bytes u8(int v) {
    room(1);
    all[size++] = (byte) v;
    return this;
  }

  Bytes u16(int v) {
    return u8(v).u8(v >> 8);
  }

  Bytes u32(long v) {
    return u16((int) v).u16((int) (v >> 16));
  }

  Bytes add(byte[] more) {
    room(more.length);
    System.arraycopy(more, 0, all, size, more.length);
    size += more.length;
    return this;
  }

  Bytes zeros(int count) {
    room(count);
    size += count;
    return this;
  }

  /** Characters of two bytes each. */
  Bytes text(String s) {
    return add(s.getBytes(StandardCharsets.UTF_16LE));
  }

  /** A text with its length before it (Xst, [MS-DOC] 2.9.353). */
  Bytes counted(String s) {
    return u16(s.length()).text(s);
  }

  /** A text with its length before it and a zero after it (Xstz, §2.9.354). */
  Bytes closed(String s) {
    return counted(s).u16(0);
  }

  /** Zeros up to the next place whose number can be divided by this. */
  Bytes align(int to) {
    return zeros((to - size % to) % to);
  }

  void put16(int at, int v) {
    all[at] = (byte) v;
    all[at + 1] = (byte) (v >> 8);
  }

  void put32(int at, long v) {
    put16(at, (int) v);
    put16(at + 2, (int) (v >> 16));
  }

  byte[] array() {
    return Arrays.copyOf(all, size);
  }
}
