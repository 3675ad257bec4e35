package decant.compare;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Headings by how deep they stand instead of by their levels. The tags of a PDF may leave out no
 * level (ISO 14289-1 §7.4.2), so that a document which begins with a heading of level 2 and a PDF
 * of it tell different levels of one and the same heading.
 */
final class HeadingDepths {
  /** Tags go no deeper (ISO 32000-1 §14.8.4.3.2). */
  private static final int DEEPEST = 6;

  private HeadingDepths() {}

  static List<Piece> of(List<Piece> pieces) {
    Deque<Integer> above = new ArrayDeque<>();
    var out = new ArrayList<Piece>();
    for (Piece p : pieces) {
      if (p instanceof Piece.Text t && t.level() > 0) {
        while (!above.isEmpty() && above.peek() >= t.level()) {
          above.pop();
        }
        above.push(t.level());
        int depth = Math.min(DEEPEST, above.size());
        out.add(new Piece.Text(t.page(), depth, t.item(), t.begins(), t.words()));
      } else {
        out.add(p);
      }
    }
    return out;
  }
}
