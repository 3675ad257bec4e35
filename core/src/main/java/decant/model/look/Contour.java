package decant.model.look;

import java.util.List;

/**
 * The outline that text keeps clear of, as a closed polygon.
 *
 * @param points its corners in shares of the thing's width and height, from its top left corner;
 *     none for the thing's whole box
 */
public record Contour(List<Point> points) {
  /** The whole box of a thing. */
  public static final Contour BOX = new Contour(List.of());

  /** A place in shares of a width and a height; 0 to 1 within the box, but it may reach over it. */
  public record Point(double x, double y) {}

  public Contour {
    points = List.copyOf(points);
  }

  public boolean isBox() {
    return points.isEmpty();
  }
}
