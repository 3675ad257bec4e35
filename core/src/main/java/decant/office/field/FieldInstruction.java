package decant.office.field;

import decant.model.Inline;
import decant.model.look.Link;
import decant.office.symbol.Symbols;
import java.nio.charset.Charset;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a field is told to show (ISO/IEC 29500-1 §17.16.2): a keyword, then arguments, in quotation
 * marks or as single words, and switches.
 */
public record FieldInstruction(String text) {
  /** Marks that show nothing: entries of lists, and what is asked or set (§17.16.5). */
  private static final Set<String> SILENT =
      Set.of(
          "XE",
          "TC",
          "TA",
          "RD",
          "SET",
          "ASK",
          "PRINT",
          "PRIVATE",
          "NEXT",
          "NEXTIF",
          "SKIPIF",
          "ADVANCE",
          "HYPERLINK",
          "EQ",
          "SYMBOL",
          "BIDIOUTLINE",
          "MACROBUTTON",
          "GOTOBUTTON");

  private static final Charset WIDE = Charset.forName("windows-1252");
  private static final Pattern FONT = Pattern.compile("\\\\f\\s+(?:\"([^\"]*)\"|(\\S+))");
  private static final Pattern WORD = Pattern.compile("\"([^\"]*)\"|(\\S+)");

  /** The keyword, in capitals; empty if nothing is told. */
  public String keyword() {
    return text.strip().split("\\s+", 2)[0].toUpperCase(Locale.ROOT);
  }

  /** What the field computes, of what each of the formats has; empty for any other. */
  public Optional<Inline.Field.Kind> kind() {
    return switch (keyword()) {
      case "PAGE" -> Optional.of(Inline.Field.Kind.PAGE);
      case "NUMPAGES" -> Optional.of(Inline.Field.Kind.PAGES);
      case "TITLE" -> Optional.of(Inline.Field.Kind.TITLE);
      case "PAGEREF" -> Optional.of(Inline.Field.Kind.PAGE_OF);
      case "DATE" -> Optional.of(Inline.Field.Kind.DATE);
      default -> Optional.empty();
    };
  }

  /** The first argument; empty if there is none. */
  public String argument() {
    Matcher m = arguments();
    return m.find() ? word(m) : "";
  }

  /**
   * What a field of {@link Inline.Field} is about: the bookmark of a PAGEREF, how a DATE is written
   * (§17.16.4.1); empty for others.
   */
  public String target() {
    int picture = text.indexOf("\\@");
    return switch (keyword()) {
      case "PAGEREF" -> argument();
      case "DATE" ->
          picture < 0 ? "" : new FieldInstruction("DATE " + text.substring(picture + 2)).argument();
      default -> "";
    };
  }

  /**
   * What a field shows that has no result, for the field itself draws it: the words of a button, an
   * equation, a character; empty for others.
   */
  public Optional<String> alone() {
    String rest = text.strip().replaceFirst("^\\S+\\s*", "");
    return switch (keyword()) {
      case "MACROBUTTON", "GOTOBUTTON" ->
          said(rest.replaceFirst("^(\"[^\"]*\"|\\S+)\\s*", "").replaceAll("^\"|\"$", ""));
      case "EQ" -> said(FieldEquation.text(rest));
      case "SYMBOL" -> symbol();
      default -> Optional.empty();
    };
  }

  /**
   * Whether it would show something, though nothing says what: its program counts or looks it up.
   */
  public boolean isOwed() {
    return !text.isBlank() && !SILENT.contains(keyword()) && alone().isEmpty() && kind().isEmpty();
  }

  private static Optional<String> said(String s) {
    return s.isBlank() ? Optional.empty() : Optional.of(s.strip());
  }

  /** §17.16.5.65: a character by its number, in windows-1252 unless it says otherwise. */
  private Optional<String> symbol() {
    try {
      int code = Integer.decode(argument());
      Matcher m = FONT.matcher(text);
      String font = !m.find() ? "" : m.group(1) != null ? m.group(1) : m.group(2);
      if (Symbols.isSymbolFont(font)) {
        return Optional.of(Symbols.shown(code, font));
      }
      boolean wide = code > 0xFF || text.matches("(?i).*\\\\u\\b.*");
      return Character.isValidCodePoint(code)
          ? Optional.of(
              wide ? Character.toString(code) : new String(new byte[] {(byte) code}, WIDE))
          : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** Where a HYPERLINK leads (§17.16.5.25); empty for anything else. */
  public Optional<Link> link() {
    if (!keyword().equals("HYPERLINK")) {
      return Optional.empty();
    }
    String uri = "";
    String place = "";
    Matcher m = arguments();
    while (m.find()) {
      String word = word(m);
      boolean isSwitch = m.group(1) == null && word.startsWith("\\");
      if (isSwitch && word.equalsIgnoreCase("\\l")) {
        place = m.find() ? word(m) : "";
      } else if (isSwitch) {
        if (word.equalsIgnoreCase("\\o") || word.equalsIgnoreCase("\\t")) {
          m.find(); // what is said of it, and where it opens
        }
      } else if (uri.isEmpty()) {
        uri = word;
      }
    }
    if (uri.isEmpty()) {
      return place.isEmpty() ? Optional.empty() : Optional.of(new Link.Internal(place));
    }
    return Optional.of(new Link.External(place.isEmpty() ? uri : uri + "#" + place));
  }

  private Matcher arguments() {
    return WORD.matcher(text.strip().replaceFirst("^\\S+", ""));
  }

  private static String word(Matcher m) {
    return m.group(1) != null ? m.group(1) : m.group(2);
  }
}
