package decant.pdf.kept;

import decant.pdf.content.PageSpace;
import decant.pdf.content.ReadPage;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.contentstream.PDFStreamEngine;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.contentstream.operator.OperatorProcessor;
import org.apache.pdfbox.contentstream.operator.state.Concatenate;
import org.apache.pdfbox.contentstream.operator.state.Restore;
import org.apache.pdfbox.contentstream.operator.state.Save;
import org.apache.pdfbox.contentstream.operator.state.SetGraphicsStateParameters;
import org.apache.pdfbox.contentstream.operator.state.SetMatrix;
import org.apache.pdfbox.contentstream.operator.text.BeginText;
import org.apache.pdfbox.contentstream.operator.text.EndText;
import org.apache.pdfbox.contentstream.operator.text.MoveText;
import org.apache.pdfbox.contentstream.operator.text.MoveTextSetLeading;
import org.apache.pdfbox.contentstream.operator.text.NextLine;
import org.apache.pdfbox.contentstream.operator.text.SetCharSpacing;
import org.apache.pdfbox.contentstream.operator.text.SetFontAndSize;
import org.apache.pdfbox.contentstream.operator.text.SetTextHorizontalScaling;
import org.apache.pdfbox.contentstream.operator.text.SetTextLeading;
import org.apache.pdfbox.contentstream.operator.text.SetTextRenderingMode;
import org.apache.pdfbox.contentstream.operator.text.SetTextRise;
import org.apache.pdfbox.contentstream.operator.text.SetWordSpacing;
import org.apache.pdfbox.contentstream.operator.text.ShowText;
import org.apache.pdfbox.contentstream.operator.text.ShowTextAdjusted;
import org.apache.pdfbox.contentstream.operator.text.ShowTextLine;
import org.apache.pdfbox.contentstream.operator.text.ShowTextLineAndSpace;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;

/**
 * Where each instruction of a page's content paints letters or a picture: the middles of the
 * letters, that of the picture, in points from the top left of the page as shown.
 */
final class PaintedPlaces extends PDFStreamEngine {
  /** Forms within forms beyond this depth are passed over. */
  private static final int DEEPEST = 20;

  private final AffineTransform shown;
  private final ReadPage page;
  private final Map<Integer, List<Point2D>> places = new HashMap<>();
  private int at = -1;
  private int depth;

  private PaintedPlaces(PDPage page) {
    this.page = new ReadPage(page);
    this.shown = PageSpace.shown(page.getCropBox(), page.getRotation());
    List<OperatorProcessor> all =
        List.of(
            new BeginText(this),
            new EndText(this),
            new Concatenate(this),
            new Save(this),
            new Restore(this),
            new SetGraphicsStateParameters(this),
            new SetMatrix(this),
            new NextLine(this),
            new MoveText(this),
            new MoveTextSetLeading(this),
            new SetCharSpacing(this),
            new SetFontAndSize(this),
            new SetTextLeading(this),
            new SetTextRenderingMode(this),
            new SetTextRise(this),
            new SetWordSpacing(this),
            new SetTextHorizontalScaling(this),
            new ShowText(this),
            new ShowTextAdjusted(this),
            new ShowTextLine(this),
            new ShowTextLineAndSpace(this),
            new Painting(this));
    all.forEach(this::addOperator);
  }

  /** By the number of each instruction among those of the page, from 0. */
  static Map<Integer, List<Point2D>> of(PDPage page) throws IOException {
    var p = new PaintedPlaces(page);
    p.processPage(p.page);
    return p.places;
  }

  @Override
  protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
    if (ReadPage.isAll(operator, operands)) {
      page.run((o, with) -> {
        at++;
        super.processOperator(o, with);
      });
    } else {
      super.processOperator(operator, operands);
    }
  }

  @Override
  protected void showGlyph(Matrix m, PDFont font, int code, Vector displacement) {
    note(m, displacement.getX() / 2, 0.25);
  }

  /** A place of a glyph's or a picture's own space. */
  private void note(Matrix m, double x, double y) {
    var p = new Point2D.Double(x, y);
    m.createAffineTransform().transform(p, p);
    shown.transform(p, p);
    places.computeIfAbsent(at, k -> new ArrayList<>()).add(p);
  }

  /** Do (ISO 32000-2 §8.8). */
  private static final class Painting extends OperatorProcessor {
    private final PaintedPlaces places;

    Painting(PaintedPlaces places) {
      super(places);
      this.places = places;
    }

    @Override
    public void process(Operator operator, List<COSBase> operands) throws IOException {
      if (operands.isEmpty() || !(operands.getFirst() instanceof COSName name)) {
        return;
      }
      PDXObject o = places.getResources().getXObject(name);
      switch (o) {
        case PDTransparencyGroup g when places.depth < DEEPEST -> {
          places.depth++;
          places.showTransparencyGroup(g);
          places.depth--;
        }
        case PDFormXObject f when places.depth < DEEPEST -> {
          places.depth++;
          places.showForm(f);
          places.depth--;
        }
        case null, default ->
            places.note(places.getGraphicsState().getCurrentTransformationMatrix(), 0.5, 0.5);
      }
    }

    @Override
    public String getName() {
      return "Do";
    }
  }
}
