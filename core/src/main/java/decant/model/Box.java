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

  /** Whether another box lies within this one, or reaches out of it by no more than some points. */
  public boolean holds(Box o, double slack) {
    return o.x >= x - slack
        && o.right() <= right() + slack
        && o.y >= y - slack
        && o.bottom() <= bottom() + slack;
  }

  /** How much of their widths lies one above the other; negative for the distance between them. */
  public double sharedWidth(Box o) {
    return Math.min(right(), o.right()) - Math.max(x, o.x);
  }

  /** How much of their heights lies side by side; negative for the distance between them. */
  public double sharedHeight(Box o) {
    return Math.min(bottom(), o.bottom()) - Math.max(y, o.y);
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
