package decant.pdf.read.fonts;

import decant.work.Faults;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.font.PDType3CharProc;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.util.Matrix;

/**
 * The letters of a font that draws each by operators (Type 3, ISO 32000-2 §9.6.4): those that are
 * one filled path in the colour of the text are outlines as those of any font are.
 */
final class DrawnLetters {
  /** Bytes of what draws a letter; none has as many. */
  private static final int MOST = 100_000;

  private DrawnLetters() {}

  /** A letter in thousandths of an em; empty if it is drawn otherwise. */
  static Optional<Shape> outline(PDType3Font font, int code) {
    try {
      PDType3CharProc proc = font.getCharProc(code);
      if (proc == null || proc.getCOSObject().getLength() > MOST) {
        return Optional.empty();
      }
      Matrix m = font.getFontMatrix();
      var toEm = new AffineTransform(m.createAffineTransform());
      toEm.preConcatenate(AffineTransform.getScaleInstance(1000, 1000));
      return path(new PDFStreamParser(proc).parse()).map(toEm::createTransformedShape);
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a letter that is drawn", e);
      return Optional.empty();
    }
  }

  private static Optional<Path2D> path(List<Object> tokens) {
    var path = new Path2D.Double();
    var n = new ArrayList<Double>();
    boolean filled = false;
    for (Object token : tokens) {
      if (token instanceof COSNumber number) {
        n.add((double) number.floatValue());
        continue;
      }
      if (!(token instanceof Operator o)) {
        return Optional.empty();
      }
      boolean painted =
          switch (o.getName()) {
            case "f", "F", "f*" -> true;
            default -> false;
          };
      if (filled || !painted && !add(o.getName(), n, path)) {
        return Optional.empty();
      }
      filled = painted;
      if (o.getName().equals("f*")) {
        path.setWindingRule(Path2D.WIND_EVEN_ODD);
      }
      n.clear();
    }
    return filled && path.getCurrentPoint() != null ? Optional.of(path) : Optional.empty();
  }

  /** Takes an operator that builds a path (§8.5.2); false if it is another. */
  private static boolean add(String operator, List<Double> n, Path2D path) {
    boolean begun = path.getCurrentPoint() != null;
    switch (operator) {
      case "d1" -> {
        return n.size() == 6; // a letter in the colour of the text
      }
      case "m" -> path.moveTo(n.get(0), n.get(1));
      case "l" -> path.lineTo(n.get(0), n.get(1));
      case "c" -> path.curveTo(n.get(0), n.get(1), n.get(2), n.get(3), n.get(4), n.get(5));
      case "v" -> {
        if (!begun) {
          return false;
        }
        var at = path.getCurrentPoint();
        path.curveTo(at.getX(), at.getY(), n.get(0), n.get(1), n.get(2), n.get(3));
      }
      case "y" -> path.curveTo(n.get(0), n.get(1), n.get(2), n.get(3), n.get(2), n.get(3));
      case "h" -> {
        if (begun) {
          path.closePath();
        }
      }
      case "re" -> {
        double x = n.get(0);
        double y = n.get(1);
        path.moveTo(x, y);
        path.lineTo(x + n.get(2), y);
        path.lineTo(x + n.get(2), y + n.get(3));
        path.lineTo(x, y + n.get(3));
        path.closePath();
      }
      default -> {
        return false;
      }
    }
    return true;
  }
}
