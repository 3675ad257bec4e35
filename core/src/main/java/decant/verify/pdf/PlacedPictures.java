package decant.verify.pdf;

import decant.model.Box;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.contentstream.PDFStreamEngine;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.contentstream.operator.OperatorName;
import org.apache.pdfbox.contentstream.operator.OperatorProcessor;
import org.apache.pdfbox.contentstream.operator.state.Concatenate;
import org.apache.pdfbox.contentstream.operator.state.Restore;
import org.apache.pdfbox.contentstream.operator.state.Save;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * The pictures and drawings that the operators of a page paint (ISO 32000-2 §8.9.5 and §8.10), in
 * their order.
 */
final class PlacedPictures extends PDFStreamEngine {
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
      double least = Math.min(Math.min(left, right), Math.min(top, bottom));
      double most = Math.max(Math.max(left, right), Math.max(top, bottom));
      boolean amid = Math.abs(left - right) < SAME && Math.abs(top - bottom) < SAME;
      return kind == wanted.kind && least > -SAME && (kind == Kind.DRAWING ? amid : most < SAME);
    }
  }

  private final List<Placed> placed = new ArrayList<>();
  private final double pageHeight;

  private PlacedPictures(double pageHeight) {
    this.pageHeight = pageHeight;
    addOperator(new Concatenate(this));
    addOperator(new Save(this));
    addOperator(new Restore(this));
    addOperator(new Painting());
  }

  static List<Placed> on(PDPage page) throws IOException {
    PDResources r = page.getResources();
    if (r == null || !r.getXObjectNames().iterator().hasNext()) {
      return List.of(); // it has none to paint
    }
    var engine = new PlacedPictures(page.getMediaBox().getHeight());
    engine.processPage(page);
    return engine.placed;
  }

  /** The upright box around a box that was moved, turned and stretched. */
  static Box around(AffineTransform t, double x, double y, double w, double h) {
    Rectangle2D r = t.createTransformedShape(new Rectangle2D.Double(x, y, w, h)).getBounds2D();
    return new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight());
  }

  private final class Painting extends OperatorProcessor {
    Painting() {
      super(PlacedPictures.this);
    }

    @Override
    public void process(Operator operator, List<COSBase> operands) throws IOException {
      if (operands.isEmpty() || !(operands.getFirst() instanceof COSName name)) {
        return;
      }
      PDXObject x = getResources().getXObject(name);
      AffineTransform t =
          getGraphicsState().getCurrentTransformationMatrix().createAffineTransform();
      if (x instanceof PDImageXObject) {
        add(Kind.PIXELS, around(t, 0, 0, 1, 1));
      } else if (x instanceof PDFormXObject form) {
        t.concatenate(form.getMatrix().createAffineTransform());
        PDRectangle b = form.getBBox();
        add(
            Kind.DRAWING,
            around(t, b.getLowerLeftX(), b.getLowerLeftY(), b.getWidth(), b.getHeight()));
      }
    }

    private void add(Kind kind, Box up) {
      placed.add(
          new Placed(kind, new Box(up.x(), pageHeight - up.bottom(), up.width(), up.height())));
    }

    @Override
    public String getName() {
      return OperatorName.DRAW_OBJECT;
    }
  }
}
