package decant.office.emit;

/** Which way characters run, as far as this format asks. */
public final class Direction {
  private Direction() {}

  /** Whether the first character from a place on that has a direction runs from right to left. */
  public static boolean isRightToLeft(String s, int from) {
    for (int k = from; k < s.length(); ) {
      int c = s.codePointAt(k);
      int strong = strong(c);
      if (strong != 0) {
        return strong < 0;
      }
      k += Character.charCount(c);
    }
    return false;
  }

  /** Where the stretch ends that runs this way. */
  public static int end(String s, int from, boolean rightToLeft) {
    int k = from;
    while (k < s.length()) {
      int c = s.codePointAt(k);
      int strong = strong(c);
      if (strong != 0 && strong < 0 != rightToLeft) {
        return k;
      }
      k += Character.charCount(c);
    }
    return k;
  }

  private static int strong(int c) {
    return switch (Character.getDirectionality(c)) {
      case Character.DIRECTIONALITY_RIGHT_TO_LEFT, Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC ->
          -1;
      case Character.DIRECTIONALITY_LEFT_TO_RIGHT -> 1;
      default -> 0;
    };
  }
}
