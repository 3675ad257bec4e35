package decant.pdf.read.fonts;

import decant.work.Faults;
import java.awt.Color;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.image.Raster;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.font.PDType3CharProc;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.graphics.image.PDInlineImage;

/**
 * The letters of a font that draws each by operators (Type 3, ISO 32000-2 §9.6.4): those that are
 * one filled path in the colour of the text are outlines as those of any font are; others may be
 * small pictures.
 */
final class DrawnLetters {
  /** Bytes of the operators of an outline; no letter has as many. */
  private static final int MOST = 100_000;

  /** Bytes of a letter that is a picture. */
  private static final int MOST_OF_PICTURE = 4_000;

  /** Dots of such a picture: with fewer it is too coarse to be measured. */
  private static final int FEWEST_DOTS = 12;

  /** Dots across or down; a line of text has fewer at any usual resolution. */
  private static final int MOST_DOTS = 1_000;

  private DrawnLetters() {}

  /** A letter in thousandths of an em; empty if it is drawn otherwise. */
  static Optional<Shape> outline(PDType3Font font, int code) {
    return drawn(
        font,
        code,
        MOST,
        tokens -> {
          var toEm = new AffineTransform(font.getFontMatrix().createAffineTransform());
          toEm.preConcatenate(AffineTransform.getScaleInstance(1000, 1000));
          return path(tokens).map(toEm::createTransformedShape);
        });
  }

  /** The picture that a letter is, as old programs make them, with ink where it is not 0. */
  static Optional<Raster> picture(PDType3Font font, int code) {
    return drawn(
        font,
        code,
        MOST_OF_PICTURE,
        tokens -> {
          for (Object token : tokens) {
            if (token instanceof Operator o && o.getImageData() != null) {
              var image =
                  new PDInlineImage(o.getImageParameters(), o.getImageData(), font.getResources());
              boolean fits =
                  image.isStencil()
                      && image.getHeight() >= FEWEST_DOTS
                      && image.getHeight() <= MOST_DOTS
                      && image.getWidth() <= MOST_DOTS;
              return fits
                  ? Optional.of(image.getStencilImage(Color.BLACK).getAlphaRaster())
                  : Optional.empty();
            }
          }
          return Optional.empty();
        });
  }

  private interface Reading<T> {
    Optional<T> of(List<Object> tokens) throws IOException;
  }

  /** What comes of the operators that draw a letter; empty if they are too many, or damaged. */
  private static <T> Optional<T> drawn(PDType3Font font, int code, int most, Reading<T> reading) {
    try {
      PDType3CharProc proc = font.getCharProc(code);
      return proc == null || proc.getCOSObject().getLength() > most
          ? Optional.empty()
          : reading.of(new PDFStreamParser(proc).parse());
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
