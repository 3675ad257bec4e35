package decant.pdf.read.lines;

import decant.model.Box;
import decant.model.look.Colour;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Stamps that are not turned: text in a frame that was put over other text. */
public final class Stamps {
  /**
   * @param stamps each with its lines
   * @param rest what else stands on the page
   */
  public record Result(List<ApartText> stamps, List<TextLine> rest) {}

  private Stamps() {}

  /** The stamps among the pieces of lines of a page. */
  public static Result of(ScannedPage page, List<TextLine> pieces) {
    var stamps = new ArrayList<ApartText>();
    Set<TextLine> taken = new HashSet<>();
    for (Box frame : frames(page)) {
      List<TextLine> inside =
          stampedIn(frame, pieces).stream().filter(l -> !taken.contains(l)).toList();
      if (!inside.isEmpty()) {
        taken.addAll(inside);
        List<TextLine> rows = Regions.rows(inside);
        Box box = rows.stream().map(TextLine::box).reduce(Box::union).orElseThrow();
        stamps.add(new ApartText(0, box, rows));
      }
    }
    return stamps.isEmpty()
        ? new Result(List.of(), pieces)
        : new Result(stamps, pieces.stream().filter(l -> !taken.contains(l)).toList());
  }

  /** Frames that are drawn at once, and those of four lines. */
  private static List<Box> frames(ScannedPage page) {
    var out = new ArrayList<Box>();
    for (Painted s : page.shapes()) {
      if (s.stroke().isPresent() && !s.free() && isFrame(s.box(), page)) {
        out.add(s.box());
      }
    }
    List<RuledLine> lying = new ArrayList<>();
    List<RuledLine> standing = new ArrayList<>();
    page.rules().forEach(r -> (r.lying() ? lying : standing).add(r));
    if (page.rules().size() > LineThresholds.Stamps.MAX_RULES) {
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

  private static boolean isSide(List<RuledLine> standing, double x, Box box) {
    return standing.stream()
        .anyMatch(r -> near(r.middle(), x) && near(r.y1(), box.y()) && near(r.y2(), box.bottom()));
  }

  private static boolean near(double a, double b) {
    return Math.abs(a - b) < LineThresholds.Stamps.NEAR;
  }

  private static boolean isFrame(Box b, ScannedPage page) {
    return b.height() > LineThresholds.Stamps.LOWEST
        && b.width() > LineThresholds.Stamps.LOWEST
        && b.width() < LineThresholds.Stamps.WIDEST * page.width()
        && b.height() < LineThresholds.Stamps.HIGHEST * page.height();
  }

  /** The lines in a frame that are of another look than those that its edge runs through. */
  private static List<TextLine> stampedIn(Box frame, List<TextLine> pieces) {
    var inside = new ArrayList<TextLine>();
    var under = new ArrayList<TextLine>();
    for (TextLine l : pieces) {
      Box b = l.box();
      double wide = frame.sharedWidth(b);
      if (frame.sharedHeight(b) <= b.height() / 2 || wide <= 0) {
        continue;
      }
      (wide > b.width() - 1 ? inside : under).add(l);
    }
    if (under.isEmpty()) {
      return List.of();
    }
    inside.removeIf(l ->
        under.stream().anyMatch(u -> Sizes.same(u.size(), l.size()) && inkOf(u).equals(inkOf(l))));
    return inside;
  }

  private static Colour inkOf(TextLine l) {
    return l.glyphs().getFirst().ink().colour();
  }
}
