package decant.preview;

import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Paragraph;
import decant.model.look.Comment;
import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.office.pending.Pending;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * What a document has besides its pages that may go along with them.
 *
 * @param fields places to fill in
 * @param oneOf those of them that exclude one another
 * @param asking those that ask for something: a length, a number, a date, one of some words
 * @param comments what was noted about the text
 * @param changes that wait to be accepted
 * @param files that it carries
 * @param pictures with their words, which stand for them
 * @param kept how much readers kept without understanding it, by the format that it came in
 * @param details the formats that something of its looks is kept for, tracked changes of looks
 *     among it
 */
public record Enclosed(
    int fields,
    int oneOf,
    int asking,
    int comments,
    int changes,
    int files,
    int pictures,
    Map<String, Integer> kept,
    Set<String> details) {
  public static Enclosed in(Document d) {
    var c = new Count();
    Walk.through(d, Part.ALL, c);
    return new Enclosed(
        c.fields.size(),
        c.oneOf.size(),
        c.asking.size(),
        c.comments.size(),
        c.changes.size(),
        d.attachments().size(),
        c.pictures,
        c.kept,
        c.details);
  }

  /** How many comments there are on the text of some parts of a document. */
  static int comments(Document d, Set<Part> parts) {
    var c = new Count();
    Walk.through(d, parts, c);
    return c.comments.size();
  }

  private static final class Count implements Walk.Visitor {
    private final Set<String> fields = new HashSet<>();
    private final Set<String> oneOf = new HashSet<>();
    private final Set<String> asking = new HashSet<>();
    private final Set<String> comments = new HashSet<>();
    private final Set<Kept> changes = new HashSet<>();
    private int pictures;
    private final Map<String, Integer> kept = new HashMap<>();
    private final Set<String> details = new HashSet<>();

    @Override
    public void paragraph(Paragraph p) {
      p.inlines().forEach(this::inline);
      p.look().value(ParagraphTraits.KEPT).forEach(k -> details.add(k.format()));
      around(p.endLook());
    }

    @Override
    public void kept(KeptBlock k) {
      kept.merge(k.kept().format(), 1, Integer::sum);
    }

    private void field(FormField f) {
      fields.add(f.id());
      if (f.kind() == FormField.Kind.ONE_OF) {
        oneOf.add(f.id());
      }
      if (!f.rule().equals(FieldRule.NONE) || f.kind() == FormField.Kind.CHOICE_OR_TEXT) {
        asking.add(f.id());
      }
    }

    private void around(Look look) {
      for (Kept k : look.value(TextTraits.KEPT)) {
        if (Pending.isPutIn(k)) {
          changes.add(k);
        } else {
          details.add(k.format());
        }
      }
    }

    private void inline(Inline i) {
      pictures += i instanceof Inline.Picture ? 1 : 0;
      i.look().get(TextTraits.FIELD).ifPresent(this::field);
      i.look().value(TextTraits.COMMENTS).stream().map(Comment::id).forEach(comments::add);
      around(i.look());
      if (Pending.isTakenAway(i) && i instanceof Inline.KeptInline k) {
        changes.add(k.kept());
      } else if (i instanceof Inline.KeptInline k && k.shown().isEmpty()) {
        kept.merge(k.kept().format(), 1, Integer::sum);
      }
    }
  }
}
