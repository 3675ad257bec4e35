package decant.pdf.read.document;

import decant.model.Box;
import decant.model.Inline;
import decant.model.look.Placement;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.page.Ground;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Areas that headers and footers stand on, and what lies behind all pages. They are part of the
 * headers: as shapes of the text, which is painted after these, they would cover the words.
 */
final class RunningBars {
  /** Areas by where they are and what they look like, on the pages that have each. */
  private final Map<String, Map<Integer, Painted>> bars = new LinkedHashMap<>();

  private final Map<Integer, Set<Painted>> taken = new HashMap<>();

  /** For each page the picture that lies behind it as a whole. */
  private final Map<Integer, Ground> backgrounds = new HashMap<>();

  private final Set<Integer> withBackground = new HashSet<>();

  RunningBars(
      List<ScannedPage> pages, RunningTexts.Result running, Map<Integer, List<Ground>> grounds) {
    grounds.forEach((page, all) ->
        all.stream()
            .filter(Ground::background)
            .findFirst()
            .ifPresent(g -> backgrounds.put(page, g)));
    Map<Integer, List<TextLine>> lines = new HashMap<>();
    for (TextLine l : running.lines()) {
      lines.computeIfAbsent(l.page(), k -> new ArrayList<>()).add(l);
    }
    for (ScannedPage p : pages) {
      List<TextLine> here = lines.getOrDefault(p.number(), List.of());
      if (here.isEmpty()) {
        continue;
      }
      List<Ground> behind = grounds.getOrDefault(p.number(), List.of());
      for (Painted s : p.shapes()) {
        boolean bar =
            !s.free()
                && s.solid()
                && s.shows()
                && here.stream().anyMatch(l -> isOn(l, s.box()))
                && behind.stream().noneMatch(g -> g.shows(s));
        if (bar) {
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
  List<Inline> take(int from, int to, boolean first) {
    var out = new ArrayList<Inline>();
    int begin = first ? from : from + 1;
    background(begin, to).ifPresent(out::add);
    for (Map<Integer, Painted> bar : bars.values()) {
      boolean onAll = to - begin > 1 && IntStream.range(begin, to).allMatch(bar::containsKey);
      Painted one = bar.get(begin);
      if (onAll && one != null && (first || !bar.containsKey(from))) {
        IntStream.range(begin, to)
            .forEach(p -> taken.computeIfAbsent(p, k -> new HashSet<>()).add(bar.get(p)));
        out.add(DrawnShapes.shape(one, one.box(), behind(one.box())));
      }
    }
    return out;
  }

  /** The same picture behind all pages from one up to another, which are several. */
  private Optional<Inline> background(int from, int to) {
    Ground one = backgrounds.get(from);
    if (one == null) {
      return Optional.empty();
    }
    boolean onAll =
        to - from > 1
            && !withBackground.contains(from)
            && IntStream.range(from, to).allMatch(p -> isSame(one, backgrounds.get(p)));
    if (!onAll) {
      return Optional.empty();
    }
    IntStream.range(from, to).forEach(withBackground::add);
    return Optional.of(DrawnShapes.picture(one, behind(one.box())));
  }

  private static Placement behind(Box b) {
    return Placement.Floating.onPage(b.x(), b.y(), true);
  }

  private static boolean isSame(Ground a, @Nullable Ground b) {
    return b != null && a.picture().media().id().equals(b.picture().media().id());
  }

  /** Whether what lies behind a page is part of its header. */
  boolean hasBackground(int page) {
    return withBackground.contains(page);
  }

  /** For each page what became part of its header. */
  Map<Integer, Set<Painted>> taken() {
    return taken;
  }
}
