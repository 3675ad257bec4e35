package decant.model.look;

/** Distances inwards from the four edges of a box, in points. */
public record Insets(double top, double right, double bottom, double left) {
  public static final Insets NONE = new Insets(0, 0, 0, 0);
}
