package decant.pdf.write.fonts;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * Some glyphs of a font with compact outlines (Adobe Technical Note 5176) as a font of its own,
 * whose characters are numbered in the order asked for. Subroutines are taken over whole.
 */
final class CffSubset {
  /** Operators of dictionaries; those of two bytes have 12 in their high byte. */
  private static final int CHARSET = 15;

  private static final int ENCODING = 16;
  private static final int CHAR_STRINGS = 17;
  private static final int PRIVATE = 18;
  private static final int SUBRS = 19;
  private static final int ROS = 12 << 8 | 30;
  private static final int CID_COUNT = 12 << 8 | 34;
  private static final int FD_ARRAY = 12 << 8 | 36;
  private static final int FD_SELECT = 12 << 8 | 37;

  /** Operands that are numbers of strings, which would have to be renumbered: left out. */
  private static final List<Integer> NAMES =
      List.of(0, 1, 2, 3, 4, 12 << 8, 12 << 8 | 21, 12 << 8 | 22, 12 << 8 | 38);

  private static final int STANDARD_STRINGS = 391;

  private final byte[] cff;

  private CffSubset(byte[] cff) {
    this.cff = cff;
  }

  /**
   * @param glyphs the glyph of each character, from 0; the first is the one for what is missing
   * @param whole all glyphs in their own order instead
   * @throws IOException if the font is damaged
   */
  static byte[] of(byte[] cff, List<Integer> glyphs, boolean whole) throws IOException {
    try {
      return new CffSubset(cff).build(glyphs, whole);
    } catch (IndexOutOfBoundsException | NegativeArraySizeException e) {
      throw new IOException("the font's outlines are damaged", e);
    }
  }

  private record Index(List<byte[]> items, int end) {}

  private byte[] build(List<Integer> asked, boolean whole) throws IOException {
    int at = cff[2] & 0xFF;
    Index names = index(at);
    Index tops = index(names.end());
    Index strings = index(tops.end());
    Index global = index(strings.end());
    Map<Integer, byte[]> top = dictionary(tops.items().getFirst());
    List<byte[]> charStrings = index(number(top, CHAR_STRINGS)).items();
    List<Integer> glyphs = whole ? IntStream.range(0, charStrings.size()).boxed().toList() : asked;
    boolean keyed = top.containsKey(ROS);
    var fonts = new ArrayList<Map<Integer, byte[]>>();
    if (keyed) {
      for (byte[] d : index(number(top, FD_ARRAY)).items()) {
        fonts.add(dictionary(d));
      }
    } else {
      fonts.add(new LinkedHashMap<>(Map.of(PRIVATE, operand(top, PRIVATE))));
    }
    int[] select = keyed ? select(number(top, FD_SELECT), charStrings.size()) : new int[0];

    var chosen = new ArrayList<byte[]>();
    byte[] selected = new byte[glyphs.size() + 1]; // format 0, then a byte each
    for (int k = 0; k < glyphs.size(); k++) {
      int g = glyphs.get(k) < charStrings.size() ? glyphs.get(k) : 0;
      chosen.add(charStrings.get(g));
      selected[k + 1] = (byte) (keyed ? select[g] : 0);
    }

    byte[] header = {1, 0, 4, 4};
    byte[] nameIndex =
        index(List.of("Decant".getBytes(java.nio.charset.StandardCharsets.US_ASCII)));
    byte[] stringIndex =
        index(
            List.of(
                "Adobe".getBytes(java.nio.charset.StandardCharsets.US_ASCII),
                "Identity".getBytes(java.nio.charset.StandardCharsets.US_ASCII)));
    byte[] globalIndex = index(global.items());
    byte[] charset = charset(glyphs.size());
    byte[] charStringIndex = index(chosen);

    int topSize = index(List.of(topDictionary(top, glyphs.size(), 0, 0, 0, 0))).length;
    int start =
        header.length + nameIndex.length + topSize + stringIndex.length + globalIndex.length;
    int selectAt = start + charset.length;
    int charStringsAt = selectAt + selected.length;
    int privatesAt = charStringsAt + charStringIndex.length;
    var privates = new ByteArrayOutputStream();
    var fontDictionaries = new ArrayList<byte[]>();
    for (Map<Integer, byte[]> f : fonts) {
      int[] place = numbers(operand(f, PRIVATE));
      int offset = privatesAt + privates.size();
      byte[] own = copyOf(place[1], place[0]);
      Map<Integer, byte[]> entries = dictionary(own);
      List<byte[]> subrs =
          entries.containsKey(SUBRS) ? index(place[1] + number(entries, SUBRS)).items() : List.of();
      entries.remove(SUBRS);
      var packed = new ByteArrayOutputStream();
      entries.forEach((op, v) -> entry(packed, op, v));
      if (!subrs.isEmpty()) {
        entry(packed, SUBRS, fixed(packed.size() + 6));
      }
      int size = packed.size();
      privates.writeBytes(packed.toByteArray());
      if (!subrs.isEmpty()) {
        privates.writeBytes(index(subrs));
      }
      var d = new ByteArrayOutputStream();
      f.forEach((op, v) -> {
        if (op != PRIVATE && !NAMES.contains(op)) {
          entry(d, op, v);
        }
      });
      entry(d, PRIVATE, joined(fixed(size), fixed(offset)));
      fontDictionaries.add(d.toByteArray());
    }
    int fontsAt = privatesAt + privates.size();

    var out = new ByteArrayOutputStream();
    out.writeBytes(header);
    out.writeBytes(nameIndex);
    out.writeBytes(
        index(List.of(topDictionary(top, glyphs.size(), start, selectAt, charStringsAt, fontsAt))));
    out.writeBytes(stringIndex);
    out.writeBytes(globalIndex);
    out.writeBytes(charset);
    out.writeBytes(selected);
    out.writeBytes(charStringIndex);
    privates.writeTo(out);
    out.writeBytes(index(fontDictionaries));
    return out.toByteArray();
  }

