package decant.model.edit.style;

import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.List;

/** Which traits are what something looks like, and which are what it means or where it stands. */
public final class LookTraits {
  /** What letters look like; links, comments, fields, marks and language are not among it. */
  public static final List<Trait<?>> TEXT =
      TextTraits.OF_LETTERS.stream()
          .filter(
              t -> t != TextTraits.KERNING && t != TextTraits.HIDDEN && t != TextTraits.LANGUAGE)
          .toList();

  /** Traits of paragraphs that are their place in the document, not their look. */
  public static final List<Trait<?>> STAYS =
      List.of(
          ParagraphTraits.LIST,
          ParagraphTraits.BOOKMARKS,
          ParagraphTraits.PAGE_BREAK_BEFORE,
          ParagraphTraits.GOES_ON,
          ParagraphTraits.FRAME,
          ParagraphTraits.DIRECTION,
          ParagraphTraits.KEPT);

  private LookTraits() {}

  /** A look with only some of its traits. */
  static Look only(Look look, List<Trait<?>> traits) {
    Look out = Look.PLAIN;
    for (Trait<?> t : traits) {
      out = copied(t, look, out);
    }
    return out;
  }

  static <T> Look copied(Trait<T> t, Look from, Look to) {
    return from.sets(t) ? to.with(t, from.value(t)) : to;
  }

  /** A look without some traits. */
  static Look without(Look look, List<Trait<?>> traits) {
    Look out = look;
    for (Trait<?> t : traits) {
      out = out.without(t);
    }
    return out;
  }

  /** A look without those traits that it has in common with another. */
  static Look withoutEqual(Look look, Look other) {
    Look out = look;
    for (Trait<?> t : TEXT) {
      if (look.sets(t) && other.sets(t) && look.value(t).equals(other.value(t))) {
        out = out.without(t);
      }
    }
    return out;
  }
}
