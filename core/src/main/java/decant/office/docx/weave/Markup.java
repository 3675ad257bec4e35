package decant.office.docx.weave;

import decant.office.xml.Element;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What is to be known of elements of text, by their names without prefix. */
final class Markup {
  static final String BOOKMARK_START = "bookmarkStart";
  static final String BOOKMARK_END = "bookmarkEnd";

  /** What has or names the number of a note or a comment, and of which kind it is. */
  private static final Map<String, String> REFERENCES =
      Map.of(
          "footnote", "footnote",
          "footnoteReference", "footnote",
          "endnote", "endnote",
          "endnoteReference", "endnote",
          "comment", "comment",
          "commentReference", "comment",
          "commentRangeStart", "comment",
          "commentRangeEnd", "comment");

  /** What is not part of the text as it is shown. */
  private static final Set<String> UNSEEN = Set.of("Fallback", "del", "moveFrom", "instrText");

  private Markup() {}

  static String local(Element e) {
    return local(e.name());
  }

  static String local(String name) {
    return name.substring(name.indexOf(':') + 1);
  }

  /** An attribute whatever its prefix. */
  static Optional<String> attribute(Element e, String name) {
    for (Map.Entry<String, String> a : e.attributes().entrySet()) {
      if (local(a.getKey()).equals(name) && !a.getKey().startsWith("xmlns")) {
        return Optional.of(a.getValue());
      }
    }
    return Optional.empty();
  }

  /** The kind of note or comment whose number an element has; empty if none. */
  static Optional<String> referred(Element e) {
    return Optional.ofNullable(REFERENCES.get(local(e)));
  }

  /** The names of the attributes by which an element names a relationship of its part. */
  static List<String> relating(Element e) {
    return e.attributes().keySet().stream()
        .filter(n -> n.startsWith("r:") || local(n).equals("relid"))
        .toList();
  }

  /** Whether the number of an element only has to differ from others. */
  static boolean isOnlyNumbered(Element e) {
    String name = local(e);
    return name.equals("docPr") || name.equals("cNvPr");
  }

  /** The words that an element shows, with marks for what is no text. */
  static String text(Element e) {
    var b = new StringBuilder();
    text(e, b);
    return b.toString();
  }

  private static void text(Element e, StringBuilder b) {
    String name = local(e);
    switch (name) {
      case "t" -> b.append(e.text());
      case "tab", "br", "cr", "drawing", "pict", "object", "footnoteReference" ->
          b.append('\u0001').append(name.charAt(0));
      case "p" -> {
        b.append('\u0002');
        inside(e, b);
      }
      case "pPr", "rPr" -> {}
      default -> {
        if (!UNSEEN.contains(name)) {
          inside(e, b);
        }
      }
    }
  }

  private static void inside(Element e, StringBuilder b) {
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        text(child, b);
      }
    }
  }
}