  private static byte[] topDictionary(
      Map<Integer, byte[]> top, int count, int charset, int select, int charStrings, int fonts) {
    var d = new ByteArrayOutputStream();
    entry(d, ROS, joined(fixed(STANDARD_STRINGS), fixed(STANDARD_STRINGS + 1), fixed(0)));
    top.forEach((op, v) -> {
      boolean ours =
          List.of(ROS, CHARSET, ENCODING, CHAR_STRINGS, PRIVATE, CID_COUNT, FD_ARRAY, FD_SELECT)
              .contains(op);
      if (!ours && !NAMES.contains(op)) {
        entry(d, op, v);
      }
    });
    entry(d, CID_COUNT, fixed(count));
    entry(d, CHARSET, fixed(charset));
    entry(d, FD_SELECT, fixed(select));
    entry(d, CHAR_STRINGS, fixed(charStrings));
    entry(d, FD_ARRAY, fixed(fonts));
    return d.toByteArray();
  }

  /** Characters numbered in order: format 2, one range. */
  private static byte[] charset(int count) {
    if (count < 2) {
      return new byte[] {0};
    }
    int left = count - 2;
    return new byte[] {2, 0, 1, (byte) (left >> 8), (byte) left};
  }

  // Reading.

  private Index index(int at) {
    int count = u16(at);
    var items = new ArrayList<byte[]>();
    if (count == 0) {
      return new Index(items, at + 2);
    }
    int size = cff[at + 2] & 0xFF;
    int offsets = at + 3;
    int data = offsets + (count + 1) * size - 1;
    for (int k = 0; k < count; k++) {
      int from = offset(offsets + k * size, size);
      int to = offset(offsets + (k + 1) * size, size);
      items.add(copyOf(data + from, to - from));
    }
    return new Index(items, data + offset(offsets + count * size, size));
  }

  private int offset(int at, int size) {
    int v = 0;
    for (int k = 0; k < size; k++) {
      v = v << 8 | cff[at + k] & 0xFF;
    }
    return v;
  }

  private int u16(int at) {
    return (cff[at] & 0xFF) << 8 | cff[at + 1] & 0xFF;
  }

  private byte[] copyOf(int from, int length) {
    byte[] out = new byte[length];
    System.arraycopy(cff, from, out, 0, length);
    return out;
  }

