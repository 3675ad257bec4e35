package decant.pdf.content;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSString;

/**
 * Reads a content stream one instruction at a time. Damaged streams are read as far as they go:
 * what makes no sense is passed over, and what follows is read on. Never fails, and ends after time
 * in proportion to the bytes.
 */
public final class ContentReader {
  /** More operands than any operator takes: the last ones count. */
  private static final int MAX_OPERANDS = 1024;

  /** Arrays and dictionaries stand in each other no deeper. */
  private static final int MAX_DEPTH = 64;

  /** The short names of the keys and values of pictures within a stream (tables 91 to 92). */
  private static final Map<String, String> SHORT_KEYS =
      Map.of(
          "BPC", "BitsPerComponent",
          "CS", "ColorSpace",
          "D", "Decode",
          "DP", "DecodeParms",
          "F", "Filter",
          "H", "Height",
          "IM", "ImageMask",
          "I", "Interpolate",
          "L", "Length",
          "W", "Width");

  private final byte[] bytes;
  private int at;

  public ContentReader(byte[] bytes) {
    this.bytes = bytes;
  }

  /** All instructions of a stream. */
  public static List<Instruction> all(byte[] bytes) {
    var reader = new ContentReader(bytes);
    var out = new ArrayList<Instruction>();
    for (Optional<Instruction> i = reader.next(); i.isPresent(); i = reader.next()) {
      out.add(i.get());
    }
    return out;
  }

  /** The next instruction; empty at the end. Operands without an operator after them are left. */
  public Optional<Instruction> next() {
    var operands = new ArrayList<COSBase>();
    int start = -1;
    while (true) {
      skipSpace();
      if (at >= bytes.length) {
        return Optional.empty();
      }
      int from = at;
      if (isOperator(bytes[at])) {
        String word = word();
        Optional<COSBase> constant = constant(word);
        if (constant.isEmpty()) {
          return Optional.of(instruction(word, operands, start < 0 ? from : start));
        }
        operands.add(constant.get());
      } else {
        COSBase o = object(0);
        if (o == null) {
          continue;
        }
        operands.add(o);
      }
      start = start < 0 ? from : start;
      if (operands.size() > MAX_OPERANDS) {
        operands.removeFirst();
      }
    }
  }

  private Instruction instruction(String word, List<COSBase> operands, int start) {
    return word.equals("BI")
        ? inlineImage(start)
        : Instructions.of(new Raw(new Span(start, at), word, operands));
  }

  private static Optional<COSBase> constant(String word) {
    return switch (word) {
      case "true" -> Optional.of(COSBoolean.TRUE);
      case "false" -> Optional.of(COSBoolean.FALSE);
      case "null" -> Optional.of(COSNull.NULL);
      default -> Optional.empty();
    };
  }

  // Characters (§7.2.3).

  private static boolean isSpace(int c) {
    return c == 0 || c == 9 || c == 10 || c == 12 || c == 13 || c == 32;
  }

  private static boolean isDelimiter(int c) {
    return switch (c) {
      case '(', ')', '<', '>', '[', ']', '{', '}', '/', '%' -> true;
      default -> false;
    };
  }

  private static boolean isNumeric(int c) {
    return c >= '0' && c <= '9' || c == '+' || c == '-' || c == '.';
  }

  private static boolean isOperator(int c) {
    return !isSpace(c) && !isDelimiter(c) && !isNumeric(c);
  }

  private void skipSpace() {
    while (at < bytes.length) {
      if (bytes[at] == '%') {
        while (at < bytes.length && bytes[at] != 10 && bytes[at] != 13) {
          at++;
        }
      } else if (isSpace(bytes[at])) {
        at++;
      } else {
        return;
      }
    }
  }

  private String word() {
    int from = at;
    while (at < bytes.length && !isSpace(bytes[at]) && !isDelimiter(bytes[at])) {
      at++;
    }
    return new String(bytes, from, at - from, StandardCharsets.ISO_8859_1);
  }

  // Objects (§7.3).

  /** An operand; null where what stands here is none, which is passed over. */
  private @org.jspecify.annotations.Nullable COSBase object(int depth) {
    int c = bytes[at];
    if (isNumeric(c)) {
      return number();
    }
    return switch (c) {
      case '/' -> name();
      case '(' -> string();
      case '[' -> array(depth);
      case '<' -> at + 1 < bytes.length && bytes[at + 1] == '<' ? dictionary(depth) : hexString();
      default -> {
        at++;
        yield null;
      }
    };
  }

