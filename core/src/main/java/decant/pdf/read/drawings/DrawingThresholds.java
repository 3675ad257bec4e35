package decant.pdf.read.drawings;

/**
 * Drawings: where one thing ends and another begins. Lengths are in ems of the text at hand, shares
 * are of what is named, and points are said to be such.
 */
final class DrawingThresholds {
  private DrawingThresholds() {}

  /** Of {@link decant.pdf.read.drawings.AxisLabels}. */
  static final class AxisLabels {
    private AxisLabels() {}

    static final double NEAR = 18;

    /** Labels are short beside what they label. */
    static final double WIDEST = 0.35;

    /** Times the distance of labels that the outermost may reach beyond the axis. */
    static final double BEYOND = 2.5;
  }

  /** Of {@link decant.pdf.read.drawings.Panels}. */
  static final class Panels {
    private Panels() {}

    /** Frames, shadows and the marks of items; a chart has more. */
    static final int MOST_SHAPES = 60;

    /** A box, its frame and its shadow. */
    static final int BAR_SHAPES = 4;

    /** How many letters and words a line has that is no label. */
    static final int SENTENCE = 15;

    static final int WORDS = 3;

    /** Of the letters, and of the lines. */
    static final double MOSTLY = 0.6;

    /** Of the width of the panel that its widest line takes. */
    static final double WIDE = 0.45;

    /** In ems. */
    static final double SAME_EDGE = 0.5;
  }

  /** Of {@link decant.pdf.read.drawings.DetectedDrawings}. */
  static final class DetectedDrawings {
    private DetectedDrawings() {}

    /** Shapes nearer than this belong to one drawing, in points. */
    static final double NEAR = 4;

    static final double SMALLEST = 24;

    /** Drawings nearer than this may be parts of one. */
    static final double PARTS_NEAR = 40;

    /** A drawing with more than this share of its area under letters is text with decoration. */
    static final double MAX_TEXT = 0.25;

    /** Of a page: what covers more is its background. */
    static final double BACKGROUND = 0.7;

    /**
     * Of the width or the height of a page: what reaches from edge to edge is no drawing of its
     * own.
     */
    static final double ACROSS = 0.98;

    /** Of the place of a background that is covered by what is part of it. */
    static final double COVERS = 0.9;
  }
}
