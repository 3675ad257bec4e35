package decant.pdf.read.beside;

import decant.model.Box;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.lines.PageColumns;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Finds notes at the foot of pages: below a short ruled line, or in smaller letters, each beginning
 * with a mark that also stands raised in the text of the page.
 */
public final class Footnotes {
  private static final Pattern LABEL =
      Pattern.compile("^\\(?(\\d{1,3}|[*†‡§¶]{1,3}|[a-z])[.)]?(?=\\s|\\p{L}|$)");

  /** The notes of a page, and the lines that are not theirs. */
  public record Result(List<DetectedNote> notes, List<TextLine> rest) {}

  private Footnotes() {}

  /**
   * @param lines of the page without its running texts
   * @param bodySize the size that most text of the file has
   */
  public static Result of(ScannedPage page, List<TextLine> lines, double bodySize) {
    List<PageColumns.Column> columns = PageColumns.of(lines, page.rules());
    List<List<TextLine>> beside = beside(columns);
    if (beside.size() > 1) {
      var notes = new ArrayList<DetectedNote>();
      var rest = new ArrayList<TextLine>();
      columns.stream().filter(c -> !c.column()).forEach(c -> rest.addAll(c.pieces()));
      for (List<TextLine> column : beside) {
        var others = new ArrayList<>(rest);
        beside.stream().filter(b -> b != column).forEach(others::addAll);
        Result own = of(page, column, bodySize, marks(others));
        notes.addAll(own.notes());
        rest.addAll(own.rest());
      }
      if (!notes.isEmpty()) {
        return new Result(notes, rest);
      }
    }
    return of(page, lines, bodySize, Set.of());
  }

  /** The lines of each column that stands beside others. */
  private static List<List<TextLine>> beside(List<PageColumns.Column> columns) {
    var edges = new ArrayList<Double>();
    var out = new ArrayList<List<TextLine>>();
    for (PageColumns.Column c : columns) {
      if (!c.column()) {
        continue;
      }
      int at = 0;
      while (at < edges.size() && Math.abs(edges.get(at) - c.left()) >= 1) {
        at++;
      }
      if (at == edges.size()) {
        edges.add(c.left());
        out.add(new ArrayList<>());
      }
      out.get(at).addAll(c.pieces());
    }
    return out;
  }

  /**
   * @param elsewhere raised signs of the rest of the page
   */
  private static Result of(
      ScannedPage page, List<TextLine> lines, double bodySize, Set<String> elsewhere) {
    var marks = new HashSet<>(marks(lines));
    marks.addAll(elsewhere);
    Optional<Double> top =
        separator(page, lines, bodySize).or(() -> smaller(page, lines, bodySize, marks));
    if (top.isEmpty()) {
      return new Result(List.of(), lines);
    }
    double y = top.get();
    List<TextLine> area = lines.stream().filter(l -> l.baseline() > y).toList();
    List<TextLine> rest = lines.stream().filter(l -> l.baseline() <= y).toList();
    var above = new HashSet<>(marks(rest));
    above.addAll(elsewhere);
    List<DetectedNote> notes = parted(page, Regions.rows(area), above);
    boolean any = notes.stream().anyMatch(n -> !n.label().isEmpty());
    return any ? new Result(notes, rest) : new Result(List.of(), lines);
  }

  /** Just above the area below a short lying line near the foot of the page. */
  private static Optional<Double> separator(
      ScannedPage page, List<TextLine> lines, double bodySize) {
    double left = lines.stream().mapToDouble(l -> l.box().x()).min().orElse(0);
    double right = lines.stream().mapToDouble(l -> l.box().right()).max().orElse(0);
    double best = -1;
    for (RuledLine r : page.rules()) {
      double length = r.x2() - r.x1();
      boolean fits =
          r.lying()
              && length > BesideThresholds.Footnotes.SHORTEST_RULE * (right - left)
              && length < BesideThresholds.Footnotes.LONGEST_RULE * (right - left)
              && r.x1() > left - BesideThresholds.Footnotes.AT_LEFT * bodySize
              && r.x1() < left + BesideThresholds.Footnotes.AT_LEFT * bodySize
              && r.middle() > page.height() * BesideThresholds.Footnotes.HIGHEST
              && page.rules().stream().noneMatch(r::goesOn);
      if (!fits) {
        continue;
      }
      List<TextLine> below = lines.stream().filter(l -> l.box().y() > r.middle() - 2).toList();
      boolean notes =
          !below.isEmpty()
              && below.stream().allMatch(l -> Sizes.isNoLarger(l.size(), bodySize))
              && beginsWithLabelOrGoesOn(below, bodySize)
              && page.rules().stream()
                  .noneMatch(o ->
                      o != r
                          && o.lying()
                          && o.middle() > r.middle() + 2
                          && o.x1() < right
                          && o.x2() > left);
      if (notes) {
        best = Math.max(best, r.middle());
      }
    }
    return best < 0 ? Optional.empty() : Optional.of(best);
  }

