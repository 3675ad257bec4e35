package decant.office.docx.weave;

import decant.office.xml.Element;
import decant.office.xml.PackageFile.Relationship;
import decant.reading.ReadProblem;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.CRC32;

/**
 * What markup of our own says, whatever numbers and names its references have in the package: two
 * elements that say the same have the same words here.
 */
final class Canon {
  private static final Set<String> BY_NAME = Set.of("header", "footer");

  private final Parts parts;
  private final Map<String, String> stories;
  private final Map<String, Map<String, String>> bookmarks = new HashMap<>();
  private final Map<String, String> contents = new HashMap<>();

  /**
   * @param stories names for notes and comments, by their kind and number ({@code footnote 3}),
   *     where they differ from these
   */
  Canon(Parts parts, Map<String, String> stories) {
    this.parts = parts;
    this.stories = stories;
  }

  /** What an element of a part says. */
  String of(Element e, String part) throws ReadProblem {
    var b = new StringBuilder();
    Map<String, String> marks = bookmarks.get(part);
    if (marks == null) {
      marks = new HashMap<>();
      marks(parts.root(part), marks);
      bookmarks.put(part, marks);
    }
    write(e, part, marks, b);
    return b.toString();
  }

  private static void marks(Element e, Map<String, String> into) {
    if (Markup.local(e).equals(Markup.BOOKMARK_START)) {
      into.put(
          Markup.attribute(e, "id").orElse(""), Markup.attribute(e, "name").orElse("").strip());
    }
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        marks(child, into);
      }
    }
  }

  private void write(Element e, String part, Map<String, String> marks, StringBuilder b)
      throws ReadProblem {
    String name = Markup.local(e);
    b.append('<').append(e.name());
    List<String> relating = Markup.relating(e);
    String story = Markup.referred(e).orElse("");
    for (Map.Entry<String, String> a : e.attributes().entrySet()) {
      String value = a.getValue();
      if (a.getKey().startsWith("xmlns")) {
        continue;
      }
      if (relating.contains(a.getKey())) {
        value = related(part, value);
      } else if (Markup.local(a.getKey()).equals("id")) {
        if (!story.isEmpty()) {
          String own = story + " " + value;
          value = stories.getOrDefault(own, own);
        } else if (name.equals(Markup.BOOKMARK_END)) {
          value = marks.getOrDefault(value, "");
        } else if (name.equals(Markup.BOOKMARK_START) || Markup.isOnlyNumbered(e)) {
          continue;
        }
      }
      b.append(' ').append(a.getKey()).append('=').append(value);
    }
    b.append('>');
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        write(child, part, marks, b);
      } else {
        b.append('\u0003').append((String) c);
      }
    }
    b.append("</>");
  }

  /** What a relationship of a part leads to; the id itself if there is none. */
  private String related(String part, String id) throws ReadProblem {
    Relationship r = parts.relationships(part).get(id);
    return r == null ? id : target(r);
  }

  /** What a relationship leads to, by what it is. */
  String target(Relationship r) {
    if (r.external() || BY_NAME.contains(r.shortType())) {
      return r.shortType() + " " + r.target();
    }
    return r.shortType() + " " + contents.computeIfAbsent(r.target(), this::content);
  }

  private String content(String name) {
    byte[] b = parts.bytes(name).orElse(new byte[0]);
    var sum = new CRC32();
    sum.update(b);
    return b.length + " " + sum.getValue() + " " + Arrays.hashCode(b);
  }
}
