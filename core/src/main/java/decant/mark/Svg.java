package decant.mark;

import decant.model.look.Colour;
import decant.model.look.Media;
import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/** A drawing in the making (SVG 2). */
final class Svg {
  /** Room around it, so that what is painted soft at its edges is not cut. */
  private static final double EDGE = 1;

  private final StringBuilder body = new StringBuilder();

  /** Fills a shape: what lies within two of its outlines stays clear. */
  Svg fill(Shape s, Colour colour) {
    body.append("<path fill=\"#").append(colour.hex()).append("\" fill-rule=\"evenodd\" d=\"");
    path(s);
    body.append("\"/>");
    return this;
  }

  /** Draws along a shape, with round ends and corners. */
  Svg stroke(Shape s, Colour colour, double width) {
    body.append("<path fill=\"none\" stroke=\"#").append(colour.hex());
    body.append("\" stroke-linecap=\"round\" stroke-linejoin=\"round\" stroke-width=\"");
    number(width);
    body.append("\" d=\"");
    path(s);
    body.append("\"/>");
    return this;
  }

  /**
   * The part of the drawing that a box frames, 96 of its units to the inch. It fills what it is
   * placed in, whatever the shape of that.
   */
  Media in(Rectangle2D of) {
    var box =
        new Rectangle2D.Double(
            of.getX() - EDGE,
            of.getY() - EDGE,
            of.getWidth() + 2 * EDGE,
            of.getHeight() + 2 * EDGE);
    var out = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"");
    out.append(rounded(box.getWidth())).append("\" height=\"").append(rounded(box.getHeight()));
    out.append("\" preserveAspectRatio=\"none\" viewBox=\"")
        .append(rounded(box.getX()))
        .append(' ');
    out.append(rounded(box.getY())).append(' ').append(rounded(box.getWidth())).append(' ');
    out.append(rounded(box.getHeight())).append("\">").append(body).append("</svg>");
    return Media.of(Mark.SVG, out.toString().getBytes(StandardCharsets.UTF_8));
  }

  private void path(Shape s) {
    var at = new double[6];
    for (PathIterator p = s.getPathIterator(null); !p.isDone(); p.next()) {
      int kind = p.currentSegment(at);
      body.append(
          switch (kind) {
            case PathIterator.SEG_MOVETO -> 'M';
            case PathIterator.SEG_LINETO -> 'L';
            case PathIterator.SEG_QUADTO -> 'Q';
            case PathIterator.SEG_CUBICTO -> 'C';
            default -> 'Z';
          });
      int numbers =
          switch (kind) {
            case PathIterator.SEG_MOVETO, PathIterator.SEG_LINETO -> 2;
            case PathIterator.SEG_QUADTO -> 4;
            case PathIterator.SEG_CUBICTO -> 6;
            default -> 0;
          };
      for (int k = 0; k < numbers; k++) {
        if (k > 0) {
          body.append(' ');
        }
        number(at[k]);
      }
    }
  }

  private void number(double d) {
    body.append(rounded(d));
  }

  private static String rounded(double d) {
    String s = String.format(Locale.ROOT, "%.2f", d);
    return s.replaceAll("\\.?0+$", "");
  }
}
