package decant.model.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.Set;

/**
 * How the items of one list are labelled, level by level.
 *
 * @param series lists of one series count on together
 * @param restarts the depths at which this list begins anew in its series
 */
public record ListDefinition(String id, String series, Set<Integer> restarts, List<Level> levels) {
  /** A list that counts for itself. */
  public ListDefinition(String id, List<Level> levels) {
    this(id, id, Set.of(), levels);
  }

  /** Counting begins anew after any shallower item. */
  public static final int USUAL_RESTART = 9;

  /** How much further in a level stands than the one above it, in points. */
  private static final double STEP = 18;

  /** What stands between a label and its text. */
  public enum Follow {
    TAB,
    SPACE,
    NOTHING
  }

  /** How numbers are written. */
  public enum NumberFormat {
    BULLET,
    DECIMAL,
    LOWER_LETTER,
    UPPER_LETTER,
    LOWER_ROMAN,
    UPPER_ROMAN,
    /** Decimal with a leading zero below ten. */
    TWO_DIGITS,
    /** 1st, 2nd, 3rd. */
    ORDINAL,
    NONE;

    /** The number that is written so in this format; empty if none is. */
    public OptionalInt read(String written) {
      return switch (this) {
        case DECIMAL, TWO_DIGITS ->
            written.matches("\\d{1,9}")
                ? OptionalInt.of(Integer.parseInt(written))
                : OptionalInt.empty();
        case LOWER_LETTER, UPPER_LETTER ->
            written.matches("[A-Za-z]+")
                ? OptionalInt.of(
                    Character.toLowerCase(written.charAt(0))
                        - 'a'
                        + 1
                        + 26 * (written.length() - 1))
                : OptionalInt.empty();
        case LOWER_ROMAN, UPPER_ROMAN -> roman(written.toLowerCase(Locale.ROOT));
        case BULLET, NONE, ORDINAL -> OptionalInt.empty();
      };
    }

    private static OptionalInt roman(String written) {
      int sum = 0;
      int before = 0;
      for (int k = written.length() - 1; k >= 0; k--) {
        int value =
            switch (written.charAt(k)) {
              case 'i' -> 1;
              case 'v' -> 5;
              case 'x' -> 10;
              case 'l' -> 50;
              case 'c' -> 100;
              case 'd' -> 500;
              case 'm' -> 1000;
              default -> 0;
            };
        if (value == 0) {
          return OptionalInt.empty();
        }
        sum += value < before ? -value : value;
        before = Math.max(before, value);
      }
      return OptionalInt.of(sum);
    }
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
   * @param follow what stands between label and text
   * @param alignment where the label stands to the place where it begins
   * @param restartAfter counting begins anew after an item of this depth or a shallower one, from
   *     1; 0 never to begin anew
   * @param legal all numbers in the label are written in decimal
   */
  public record Level(
      NumberFormat format,
      String pattern,
      int start,
      Look paragraph,
      Look label,
      Follow follow,
      ParagraphTraits.Alignment alignment,
      int restartAfter,
      boolean legal) {
    /** A level whose label is followed by a tab and begins at the indent, as is usual. */
    public Level(NumberFormat format, String pattern, int start, Look paragraph, Look label) {
      this(
          format,
          pattern,
          start,
          paragraph,
          label,
          Follow.TAB,
          ParagraphTraits.Alignment.START,
          USUAL_RESTART,
          false);
    }

    /** This level, counting from another number. */
    public Level from(int first) {
      return new Level(
          format, pattern, first, paragraph, label, follow, alignment, restartAfter, legal);
    }

    /** This level, with its number written otherwise. */
    public Level written(NumberFormat other, String otherPattern) {
      return new Level(
          other, otherPattern, start, paragraph, label, follow, alignment, restartAfter, legal);
    }

    /** The level below one of this depth, from 0: like it, further in. */
    private Level below(int depth) {
      Look further =
          paragraph.with(
              ParagraphTraits.INDENT_START, paragraph.value(ParagraphTraits.INDENT_START) + STEP);
      String own = pattern.replace("%" + (depth + 1), "%" + (depth + 2));
      return new Level(
          format,
          own,
          ordered() ? 1 : start,
          further,
          label,
          follow,
          alignment,
          restartAfter,
          legal);
    }

    public boolean ordered() {
      return format != NumberFormat.BULLET && format != NumberFormat.NONE;
    }
  }

  public ListDefinition {
    restarts = Set.copyOf(restarts);
    levels = List.copyOf(levels);
  }

  /** The level at a depth; the deepest known for depths beyond it. */
  public Level level(int depth) {
    return levels.get(Math.clamp(depth, 0, levels.size() - 1));
  }

  /** This list with levels down to a depth, so that its items can stand so deep. */
  public ListDefinition downTo(int depth) {
    if (depth < levels.size()) {
      return this;
    }
    var out = new ArrayList<>(levels);
    while (out.size() <= depth) {
      out.add(out.getLast().below(out.size() - 1));
    }
    return new ListDefinition(id, series, restarts, out);
  }

  /** The levels of this list, with another one at a depth. */
  public List<Level> with(int depth, Level level) {
    var out = new ArrayList<>(levels);
    out.set(Math.clamp(depth, 0, levels.size() - 1), level);
    return out;
  }

  /** A list whose first level has items marked as one is: "•", "1." or "(a)"; nine levels. */
  public static ListDefinition marked(String id, String mark) {
    boolean bullets = Markers.isBullet(mark);
    String bare = mark.replaceAll("[().]", "");
    var levels = new ArrayList<Level>();
    for (int k = 0; k < 9; k++) {
      Look indents =
          Look.of(ParagraphTraits.INDENT_START, 18.0 * (k + 1))
              .with(ParagraphTraits.FIRST_LINE, -18.0);
      if (bullets) {
        String bullet = k == 0 && mark.matches("[•▪◦–—‣●○■]") ? mark : k % 2 == 0 ? "•" : "–";
        levels.add(new Level(NumberFormat.BULLET, bullet, 1, indents, Look.PLAIN));
      } else {
        String pattern = mark.replace(bare, "%" + (k + 1));
        levels.add(new Level(format(bare, k), pattern, start(bare), indents, Look.PLAIN));
      }
    }
    return new ListDefinition(id, levels);
  }

  private static int start(String bare) {
    return bare.matches("\\d{1,3}") ? Math.max(1, Integer.parseInt(bare)) : 1;
  }

  private static NumberFormat format(String bare, int depth) {
    if (depth > 0) {
      return depth % 2 == 1 ? NumberFormat.LOWER_LETTER : NumberFormat.LOWER_ROMAN;
    }
    if (bare.matches("\\d+")) {
      return NumberFormat.DECIMAL;
    }
    if (bare.matches("[ivx]+")) {
      return NumberFormat.LOWER_ROMAN;
    }
    return bare.equals(bare.toUpperCase(Locale.ROOT))
        ? NumberFormat.UPPER_LETTER
        : NumberFormat.LOWER_LETTER;
  }
}
