package decant.pdf.amend;

import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.setting.Setting;
import java.awt.geom.Rectangle2D;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;

/** Links whose words moved along their line move with them. */
final class LinkPlaces {
  /** Less than this is left as it is, in points. */
  private static final double MOVED = 0.05;

  private LinkPlaces() {}

  static void follow(PDPage page, List<Setting> settings) {
    for (PDAnnotation a : NotesOnPage.annotations(page)) {
      if (a instanceof PDAnnotationLink && a.getRectangle() != null) {
        for (Setting s : settings) {
          if (s.row().angle() == 0) {
            follow(a, s);
          }
        }
      }
    }
  }

  /** Whether a link lies over some of a line. */
  static boolean isOn(PDPage page, Row row) {
    Rectangle2D line = row.area(0, row.seen()).getBounds2D();
    double middle = line.getCenterY();
    return NotesOnPage.annotations(page).stream()
        .filter(a -> a instanceof PDAnnotationLink && a.getRectangle() != null)
        .map(PDAnnotation::getRectangle)
        .anyMatch(r ->
            r.getLowerLeftX() < line.getMaxX()
                && r.getUpperRightX() > line.getMinX()
                && r.getLowerLeftY() < middle
                && r.getUpperRightY() > middle);
  }

  private static void follow(PDAnnotation link, Setting s) {
    PDRectangle r = link.getRectangle();
    Row row = s.row();
    double middle = row.v() + 0.25 * row.size();
    boolean onLine =
        r.getLowerLeftY() < middle
            && r.getUpperRightY() > middle
            && r.getHeight() < 2 * row.size(); // a link over several lines stays
    if (!onLine) {
      return;
    }
    double wasFrom = Double.MAX_VALUE;
    double wasTo = -Double.MAX_VALUE;
    double from = Double.MAX_VALUE;
    double to = -Double.MAX_VALUE;
    for (Letter l : row.letters()) {
      double at = (l.u + l.right()) / 2;
      if (l.isSpace() || at < r.getLowerLeftX() || at > r.getUpperRightX()) {
        continue;
      }
      wasFrom = Math.min(wasFrom, l.u);
      wasTo = Math.max(wasTo, l.right());
      Double u = s.places().get(l);
      if (u != null) {
        from = Math.min(from, u);
        to = Math.max(to, u + (l.right() - l.u) * s.scale());
      }
      for (Setting.Placed p : s.words()) {
        if (p.before() == l) {
          from = Math.min(from, p.u());
          to = Math.max(to, p.u() + p.word().width() * s.scale());
        }
      }
    }
    if (from > to || Math.abs(from - wasFrom) + Math.abs(to - wasTo) < MOVED) {
      return;
    }
    double left = r.getLowerLeftX() + from - wasFrom;
    double right = r.getUpperRightX() + to - wasTo;
    var rect = new COSArray();
    for (double v : new double[] {left, r.getLowerLeftY(), right, r.getUpperRightY()}) {
      rect.add(new COSFloat((float) v));
    }
    link.getCOSObject().setItem(COSName.RECT, rect);
    link.getCOSObject().removeItem(COSName.QUADPOINTS); // they said the same place (table 176)
  }
}
