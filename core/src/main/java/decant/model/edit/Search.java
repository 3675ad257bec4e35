package decant.model.edit;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Finding and replacing text. Matches do not cross paragraphs. */
public final class Search {
  /**
   * What to look for.
   *
   * @param text the text; an empty one is found nowhere
   * @param matchCase whether upper and lower case differ
   */
  public record Query(String text, boolean matchCase) {}

  private Search() {}

  /**
   * Every match, without overlaps: in the flow in reading order, then in notes and shapes, then in
   * headers and footers, each of which is one text on however many pages it stands.
   */
  public static List<Selection> all(Document d, Query q) {
    var out = new ArrayList<Selection>();
    if (!q.text().isEmpty()) {
      for (Paragraph p : everywhere(d)) {
        for (int at : matches(p.text(), q)) {
          out.add(
              new Selection(
                  new Position(p.id(), at), new Position(p.id(), at + q.text().length())));
        }
      }
    }
    return out;
  }

  private static List<Paragraph> everywhere(Document d) {
    var out = new ArrayList<>(d.paragraphs());
    Map<NodeId, Paragraph> others = new LinkedHashMap<>();
    Walk.paragraphs(d, Set.of(Part.NOTES, Part.BOXES, Part.RUNNING))
        .forEach(p -> others.put(p.id(), p));
    others.values().stream().sorted((a, b) -> d.index().compare(a.id(), b.id())).forEach(out::add);
    return out;
  }

  /** The first match that begins at or after a place, going round at the end of the document. */
  public static Optional<Selection> next(Document d, Query q, Position from) {
    List<Selection> all = all(d, q);
    return all.stream()
        .filter(s -> Range.compare(d, s.anchor(), from) >= 0)
        .findFirst()
        .or(() -> all.stream().findFirst());
  }

  /** The last match that begins before a place, going round at the start of the document. */
  public static Optional<Selection> previous(Document d, Query q, Position from) {
    List<Selection> all = all(d, q);
    return all.reversed().stream()
        .filter(s -> Range.compare(d, s.anchor(), from) < 0)
        .findFirst()
        .or(() -> all.reversed().stream().findFirst());
  }

  /**
   * Replaces every match in one change; the new text takes on the look of the first character it
   * replaces.
   */
  public static Revision replaceAll(Revision r, Query q, String with) {
    var steps = new ArrayList<Step>();
    Document d = r.document();
    // From the end of each paragraph, so that places before a match do not move.
    for (Selection s : changeable(d, q).reversed()) {
      Paragraph p = d.requireParagraph(s.anchor().paragraph());
      List<Inline> text =
          with.isEmpty()
              ? List.of()
              : List.of(new Inline.Text(with, p.lookAt(s.anchor().offset() + 1)));
      steps.add(new Step.ReplaceText(p.id(), s.anchor().offset(), s.caret().offset(), text));
    }
    return steps.isEmpty() ? r : r.apply(new Edit("Replace all", steps));
  }

  /** The matches that can be replaced: those on pages that are not pinned. */
  public static List<Selection> changeable(Document d, Query q) {
    return all(d, q).stream().filter(s -> !d.isPinned(s.anchor().paragraph())).toList();
  }

  private static List<Integer> matches(String text, Query q) {
    var out = new ArrayList<Integer>();
    int n = q.text().length();
    // Folded character by character: folding whole strings can change lengths and so the places.
    for (int at = 0; at + n <= text.length(); at++) {
      if (text.regionMatches(!q.matchCase(), at, q.text(), 0, n)) {
        out.add(at);
        at += n - 1;
      }
    }
    return out;
  }

  /** Whether a query would find this text, for lists that filter while one types. */
  public static boolean contains(String text, String part) {
    return text.toLowerCase(Locale.ROOT).contains(part.toLowerCase(Locale.ROOT));
  }
}
