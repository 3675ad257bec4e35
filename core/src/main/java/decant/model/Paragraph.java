package decant.model;

import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;

/**
 * A paragraph: inlines in a look.
 *
 * @param look paragraph traits set directly, over its named style
 * @param endLook text traits of the paragraph's end, which text typed into an empty paragraph takes
 *     on
 * @param inlines never two neighbouring texts in equal looks
 */
public record Paragraph(NodeId id, Look look, Look endLook, List<Inline> inlines) implements Block {
  public Paragraph {
    inlines = joined(inlines);
  }

  /** A paragraph of text in one look. */
  public static Paragraph of(Look look, String text) {
    return new Paragraph(
        NodeId.fresh(),
        look,
        Look.PLAIN,
        text.isEmpty() ? List.of() : List.of(new Inline.Text(text, Look.PLAIN)));
  }

  public Paragraph withLook(Look other) {
    return new Paragraph(id, other, endLook, inlines);
  }

  public Paragraph withInlines(List<Inline> others) {
    return new Paragraph(id, look, endLook, others);
  }

  /** How many places it has, without its end. */
  public int length() {
    int n = 0;
    for (Inline i : inlines) {
      n += i.length();
    }
    return n;
  }

  /** Its text, place by place, with {@link Inline#OBJECT} for anything that is not text. */
  public String text() {
    if (inlines.size() == 1 && inlines.getFirst() instanceof Inline.Text t) {
      return t.text();
    }
    var b = new StringBuilder();
    for (Inline i : inlines) {
      if (i instanceof Inline.Text t) {
        b.append(t.text());
      } else {
        b.append(Inline.OBJECT);
      }
    }
    return b.toString();
  }

  /** The text on a place to fill in. */
  public String textOn(FormField field) {
    var b = new StringBuilder();
    for (Inline i : inlines) {
      if (i instanceof Inline.Text t
          && t.look().get(TextTraits.FIELD).filter(field::equals).isPresent()) {
        b.append(t.text());
      }
    }
    return b.toString();
  }

  /** The inlines between two places, cut where a place falls into a text. */
  public List<Inline> slice(int from, int to) {
    var out = new ArrayList<Inline>();
    int at = 0;
    for (Inline i : inlines) {
      int end = at + i.length();
      int a = Math.max(from, at);
      int b = Math.min(to, end);
      if (a < b) {
        out.add(
            i instanceof Inline.Text t && (a > at || b < end)
                ? new Inline.Text(t.text().substring(a - at, b - at), t.look())
                : i);
      }
      at = end;
    }
    return out;
  }

  /**
   * What stands at a place.
   *
   * @throws IndexOutOfBoundsException if the text ends before it
   */
  public Inline inlineAt(int place) {
    int at = 0;
    for (Inline i : inlines) {
      at += i.length();
      if (place < at) {
        return i;
      }
    }
    throw new IndexOutOfBoundsException(place);
  }

  /**
   * The look that text typed at a place takes on: that of the character before it, else the one
   * after it.
   */
  public Look lookAt(int offset) {
    int at = 0;
    for (Inline i : inlines) {
      at += i.length();
      if (offset <= at) {
        return i.look();
      }
    }
    return inlines.isEmpty() ? endLook : inlines.getLast().look();
  }

  private static List<Inline> joined(List<Inline> inlines) {
    boolean alike = false;
    for (int k = 1; k < inlines.size() && !alike; k++) {
      alike = canJoin(inlines.get(k - 1), inlines.get(k));
    }
    if (!alike) {
      return List.copyOf(inlines);
    }
    var out = new ArrayList<Inline>();
    StringBuilder run = null;
    for (Inline i : inlines) {
      if (!out.isEmpty() && canJoin(out.getLast(), i)) {
        if (run == null) {
          run = new StringBuilder(((Inline.Text) out.getLast()).text());
        }
        run.append(((Inline.Text) i).text());
      } else {
        flush(out, run);
        run = null;
        out.add(i);
      }
    }
    flush(out, run);
    return List.copyOf(out);
  }

  private static void flush(
      List<Inline> out, @org.jspecify.annotations.Nullable StringBuilder run) {
    if (run != null) {
      out.add(new Inline.Text(run.toString(), out.removeLast().look()));
    }
  }

  private static boolean canJoin(Inline a, Inline b) {
    return a instanceof Inline.Text && b instanceof Inline.Text && a.look().equals(b.look());
  }
}
