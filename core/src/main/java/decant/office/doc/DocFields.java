package decant.office.doc;

import decant.model.Inline;
import decant.model.look.Link;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Fields ([MS-DOC] 2.8.25), whose marks stand in the text: what they ask for, then what they show.
 * One may go on over several paragraphs, and hold others.
 */
final class DocFields {
  static final char BEGIN = 0x13;
  static final char SEPARATOR = 0x14;
  static final char END = 0x15;

  private static final Pattern WORD = Pattern.compile("\"([^\"]*)\"|(\\S+)");

  private static final class Open {
    final StringBuilder instruction = new StringBuilder();
    boolean shows;
  }

  private final Deque<Open> open = new ArrayDeque<>();

  void begin() {
    open.push(new Open());
  }

  void separate() {
    if (!open.isEmpty()) {
      open.element().shows = true;
    }
  }

  /** The field that ends: its instruction; empty where none was begun. */
  Optional<String> end() {
    return open.isEmpty()
        ? Optional.empty()
        : Optional.of(open.pop().instruction.toString().strip());
  }

  /** Whether text that comes now is an instruction, which it is added to. */
  boolean takes(String text) {
    for (Open o : open) {
      if (!o.shows) {
        o.instruction.append(text);
        return true;
      }
    }
    return false;
  }

  /** Where text that comes now leads. */
  Optional<Link> link() {
    for (Open o : open) {
      Optional<Link> l = o.shows ? link(o.instruction.toString()) : Optional.empty();
      if (l.isPresent()) {
        return l;
      }
    }
    return Optional.empty();
  }

  /** Whether what is shown now is worked out anew. */
  boolean isValue() {
    return open.stream().anyMatch(o -> o.shows && kind(o.instruction.toString()).isPresent());
  }

  /** What a field computes that the model knows; empty for any other. */
  static Optional<Inline.Field.Kind> kind(String instruction) {
    return switch (keyword(instruction)) {
      case "PAGE" -> Optional.of(Inline.Field.Kind.PAGE);
      case "NUMPAGES" -> Optional.of(Inline.Field.Kind.PAGES);
      case "TITLE" -> Optional.of(Inline.Field.Kind.TITLE);
      case "PAGEREF" -> Optional.of(Inline.Field.Kind.PAGE_OF);
      case "DATE" -> Optional.of(Inline.Field.Kind.DATE);
      default -> Optional.empty();
    };
  }

  /** The bookmark that a reference to a page names. */
  static String target(String instruction) {
    Matcher m = WORD.matcher(instruction);
    boolean named = m.find(); // the keyword comes first
    return named && m.find() ? text(m) : "";
  }

  private static String keyword(String instruction) {
    return instruction.strip().split("\\s+")[0].toUpperCase(Locale.ROOT);
  }

  private static String text(Matcher m) {
    return m.group(1) != null ? m.group(1) : m.group(2);
  }

  private static Optional<Link> link(String instruction) {
    if (!keyword(instruction).equals("HYPERLINK")) {
      return Optional.empty();
    }
    String uri = "";
    String place = "";
    Matcher m = WORD.matcher(instruction.strip().substring("HYPERLINK".length()));
    while (m.find()) {
      String word = text(m);
      if (word.equalsIgnoreCase("\\l") && m.group(1) == null) {
        place = m.find() ? text(m) : "";
      } else if (word.startsWith("\\") && m.group(1) == null) {
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
}
