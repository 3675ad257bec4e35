package decant.pdf.read.form;

import decant.model.Box;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Tells lines and boxes to be filled in: typed ones, drawn lines with words beside or below them,
 * empty boxes. Only a page without fields of its own is looked at in this way.
 */
public final class FlatBlanks {
  private FlatBlanks() {}

  /** The blanks of a page, in the order of reading. */
  public static List<FlatBlank> of(ScannedPage page) {
    return of(page, Lines.of(page));
  }

  /**
   * @param lines of the page
   */
  public static List<FlatBlank> of(ScannedPage page, List<TextLine> lines) {
    var words = new PageWordsAround(lines, page.glyphs());
    var out = new ArrayList<FlatBlank>();
    if (page.rules().size() <= FormMeasures.MOST && page.shapes().size() <= FormMeasures.MOST) {
      CellBlanks.of(page, words).forEach(b -> add(out, b));
      LineBlanks.of(page, words).forEach(b -> add(out, b));
      BoxBlanks.of(page, words).forEach(b -> add(out, b));
    }
    // Signs stand for drawn lines too, of which the lines themselves tell more.
    TypedBlanks.of(words).forEach(b -> add(out, b));
    out.sort(
        Comparator.comparingDouble((FlatBlank b) -> Math.round(b.area().bottom() / 6))
            .thenComparingDouble(b -> b.area().x()));
    return out;
  }

  /** One place is filled in once. */
  private static void add(List<FlatBlank> to, FlatBlank b) {
    if (to.stream().noneMatch(o -> meet(o.area(), b.area()) > 0.3 * area(smaller(o, b)))) {
      to.add(b);
    }
  }

  private static Box smaller(FlatBlank a, FlatBlank b) {
    return area(a.area()) < area(b.area()) ? a.area() : b.area();
  }

  private static double area(Box b) {
    return b.width() * b.height();
  }

  private static double meet(Box a, Box b) {
    double w = Math.min(a.right(), b.right()) - Math.max(a.x(), b.x());
    double h = Math.min(a.bottom(), b.bottom()) - Math.max(a.y(), b.y());
    return w <= 0 || h <= 0 ? 0 : w * h;
  }

  /** So many blanks make a page a form. */
  private static final int FORM = 3;

  /** Whether a page has enough of them to be a form. */
  public static boolean isForm(List<FlatBlank> blanks) {
    return blanks.size() >= FORM;
  }
}
