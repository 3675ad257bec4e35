package decant.verify.pdf;

import decant.layout.item.Item;
import decant.model.Box;
import decant.model.look.Insets;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.picture.VectorPicture;
import decant.verify.pdf.PlacedPictures.Kind;
import decant.verify.pdf.PlacedPictures.Placed;
import java.awt.geom.AffineTransform;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** The pictures and drawings that a page of the layout shows, gathered while it is walked. */
final class ExpectedPictures {
  /** The least side of an area, in points. */
  private static final double MIN = 8;

  private final Map<MediaId, Media> media;
  private final Predicate<Media> isPainted;
  private final List<Placed> placed = new ArrayList<>();
  private boolean drawn;
  private boolean lined;
  private final Deque<AffineTransform> outer = new ArrayDeque<>();
  private AffineTransform turned = new AffineTransform();

  /**
   * @param isPainted whether a drawing becomes dots in the file
   */
  ExpectedPictures(Map<MediaId, Media> media, Predicate<Media> isPainted) {
    this.media = media;
    this.isPainted = isPainted;
  }

  void turn(double degrees, double x, double y) {
    outer.push(new AffineTransform(turned));
    turned.rotate(Math.toRadians(degrees), x, y);
  }

  void turnBack() {
    turned = outer.pop();
  }

  void picture(Item.PictureBox picture, Box box) {
    Insets c = picture.crop();
    double w = box.width() / (1 - c.left() - c.right());
    double h = box.height() / (1 - c.top() - c.bottom());
    Media m = media.get(picture.media());
    boolean drawing = m != null && VectorPicture.isVector(m.type()) && !isPainted.test(m);
    Box whole = PlacedPictures.around(turned, box.x() - c.left() * w, box.y() - c.top() * h, w, h);
    placed.add(new Placed(drawing ? Kind.DRAWING : Kind.PIXELS, whole));
    drawn = true;
  }

  void shape() {
    drawn = true;
  }

  /** An area of a colour, as boxes and shaded cells have it; lines are too thin to be told of. */
  void fill(Box box) {
    lined = true;
    if (Math.min(box.width(), box.height()) >= MIN) {
      drawn = true;
    }
  }

  /** The pictures in the order in which they are painted. */
  List<Placed> placed() {
    return placed;
  }

  /** Whether there are lines or areas and no pictures, which may be made smaller and coarser. */
  boolean isLined() {
    return lined && placed.isEmpty();
  }

  /** Whether anything is to be seen but text and lines. */
  boolean isDrawn() {
    return drawn;
  }
}
