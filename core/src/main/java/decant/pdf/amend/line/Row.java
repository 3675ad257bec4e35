package decant.pdf.amend.line;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.List;

/**
 * A stretch of a line: letters that stand on one baseline, none far from the next.
 *
 * @param letters from its beginning to its end
 * @param again for each letter, others that show it a second time at its place
 * @param v of its baseline, across the line
 * @param size of its letters on the page, in points
 * @param angle of its direction
 */
public record Row(
    List<Letter> letters, List<List<Letter>> again, double v, double size, double angle) {
  public double left() {
    return letters.getFirst().u;
  }

  /** How many of its letters there are up to the last that is seen: spaces may follow it. */
  public int seen() {
    int n = letters.size();
    while (n > 1 && letters.get(n - 1).isSpace()) {
      n--;
    }
    return n;
  }

  /** Where its last letter ends that is seen. */
  public double right() {
    return letters.get(seen() - 1).right();
  }

  public double middle() {
    return (left() + right()) / 2;
  }

  public boolean isBeside(Row o) {
    return o.left() < right() && o.right() > left();
  }

  /** Whether a gap before a letter parts words. */
  public boolean isApart(int k) {
    if (k == 0 || letters.get(k).isSpace() || letters.get(k - 1).isSpace()) {
      return true;
    }
    return letters.get(k).u - letters.get(k - 1).right() > AmendLimits.WORD_GAP * size;
  }

  /** How many gaps part its words. */
  public int gaps() {
    int n = 0;
    for (int k = 1; k < letters.size(); k++) {
      n += !letters.get(k).isSpace() && isApart(k) ? 1 : 0;
    }
    return n;
  }

  /** Where some of its letters stand, in the space of the page. */
  public Shape area(int from, int to) {
    double left = letters.get(from).u;
    double low = v - AmendLimits.DESCENT * size;
    double high = v + AmendLimits.ASCENT * size;
    var line = new Rectangle2D.Double(left, low, letters.get(to - 1).right() - left, high - low);
    return AffineTransform.getRotateInstance(angle).createTransformedShape(line);
  }
}
