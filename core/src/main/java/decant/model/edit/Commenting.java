package decant.model.edit;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Comment;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Notes something about the text, and settles what was noted. */
public final class Commenting {
  private Commenting() {}

  /**
   * Notes something about what is selected. Nothing changes where nothing is selected.
   *
   * @param comment with an id that no other has
   */
  public static Revision add(Revision r, Comment comment) {
    var steps = new ArrayList<Step>();
    for (Range.Part part : Range.of(r.document(), r.selection()).parts(r.document())) {
      restyle(
          part.paragraph(),
          part.from(),
          part.to(),
          l -> {
            var all = new ArrayList<>(l.value(TextTraits.COMMENTS));
            all.add(comment);
            return l.with(TextTraits.COMMENTS, List.copyOf(all));
          },
          steps);
    }
    return steps.isEmpty() ? r : r.apply(new Edit("Remark", steps), r.selection());
  }

  /** Takes a remark away, wherever it stands. */
  public static Revision settle(Revision r, Comment comment) {
    var steps = new ArrayList<Step>();
    Document d = r.document();
    Walk.paragraphs(d, Part.ALL).forEach(p -> settle(p, comment, steps));
    return steps.isEmpty() ? r : r.apply(new Edit("Remark settled", steps), r.selection());
  }

  private static void settle(Paragraph p, Comment comment, List<Step> steps) {
    boolean any =
        p.inlines().stream().anyMatch(i -> i.look().value(TextTraits.COMMENTS).contains(comment));
    if (any) {
      restyle(
          p,
          0,
          p.length(),
          l -> {
            List<Comment> left =
                l.value(TextTraits.COMMENTS).stream().filter(o -> !o.equals(comment)).toList();
            return left.isEmpty()
                ? l.without(TextTraits.COMMENTS)
                : l.with(TextTraits.COMMENTS, left);
          },
          steps);
    }
  }

  private static void restyle(
      Paragraph p, int from, int to, UnaryOperator<Look> how, List<Step> steps) {
    List<Inline> with =
        p.slice(from, to).stream().map(i -> i.withLook(how.apply(i.look()))).toList();
    if (!with.isEmpty()) {
      steps.add(new Step.Restyle(p.id(), from, with));
    }
  }

  /** What was noted about a place: about the character before it, or after it. */
  public static List<Comment> at(Paragraph p, int offset) {
    var out = new ArrayList<Comment>();
    for (int from : new int[] {offset - 1, offset}) {
      if (from >= 0 && from < p.length()) {
        for (Inline i : p.slice(from, from + 1)) {
          i.look().value(TextTraits.COMMENTS).stream()
              .filter(x -> !out.contains(x))
              .forEach(out::add);
        }
      }
    }
    return out;
  }
}
