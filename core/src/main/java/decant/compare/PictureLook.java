package decant.compare;

import decant.model.Inline;
import decant.model.look.Insets;
import decant.model.look.Placement;

/**
 * How a picture stands.
 *
 * @param crop share of each side that is cut off
 * @param rotation clockwise, in degrees
 */
record PictureLook(Placement placement, Insets crop, double rotation) {
  private static final double SAME_TURN = 0.5;
  private static final double SAME_CROP = 0.01;

  static PictureLook of(Inline.Picture p) {
    return new PictureLook(p.placement(), p.crop(), p.rotation());
  }

  void differing(PictureLook o, About.Found found) {
    boolean cut =
        near(crop.top(), o.crop.top())
            && near(crop.right(), o.crop.right())
            && near(crop.bottom(), o.crop.bottom())
            && near(crop.left(), o.crop.left());
    found
        .add(Math.abs(rotation - o.rotation) <= SAME_TURN, About.TURN)
        .add(cut, About.CROP)
        .add(stands(o.placement), About.PLACE);
  }

  private static boolean near(double a, double b) {
    return Math.abs(a - b) <= SAME_CROP;
  }

  private boolean stands(Placement other) {
    if (placement instanceof Placement.Floating a && other instanceof Placement.Floating b) {
      return along(a.across(), b.across()) && along(a.down(), b.down()) && a.behind() == b.behind();
    }
    return placement.getClass().equals(other.getClass());
  }

  private static boolean along(Placement.Axis a, Placement.Axis b) {
    return a.origin() == b.origin()
        && a.align() == b.align()
        && Near.lengths(a.offset(), b.offset());
  }
}
