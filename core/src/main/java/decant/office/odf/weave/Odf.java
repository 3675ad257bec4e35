package decant.office.odf.weave;

import decant.office.xml.Element;
import java.util.Set;

/** What elements of the format are for (ODF 1.3 part 3). */
final class Odf {
  /** Elements that only hold blocks, each of which may change while the others stand. */
  private static final Set<String> CONTAINERS =
      Set.of(
          "text:list",
          "text:list-item",
          "text:list-header",
          "text:section",
          "text:index-body",
          "table:table",
          "table:table-rows",
          "table:table-header-rows",
          "table:table-row",
          "table:table-cell");

  /** Elements around blocks that we do not write (§5.4, §8). */
  private static final Set<String> WRAPPERS =
      Set.of(
          "text:section",
          "text:table-of-content",
          "text:illustration-index",
          "text:table-index",
          "text:object-index",
          "text:user-index",
          "text:alphabetical-index",
          "text:bibliography");

  /** What stands before text and says something of all of it, or of columns. */
  private static final Set<String> DECLARED =
      Set.of(
          "office:forms",
          "text:tracked-changes",
          "text:variable-decls",
          "text:sequence-decls",
          "text:user-field-decls",
          "text:alphabetical-index-auto-mark-file",
          "table:table-column",
          "table:table-columns");

  private Odf() {}

  static boolean isDeclared(Element e) {
    return DECLARED.contains(e.name());
  }

  static boolean isContainer(Element e) {
    return CONTAINERS.contains(e.name());
  }

  static boolean isWrapper(Element e) {
    return WRAPPERS.contains(e.name());
  }

  /** The name of a style. */
  static String name(Element e) {
    return e.attributes().getOrDefault("style:name", "");
  }

  /** What a page is like: a style of another kind, named by the page (§19.505). */
  static final String PAGE_LAYOUT = "style:page-layout-name";

  /** Whether an attribute names a style. */
  static boolean namesStyle(String attribute) {
    return attribute.equals(PAGE_LAYOUT)
        || attribute.endsWith("style-name")
            && !attribute.equals("style:parent-style-name")
            && !attribute.equals("style:next-style-name");
  }

  /**
   * What somebody reads in an element, without spaces and without numbers that count themselves.
   */
  static String words(Element e) {
    var b = new StringBuilder();
    words(e, b);
    return b.toString();
  }

  private static void words(Element e, StringBuilder into) {
    switch (e.name()) {
      case "text:note-citation", "office:annotation", "text:tracked-changes" -> {
        return;
      }
      default -> {}
    }
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        words(child, into);
      } else {
        String s = (String) c;
        for (int k = 0; k < s.length(); k++) {
          if (!Character.isWhitespace(s.charAt(k))) {
            into.append(s.charAt(k));
          }
        }
      }
    }
  }
}
