package decant.model.look;

/**
 * A frame that paragraphs stand in beside the flow. Neighbours of equal frames stand in one.
 *
 * @param width in points; 0 for as wide as its text
 * @param height in points; 0 for as high as its text
 * @param exact whether the height is exact, rather than the least
 * @param placement where it stands; {@link Placement#INLINE} for no frame
 */
public record TextFrame(double width, double height, boolean exact, Placement placement) {
  /** No frame: the paragraph stands in the flow. */
  public static final TextFrame NONE = new TextFrame(0, 0, false, Placement.INLINE);
}
