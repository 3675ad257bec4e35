package decant.model.look;

/** Where a picture, a shape or a table stands. */
public sealed interface Placement {
  /** On the line like a character, or in the flow like a paragraph. */
  Placement INLINE = new OnLine();

  /** On the line like a character, or in the flow like a paragraph. */
  record OnLine() implements Placement {}

  /**
   * Beside the flow, at a place that follows from the page and the paragraph it is anchored to.
   *
   * @param across where it stands from left to right
   * @param down where it stands from top to bottom
   * @param distance how far text keeps from it
   * @param behind whether it is painted before the text
   */
  record Floating(Axis across, Axis down, Wrap wrap, Insets distance, boolean behind)
      implements Placement {
    /**
     * At a place of the page, with text running through it.
     *
     * @param x in points from its left edge
     * @param y in points from its top
     */
    public static Floating onPage(double x, double y, boolean behind) {
      return new Floating(
          new Axis(Origin.PAGE, Align.OFFSET, x),
          new Axis(Origin.PAGE, Align.OFFSET, y),
          Wrap.THROUGH,
          Insets.NONE,
          behind);
    }

    /** So far from here, in points; what is aligned to an edge then has a distance from it. */
    public Floating shifted(double x, double y) {
      return new Floating(
          new Axis(across.origin(), Align.OFFSET, across.offset() + x),
          new Axis(down.origin(), Align.OFFSET, down.offset() + y),
          wrap,
          distance,
          behind);
    }
  }

  /** What a distance is measured from. */
  enum Origin {
    PAGE,
    MARGIN,
    COLUMN,
    /** The paragraph it is anchored to. */
    PARAGRAPH,
    /** The line that the anchor stands on. */
    LINE
  }

  /**
   * A place along one axis: aligned within the origin's extent, or so many points from its start.
   */
  record Axis(Origin origin, Align align, double offset) {}

  /** How something is aligned within what it is measured from. */
  enum Align {
    OFFSET,
    START,
    CENTRE,
    END
  }

  /** How text flows around it. */
  sealed interface Wrap {
    /** Text runs on both sides of its box. */
    Wrap AROUND = new Around(Side.BOTH, Contour.BOX);

    Wrap ABOVE_AND_BELOW = new AboveAndBelow();
    Wrap THROUGH = new Through();

    /**
     * Text runs beside it.
     *
     * @param contour what it keeps clear of
     */
    record Around(Side side, Contour contour) implements Wrap {}

    /** Text stands above and below it, not beside it. */
    record AboveAndBelow() implements Wrap {}

    /** Text takes no notice of it. */
    record Through() implements Wrap {}
  }

  /** Where text runs beside something. */
  enum Side {
    BOTH,
    LEFT,
    RIGHT,
    /** Where there is more room. */
    WIDER
  }
}
