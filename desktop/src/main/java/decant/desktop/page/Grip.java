package decant.desktop.page;

import decant.model.Box;
import javafx.geometry.Point2D;

/** Where an object that is selected is taken hold of: at a corner or a side of its frame. */
public enum Grip {
  TOP_LEFT(-1, -1),
  TOP(0, -1),
  TOP_RIGHT(1, -1),
  RIGHT(1, 0),
  BOTTOM_RIGHT(1, 1),
  BOTTOM(0, 1),
  BOTTOM_LEFT(-1, 1),
  LEFT(-1, 0);

  /** -1 at the left, 1 at the right. */
  public final int across;

  /** -1 at the top, 1 at the bottom. */
  public final int down;

  Grip(int across, int down) {
    this.across = across;
    this.down = down;
  }

  /** Where it is on a frame. */
  public Point2D on(Box frame) {
    return new Point2D(
        frame.x() + frame.width() * (1 + across) / 2, frame.y() + frame.height() * (1 + down) / 2);
  }

  public boolean isCorner() {
    return across != 0 && down != 0;
  }

  /**
   * The size that a frame has once the grip was pulled, in its own axes. At a corner it keeps its
   * ratio.
   */
  public double[] pulled(double width, double height, double dx, double dy) {
    double w = width + across * dx;
    double h = height + down * dy;
    if (!isCorner()) {
      return new double[] {w, h};
    }
    double by = Math.max(0.01, Math.max(w / width, h / height));
    return new double[] {width * by, height * by};
  }
}
