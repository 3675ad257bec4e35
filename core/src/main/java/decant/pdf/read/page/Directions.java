package decant.pdf.read.page;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Glyphs from left to right into the order in which they are read. */
public final class Directions {
  private Directions() {}

  /**
   * The glyphs in logical order: right-to-left runs turned round, numbers and left-to-right words
   * within them not.
   */
  public static List<Glyph> logical(List<Glyph> visual) {
    int rightToLeft = 0;
    int leftToRight = 0;
    for (Glyph g : visual) {
      switch (strength(g)) {
        case 1 -> rightToLeft++;
        case -1 -> leftToRight++;
        default -> {}
      }
    }
    if (rightToLeft == 0) {
      return visual;
    }
    boolean base = rightToLeft >= leftToRight;
    var out = new ArrayList<Glyph>();
    int k = 0;
    while (k < visual.size()) {
      int s = strengthOrNumber(visual.get(k));
      int end = k + 1;
      int lastStrong = k;
      // A run of the direction against the base, with the neutrals inside it.
      boolean against = base ? s == -1 : s == 1;
      if (against) {
        while (end < visual.size()) {
          int t = strengthOrNumber(visual.get(end));
          if (t == s) {
            lastStrong = end;
          } else if (t != 0) {
            break;
          }
          end++;
        }
        List<Glyph> run = new ArrayList<>(visual.subList(k, lastStrong + 1));
        if (base) {
          out.addAll(run.reversed()); // turned round again below, with everything else
        } else {
          Collections.reverse(run);
          out.addAll(run);
        }
        k = lastStrong + 1;
      } else {
        out.add(visual.get(k));
        k++;
      }
    }
    if (base) {
      Collections.reverse(out);
    }
    return out;
  }

  /** 1 for right to left, -1 for left to right, 0 for neither. */
  private static int strength(Glyph g) {
    if (g.text().isEmpty()) {
      return 0;
    }
    return switch (Character.getDirectionality(g.text().codePointAt(0))) {
      case Character.DIRECTIONALITY_RIGHT_TO_LEFT, Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC ->
          1;
      case Character.DIRECTIONALITY_LEFT_TO_RIGHT -> -1;
      default -> 0;
    };
  }

  private static int strengthOrNumber(Glyph g) {
    int s = strength(g);
    if (s != 0 || g.text().isEmpty()) {
      return s;
    }
    byte d = Character.getDirectionality(g.text().codePointAt(0));
    return d == Character.DIRECTIONALITY_EUROPEAN_NUMBER
            || d == Character.DIRECTIONALITY_ARABIC_NUMBER
        ? -1
        : 0;
  }

  /** How many more of a line's letters run from right to left than from left to right. */
  public static int lean(TextLine l) {
    return l.glyphs().stream().mapToInt(Directions::strength).sum();
  }

  /** Whether the first letter of a text runs from right to left (UAX #9, P2). */
  public static boolean beginsRightToLeft(List<Glyph> logical) {
    return logical.stream().mapToInt(Directions::strength).filter(s -> s != 0).findFirst().orElse(0)
        > 0;
  }
}
