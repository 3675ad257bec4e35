package decant.office.field;

import decant.model.Inline;
import decant.model.look.Link;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a field is told to show (ISO/IEC 29500-1 §17.16.2): a keyword, then arguments, in quotation
 * marks or as single words, and switches.
 */
public record FieldInstruction(String text) {
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
