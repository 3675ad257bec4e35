package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

/** Frames on a page that are large enough for text, and too small for the page's own. */
public final class Frames {
  private Frames() {}

  /** Frames that are drawn at once, and those of four lines. */
  public static List<Box> of(ScannedPage page) {
    var out = new ArrayList<Box>();
    for (Painted s : page.shapes()) {
      if (s.stroke().isPresent() && !s.free() && isFrame(s.box(), page)) {
        out.add(s.box());
      }
    }
    List<RuledLine> lying = new ArrayList<>();
    List<RuledLine> standing = new ArrayList<>();
    page.rules().forEach(r -> (r.lying() ? lying : standing).add(r));
    if (page.rules().size() > LineThresholds.Frames.MAX_RULES) {
      return out; // a drawing, or a page of tables
    }
    for (RuledLine top : lying) {
      for (RuledLine bottom : lying) {
        var box =
            new Box(top.x1(), top.middle(), top.x2() - top.x1(), bottom.middle() - top.middle());
        if (near(top.x1(), bottom.x1())
            && near(top.x2(), bottom.x2())
            && isFrame(box, page)
            && isSide(standing, box.x(), box)
            && isSide(standing, box.right(), box)) {
          out.add(box);
        }
      }
    }
    return out;
  }

  /**
   * Pieces of lines at a frame.
   *
   * @param inside those that stand in it
   * @param crossing those that its edge runs through
   */
  record Held(List<TextLine> inside, List<TextLine> crossing) {}

  static Held held(Box frame, List<TextLine> pieces) {
    var inside = new ArrayList<TextLine>();
    var crossing = new ArrayList<TextLine>();
    for (TextLine l : pieces) {
      Box b = l.box();
      double wide = frame.sharedWidth(b);
      if (frame.sharedHeight(b) > b.height() / 2 && wide > 0) {
        (wide > b.width() - 1 ? inside : crossing).add(l);
      }
    }
    return new Held(inside, crossing);
  }

  private static boolean isSide(List<RuledLine> standing, double x, Box box) {
    return standing.stream()
        .anyMatch(r -> near(r.middle(), x) && near(r.y1(), box.y()) && near(r.y2(), box.bottom()));
  }

  private static boolean near(double a, double b) {
    return Math.abs(a - b) < LineThresholds.Frames.NEAR;
  }

  private static boolean isFrame(Box b, ScannedPage page) {
    return b.height() > LineThresholds.Frames.LOWEST
        && b.width() > LineThresholds.Frames.LOWEST
        && b.width() < LineThresholds.Frames.WIDEST * page.width()
        && b.height() < LineThresholds.Frames.HIGHEST * page.height();
  }
}
