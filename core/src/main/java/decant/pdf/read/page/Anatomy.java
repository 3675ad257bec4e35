package decant.pdf.read.page;

/**
 * How letters of usual fonts stand on their line, in ems: facts of type rather than thresholds, as
 * is common practice.
 */
public final class Anatomy {
  /** How far capitals and tall letters reach above the baseline, with a little room. */
  public static final double ASCENT = 0.8;

  /** How far letters reach below it. */
  public static final double DESCENT = 0.22;

  /** The middle of small letters above it. */
  private static final double MIDDLE = 0.3;

  /** Between baselines of lines where nothing else is known, as is common practice. */
  public static final double LEADING = 1.2;

  private Anatomy() {}

  /** The height on a page at which small letters on a baseline have their middle. */
  public static double middle(double baseline, double size) {
    return baseline - MIDDLE * size;
  }
}
