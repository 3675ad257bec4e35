package decant.pdf.read.beside;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.Folding;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Tells parts of tables at the edges of pages from running texts, which stand there too. */
final class TablesAtEdges {
  private TablesAtEdges() {}

  /**
   * The parts of heads of tables that go on, by identity: they repeat near the top of pages as
   * headers do, but where the table begins the head stands within the page, and is not among them.
   */
  static Set<TextLine> repeatedHeads(List<ScannedPage> pages, List<List<TextLine>> linesByPage) {
    Set<TextLine> out = Collections.newSetFromMap(new IdentityHashMap<>());
    List<List<TextLine>> before = List.of();
    for (int p = 0; p < linesByPage.size(); p++) {
      List<List<TextLine>> rows =
          Regions.byBaseline(linesByPage.get(p)).stream()
              .filter(r -> r.size() >= BesideThresholds.TablesAtEdges.PARTS)
              .toList();
      double zone = pages.get(p).height() * BesideThresholds.RunningTexts.ZONE;
      for (List<TextLine> row : rows) {
        if (row.getFirst().box().bottom() >= zone) {
          break;
        }
        if (before.stream().anyMatch(b -> isHead(b, row, out))) {
          out.addAll(row);
        }
      }
      before = rows;
    }
    return out;
  }

  /** Whether a number may be one of a row: something else stands on its height. */
  static boolean isCell(TextLine number, List<TextLine> page) {
    return page.stream()
        .anyMatch(
            o -> o != number && Sizes.samePlace(o.baseline(), number.baseline(), number.size()));
  }

  /**
   * Whether a line is of a row of a table of the page before: all words on its height begin where
   * those of one of the last rows there do.
   */
  static boolean isRowOf(TextLine l, List<TextLine> page, List<TextLine> pageBefore) {
    List<Double> begins =
        begins(
            page.stream()
                .filter(o -> Sizes.samePlace(o.baseline(), l.baseline(), l.size()))
                .toList());
    if (begins.size() < BesideThresholds.TablesAtEdges.PARTS) {
      return false;
    }
    List<List<TextLine>> rows = Regions.byBaseline(pageBefore);
    return rows
        .subList(Math.max(0, rows.size() - BesideThresholds.TablesAtEdges.ROWS), rows.size())
        .stream()
        .map(TablesAtEdges::begins)
        .anyMatch(r ->
            begins.stream()
                .allMatch(x -> r.stream().anyMatch(y -> Math.abs(x - y) < l.size() / 4)));
  }

  private static List<Double> begins(List<TextLine> row) {
    var out = new ArrayList<Double>();
    for (TextLine l : row) {
      boolean open = false;
      for (Glyph g : l.glyphs()) {
        if (!g.isSpace() && !open) {
          out.add(g.x());
        }
        open = !g.isSpace();
      }
    }
    return out;
  }

  /**
   * Whether a text is some cells of a head, and stands there and on later pages alone.
   *
   * @param heads first rows of tables, by their words
   */
  static boolean isOf(Map<String, Detected.Grid> heads, RunningTexts.RunningText t) {
    String text = " " + Folding.fold(t.text()) + " ";
    return text.chars().anyMatch(Character::isLetter)
        && t.counter().isEmpty()
        && heads.entrySet().stream()
            .filter(h -> h.getKey().contains(text))
            .anyMatch(h -> t.lines().stream().allMatch(l -> isBelow(h.getValue(), l)));
  }

  private static boolean isBelow(Detected.Grid g, TextLine l) {
    return l.page() > g.page() || l.page() == g.page() && l.box().bottom() > g.box().y();
  }

  /** Whether a row says what one of the page before does, which stands lower or is a head too. */
  private static boolean isHead(List<TextLine> before, List<TextLine> row, Set<TextLine> heads) {
    TextLine first = before.getFirst();
    boolean within = first.baseline() - row.getFirst().baseline() > 2 * first.size();
    if (before.size() != row.size() || !within && !heads.contains(first)) {
      return false;
    }
    for (int k = 0; k < row.size(); k++) {
      TextLine a = before.get(k);
      TextLine b = row.get(k);
      if (Math.abs(a.box().x() - b.box().x()) > b.size() / 2 || !a.text().equals(b.text())) {
        return false;
      }
    }
    return true;
  }
}
