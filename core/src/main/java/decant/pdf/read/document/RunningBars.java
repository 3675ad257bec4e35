package decant.pdf.read.document;

import decant.model.Box;
import decant.model.Inline;
import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Areas that headers and footers stand on. They are part of these: as shapes of the text, which is
 * painted after headers, they would cover the words.
 */
final class RunningBars {
  /** Areas by where they are and what they look like, on the pages that have each. */
  private final Map<String, Map<Integer, Painted>> bars = new LinkedHashMap<>();

  private final Map<Integer, Set<Painted>> taken = new HashMap<>();

  RunningBars(List<ScannedPage> pages, RunningTexts.Result running) {
    Map<Integer, List<TextLine>> lines = new HashMap<>();
    for (TextLine l : running.lines()) {
      lines.computeIfAbsent(l.page(), k -> new ArrayList<>()).add(l);
    }
    for (ScannedPage p : pages) {
      List<TextLine> here = lines.getOrDefault(p.number(), List.of());
      if (here.isEmpty()) {
        continue;
      }
      for (Painted s : p.shapes()) {
        if (!s.free() && s.solid() && s.shows() && here.stream().anyMatch(l -> isOn(l, s.box()))) {
          bars.computeIfAbsent(key(s), k -> new HashMap<>()).put(p.number(), s);
        }
      }
    }
  }

  private static boolean isOn(TextLine l, Box bar) {
    return l.box().sharedWidth(bar) > 0 && l.box().sharedHeight(bar) > l.box().height() / 2;
  }

  private static String key(Painted s) {
    Box b = s.box();
    return Math.round(b.x())
        + " "
        + Math.round(b.y())
        + " "
        + Math.round(b.width())
        + " "
        + Math.round(b.height())
        + " "
        + s.fill();
  }

  /**
   * The areas that some pages have, as shapes of their headers.
   *
   * @param first whether the first of these pages need have them
   */
  List<Inline.Shape> take(int from, int to, boolean first) {
    var out = new ArrayList<Inline.Shape>();
    for (Map<Integer, Painted> bar : bars.values()) {
      int begin = first ? from : from + 1;
      boolean onAll = to - begin > 1 && IntStream.range(begin, to).allMatch(bar::containsKey);
      Painted one = bar.get(begin);
      if (onAll && one != null && (first || !bar.containsKey(from))) {
        IntStream.range(begin, to)
            .forEach(p -> taken.computeIfAbsent(p, k -> new HashSet<>()).add(bar.get(p)));
        out.add(DrawnShapes.shape(one, one.box(), onPage(one)));
      }
    }
    return out;
  }

  private static Placement onPage(Painted s) {
    return new Placement.Floating(
        new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, s.box().x()),
        new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, s.box().y()),
        Placement.Wrap.THROUGH,
        Insets.NONE,
        true);
  }

  /** For each page what became part of its header. */
  Map<Integer, Set<Painted>> taken() {
    return taken;
  }
}
