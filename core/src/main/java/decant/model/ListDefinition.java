package decant.model;

import java.util.List;

/** How the items of one list are labelled, level by level. */
public record ListDefinition(String id, List<Level> levels) {
  /** How numbers are written. */
  public enum NumberFormat {
    BULLET,
    DECIMAL,
    LOWER_LETTER,
    UPPER_LETTER,
    LOWER_ROMAN,
    UPPER_ROMAN,
    NONE
  }

  /**
   * One level of a list.
   *
   * @param format how this level's number is written
   * @param pattern the label with {@code %1} to {@code %9} for the numbers of the levels, or the
   *     bullet itself
   * @param start the first number
   * @param paragraph indents of the level, in points
   * @param label look of the label
   */
  public record Level(NumberFormat format, String pattern, int start, Look paragraph, Look label) {
    public boolean ordered() {
      return format != NumberFormat.BULLET && format != NumberFormat.NONE;
    }
  }

  public ListDefinition {
    levels = List.copyOf(levels);
  }

  /** The level at a depth; the deepest known for depths beyond it. */
  public Level level(int depth) {
    return levels.get(Math.clamp(depth, 0, levels.size() - 1));
  }
}
