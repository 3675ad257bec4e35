package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Lines that run up or down beside all text of a page: marks of the publisher, names of parts,
 * notes to the printer. Turned words within the text, as heads of columns have, stay with it.
 *
 * @param page without them
 * @param texts they themselves
 */
public record SideTexts(ScannedPage page, List<ApartText> texts) {
  /** The texts at the sides of a page. */
  public static SideTexts of(ScannedPage page) {
    List<Glyph> turned =
        page.glyphs().stream()
            .filter(g -> g.quarter() % 2 == 1 && !g.text().isEmpty() && g.marked().content() < 0)
            .toList();
    List<Glyph> upright =
        turned.isEmpty()
            ? List.of()
            : page.glyphs().stream().filter(g -> g.quarter() == 0 && !g.isSpace()).toList();
    if (upright.size() < LineThresholds.SideTexts.UPRIGHT * turned.size() || upright.isEmpty()) {
      return new SideTexts(page, List.of());
    }
    double left = upright.stream().mapToDouble(Glyph::x).min().orElseThrow();
    double right = upright.stream().mapToDouble(Glyph::right).max().orElseThrow();
    Map<String, List<Glyph>> byLine =
        turned.stream().collect(Collectors.groupingBy(g -> g.quarter() + " " + Math.round(g.x())));
    var apart = new ArrayList<Glyph>();
    for (List<Glyph> line : byLine.values()) {
      boolean beside =
          line.stream()
              .map(Glyph::place)
              .allMatch(b -> (b.right() <= left || b.x() >= right) && !isRuled(b, page));
      if (beside) {
        apart.addAll(line);
      }
    }
    if (apart.isEmpty()) {
      return new SideTexts(page, List.of());
    }
    Set<Glyph> taken = new HashSet<>(apart);
    List<Glyph> others = page.glyphs().stream().filter(g -> !taken.contains(g)).toList();
    return new SideTexts(page.with(others), ApartText.of(page, taken::contains));
  }

  /** Whether lines of a grid stand about it. */
  private static boolean isRuled(Box b, ScannedPage page) {
    double near = b.width();
    for (RuledLine r : page.rules()) {
      boolean beside =
          !r.lying()
              && r.x2() > b.x() - near
              && r.x1() < b.right() + near
              && r.y1() < b.bottom()
              && r.y2() > b.y();
      if (beside) {
        return true;
      }
    }
    return false;
  }
}
