package decant.pdf.file;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSString;

/** Writes one object as text (ISO 32000-2 §7.3), with no byte more than needed. */
public final class ObjectText {
  private static final byte[] HEX = "0123456789ABCDEF".getBytes(StandardCharsets.US_ASCII);
  private static final String DELIMITERS = "()<>[]{}/%";

  private final ByteArrayOutputStream out;
  private final Function<COSBase, String> reference;
  private final UnaryOperator<byte[]> secret;
  private final boolean exact;
  private boolean needsSpace;

  /**
   * @param reference to an object that is written apart; empty for one that stands inside others
   * @param secret what becomes of the bytes of strings
   */
  ObjectText(
      ByteArrayOutputStream out,
      Function<COSBase, String> reference,
      UnaryOperator<byte[]> secret) {
    this(out, reference, secret, false);
  }

  private ObjectText(
      ByteArrayOutputStream out,
      Function<COSBase, String> reference,
      UnaryOperator<byte[]> secret,
      boolean exact) {
    this.out = out;
    this.reference = reference;
    this.secret = secret;
    this.exact = exact;
  }

  /** Numbers as the file that they were read from has them, digit by digit. */
  ObjectText exact() {
    return new ObjectText(out, reference, secret, true);
  }

  /** An object with all it holds, nothing of which may be written apart. */
  public static byte[] direct(COSBase o) {
    var out = new ByteArrayOutputStream(64);
    new ObjectText(out, apart -> "", UnaryOperator.identity()).exact().whole(o);
    return out.toByteArray();
  }

  /** Writes an object itself, though others refer to it by its number. */
  void whole(COSBase o) {
    switch (o) {
      case COSDictionary d -> dictionary(d);
      case COSArray a -> array(a);
      default -> value(o);
    }
  }

  private void value(COSBase given) {
    String apart = reference.apply(given);
    if (!apart.isEmpty()) {
      word(apart);
      return;
    }
    if (given instanceof COSObject r) {
      COSBase inside = r.getObject();
      if (inside == null) {
        word("null");
      } else {
        value(inside);
      }
      return;
    }
    COSBase o = given;
    switch (o) {
      case COSDictionary d -> dictionary(d);
      case COSArray a -> array(a);
      case COSName name -> name(name.getName());
      case COSInteger i -> word(Long.toString(i.longValue()));
      case COSFloat f -> word(exact ? asRead(f) : real(f));
      case COSBoolean b -> word(b.getValue() ? "true" : "false");
      case COSString s -> string(s);
      default -> word("null");
    }
  }

  private void dictionary(COSDictionary d) {
    mark("<<");
    for (Map.Entry<COSName, COSBase> e : d.entrySet()) {
      name(e.getKey().getName());
      value(e.getValue());
    }
    mark(">>");
  }

  private void array(COSArray a) {
    mark("[");
    for (COSBase o : a) {
      value(o);
    }
    mark("]");
  }

  private static String asRead(COSFloat f) {
    var digits = new ByteArrayOutputStream(16);
    try {
      f.writePDF(digits);
    } catch (IOException e) {
      throw new UncheckedIOException(e); // none in memory
    }
    return digits.toString(StandardCharsets.US_ASCII);
  }

  private static String real(COSFloat f) {
    // Five places are more than any device shows, but for factors of what is large.
    int places = Math.abs(f.floatValue()) < 0.01 ? 10 : 5;
    return new BigDecimal(Float.toString(f.floatValue()))
        .setScale(places, RoundingMode.HALF_UP)
        .stripTrailingZeros()
        .toPlainString();
  }

  private void name(String name) {
    out.write('/');
    for (byte b : name.getBytes(StandardCharsets.UTF_8)) {
      int c = b & 0xFF;
      if (c < 33 || c > 126 || c == '#' || DELIMITERS.indexOf(c) >= 0) {
        out.write('#');
        hex(c);
      } else {
        out.write(c);
      }
    }
    needsSpace = true;
  }

  private void string(COSString s) {
    byte[] bytes = secret.apply(s.getBytes());
    mark("(");
    for (byte b : bytes) {
      switch (b) {
        case '(', ')', '\\' -> {
          out.write('\\');
          out.write(b);
        }
        case '\r' -> {
          out.write('\\');
          out.write('r');
        }
        default -> out.write(b);
      }
    }
    mark(")");
  }

  private void hex(int c) {
    out.write(HEX[c >> 4]);
    out.write(HEX[c & 15]);
  }

  private void word(String s) {
    if (needsSpace) {
      out.write(' ');
    }
    ascii(s);
    needsSpace = true;
  }

  private void mark(String s) {
    ascii(s);
    needsSpace = false;
  }

  private void ascii(String s) {
    for (int k = 0; k < s.length(); k++) {
      out.write(s.charAt(k));
    }
  }
}
