package decant.pdf.amend.line;

import decant.pdf.amend.line.PageLetters.Upright;
import decant.pdf.content.Instruction;
import decant.pdf.content.Span;
import decant.pdf.content.Transform;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSNumber;

/** A path that is being built (ISO 32000-2 §8.5.2): its upright lines, and what it surrounds. */
final class PathSoFar {
  private static final int MOST = 8000;

  private final List<Upright> uprights = new ArrayList<>();
  private double fromX;
  private double fromY;
  private boolean clips;
  private boolean shaped;
  private int from = -1;
  private double left = Double.POSITIVE_INFINITY;
  private double right = Double.NEGATIVE_INFINITY;
  private double low = Double.POSITIVE_INFINITY;
  private double high = Double.NEGATIVE_INFINITY;

  List<Upright> uprights() {
    return uprights;
  }

  /** That what comes after it shows within it only (§8.5.4). */
  void clips() {
    clips = true;
  }

  /** Where things show after this path, which was painted or not, if they showed somewhere. */
  Optional<Rectangle2D> within(Optional<Rectangle2D> before) {
    if (!clips) {
      return before;
    }
    Rectangle2D own = box();
    return Optional.of(before.map(b -> b.createIntersection(own)).orElse(own));
  }

  /** Whether any of it is round or slanted. */
  boolean isShaped() {
    return shaped;
  }

  /** From where it begins to the end of what paints it; empty for no path. */
  Optional<Span> span(Span paint) {
    return from < 0 ? Optional.empty() : Optional.of(new Span(from, paint.to()));
  }

  /** What it covers where it is painted, with half of the lines that are drawn along it. */
  Rectangle2D box(Instruction.PaintPath paint, double wide, Transform space) {
    Rectangle2D box = box();
    boolean drawn = "SsBb".indexOf(paint.raw().operator().charAt(0)) >= 0;
    double by =
        drawn ? wide * Math.sqrt(Math.abs(space.a() * space.d() - space.b() * space.c())) / 2 : 0;
    return new Rectangle2D.Double(
        box.getX() - by, box.getY() - by, box.getWidth() + 2 * by, box.getHeight() + 2 * by);
  }

  /** What it surrounds, on the page. */
  Rectangle2D box() {
    return left > right
        ? new Rectangle2D.Double()
        : new Rectangle2D.Double(left, low, right - left, high - low);
  }

  void clear() {
    uprights.clear();
    clips = false;
    shaped = false;
    from = -1;
    left = Double.POSITIVE_INFINITY;
    right = Double.NEGATIVE_INFINITY;
    low = Double.POSITIVE_INFINITY;
    high = Double.NEGATIVE_INFINITY;
  }

  /**
   * @param space to that of the page
   */
  void add(Instruction.Path p, Transform space) {
    List<COSBase> o = p.raw().operands();
    if (from < 0) {
      from = p.span().from();
    }
    switch (p.raw().operator()) {
      case "m" -> {
        fromX = number(o, 0);
        fromY = number(o, 1);
        reach(fromX, fromY, space);
      }
      case "l" -> {
        double x = number(o, 0);
        double y = number(o, 1);
        upright(fromX, fromY, x, y, space);
        shaped |= isSlanted(fromX, fromY, x, y, space);
        fromX = x;
        fromY = y;
        reach(x, y, space);
      }
      case "re" -> {
        double x = number(o, 0);
        double y = number(o, 1);
        double w = number(o, 2);
        double h = number(o, 3);
        upright(x, y, x, y + h, space);
        upright(x + w, y, x + w, y + h, space);
        upright(x, y, x + w, y, space); // where the page is turned
        upright(x, y + h, x + w, y + h, space);
        reach(x, y, space);
        reach(x + w, y, space);
        reach(x, y + h, space);
        reach(x + w, y + h, space);
      }
      default -> { // curves, and what closes a path
        for (int k = 0; k + 1 < o.size(); k += 2) {
          reach(number(o, k), number(o, k + 1), space);
          fromX = number(o, k);
          fromY = number(o, k + 1);
          shaped = true;
        }
      }
    }
  }

  private void reach(double x, double y, Transform space) {
    double px = space.x(x, y);
    double py = space.y(x, y);
    left = Math.min(left, px);
    right = Math.max(right, px);
    low = Math.min(low, py);
    high = Math.max(high, py);
  }

  private static boolean isSlanted(double ax, double ay, double bx, double by, Transform space) {
    return Math.abs(space.x(ax, ay) - space.x(bx, by)) > 0.5
        && Math.abs(space.y(ax, ay) - space.y(bx, by)) > 0.5;
  }

  private void upright(double ax, double ay, double bx, double by, Transform space) {
    double x1 = space.x(ax, ay);
    double x2 = space.x(bx, by);
    double y1 = space.y(ax, ay);
    double y2 = space.y(bx, by);
    if (Math.abs(x1 - x2) < 0.5 && Math.abs(y1 - y2) > 4 && uprights.size() < MOST) {
      uprights.add(new Upright((x1 + x2) / 2, Math.min(y1, y2), Math.max(y1, y2)));
    }
  }

  private static double number(List<COSBase> o, int k) {
    return k < o.size() && o.get(k) instanceof COSNumber n ? n.floatValue() : 0;
  }
}
