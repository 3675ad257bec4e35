package decant.verify.pdf;

import decant.model.Box;
import decant.pdf.content.ContentReader;
import decant.pdf.content.Instruction;
import decant.pdf.content.ReadPage;
import decant.pdf.content.Transform;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.jspecify.annotations.Nullable;

/**
 * The pictures and drawings that the operators of a page paint (ISO 32000-2 §8.9.5 and §8.10), in
 * their order.
 */
final class PlacedPictures {
  /** What something is painted as. */
  enum Kind {
    PIXELS,
    DRAWING
  }

  /** One that is painted; its box from the page's top left corner, in points. */
  record Placed(Kind kind, Box box) {
    /** Half a point: what is written is rounded. */
    private static final double SAME = 0.5;

    /** Whether this stands where it should; a drawing may paint beyond its frame on all sides. */
    boolean stands(Placed wanted) {
      double left = wanted.box.x() - box.x();
      double top = wanted.box.y() - box.y();
      double right = box.right() - wanted.box.right();
      double bottom = box.bottom() - wanted.box.bottom();
      double min = Math.min(Math.min(left, right), Math.min(top, bottom));
      double max = Math.max(Math.max(left, right), Math.max(top, bottom));
      boolean amid = Math.abs(left - right) < SAME && Math.abs(top - bottom) < SAME;
      return kind == wanted.kind && min > -SAME && (kind == Kind.DRAWING ? amid : max < SAME);
    }
  }

  private PlacedPictures() {}

  /** Those of a page; what cannot be unpacked paints nothing. */
  static List<Placed> on(PDPage page) throws IOException {
    PDResources r = page.getResources();
    if (r == null || !r.getXObjectNames().iterator().hasNext()) {
      return List.of(); // it has none to paint
    }
    var out = new ArrayList<Placed>();
    var saved = new ArrayDeque<Transform>();
    Transform now = Transform.NONE;
    double height = page.getMediaBox().getHeight();
    for (Instruction i : ContentReader.all(ReadPage.Unpacked.of(page).bytes())) {
      switch (i) {
        case Instruction.Save q -> saved.push(now);
        case Instruction.Restore q -> now = saved.isEmpty() ? now : saved.pop();
        case Instruction.Concat c -> now = c.transform().then(now);
        case Instruction.PaintObject p ->
            placed(r.getXObject(COSName.getPDFName(p.name())), now)
                .ifPresent(b ->
                    out.add(
                        new Placed(
                            b.kind(),
                            new Box(
                                b.box().x(),
                                height - b.box().bottom(),
                                b.box().width(),
                                b.box().height()))));
        default -> {}
      }
    }
    return out;
  }

  /** What an object paints, its box from the page's lower left corner. */
  private static Optional<Placed> placed(@Nullable PDXObject x, Transform now) {
    AffineTransform t = now.affine();
    if (x instanceof PDImageXObject) {
      return Optional.of(new Placed(Kind.PIXELS, around(t, 0, 0, 1, 1)));
    }
    if (!(x instanceof PDFormXObject form)) {
      return Optional.empty();
    }
    t.concatenate(form.getMatrix().createAffineTransform());
    PDRectangle b = form.getBBox();
    return Optional.of(
        new Placed(
            Kind.DRAWING,
            around(t, b.getLowerLeftX(), b.getLowerLeftY(), b.getWidth(), b.getHeight())));
  }

  /** The upright box around a box that was moved, turned and stretched. */
  static Box around(AffineTransform t, double x, double y, double w, double h) {
    Rectangle2D r = t.createTransformedShape(new Rectangle2D.Double(x, y, w, h)).getBounds2D();
    return new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight());
  }
}