  /** Signs and points where none belong end the number, as usual readers have it. */
  private COSBase number() {
    int from = at;
    boolean negative = false;
    while (at < bytes.length && (bytes[at] == '+' || bytes[at] == '-')) {
      negative |= bytes[at] == '-';
      at++;
    }
    double value = 0;
    int digits = 0;
    double unit = 0;
    while (at < bytes.length) {
      int c = bytes[at];
      if (c == '.' && unit == 0) {
        unit = 1;
      } else if (c >= '0' && c <= '9') {
        digits++;
        value = value * 10 + (c - '0');
        unit *= 10;
      } else {
        break;
      }
      at++;
    }
    // What is left of a number that makes no sense belongs to it all the same.
    while (at < bytes.length && isNumeric(bytes[at])) {
      at++;
    }
    if (at == from) {
      at++;
    }
    double signed = (negative ? -1 : 1) * (unit > 1 ? value / unit : value);
    boolean whole = unit == 0 && digits > 0 && value <= Integer.MAX_VALUE;
    return whole ? COSInteger.get((long) signed) : new COSFloat((float) signed);
  }

  private COSName name() {
    at++;
    int from = at;
    boolean escaped = false;
    while (at < bytes.length && !isSpace(bytes[at]) && !isDelimiter(bytes[at])) {
      escaped |= bytes[at] == '#';
      at++;
    }
    if (!escaped) {
      return COSName.getPDFName(text(bytes, from, at));
    }
    var out = new ByteArrayOutputStream();
    for (int k = from; k < at; k++) {
      boolean code =
          bytes[k] == '#' && k + 2 < at && digit(bytes[k + 1]) >= 0 && digit(bytes[k + 2]) >= 0;
      out.write(code ? digit(bytes[k + 1]) * 16 + digit(bytes[k + 2]) : bytes[k]);
      k += code ? 2 : 0;
    }
    return COSName.getPDFName(text(out.toByteArray(), 0, out.size()));
  }

  /** Names are UTF-8 where they can be (§7.3.5). */
  private static String text(byte[] b, int from, int to) {
    String s = new String(b, from, to - from, StandardCharsets.UTF_8);
    return s.indexOf('\uFFFD') < 0
        ? s
        : new String(b, from, to - from, StandardCharsets.ISO_8859_1);
  }

  private static int digit(int c) {
    return Character.digit(c, 16);
  }

  private COSString string() {
    at++;
    var out = new ByteArrayOutputStream();
    int open = 1;
    while (at < bytes.length) {
      int c = bytes[at++] & 0xFF;
      switch (c) {
        case '(' -> {
          open++;
          out.write(c);
        }
        case ')' -> {
          if (--open == 0) {
            return new COSString(out.toByteArray());
          }
          out.write(c);
        }
        case '\\' -> escape(out);
        case 13 -> {
          out.write(10); // §7.3.4.2: an end of line is one line feed
          at += at < bytes.length && bytes[at] == 10 ? 1 : 0;
        }
        default -> out.write(c);
      }
    }
    return new COSString(out.toByteArray());
  }

  private void escape(ByteArrayOutputStream out) {
    if (at >= bytes.length) {
      return;
    }
    int c = bytes[at++] & 0xFF;
    switch (c) {
      case 'n' -> out.write(10);
      case 'r' -> out.write(13);
      case 't' -> out.write(9);
      case 'b' -> out.write(8);
      case 'f' -> out.write(12);
      case 13 -> at += at < bytes.length && bytes[at] == 10 ? 1 : 0;
      case 10 -> {}
      case '0', '1', '2', '3', '4', '5', '6', '7' -> {
        int code = c - '0';
        for (int k = 0; k < 2 && at < bytes.length; k++) {
          int d = bytes[at] - '0';
          if (d < 0 || d > 7) {
            break;
          }
          code = code * 8 + d;
          at++;
        }
        out.write(code & 0xFF);
      }
      default -> out.write(c);
    }
  }

  private COSString hexString() {
    at++;
    var out = new ByteArrayOutputStream();
    int high = -1;
    while (at < bytes.length && bytes[at] != '>') {
      int d = digit(bytes[at++]);
      if (d >= 0 && high < 0) {
        high = d;
      } else if (d >= 0) {
        out.write(high * 16 + d);
        high = -1;
      }
    }
    at++;
    if (high >= 0) {
      out.write(high * 16);
    }
    at = Math.min(at, bytes.length);
    return new COSString(out.toByteArray());
  }

  private COSArray array(int depth) {
    at++;
    var out = new COSArray();
    while (true) {
      skipSpace();
      if (at >= bytes.length) {
        return out;
      }
      if (bytes[at] == ']') {
        at++;
        return out;
      }
      if (isOperator(bytes[at])) {
        int from = at;
        Optional<COSBase> constant = constant(word());
        if (constant.isEmpty()) {
          at = from; // the array was never closed
          return out;
        }
        out.add(constant.get());
        continue;
      }
      COSBase o = depth >= MAX_DEPTH ? skipped() : object(depth + 1);
      if (o != null) {
        out.add(o);
      }
    }
  }

  private @org.jspecify.annotations.Nullable COSBase skipped() {
    at++;
    return null;
  }

