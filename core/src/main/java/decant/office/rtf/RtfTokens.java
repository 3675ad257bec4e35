package decant.office.rtf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CharsetEncoder;

/** Control words, groups and text. Everything written is ASCII. */
final class RtfTokens {
  private static final Charset FALLBACK = Charset.forName("windows-1252");

  private final Writer out;
  private final CharsetEncoder fallback = FALLBACK.newEncoder();
  private boolean afterWord;

  RtfTokens(Writer out) {
    this.out = out;
  }

  RtfTokens open() {
    return put("{");
  }

  RtfTokens close() {
    return put("}");
  }

  /** A group that readers skip who do not know its first word. */
  RtfTokens destination(String word) {
    open().put("\\*");
    return word(word);
  }

  RtfTokens word(String name) {
    put("\\" + name);
    afterWord = true;
    return this;
  }

  RtfTokens word(String name, long value) {
    return word(name + value);
  }

  /** A length in points as twentieths of a point. */
  RtfTokens twips(String name, double points) {
    return word(name, twips(points));
  }

  static long twips(double points) {
    return Math.round(Math.clamp(points, -1600, 1600) * 20);
  }

  /** The word if a switch is on. */
  RtfTokens flag(String name, boolean on) {
    return on ? word(name) : this;
  }

  /** Characters as they are to be read. */
  RtfTokens text(String s) {
    for (int k = 0; k < s.length(); k++) {
      char c = s.charAt(k);
      switch (c) {
        case '\\', '{', '}' -> put("\\" + c);
        case '\t' -> word("tab");
        case '\n' -> word("line");
        case '\f' -> word("page");
        case '\u000B' -> word("column");
        case '\u00A0' -> put("\\~");
        case '\u00AD' -> put("\\-");
        case '\u2011' -> put("\\_");
        default -> {
          if (c >= ' ' && c < 0x7F) {
            put(afterWord ? " " + c : String.valueOf(c));
          } else if (c >= 0x80) {
            character(c);
          }
        }
      }
    }
    return this;
  }

  /** A character by its number, with what a reader without Unicode shows instead. */
  private void character(char c) {
    word("u", (short) c);
    String instead = "?";
    if (fallback.canEncode(c)) {
      try {
        instead =
            "\\'%02x".formatted(fallback.encode(CharBuffer.wrap(new char[] {c})).get() & 0xFF);
      } catch (java.nio.charset.CharacterCodingException e) {
        throw new AssertionError("it can be encoded", e);
      }
    }
    put(instead);
  }

  /** A byte in text, as levels of lists count in them. */
  RtfTokens octet(int value) {
    return put("\\'%02x".formatted(value));
  }

  /** Bytes as hexadecimal digits. */
  RtfTokens hex(byte[] bytes) {
    char[] line = new char[128];
    put("\n");
    for (int at = 0; at < bytes.length; at += 64) {
      int n = Math.min(64, bytes.length - at);
      for (int k = 0; k < n; k++) {
        line[2 * k] = Character.forDigit(bytes[at + k] >> 4 & 15, 16);
        line[2 * k + 1] = Character.forDigit(bytes[at + k] & 15, 16);
      }
      put(new String(line, 0, 2 * n));
      put("\n");
    }
    return this;
  }

  /** A line end, which means nothing and keeps lines short. */
  RtfTokens newLine() {
    return put("\n");
  }

  private RtfTokens put(String s) {
    try {
      out.write(s);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    afterWord = false;
    return this;
  }
}
