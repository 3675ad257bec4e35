package decant.pdf.content;

import java.awt.geom.AffineTransform;

/**
 * A transformation of places (ISO 32000-2 §8.3.3): x' = ax + cy + e, y' = bx + dy + f. Immutable.
 */
public record Transform(double a, double b, double c, double d, double e, double f) {
  public static final Transform NONE = new Transform(1, 0, 0, 1, 0, 0);

  public static Transform moved(double x, double y) {
    return new Transform(1, 0, 0, 1, x, y);
  }

  public static Transform scaled(double x, double y) {
    return new Transform(x, 0, 0, y, 0, 0);
  }

  /** This one first, then another. */
  public Transform then(Transform o) {
    return new Transform(
        a * o.a + b * o.c,
        a * o.b + b * o.d,
        c * o.a + d * o.c,
        c * o.b + d * o.d,
        e * o.a + f * o.c + o.e,
        e * o.b + f * o.d + o.f);
  }

  public double x(double px, double py) {
    return a * px + c * py + e;
  }

  public double y(double px, double py) {
    return b * px + d * py + f;
  }

  /** For the drawing classes of the platform. */
  public AffineTransform affine() {
    return new AffineTransform(a, b, c, d, e, f);
  }
}