  private COSDictionary dictionary(int depth) {
    at += 2;
    var out = new COSDictionary();
    while (true) {
      skipSpace();
      if (at >= bytes.length) {
        return out;
      }
      if (bytes[at] == '>') {
        at += at + 1 < bytes.length && bytes[at + 1] == '>' ? 2 : 1;
        return out;
      }
      if (bytes[at] != '/' || depth >= MAX_DEPTH) {
        if (isOperator(bytes[at])) {
          return out; // the dictionary was never closed
        }
        at++;
        continue;
      }
      entry(out, depth);
    }
  }

  /** A key and its value; a key without one is passed over. */
  private void entry(COSDictionary out, int depth) {
    COSName key = name();
    skipSpace();
    if (at >= bytes.length || bytes[at] == '>') {
      return;
    }
    if (isOperator(bytes[at])) {
      int from = at;
      Optional<COSBase> constant = constant(word());
      if (constant.isEmpty()) {
        at = from;
        return;
      }
      out.setItem(key, constant.get());
      return;
    }
    COSBase value = object(depth + 1);
    if (value != null) {
      out.setItem(key, value);
    }
  }

  // Pictures within the stream (§8.9.7).

  private Instruction inlineImage(int start) {
    var image = new COSDictionary();
    while (true) {
      skipSpace();
      if (at >= bytes.length) {
        return unfinished(start, image);
      }
      if (bytes[at] == '/') {
        var one = new COSDictionary();
        entry(one, 0);
        one.entrySet()
            .forEach(e ->
                image.setItem(
                    SHORT_KEYS.getOrDefault(e.getKey().getName(), e.getKey().getName()),
                    e.getValue()));
      } else if (isOperator(bytes[at])) {
        String word = word();
        if (word.equals("ID")) {
          break;
        }
        if (word.equals("EI")) {
          return unfinished(start, image);
        }
      } else {
        at++;
      }
    }
    if (at < bytes.length && isSpace(bytes[at])) {
      at++;
    }
    int from = at;
    int end = end(from, image);
    int to = end;
    if (to > from && isSpace(bytes[to - 1])) {
      to--;
    }
    at = Math.min(bytes.length, end + 2);
    var raw = new Raw(new Span(start, at), "BI", List.of(image));
    return new Instruction.InlineImage(raw, image, new Span(from, to));
  }

  private Instruction unfinished(int start, COSDictionary image) {
    return new Instruction.Unknown(new Raw(new Span(start, at), "BI", List.of(image)));
  }

  /** Where EI stands: after as many bytes as the picture has if that is known, else the next. */
  private int end(int from, COSDictionary image) {
    long length = length(image);
    if (length >= 0 && from + length <= bytes.length) {
      int k = (int) (from + length);
      while (k < bytes.length && isSpace(bytes[k])) {
        k++;
      }
      if (isEnd(k)) {
        return k;
      }
    }
    for (int k = from; k + 1 < bytes.length; k++) {
      boolean apart = k == from || isSpace(bytes[k - 1]);
      if (apart && isEnd(k) && goesOn(k + 2)) {
        return k;
      }
    }
    return bytes.length;
  }

  /** By what PDF 2.0 asks for, or the size of a picture that is not compressed; -1 if unknown. */
  private static long length(COSDictionary image) {
    if (image.getItem(COSName.LENGTH) instanceof COSNumber n) {
      return n.longValue();
    }
    boolean plain = image.getItem(COSName.FILTER) == null;
    int width = image.getInt(COSName.WIDTH);
    int height = image.getInt(COSName.HEIGHT);
    boolean mask = image.getBoolean(COSName.IMAGE_MASK, false);
    int colours =
        mask
            ? 1
            : switch (image.getNameAsString(COSName.COLORSPACE)) {
              case "G", "DeviceGray", "CalGray" -> 1;
              case "RGB", "DeviceRGB", "CalRGB" -> 3;
              case "CMYK", "DeviceCMYK" -> 4;
              case null, default -> -1;
            };
    if (!plain || width <= 0 || height <= 0 || colours < 0) {
      return -1;
    }
    long bits = mask ? 1 : image.getInt(COSName.BITS_PER_COMPONENT, 8);
    return (width * bits * colours + 7) / 8 * height;
  }

  private boolean isEnd(int k) {
    return k + 1 < bytes.length
        && bytes[k] == 'E'
        && bytes[k + 1] == 'I'
        && (k + 2 >= bytes.length || isSpace(bytes[k + 2]) || isDelimiter(bytes[k + 2]));
  }

  /** Whether what follows could be a stream rather than the rest of a picture. */
  private boolean goesOn(int from) {
    for (int k = from; k < Math.min(bytes.length, from + 12); k++) {
      int c = bytes[k];
      if (c < 32 && !isSpace(c) || c == 127 || c == 0) {
        return false;
      }
    }
    return true;
  }
}
