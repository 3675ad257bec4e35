package decant.model;

import java.util.ArrayList;
import java.util.List;

/** The headings of a document as a tree. */
public final class Outline {
  /** A heading with those below it. */
  public record Entry(NodeId paragraph, int level, String text, List<Entry> children) {
    public Entry {
      children = List.copyOf(children);
    }
  }

  /** A heading in the order of the text. */
  public record Heading(NodeId paragraph, int level, String text) {}

  private Outline() {}

  /** Every heading that has text, in reading order. */
  public static List<Heading> headings(Document d) {
    return Summary.of(d).stream().flatMap(s -> s.headings().stream()).toList();
  }

  /** The tree: each heading below the nearest one before it that has a lower level. */
  public static List<Entry> of(List<Heading> headings) {
    return below(headings, new int[] {0}, 0);
  }

  private static List<Entry> below(List<Heading> all, int[] next, int level) {
    var out = new ArrayList<Entry>();
    while (next[0] < all.size() && all.get(next[0]).level() > level) {
      Heading h = all.get(next[0]++);
      out.add(new Entry(h.paragraph(), h.level(), h.text(), below(all, next, h.level())));
    }
    return out;
  }

  static String plain(Paragraph p) {
    return p.text().replace(Inline.OBJECT, ' ').replaceAll("[\\s\u00AD]+", " ").strip();
  }
}
