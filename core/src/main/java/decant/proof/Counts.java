package decant.proof;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Paragraph;
import decant.model.ParagraphTraits;
import decant.model.Section;
import decant.model.Table;
import decant.model.TextTraits;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How many of each kind of thing a document holds, for telling at a glance whether something is
 * missing.
 */
public record Counts(Map<String, Integer> numbers) {
  /** One kind of thing and how many there are. */
  public record Entry(String what, int number) {}

  public static Counts of(Document d) {
    var n = new LinkedHashMap<String, Integer>();
    for (String what :
        List.of(
            "Headings",
            "Paragraphs",
            "List items",
            "Tables",
            "Cells",
            "Pictures",
            "Links",
            "Characters")) {
      n.put(what, 0);
    }
    for (Section s : d.sections()) {
      blocks(d, s.blocks(), n);
    }
    return new Counts(n);
  }

  private static void blocks(Document d, List<Block> blocks, Map<String, Integer> n) {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> paragraph(d, p, n);
        case Table t -> {
          add(n, "Tables", 1);
          t.rows()
              .forEach(r ->
                  r.cells()
                      .forEach(c -> {
                        add(n, "Cells", 1);
                        blocks(d, c.blocks(), n);
                      }));
        }
        case KeptBlock k -> {}
      }
    }
  }

  private static void paragraph(Document d, Paragraph p, Map<String, Integer> n) {
    if (d.headingLevel(p) > 0) {
      add(n, "Headings", 1);
    } else {
      boolean item =
          !d.styles().paragraphLook(p.look()).value(ParagraphTraits.LIST).list().isEmpty();
      add(n, item ? "List items" : "Paragraphs", 1);
    }
    Object open = null;
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Picture) {
        add(n, "Pictures", 1);
      }
      if (i instanceof Inline.Text t) {
        add(n, "Characters", t.text().codePointCount(0, t.text().length()));
      }
      Object link = i.look().get(TextTraits.LINK).orElse(null);
      if (link != null && !link.equals(open)) {
        add(n, "Links", 1);
      }
      open = link;
    }
  }

  private static void add(Map<String, Integer> n, String what, int by) {
    n.merge(what, by, Integer::sum);
  }

  /** The kinds in the order they are shown in. */
  public List<Entry> entries() {
    return numbers.entrySet().stream().map(e -> new Entry(e.getKey(), e.getValue())).toList();
  }

  /** How many there are of a kind. */
  public int of(String what) {
    return numbers.getOrDefault(what, 0);
  }
}
