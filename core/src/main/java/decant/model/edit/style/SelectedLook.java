package decant.model.edit.style;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What everything that is selected looks like; a value is empty where it is not the same
 * everywhere.
 *
 * @param level of the heading, 0 for body text
 * @param size in points
 */
public record SelectedLook(
    Optional<Integer> level,
    Optional<String> family,
    Optional<Double> size,
    Optional<Boolean> bold,
    Optional<Boolean> italic,
    Optional<Boolean> underline,
    Optional<Alignment> alignment) {
  /** The look of what is selected; with a caret, of what would be typed there. */
  public static SelectedLook of(Revision r) {
    Document d = r.document();
    List<Range.Part> parts = Range.of(d, r.selection()).parts(d);
    List<Look> texts = r.selection().isCaret() ? List.of(typed(r)) : texts(d, parts);
    Set<Look> paragraphs = new HashSet<>();
    Set<Integer> levels = new HashSet<>();
    for (Range.Part part : parts) {
      if (paragraphs.add(part.paragraph().look())) {
        levels.add(d.headingLevel(part.paragraph()));
      }
    }
    return new SelectedLook(
        one(levels.stream().toList()),
        same(texts, TextTraits.FAMILY),
        same(texts, TextTraits.SIZE),
        same(texts, TextTraits.BOLD),
        same(texts, TextTraits.ITALIC),
        same(texts, TextTraits.UNDERLINE),
        one(
            paragraphs.stream()
                .map(l -> d.styles().paragraphLook(l).value(ParagraphTraits.ALIGNMENT))
                .toList()));
  }

  private static Look typed(Revision r) {
    Document d = r.document();
    Paragraph p = d.requireParagraph(r.selection().caret().paragraph());
    Look direct = r.pending().orElseGet(() -> p.lookAt(r.selection().caret().offset()));
    return d.styles().textLook(d.styles().textBase(p.look()), direct);
  }

  private static List<Look> texts(Document d, List<Range.Part> parts) {
    // Few looks serve a whole document, so each pair of them is worked out once.
    Map<Look, Map<Look, Look>> known = new HashMap<>();
    for (Range.Part part : parts) {
      Look paragraph = part.paragraph().look();
      Map<Look, Look> own = known.computeIfAbsent(paragraph, k -> new HashMap<>());
      List<Inline> inlines = part.paragraph().slice(part.from(), part.to());
      if (inlines.isEmpty() && parts.size() == 1) {
        Look direct = part.paragraph().lookAt(part.from());
        own.computeIfAbsent(direct, l -> d.styles().textLook(d.styles().textBase(paragraph), l));
      }
      for (Inline i : inlines) {
        own.computeIfAbsent(i.look(), l -> d.styles().textLook(d.styles().textBase(paragraph), l));
      }
    }
    var out = new ArrayList<Look>();
    known.values().forEach(m -> out.addAll(m.values()));
    return out;
  }

  private static <T> Optional<T> same(List<Look> looks, Trait<T> trait) {
    return one(looks.stream().map(l -> l.value(trait)).toList());
  }

  private static <T> Optional<T> one(List<T> values) {
    return values.stream().distinct().count() == 1
        ? Optional.of(values.getFirst())
        : Optional.empty();
  }
}
