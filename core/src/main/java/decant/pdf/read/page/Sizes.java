package decant.pdf.read.page;

/** Sizes of text held against each other, and places by the size of the text at them. */
public final class Sizes {
  /** The size of text where nothing is known, in points; the default of common programs. */
  public static final double DEFAULT = 11.0;

  /** Of a size: sizes of one look differ by less, from rounding to tenths of a point. */
  private static final double SAME = 0.03;

  /** Of the size of the text: notes are a point smaller at least, other text is not. */
  private static final double SMALLER = 0.04;

  /** Of a size: sizes within one heading or paragraph differ by less. */
  private static final double NEAR = 0.06;

  /** Of the size of the text: a size that shows as larger. Text of 11 points has headings of 12. */
  private static final double LARGER = 1.09;

  /** Of the size of the text: as large but for rounding. */
  public static final double AS_LARGE = 0.95;

  /** Ems of space above something that stands off from what is above it. */
  private static final double STANDS_OFF = 0.15;

  /** Ems by which places on one line or edge differ. */
  private static final double SAME_PLACE = 0.15;

  /** Of the size of the text: what is raised has at most; 0.58 to 0.83 is usual. */
  public static final double RAISED = 0.85;

  private Sizes() {}

  /** Whether two sizes are one but for rounding. */
  public static boolean same(double a, double b) {
    return Math.abs(a - b) < SAME * Math.max(a, b);
  }

  /** Whether two sizes may be of one paragraph. */
  public static boolean near(double a, double b) {
    return Math.abs(a - b) < NEAR * Math.max(a, b);
  }

  /** Whether a size shows as larger than that of the text. */
  public static boolean isLarger(double size, double body) {
    return size > body * LARGER;
  }

  /** Whether a size shows as smaller than that of the text. */
  public static boolean isSmaller(double size, double body) {
    return size < body * (1 - SMALLER);
  }

  /** Whether a size is that of the text or a smaller one. */
  public static boolean isNoLarger(double size, double body) {
    return size < body * (1 + SAME);
  }

  /** Whether space above text of a size sets it off. */
  public static boolean standsOff(double space, double size) {
    return space > STANDS_OFF * size;
  }

  /** Whether two places are one for text of a size. */
  public static boolean samePlace(double a, double b, double size) {
    return Math.abs(a - b) < SAME_PLACE * size;
  }
}
