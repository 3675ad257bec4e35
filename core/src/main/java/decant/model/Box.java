package decant.model;

/** An upright rectangle in points, y growing downwards. */
public record Box(double x, double y, double width, double height) {
  public double right() {
    return x + width;
  }

  public double bottom() {
    return y + height;
  }

  public boolean contains(double px, double py) {
    return px >= x && px <= right() && py >= y && py <= bottom();
  }

  public Box moved(double dx, double dy) {
    return new Box(x + dx, y + dy, width, height);
  }

  /** The smallest box around both. */
  public Box union(Box o) {
    double l = Math.min(x, o.x);
    double t = Math.min(y, o.y);
    return new Box(l, t, Math.max(right(), o.right()) - l, Math.max(bottom(), o.bottom()) - t);
  }
}
