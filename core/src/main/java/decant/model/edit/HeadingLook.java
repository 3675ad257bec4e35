package decant.model.edit;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The look of a line that becomes a heading: its own where it stood out already. */
final class HeadingLook {
  /** A line whose letters are larger than the body text's by this factor looks like a title. */
  private static final double LARGER = 1.15;

  private static final List<Trait<?>> OF_PARAGRAPHS =
      List.of(
          ParagraphTraits.FIRST_LINE,
          ParagraphTraits.ALIGNMENT,
          ParagraphTraits.SPACE_BEFORE,
          ParagraphTraits.SPACE_AFTER,
          ParagraphTraits.LINE_PITCH);
  private static final List<Trait<?>> OF_TEXT =
      List.of(
          TextTraits.SIZE,
          TextTraits.BOLD,
          TextTraits.ITALIC,
          TextTraits.FAMILY,
          TextTraits.COLOUR,
          TextTraits.ALL_CAPS);

  private HeadingLook() {}

  /** The size, in points, that most letters of the text have which is no heading. */
  static double bodySize(Document d) {
    Map<Double, Long> letters = new HashMap<>();
    for (Paragraph p : d.paragraphs()) {
      if (d.headingLevel(p) == 0) {
        Look base = d.styles().textBase(p.look());
        for (Inline i : p.inlines()) {
          if (i instanceof Inline.Text t) {
            double size = d.styles().textLook(base, t.look()).value(TextTraits.SIZE);
            letters.merge(size, (long) t.text().length(), Long::sum);
          }
        }
      }
    }
    return letters.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(
            d.styles()
                .textLook(d.styles().textBase(Look.PLAIN), Look.PLAIN)
                .value(TextTraits.SIZE));
  }

  /**
   * Whether a line that becomes a heading looks like one by itself, so that the style of its level
   * would make less of it.
   */
  static boolean standsOut(Document d, Paragraph p, StyleSheet styles, int level, double bodySize) {
    if (level == 0 || p.length() == 0) {
      return false;
    }
    Look now = SimilarParagraphs.mostOf(d, p);
    if (d.headingLevel(p) > 0) {
      // A heading changes its look with its level, unless it had a look of its own.
      Look styled = d.styles().textLook(d.styles().textBase(p.look()), Look.PLAIN);
      if (same(now, styled)) {
        return false;
      }
    }
    Look base = styles.textBase(styled(p.look(), styles, level));
    boolean bold = styles.textLook(base, Look.PLAIN).value(TextTraits.BOLD);
    return now.value(TextTraits.SIZE) >= bodySize * LARGER || now.value(TextTraits.BOLD) && !bold;
  }

  private static boolean same(Look a, Look b) {
    return OF_TEXT.stream().allMatch(t -> a.value(t).equals(b.value(t)));
  }

  private static Look styled(Look look, StyleSheet styles, int level) {
    return look.without(ParagraphTraits.HEADING_LEVEL)
        .without(ParagraphTraits.LIST)
        .with(ParagraphTraits.STYLE, HeadingStyles.id(styles, level));
  }

  /** What makes a paragraph a heading that looks as it did. */
  static List<Step> conformance(Document d, Paragraph p, StyleSheet styles, int level) {
    Look look = styled(p.look(), styles, level).without(ParagraphTraits.KEEP_WITH_NEXT);
    Look was = d.styles().paragraphLook(p.look());
    for (Trait<?> t : OF_PARAGRAPHS) {
      look = as(t, was, look.without(t), styles.paragraphLook(look.without(t)));
    }
    Look base = styles.textBase(look);
    Look before = d.styles().textBase(p.look());
    List<Inline> text =
        p.inlines().stream().map(i -> i.withLook(text(i.look(), d, before, styles, base))).toList();
    return List.of(
        new Step.SetParagraphLook(p.id(), look, text(p.endLook(), d, before, styles, base)),
        new Step.Restyle(p.id(), 0, text));
  }

  private static Look text(Look direct, Document d, Look before, StyleSheet styles, Look base) {
    Look was = d.styles().textLook(before, direct);
    Look out = direct;
    for (Trait<?> t : OF_TEXT) {
      out = as(t, was, out.without(t), styles.textLook(base, out.without(t)));
    }
    return out;
  }

  /** A look in which a trait has the value that it had, set directly only where it must be. */
  private static <T> Look as(Trait<T> t, Look was, Look direct, Look styled) {
    T value = was.value(t);
    return value.equals(styled.value(t)) ? direct : direct.with(t, value);
  }
}
