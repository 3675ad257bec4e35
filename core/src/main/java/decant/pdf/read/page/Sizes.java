package decant.pdf.read.page;

/** Sizes of text held against each other. */
public final class Sizes {
  /** The size of text where nothing is known, in points; the default of common programs. */
  public static final double USUAL = 11.0;

  /** Points that sizes of one look differ by, from rounding. */
  public static final double SAME = 0.3;

  /** Points that mean a smaller size; notes are a point smaller at least. */
  public static final double SMALLER = 0.4;

  /** Points that sizes of one heading or paragraph differ by. */
  public static final double NEAR = 0.6;

  /** Of the size of the text: a size that shows as larger. Text of 11 points has headings of 12. */
  private static final double LARGER = 1.09;

  /** Of the size of the text: as large but for rounding. */
  public static final double AS_LARGE = 0.95;

  /** Points of space above something that stands off from what is above it. */
  public static final double STANDS_OFF = 1.5;

  /** Points by which places on one line or edge differ. */
  public static final double SAME_PLACE = 1.5;

  private Sizes() {}

  /** Whether two sizes are one but for rounding. */
  public static boolean same(double a, double b) {
    return Math.abs(a - b) < SAME;
  }

  /** Whether a size shows as larger than that of the text. */
  public static boolean isLarger(double size, double body) {
    return size > body * LARGER;
  }
}
