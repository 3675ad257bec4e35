package decant.pdf.amend.line;

/**
 * What lines are told and set by, in sizes of their letters unless said otherwise. Common practice,
 * and from memory where no source stands beside it.
 */
public final class AmendLimits {
  /** A gap without a space parts words. Programs that extract text commonly take 0.1 to 0.2. */
  public static final double WORD_GAP = 0.1;

  /** A gap ends a line: what follows is another column. */
  public static final double COLUMN_GAP = 1.2;

  /** The same where a space stands in the gap, as in lines that are set to the full width. */
  public static final double SPACED_GAP = 2;

  /** Letters that follow one another on one line stand no further above or below. */
  static final double STEADY = 0.03;

  /** They may begin this much before the one before ends. */
  static final double BACK = 0.5;

  /** Baselines this near are one line, in points and in sizes. */
  public static final double BASELINE = 0.12;

  /** How far above the line a letter no larger may stand, beside others, and belong to it. */
  public static final double RAISED = 0.6;

  /** The same below it. */
  public static final double LOWERED = 0.35;

  /** Lines are neighbours up to this distance. */
  public static final double NEXT_LINE = 2.6;

  /** Lines of one paragraph stand no further apart. */
  public static final double NEXT_PITCH = 1.9;

  /** Edges of lines this near are one edge, in points. */
  public static final double EDGE = 0.9;

  /** Gaps between words may shrink to this share of theirs, and to no less than the second. */
  public static final double TIGHT_GAP = 0.7;

  public static final double LEAST_GAP = 0.16;

  /** Letters may come nearer by this. */
  public static final double TIGHT_LETTERS = 0.02;

  /** Letters may become smaller to this share. */
  public static final double SMALLEST = 0.88;

  /** Gaps of a line that is set to the full width may grow by this share, and by this much. */
  public static final double WIDE_GAP = 0.6;

  public static final double WIDER_GAP = 0.25;

  /** A gap where neither font nor line tells of one. */
  public static final double USUAL_GAP = 0.27;

  /** Text keeps this far from what stands beside it. */
  public static final double BESIDE = 0.3;

  /** Letters shown twice to look bold lie this near, for they would not be read apart. */
  public static final double TWICE = 0.25;

  /** How far letters commonly reach above and below the line. */
  public static final double ASCENT = 0.9;

  public static final double DESCENT = 0.25;

  private AmendLimits() {}
}