  private static boolean beginsWithLabelOrGoesOn(List<TextLine> below, double bodySize) {
    TextLine first =
        below.stream().min(Comparator.comparingDouble(TextLine::baseline)).orElseThrow();
    return label(first).isPresent() || Sizes.isSmaller(first.size(), bodySize);
  }

  /** Lines in smaller letters at the foot, the first of which begins with a mark of the page. */
  private static Optional<Double> smaller(
      ScannedPage page, List<TextLine> lines, double bodySize, Set<String> marks) {
    List<TextLine> sorted = new ArrayList<>(lines);
    sorted.sort(Comparator.comparingDouble(TextLine::baseline));
    int k = sorted.size();
    while (k > 0 && Sizes.isSmaller(sorted.get(k - 1).size(), bodySize)) {
      k--;
    }
    while (k < sorted.size()) {
      TextLine first = sorted.get(k);
      Optional<Label> label = label(first);
      boolean low = first.baseline() > page.height() * BesideThresholds.Footnotes.HIGHEST;
      if (low && label.isPresent() && marks.contains(label.get().text())) {
        Box b = first.box();
        return Optional.of(b.y() - 1);
      }
      k++;
    }
    return Optional.empty();
  }

  /** Raised small signs in the text that may be marks of notes. */
  private static Set<String> marks(List<TextLine> lines) {
    var out = new HashSet<String>();
    for (TextLine l : lines) {
      var run = new StringBuilder();
      for (int k = 0; k <= l.glyphs().size(); k++) {
        Glyph g = k < l.glyphs().size() ? l.glyphs().get(k) : null;
        if (g != null && l.isRaised(g)) {
          run.append(g.text());
        } else if (!run.isEmpty()) {
          for (String s : run.toString().split("[,\\s]+")) {
            out.add(s.strip());
          }
          run.setLength(0);
        }
      }
    }
    return out;
  }

  /**
   * The label that a line begins with.
   *
   * @param glyphs how many of the line's glyphs it takes up, with the space after it
   */
  private record Label(String text, int glyphs) {}

  private static Optional<Label> label(TextLine l) {
    Matcher m = LABEL.matcher(l.text());
    if (!m.find()) {
      return Optional.empty();
    }
    boolean raised = l.isRaised(l.glyphs().getFirst());
    boolean letter = m.group(1).matches("[a-z]");
    boolean spaced =
        m.end() < l.text().length() && Character.isWhitespace(l.text().charAt(m.end()));
    if (!raised && (letter || !spaced)) {
      return Optional.empty();
    }
    int glyphs = 0;
    int chars = 0;
    while (glyphs < l.glyphs().size() && (chars < m.end() || l.glyphs().get(glyphs).isSpace())) {
      chars += l.glyphs().get(glyphs).text().length();
      glyphs++;
    }
    return Optional.of(new Label(m.group(1), glyphs));
  }

  /** Each note from its label on; what stands before the first goes on from the page before. */
  private static List<DetectedNote> parted(
      ScannedPage page, List<TextLine> area, Set<String> marks) {
    var out = new ArrayList<DetectedNote>();
    var open = new ArrayList<TextLine>();
    String label = "";
    for (TextLine l : area) {
      Optional<Label> own = label(l).filter(x -> marks.isEmpty() || marks.contains(x.text()));
      if (own.isPresent() && own.get().glyphs() < l.glyphs().size()) {
        if (!open.isEmpty()) {
          out.add(new DetectedNote(page.number(), label, open));
        }
        open.clear();
        label = own.get().text();
        open.add(without(l, own.get().glyphs()));
      } else {
        open.add(l);
      }
    }
    if (!open.isEmpty()) {
      out.add(new DetectedNote(page.number(), label, open));
    }
    return out;
  }

  private static TextLine without(TextLine l, int glyphs) {
    List<Glyph> rest = l.glyphs().subList(glyphs, l.glyphs().size());
    return new TextLine(l.page(), rest, l.box(), l.baseline(), l.size());
  }

  /** Lines that are one note, whose label they may begin with. */
  public static DetectedNote labelled(List<TextLine> lines) {
    TextLine first = lines.getFirst();
    Optional<Label> own = label(first).filter(l -> l.glyphs() < first.glyphs().size());
    if (own.isEmpty()) {
      return new DetectedNote(first.page(), "", lines);
    }
    var rest = new ArrayList<>(lines);
    rest.set(0, without(first, own.get().glyphs()));
    return new DetectedNote(first.page(), own.get().text(), rest);
  }

  /** Notes of all pages, those that go on on the next page put together. */
  public static List<DetectedNote> joined(List<DetectedNote> notes) {
    var out = new ArrayList<DetectedNote>();
    for (DetectedNote n : notes) {
      if (n.label().isEmpty() && !out.isEmpty() && out.getLast().page() == n.page() - 1) {
        DetectedNote last = out.removeLast();
        var lines = new ArrayList<>(last.lines());
        lines.addAll(n.lines());
        out.add(new DetectedNote(last.page(), last.label(), lines));
      } else {
        out.add(n);
      }
    }
    return out;
  }
}
