package decant.office.symbol;

import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;
import org.apache.pdfbox.pdmodel.font.encoding.SymbolEncoding;

/**
 * Characters of symbol fonts, which stand in the private use area from U+F000 on (ISO/IEC 29500-1
 * §17.3.3.30), as the Unicode characters that look alike. Symbol by the encoding of ISO 32000-1
 * annex D.5; the others, of which no standard tells, from memory and only where they are common.
 */
public final class Symbols {
  private static final Map<Integer, String> DINGBATS =
      Map.ofEntries(
          Map.entry(0x21, "\u270F"),
          Map.entry(0x22, "\u2702"),
          Map.entry(0x28, "\u260E"),
          Map.entry(0x2A, "\u2709"),
          Map.entry(0x36, "\u231B"),
          Map.entry(0x3F, "\u270D"),
          Map.entry(0x46, "\u261E"),
          Map.entry(0x4A, "\u263A"),
          Map.entry(0x4C, "\u2639"),
          Map.entry(0x6C, "\u25CF"),
          Map.entry(0x6E, "\u25A0"),
          Map.entry(0x6F, "\u25A1"),
          Map.entry(0x71, "\u2751"),
          Map.entry(0x73, "\u2B27"),
          Map.entry(0x75, "\u25C6"),
          Map.entry(0x76, "\u2756"),
          Map.entry(0x77, "\u25C6"),
          Map.entry(0x78, "\u2327"),
          Map.entry(0x9E, "\u00B7"),
          Map.entry(0x9F, "\u2022"),
          Map.entry(0xA0, "\u25AA"),
          Map.entry(0xA7, "\u25AA"),
          Map.entry(0xA8, "\u25FB"),
          Map.entry(0xD8, "\u27A2"),
          Map.entry(0xDF, "\u2190"),
          Map.entry(0xE0, "\u2192"),
          Map.entry(0xE1, "\u2191"),
          Map.entry(0xE2, "\u2193"),
          Map.entry(0xE8, "\u2794"),
          Map.entry(0xF0, "\u21E8"),
          Map.entry(0xFB, "\u2718"),
          Map.entry(0xFC, "\u2714"),
          Map.entry(0xFD, "\u2612"),
          Map.entry(0xFE, "\u2611"));

  private Symbols() {}

  public static boolean isSymbolFont(String family) {
    String f = family.toLowerCase(Locale.ROOT);
    return f.equals("symbol") || f.startsWith("wingdings") || f.equals("webdings");
  }

  /** What a character of a font shows; a bullet if it is not known. */
  public static String shown(int c, String family) {
    int code = c >= 0xF000 && c <= 0xF0FF ? c - 0xF000 : c;
    String f = family.toLowerCase(Locale.ROOT);
    if (f.equals("symbol") && code < 256) {
      String name = SymbolEncoding.INSTANCE.getName(code);
      String text = GlyphList.getAdobeGlyphList().toUnicode(name);
      if (text != null && Character.getType(text.charAt(0)) != Character.PRIVATE_USE) {
        return text;
      }
    }
    if (f.startsWith("wingdings") && DINGBATS.containsKey(code)) {
      return DINGBATS.getOrDefault(code, "\u2022");
    }
    boolean usual =
        Character.isValidCodePoint(c)
            && Character.getType(c) != Character.PRIVATE_USE
            && !isSymbolFont(family);
    return usual ? Character.toString(c) : "\u2022";
  }

  /**
   * Text as it shows.
   *
   * @param family the font that it says for itself; empty for none
   */
  public static String text(String s, String family) {
    boolean own = isSymbolFont(family);
    if (!own && s.chars().noneMatch(c -> c >= 0xF020 && c <= 0xF0FF)) {
      return s;
    }
    var b = new StringBuilder();
    s.codePoints()
        .forEach(c -> {
          boolean symbol = c >= 0xF020 && c <= 0xF0FF || own && c > ' ' && c < 256;
          if (symbol) {
            b.append(shown(c, own ? family : "Wingdings"));
          } else {
            b.appendCodePoint(c);
          }
        });
    return b.toString();
  }

  /** What a bullet shows. */
  public static String bullet(char c, String family) {
    return switch (c) {
      case '\uF0B7' -> "\u2022"; // in every symbol font, by common use
      case 'o' -> family.toLowerCase(Locale.ROOT).startsWith("courier") ? "o" : "\u25E6";
      default -> {
        boolean symbol = isSymbolFont(family) || Character.getType(c) == Character.PRIVATE_USE;
        yield symbol ? shown(c, isSymbolFont(family) ? family : "Wingdings") : String.valueOf(c);
      }
    };
  }
}
