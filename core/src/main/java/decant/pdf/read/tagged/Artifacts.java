package decant.pdf.read.tagged;

import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** What a file marks as no part of its text (ISO 32000-1 §14.8.2.2). */
final class Artifacts {
  private Artifacts() {}

  /**
   * Artifacts at the head and foot of pages. They are on several pages, or said to be what pages
   * have at their edges; what is on one alone else is marked so by mistake, and has to be read.
   *
   * @param leaders artifacts that are of a text of their page, by identity
   */
  static RunningTexts.Result running(
      List<ScannedPage> pages, RunningTexts.Result repeating, Set<Glyph> leaders) {
    Set<String> known = new HashSet<>();
    repeating.lines().forEach(l -> known.add(height(l)));
    var texts = new ArrayList<RunningTexts.RunningText>();
    Map<String, List<TextLine>> groups = new java.util.LinkedHashMap<>();
    for (ScannedPage p : pages) {
      List<Glyph> artifacts =
          p.glyphs().stream().filter(g -> g.marked().artifact() && !leaders.contains(g)).toList();
      for (TextLine l : Lines.of(p.only(artifacts))) {
        boolean header = l.box().y() < p.height() / 2;
        String key = header + l.text().replaceAll("\\d+", "#").strip();
        groups.computeIfAbsent(key, k -> new ArrayList<>()).add(l);
      }
    }
    groups
        .values()
        .forEach(ls -> {
          TextLine l = ls.getFirst();
          boolean repeats =
              pages.size() == 1
                  || ls.stream().allMatch(x -> isFurniture(x, pages.get(x.page())))
                  || ls.stream().mapToInt(TextLine::page).distinct().count() > 1
                  || ls.stream().allMatch(x -> known.contains(height(x)));
          if (!repeats) {
            return;
          }
          boolean header = l.box().y() < pages.get(l.page()).height() / 2;
          texts.add(new RunningTexts.RunningText(header, l.text(), ls, RunningTexts.counter(ls)));
        });
    Set<TextLine> lines =
        texts.stream().flatMap(t -> t.lines().stream()).collect(Collectors.toSet());
    return new RunningTexts.Result(texts, lines);
  }

  private static boolean isFurniture(TextLine l, ScannedPage page) {
    double edge = Math.min(l.box().bottom(), page.height() - l.box().y());
    return edge < page.height() * TaggedThresholds.Artifacts.EDGE
        && l.glyphs().stream().allMatch(g -> g.isSpace() || g.marked().furniture());
  }

  private static String height(TextLine l) {
    return l.page() + " " + Math.round(l.baseline());
  }
}
