package decant.pdf.read.scan;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Placed;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;

/**
 * Which text of a page is its text. Invisible text is the text of a scanned picture: on a page that
 * is one, it is kept along with what is visible, a stamp say, but for what stands under that;
 * elsewhere it is hidden.
 */
final class ShowingText {
  private final List<Glyph> visible;
  private final List<Glyph> invisible;
  private final boolean scan;

  /**
   * @param area of the page, in square points
   */
  ShowingText(List<Glyph> visible, List<Glyph> invisible, List<Placed> pictures, double area) {
    this.visible = visible;
    this.invisible = invisible;
    double largest =
        pictures.stream().mapToDouble(p -> p.box().width() * p.box().height()).max().orElse(0);
    this.scan = largest > ScanThresholds.PageScan.SCANNED * area;
  }

  private static boolean hasInk(List<Glyph> glyphs) {
    return glyphs.stream().anyMatch(g -> !g.isSpace());
  }

  /** How many characters the page hides, which are left out. */
  int hidden() {
    return scan || !hasInk(visible)
        ? 0
        : (int) invisible.stream().filter(g -> !g.isSpace()).count();
  }

  List<Glyph> glyphs() {
    if (!hasInk(visible) || !hasInk(invisible)) {
      return hasInk(invisible) ? invisible : visible;
    }
    if (!scan) {
      return visible;
    }
    var shown = new HashMap<String, List<Glyph>>();
    for (Glyph v : visible) {
      if (!v.isSpace()) {
        shown.computeIfAbsent(v.text() + row(v), k -> new ArrayList<>()).add(v);
      }
    }
    var out = new ArrayList<>(visible);
    for (Glyph g : invisible) {
      boolean twice = false;
      for (long row = row(g) - 1; row <= row(g) + 1 && !twice; row++) {
        twice = shown.getOrDefault(g.text() + row, List.of()).stream().anyMatch(v -> over(v, g));
      }
      if (!twice) {
        out.add(g);
      }
    }
    return out;
  }

  /** Bands of the page high enough for one line, to find what stands over something fast. */
  private static long row(Glyph g) {
    return (long) Math.floor(g.baseline() / 8);
  }

  private static boolean over(Glyph a, Glyph b) {
    return Math.abs(a.baseline() - b.baseline()) < a.size() * ScanThresholds.PageScan.ON_LINE
        && a.x() < b.x() + b.width()
        && b.x() < a.x() + a.width();
  }
}
