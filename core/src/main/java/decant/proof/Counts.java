package decant.proof;

import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.words.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How many of each kind of thing a document holds, for telling at a glance whether something is
 * missing.
 */
public record Counts(Map<Thing, Integer> numbers) {
  private static final Words WORDS = Words.of(Counts.class);

  /**
   * A kind of thing that is counted in the text of the sections; notes and running texts are not.
   */
  public enum Thing {
    HEADINGS,
    PARAGRAPHS,
    LIST_ITEMS,
    TABLES,
    CELLS,
    PICTURES,
    LINKS,
    CHARACTERS;

    public String label() {
      return WORDS.say("counts." + name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
    }
  }

  /** One kind of thing and how many there are. */
  public record Entry(Thing what, int number) {}

  public static Counts of(Document d) {
    var n = new LinkedHashMap<Thing, Integer>();
    for (Thing what : Thing.values()) {
      n.put(what, 0);
    }
    Walk.through(
        d,
        Part.OF_FLOW,
        new Walk.Visitor() {
          @Override
          public void paragraph(Paragraph p) {
            count(d, p, n);
          }

          @Override
          public void table(Table t) {
            add(n, Thing.TABLES, 1);
          }

          @Override
          public void cell(Cell c) {
            add(n, Thing.CELLS, 1);
          }
        });
    return new Counts(n);
  }

  private static void count(Document d, Paragraph p, Map<Thing, Integer> n) {
    if (d.headingLevel(p) > 0) {
      add(n, Thing.HEADINGS, 1);
    } else {
      boolean item =
          !d.styles().paragraphLook(p.look()).value(ParagraphTraits.LIST).list().isEmpty();
      add(n, item ? Thing.LIST_ITEMS : Thing.PARAGRAPHS, 1);
    }
    Object open = null;
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Picture) {
        add(n, Thing.PICTURES, 1);
      }
      if (i instanceof Inline.Text t) {
        add(n, Thing.CHARACTERS, t.text().codePointCount(0, t.text().length()));
      }
      Object link = i.look().get(TextTraits.LINK).orElse(null);
      if (link != null && !link.equals(open)) {
        add(n, Thing.LINKS, 1);
      }
      open = link;
    }
  }

  private static void add(Map<Thing, Integer> n, Thing what, int by) {
    n.merge(what, by, Integer::sum);
  }

  /** The kinds in the order they are shown in. */
  public List<Entry> entries() {
    return numbers.entrySet().stream().map(e -> new Entry(e.getKey(), e.getValue())).toList();
  }

  /** How many there are of a kind. */
  public int of(Thing what) {
    return numbers.getOrDefault(what, 0);
  }
}
