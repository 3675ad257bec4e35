package decant.model.edit.style;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.Optional;
import java.util.function.Function;

/** Where the value of a trait comes from. */
public sealed interface Origin {
  /** It was set here. */
  record Direct() implements Origin {}

  /** A named style gives it, or one that it is based on. */
  record OfStyle(NamedStyle style) implements Origin {}

  /** The level of the list that the paragraph is an item of. */
  record OfList() implements Origin {}

  /** It holds for the whole document. */
  record OfDocument() implements Origin {}

  /** A longer chain of styles is a cycle. */
  int DEEPEST = 32;

  /** Where a trait of the letters at the caret, or where the selection begins, comes from. */
  static Origin ofText(Revision r, Trait<?> trait) {
    Document d = r.document();
    Paragraph p = paragraph(r);
    Look direct = direct(r, p);
    if (direct.sets(trait)) {
      return new Direct();
    }
    String character = direct.value(TextTraits.CHARACTER_STYLE);
    return inChain(d, character, trait, NamedStyle::text)
        .or(() -> inChain(d, StyleEdits.of(d, p), trait, NamedStyle::text))
        .<Origin>map(OfStyle::new)
        .orElseGet(OfDocument::new);
  }

  /** What is set directly on the letters at the caret, or where the selection begins. */
  static Look direct(Revision r, Paragraph p) {
    Range range = Range.of(r.document(), r.selection());
    int at = range.isEmpty() ? range.start().offset() : range.start().offset() + 1;
    return range.isEmpty() ? r.pending().orElseGet(() -> p.lookAt(at)) : p.lookAt(at);
  }

  private static Paragraph paragraph(Revision r) {
    Range range = Range.of(r.document(), r.selection());
    return r.document().requireParagraph(range.start().paragraph());
  }

  /** Where a trait of the paragraph at the caret, or where the selection begins, comes from. */
  static Origin ofParagraph(Revision r, Trait<?> trait) {
    Document d = r.document();
    Paragraph p = paragraph(r);
    if (p.look().sets(trait)) {
      return new Direct();
    }
    if (p.look().sets(ParagraphTraits.LIST) && levelSets(d, p, trait)) {
      return new OfList();
    }
    return inChain(d, StyleEdits.of(d, p), trait, NamedStyle::paragraph)
        .<Origin>map(OfStyle::new)
        .orElseGet(OfDocument::new);
  }

  private static boolean levelSets(Document d, Paragraph p, Trait<?> trait) {
    ListMembership m = p.look().value(ParagraphTraits.LIST);
    ListDefinition list = d.lists().get(m.list());
    return list != null && list.level(m.depth()).paragraph().sets(trait);
  }

  private static Optional<NamedStyle> inChain(
      Document d, String id, Trait<?> trait, Function<NamedStyle, Look> look) {
    Optional<NamedStyle> s = d.styles().style(id);
    for (int k = 0; k < DEEPEST && s.isPresent(); k++) {
      if (look.apply(s.get()).sets(trait)) {
        return s;
      }
      s = s.get().basedOn().flatMap(d.styles()::style);
    }
    return Optional.empty();
  }

  /** The value of a trait of letters that is in force there. */
  static <T> T textValue(Revision r, Trait<T> trait) {
    Document d = r.document();
    Paragraph p = paragraph(r);
    return d.styles().textLook(d.styles().textBase(p.look()), direct(r, p)).value(trait);
  }

  /** The value of a trait of paragraphs that is in force there. */
  static <T> T paragraphValue(Revision r, Trait<T> trait) {
    Document d = r.document();
    return d.styles().paragraphLook(paragraph(r).look(), Look.PLAIN, d.lists()).value(trait);
  }
}
