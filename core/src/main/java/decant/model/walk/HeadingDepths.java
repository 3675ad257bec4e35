package decant.model.walk;

import java.util.ArrayDeque;
import java.util.Deque;

/**
 * How deep headings stand, in their order. The tags of a PDF may leave out no level (ISO 14289-1
 * §7.4.2): where a heading of level 3 follows one of level 1, it stands one deeper, not two.
 */
public final class HeadingDepths {
  /** Tags go no deeper (ISO 32000-1 §14.8.4.3.2). */
  private static final int DEEPEST = 6;

  private final Deque<Integer> above = new ArrayDeque<>();

  /**
   * The depth of the next heading, from 1 to 6.
   *
   * @param level of it, from 1
   */
  public int next(int level) {
    while (!above.isEmpty() && above.peek() >= level) {
      above.pop();
    }
    above.push(level);
    return Math.min(DEEPEST, above.size());
  }
}
