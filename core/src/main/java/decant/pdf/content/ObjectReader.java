package decant.pdf.content;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSString;
import org.jspecify.annotations.Nullable;

/**
 * Reads words and objects from bytes (ISO 32000-2 §7.2 and §7.3), damaged ones as far as they go.
 */
final class ObjectReader {
  /** Arrays and dictionaries stand in each other no deeper. */
  private static final int MAX_DEPTH = 64;

  final byte[] bytes;
  int at;

  ObjectReader(byte[] bytes) {
    this.bytes = bytes;
  }

  boolean ended() {
    return at >= bytes.length;
  }

  static Optional<COSBase> constant(String word) {
    return switch (word) {
      case "true" -> Optional.of(COSBoolean.TRUE);
      case "false" -> Optional.of(COSBoolean.FALSE);
      case "null" -> Optional.of(COSNull.NULL);
      default -> Optional.empty();
    };
  }

  // Characters (§7.2.3).

  static boolean isSpace(int c) {
    return c == 0 || c == 9 || c == 10 || c == 12 || c == 13 || c == 32;
  }

  static boolean isDelimiter(int c) {
    return switch (c) {
      case '(', ')', '<', '>', '[', ']', '{', '}', '/', '%' -> true;
      default -> false;
    };
  }

  private static boolean isNumeric(int c) {
    return c >= '0' && c <= '9' || c == '+' || c == '-' || c == '.';
  }

  static boolean isOperator(int c) {
    return !isSpace(c) && !isDelimiter(c) && !isNumeric(c);
  }

  void skipSpace() {
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

  String word() {
    int from = at;
    while (at < bytes.length && !isSpace(bytes[at]) && !isDelimiter(bytes[at])) {
      at++;
    }
    return new String(bytes, from, at - from, StandardCharsets.ISO_8859_1);
  }

  // Objects (§7.3).

  /** An operand; null where what stands here is none, which is passed over. */
  @Nullable COSBase object(int depth) {
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

  private @Nullable COSBase skipped() {
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
  void entry(COSDictionary out, int depth) {
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
}
