package decant.model.edit.style;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Edit;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.edit.SimilarParagraphs;
import decant.model.edit.Step;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.ArrayList;
import java.util.List;

/**
 * A look that was picked up from some text, to be laid down on other text as often as wanted. What
 * text means – its links, comments, fields, marks and language – is not part of it.
 *
 * @param text what the letters look like, worked out
 * @param direct what is set on the letters over their paragraph's style
 * @param paragraph what is set on the paragraph, its style among it
 */
public record PickedLook(Look text, Look direct, Look paragraph) {
  /** The look at the caret, or where the selection begins. */
  public static PickedLook of(Revision r) {
    Document d = r.document();
    Range range = Range.of(d, r.selection());
    Paragraph p = d.requireParagraph(range.start().paragraph());
    int at = range.isEmpty() ? range.start().offset() : range.start().offset() + 1;
    Look direct = range.isEmpty() ? r.pending().orElseGet(() -> p.lookAt(at)) : p.lookAt(at);
    Look text = d.styles().textLook(d.styles().textBase(p.look()), direct);
    return new PickedLook(
        text,
        LookTraits.only(direct, LookTraits.TEXT),
        LookTraits.without(p.look(), LookTraits.STAYS));
  }

  /**
   * Lays it down on what is selected: on letters, if they are a part of one paragraph; else on the
   * whole of each paragraph that is touched.
   */
  public Revision layDown(Revision r) {
    Document d = r.document();
    List<Range.Part> parts = Range.of(d, r.selection()).parts(d);
    Range.Part first = parts.getFirst();
    boolean letters =
        parts.size() == 1
            && first.from() < first.to()
            && !(first.from() == 0 && first.to() == first.paragraph().length());
    var steps = new ArrayList<Step>();
    if (letters) {
      restyle(first.paragraph(), first.from(), first.to(), d, false, steps);
    } else {
      parts.forEach(part -> onWhole(part.paragraph(), d, steps));
    }
    return steps.isEmpty() ? r : r.apply(new Edit("Lay down look", steps), r.selection());
  }

  /** Lays it down on the paragraph at the caret and all that look like it, but for pinned pages. */
  public Revision layDownOnAlike(Revision r) {
    Document d = r.document();
    var steps = new ArrayList<Step>();
    SimilarParagraphs.to(d, r.selection().caret().paragraph()).stream()
        .filter(id -> !d.isPinned(id))
        .forEach(id -> onWhole(d.requireParagraph(id), d, steps));
    return steps.isEmpty() ? r : r.apply(new Edit("Restyle all alike", steps), r.selection());
  }

  private void onWhole(Paragraph p, Document d, List<Step> steps) {
    Look look = paragraph;
    for (Trait<?> t : LookTraits.STAYS) {
      look = LookTraits.copied(t, p.look(), look);
    }
    if (!look.equals(p.look())) {
      steps.add(new Step.SetParagraphLook(p.id(), look, direct));
    }
    restyle(p, 0, p.length(), d, true, steps);
  }

  private void restyle(Paragraph p, int from, int to, Document d, boolean whole, List<Step> steps) {
    Look base = d.styles().textBase(p.look());
    List<Inline> was = p.slice(from, to);
    List<Inline> styled =
        was.stream().map(i -> i.withLook(whole ? set(i.look()) : set(i.look(), base))).toList();
    if (!styled.equals(was)) {
      steps.add(new Step.Restyle(p.id(), from, styled));
    }
  }

  /** In a paragraph that has the style of the one it was picked up from. */
  private Look set(Look was) {
    Look out = LookTraits.without(was.without(TextTraits.CHARACTER_STYLE), LookTraits.TEXT);
    for (Trait<?> t : LookTraits.TEXT) {
      out = LookTraits.copied(t, direct, out);
    }
    return out;
  }

  /** In a paragraph of any style: only what differs from that is set. */
  private Look set(Look was, Look base) {
    Look out = was.without(TextTraits.CHARACTER_STYLE);
    for (Trait<?> t : LookTraits.TEXT) {
      out = differing(t, out, base);
    }
    return out;
  }

  private <T> Look differing(Trait<T> t, Look to, Look base) {
    return text.value(t).equals(base.value(t)) ? to.without(t) : to.with(t, text.value(t));
  }
}