  /** The operands of each operator, as they are written. */
  private static Map<Integer, byte[]> dictionary(byte[] d) {
    var out = new LinkedHashMap<Integer, byte[]>();
    int start = 0;
    int k = 0;
    while (k < d.length) {
      int b = d[k] & 0xFF;
      if (b <= 21) {
        byte[] operands = java.util.Arrays.copyOfRange(d, start, k);
        int op = b == 12 ? 12 << 8 | d[k + 1] & 0xFF : b;
        k += b == 12 ? 2 : 1;
        out.put(op, operands);
        start = k;
      } else {
        k += operandLength(d, k);
      }
    }
    return out;
  }

  private static int operandLength(byte[] d, int k) {
    int b = d[k] & 0xFF;
    if (b == 28) {
      return 3;
    }
    if (b == 29) {
      return 5;
    }
    if (b == 30) {
      int n = 1;
      while ((d[k + n] & 0xF) != 0xF) {
        n++;
      }
      return n + 1;
    }
    return b >= 247 && b <= 254 ? 2 : 1;
  }

  private static byte[] operand(Map<Integer, byte[]> d, int op) throws IOException {
    byte[] v = d.get(op);
    if (v == null) {
      throw new IOException("the font's outlines lack an entry (" + op + ")");
    }
    return v;
  }

  private static int number(Map<Integer, byte[]> d, int op) throws IOException {
    return numbers(operand(d, op))[0];
  }

  private static int[] numbers(byte[] v) {
    var out = new ArrayList<Integer>();
    for (int k = 0; k < v.length; k += operandLength(v, k)) {
      int b = v[k] & 0xFF;
      out.add(
          switch (b) {
            case 28 -> (int) (short) ((v[k + 1] & 0xFF) << 8 | v[k + 2] & 0xFF);
            case 29 ->
                (v[k + 1] & 0xFF) << 24
                    | (v[k + 2] & 0xFF) << 16
                    | (v[k + 3] & 0xFF) << 8
                    | v[k + 4] & 0xFF;
            default ->
                b < 247
                    ? b - 139
                    : b < 251
                        ? (b - 247) * 256 + (v[k + 1] & 0xFF) + 108
                        : -(b - 251) * 256 - (v[k + 1] & 0xFF) - 108;
          });
    }
    return out.stream().mapToInt(Integer::intValue).toArray();
  }

  private int[] select(int at, int count) throws IOException {
    int[] out = new int[count];
    if (cff[at] == 0) {
      for (int k = 0; k < count; k++) {
        out[k] = cff[at + 1 + k] & 0xFF;
      }
    } else if (cff[at] == 3) {
      int ranges = u16(at + 1);
      for (int r = 0; r < ranges; r++) {
        int first = u16(at + 3 + 3 * r);
        int font = cff[at + 5 + 3 * r] & 0xFF;
        int end = u16(at + 6 + 3 * r);
        java.util.Arrays.fill(out, first, Math.min(end, count), font);
      }
    } else {
      throw new IOException("the font's outlines are chosen in an unknown way");
    }
    return out;
  }

  // Writing.

  private static byte[] index(List<byte[]> items) {
    var out = new ByteArrayOutputStream();
    out.write(items.size() >> 8);
    out.write(items.size());
    if (items.isEmpty()) {
      return out.toByteArray();
    }
    int total = 1 + items.stream().mapToInt(i -> i.length).sum();
    int size = total < 1 << 8 ? 1 : total < 1 << 16 ? 2 : total < 1 << 24 ? 3 : 4;
    out.write(size);
    int at = 1;
    write(out, at, size);
    for (byte[] i : items) {
      at += i.length;
      write(out, at, size);
    }
    items.forEach(out::writeBytes);
    return out.toByteArray();
  }

  private static void write(ByteArrayOutputStream out, int v, int size) {
    for (int k = size - 1; k >= 0; k--) {
      out.write(v >> 8 * k);
    }
  }

  private static void entry(ByteArrayOutputStream out, int op, byte[] operands) {
    out.writeBytes(operands);
    if (op > 255) {
      out.write(12);
    }
    out.write(op & 0xFF);
  }

  /** A number in five bytes, whatever it is, so that sizes are known before places are. */
  private static byte[] fixed(int v) {
    return new byte[] {29, (byte) (v >> 24), (byte) (v >> 16), (byte) (v >> 8), (byte) v};
  }

  private static byte[] joined(byte[]... parts) {
    var out = new ByteArrayOutputStream();
    for (byte[] p : parts) {
      out.writeBytes(p);
    }
    return out.toByteArray();
  }
}
