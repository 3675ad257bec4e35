package decant.office.field;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What a field of a form says of itself in DOC files: FFData ([MS-DOC] 2.9.78), as the data of a
 * NilPICFAndBinData (2.9.158).
 */
public final class FormData {
  /** cbHeader of NilPICFAndBinData. */
  private static final int HEAD = 0x44;

  private static final int NOT_SAID = 25; // iRes of a box or a choice: as it is at first
  private static final int HAS_LIST = 0x8000;
  private static final int LIST = 0xFFFF;

  /** The size of a box in half points, where it is given. */
  private static final int USUAL_SIZE = 20;

  /** The most characters of a name, and of how something is written. */
  private static final int NAME = 20;

  private static final int WRITTEN = 64;

  /** Help, the line of state, and two macros, which never run. */
  private static final int OTHER_STRINGS = 4;

  private static final int MOST_OPTIONS = 25;

  private FormData() {}

  /**
   * @param data a Data stream
   * @param at where a NilPICFAndBinData begins in it
   * @return empty if nothing of the kind stands there
   */
  public static Optional<AskedFor> read(byte[] data, int at) {
    try {
      ByteBuffer b = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN).position(at);
      int size = b.getInt();
      int head = u16(b);
      if (size <= head || at + (long) size > data.length) {
        return Optional.empty();
      }
      return asked(b.position(at + head).limit(at + size));
    } catch (BufferUnderflowException | IndexOutOfBoundsException | IllegalArgumentException e) {
      return Optional.empty(); // it stays the text that it shows
    }
  }

  private static Optional<AskedFor> asked(ByteBuffer b) {
    int version = b.getInt();
    int bits = u16(b);
    int type = bits & 3;
    if (version != -1 || type >= AskedFor.Kind.values().length) {
      return Optional.empty();
    }
    AskedFor.Kind kind = AskedFor.Kind.values()[type];
    int chosen = bits >> 2 & 31;
    int text = bits >> 11 & 7;
    int most = u16(b);
    u16(b); // the size of a box
    String name = closed(b);
    int first = 0;
    if (kind == AskedFor.Kind.TEXT) {
      closed(b); // what stands in it at first
    } else {
      first = u16(b);
    }
    String written = closed(b);
    for (int k = 0; k < OTHER_STRINGS; k++) {
      closed(b);
    }
    AskedFor.Text[] texts = AskedFor.Text.values();
    return Optional.of(
        new AskedFor(
            kind,
            texts[kind == AskedFor.Kind.TEXT && text < texts.length ? text : 0],
            name.strip(),
            most,
            written,
            kind == AskedFor.Kind.CHOICE ? options(b) : List.of(),
            chosen == NOT_SAID ? first : chosen));
  }

  /** STTB (2.2.4) of strings of two bytes a character. */
  private static List<String> options(ByteBuffer b) {
    if (u16(b) != LIST) {
      return List.of();
    }
    int count = Math.min(MOST_OPTIONS, u16(b));
    int extra = u16(b);
    var out = new ArrayList<String>();
    for (int k = 0; k < count; k++) {
      out.add(counted(b));
      b.position(b.position() + extra);
    }
    return out;
  }

  private static int u16(ByteBuffer b) {
    return b.getShort() & 0xFFFF;
  }

  private static String counted(ByteBuffer b) {
    byte[] characters = new byte[2 * u16(b)];
    b.get(characters);
    return new String(characters, StandardCharsets.UTF_16LE);
  }

  /** Xstz (2.9.355): characters with their number before and a zero after them. */
  private static String closed(ByteBuffer b) {
    String s = counted(b);
    u16(b);
    return s;
  }

  /** A NilPICFAndBinData of what is asked for. */
  public static byte[] bytes(AskedFor a) {
    boolean text = a.kind() == AskedFor.Kind.TEXT;
    boolean choice = a.kind() == AskedFor.Kind.CHOICE;
    // All that is of no fixed size, but for the options, is cut to these lengths.
    int room =
        HEAD
            + 64
            + 2 * (NAME + WRITTEN)
            + 2 * a.options().stream().mapToInt(o -> o.length() + 1).sum();
    ByteBuffer b = ByteBuffer.allocate(room).order(ByteOrder.LITTLE_ENDIAN).position(HEAD);
    int bits =
        a.kind().ordinal()
            | (text ? a.text().ordinal() << 11 : a.at() << 2)
            | (choice ? HAS_LIST : 0);
    b.putInt(-1).putShort((short) bits).putShort((short) a.most());
    b.putShort((short) (a.kind() == AskedFor.Kind.TICK ? USUAL_SIZE : 0));
    put(b, cut(a.name(), NAME)).putShort((short) 0);
    if (text) {
      put(b, "").putShort((short) 0);
    } else {
      b.putShort((short) a.at());
    }
    put(b, cut(a.written(), WRITTEN)).putShort((short) 0);
    for (int k = 0; k < OTHER_STRINGS; k++) {
      put(b, "").putShort((short) 0);
    }
    if (choice) {
      b.putShort((short) LIST).putShort((short) a.options().size()).putShort((short) 0);
      a.options().forEach(o -> put(b, o));
    }
    int size = b.position();
    b.putInt(0, size).putShort(4, (short) HEAD);
    return Arrays.copyOf(b.array(), size);
  }

  private static ByteBuffer put(ByteBuffer b, String s) {
    return b.putShort((short) s.length()).put(s.getBytes(StandardCharsets.UTF_16LE));
  }

  private static String cut(String s, int most) {
    return s.substring(0, Math.min(s.length(), most));
  }
}
