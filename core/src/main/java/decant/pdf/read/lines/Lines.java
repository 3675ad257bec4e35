package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Glyphs into lines: by baseline, in visual order, cut at wide gaps, spaces put in where glyphs
 * stand apart.
 */
public final class Lines {
  /** What the mark of a note is made of. */
  private static final Pattern MARK = Pattern.compile("[\\d*†‡§]");

  private Lines() {}

  /** All lines of a page, slanted ones after the others. */
  public static List<TextLine> withSlanted(ScannedPage page) {
    var out = new ArrayList<>(of(page));
    ApartText.slanted(page).forEach(t -> out.addAll(t.lines()));
    return out;
  }

  public static List<TextLine> of(ScannedPage page) {
    var out = new ArrayList<TextLine>();
    for (int quarter = 0; quarter < 4; quarter++) {
      List<Glyph> glyphs = standing(page, quarter);
      if (!glyphs.isEmpty()) {
        out.addAll(upright(page, glyphs));
      }
    }
    return out;
  }

  /** The glyphs of a page that are turned so and have characters, as if they stood upright. */
  public static List<Glyph> standing(ScannedPage page, int quarter) {
    List<Glyph> glyphs =
        page.glyphs().stream().filter(g -> g.quarter() == quarter && !g.text().isEmpty()).toList();
    return quarter == 0 ? glyphs : turned(glyphs, quarter, page);
  }

  /** The size that most letters of the file have. */
  public static double bodySize(List<List<TextLine>> lines) {
    Map<Double, Integer> letters = new HashMap<>();
    for (List<TextLine> page : lines) {
      for (TextLine l : page) {
        letters.merge(Math.round(l.size() * 4) / 4.0, l.glyphs().size(), Integer::sum);
      }
    }
    return letters.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(Sizes.DEFAULT);
  }

  /**
   * Turned text is put into lines as if it stood upright, and then kept at the place where it
   * begins.
   */
  private static List<Glyph> turned(List<Glyph> glyphs, int quarter, ScannedPage page) {
    return glyphs.stream()
        .map(g -> {
          double x = g.x();
          double y = g.baseline();
          double nx = quarter == 1 ? y : quarter == 2 ? page.width() - x : page.height() - y;
          double ny = quarter == 1 ? page.width() - x : quarter == 2 ? page.height() - y : x;
          return g.upright(nx, ny);
        })
        .toList();
  }

  /** The lines of glyphs that stand upright. */
  static List<TextLine> upright(ScannedPage page, List<Glyph> glyphs) {
    List<List<Glyph>> rows =
        rows(glyphs).stream().flatMap(r -> Overlaid.parted(r).stream()).toList();
    var out = new ArrayList<TextLine>();
    for (List<Glyph> row : rows) {
      row.sort(Comparator.comparingDouble(Glyph::x));
      List<Glyph> once = withoutDoubles(withoutPadding(row));
      int from = 0;
      for (int k = 1; k <= once.size(); k++) {
        boolean end = k == once.size();
        if (!end) {
          Glyph a = lastInk(once, from, k);
          Glyph b = once.get(k);
          double gap = (b.x() - a.right()) / Math.max(a.size(), b.size());
          end =
              !b.isSpace()
                  && (gap > LineThresholds.Lines.PIECE_GAP
                      || gap > LineThresholds.Lines.OTHER_SIZE_GAP
                          && areOfTwoSizes(once.subList(from, k), a, once.subList(k, once.size())));
        }
        if (end) {
          line(page.number(), once.subList(from, k)).ifPresent(out::add);
          from = k;
        }
      }
    }
    return out;
  }

  /**
   * Whether words of two sizes meet, as those of a title and of what stands beside it in the next
   * column: the gap between them may be narrow.
   *
   * @param last ink of what is before the gap
   */
  private static boolean areOfTwoSizes(List<Glyph> before, Glyph last, List<Glyph> after) {
    double a = last.size();
    double b = after.getFirst().size();
    return Math.max(a, b) > LineThresholds.Lines.OTHER_SIZE * Math.min(a, b)
        && words(before, a)
        && words(after, b);
  }

  /** Whether there are words in a size, more than marks and numbers have letters. */
  private static boolean words(List<Glyph> glyphs, double size) {
    return glyphs.stream().filter(g -> !g.isSpace() && g.size() == size).count()
        >= LineThresholds.Lines.WORDS;
  }

  private static Glyph lastInk(List<Glyph> row, int from, int before) {
    for (int k = before - 1; k >= from; k--) {
      if (!row.get(k).isSpace()) {
        return row.get(k);
      }
    }
    return row.get(before - 1);
  }

  private static List<List<Glyph>> rows(List<Glyph> glyphs) {
    List<Glyph> sorted = new ArrayList<>(glyphs);
    sorted.sort(Comparator.comparingDouble(Glyph::baseline));
    var rows = new ArrayList<List<Glyph>>();
    List<Glyph> raised = new ArrayList<>();
    double typical = typicalSize(sorted);
    for (Glyph g : sorted) {
      if (g.size() < typical * LineThresholds.Lines.RAISED) {
        raised.add(g); // may be a note mark: joins the line it stands by below
        continue;
      }
      List<Glyph> row = rows.isEmpty() ? null : rows.getLast();
      if (row == null
          || g.baseline() - row.getFirst().baseline()
              > Math.min(LineThresholds.Lines.LARGEST * typical, g.size())
                  * LineThresholds.Lines.SAME_LINE) {
        row = new ArrayList<>();
        rows.add(row);
      }
      row.add(g);
    }
    addSmall(rows, raised);
    addRaised(rows);
    addSetIn(rows);
    return rows;
  }

  /**
   * Few letters that stand a little above or below a line, each of them closely between two of its
   * letters, are of that line: logos have them.
   */
  private static void addSetIn(List<List<Glyph>> rows) {
    for (int k = 0; k < rows.size(); k++) {
      List<Glyph> row = rows.get(k);
      long ink = row.stream().filter(g -> !g.isSpace()).count();
      if (ink == 0 || ink > LineThresholds.Lines.SET_IN_LETTERS) {
        continue;
      }
      for (int other : new int[] {k - 1, k + 1}) {
        boolean setIn =
            other >= 0
                && other < rows.size()
                && row.stream().allMatch(g -> g.isSpace() || isSetIn(g, rows.get(other)));
        if (setIn) {
          row.stream().filter(g -> !g.isSpace()).forEach(rows.get(other)::add);
          rows.remove(k--);
          break;
        }
      }
    }
  }

  private static boolean isSetIn(Glyph g, List<Glyph> row) {
    boolean left = false;
    boolean right = false;
    for (Glyph o : row) {
      double near = LineThresholds.Lines.SET_IN * o.size();
      boolean beside =
          !o.isSpace()
              && Math.abs(o.baseline() - g.baseline()) < LineThresholds.Lines.SHIFTED * o.size();
      left |= beside && o.x() < g.x() && o.right() > g.x() - near;
      right |= beside && o.right() > g.right() && o.x() < g.right() + near;
    }
    return left && right;
  }

  /**
   * Few letters that stand raised right after one of a line below them, and a little smaller, are
   * of that line: exponents and marks may be nearly as large as the text. So is the mark of a note
   * before its first line.
   */
  private static void addRaised(List<List<Glyph>> rows) {
    for (int k = 0; k + 1 < rows.size(); k++) {
      List<Glyph> row = rows.get(k);
      List<Glyph> below = rows.get(k + 1);
      if (row.stream().filter(g -> !g.isSpace()).count() > LineThresholds.Lines.MARK_LETTERS) {
        continue;
      }
      boolean mark = row.stream().allMatch(g -> g.isSpace() || MARK.matcher(g.text()).matches());
      // Marks of notes may stand over the line, which other letters do not.
      double highest = mark ? LineThresholds.Lines.HIGHEST_MARK : LineThresholds.Lines.HIGHEST;
      if (below.stream().anyMatch(o -> isBaseOf(o, row, highest))
          || mark && isLabelOf(row, below)) {
        below.addAll(row);
        rows.remove(k--);
      }
    }
  }

  private static boolean isBaseOf(Glyph o, List<Glyph> raised, double highest) {
    Glyph first = raised.stream().min(Comparator.comparingDouble(Glyph::x)).orElseThrow();
    double up = o.baseline() - first.baseline();
    return !o.isSpace()
        && raised.stream().allMatch(g -> g.size() < LineThresholds.Lines.SMALLER * o.size())
        && up > 0
        && up < highest * o.size()
        && Math.abs(first.x() - o.right()) < LineThresholds.Lines.RIGHT_AFTER * o.size();
  }

  private static boolean isLabelOf(List<Glyph> mark, List<Glyph> line) {
    Glyph last = mark.stream().max(Comparator.comparingDouble(Glyph::x)).orElseThrow();
    Glyph first = line.stream().min(Comparator.comparingDouble(Glyph::x)).orElseThrow();
    double up = first.baseline() - last.baseline();
    double gap = first.x() - last.right();
    return mark.stream().allMatch(g -> g.size() < LineThresholds.Lines.SMALLER * first.size())
        && up > 0
        && up < LineThresholds.Lines.HIGHEST_MARK * first.size()
        && gap > -LineThresholds.Lines.RIGHT_AFTER * first.size()
        && gap < LineThresholds.Lines.AFTER_LABEL * first.size();
  }

  /**
   * Small glyphs join a row of larger text that they touch from the side; the others make rows of
   * their own.
   */
  private static void addSmall(List<List<Glyph>> rows, List<Glyph> small) {
    small.sort(Comparator.comparingDouble(Glyph::x));
    List<Glyph> rest = apart(rows, small);
    // Of what stands before a line, only the last glyph touches it; then the one before that.
    rest = apart(rows, rest.reversed());
    rest.sort(Comparator.comparingDouble(Glyph::baseline));
    List<Glyph> row = null;
    for (Glyph g : rest) {
      if (row == null
          || g.baseline() - row.getFirst().baseline()
              > g.size() * LineThresholds.Lines.SMALL_LINE) {
        row = new ArrayList<>();
        rows.add(row);
      }
      row.add(g);
    }
    rows.sort(Comparator.comparingDouble(r -> r.getFirst().baseline()));
  }

  /** Puts small glyphs, in their order, into the rows they touch; returns those that touch none. */
  private static List<Glyph> apart(List<List<Glyph>> rows, List<Glyph> small) {
    var rest = new ArrayList<Glyph>();
    for (Glyph g : small) {
      Optional<List<Glyph>> home =
          rows.stream()
              .filter(r -> {
                double up = r.getFirst().baseline() - g.baseline();
                double s = r.getFirst().size();
                return up > -LineThresholds.Lines.LOWERED * s
                    && up < LineThresholds.Lines.HIGHEST * s
                    && r.stream()
                        .anyMatch(o ->
                            Math.abs(g.x() - o.right()) < s * LineThresholds.Lines.TOUCHES
                                || Math.abs(o.x() - g.right()) < s * LineThresholds.Lines.TOUCHES);
              })
              .findFirst();
      home.ifPresentOrElse(r -> r.add(g), () -> rest.add(g));
    }
    return rest;
  }

  private static double typicalSize(List<Glyph> glyphs) {
    double[] sizes = glyphs.stream().mapToDouble(Glyph::size).sorted().toArray();
    return sizes[sizes.length / 2];
  }

  /** Spaces that text is drawn over only moved the pen on; they part no words. */
  private static List<Glyph> withoutPadding(List<Glyph> row) {
    List<Glyph> ink = row.stream().filter(g -> !g.isSpace()).toList();
    if (ink.size() == row.size()) {
      return row;
    }
    var out = new ArrayList<Glyph>(row.size());
    int from = 0;
    for (Glyph g : row) {
      if (!g.isSpace()) {
        out.add(g);
        continue;
      }
      while (from < ink.size() && ink.get(from).right() <= g.x()) {
        from++;
      }
      double covered = 0;
      for (int k = from; k < ink.size() && ink.get(k).x() < g.right(); k++) {
        covered +=
            Math.max(0, Math.min(g.right(), ink.get(k).right()) - Math.max(g.x(), ink.get(k).x()));
      }
      if (covered <= LineThresholds.Lines.COVERED * g.width()) {
        out.add(g);
      }
    }
    return out;
  }

  /** Bold made by showing a glyph twice with a small shift counts once. */
  private static List<Glyph> withoutDoubles(List<Glyph> row) {
    var out = new ArrayList<Glyph>(row.size());
    for (Glyph g : row) {
      boolean twice = false;
      for (int k = out.size() - 1; k >= 0 && k >= out.size() - 4 && !twice; k--) {
        Glyph o = out.get(k);
        twice = doubles(g, o);
      }
      if (!twice) {
        out.add(g);
      }
    }
    return out;
  }

  /** Whether a glyph of the same row only adds weight to another. */
  public static boolean doubles(Glyph g, Glyph o) {
    return !g.isSpace()
        && o.text().equals(g.text())
        && Math.abs(o.x() - g.x()) < g.size() * LineThresholds.Lines.TWICE
        && g.width() > g.size() * LineThresholds.Lines.NARROW;
  }

  private static Optional<TextLine> line(int page, List<Glyph> piece) {
    int from = 0;
    int to = piece.size();
    while (from < to && piece.get(from).isSpace()) {
      from++;
    }
    while (to > from && piece.get(to - 1).isSpace()) {
      to--;
    }
    if (from == to) {
      return Optional.empty();
    }
    var spaced = new ArrayList<Glyph>();
    LineSpacing spacing = LineSpacing.of(piece.subList(from, to));
    for (int k = from; k < to; k++) {
      Glyph g = piece.get(k);
      if (!spaced.isEmpty()) {
        Glyph last = spaced.getLast();
        if (g.isSpace() && last.isSpace()) {
          continue;
        }
        if (!g.isSpace() && !last.isSpace() && spacing.parts(last, g)) {
          spaced.add(space(last, g));
        }
      }
      spaced.add(g.isSpace() ? asSpace(g) : g);
    }
    List<Glyph> logical = Directions.logical(spaced);
    double left = Double.MAX_VALUE;
    // Turned text is put into lines where there may be no page.
    double right = -Double.MAX_VALUE;
    double top = Double.MAX_VALUE;
    double bottom = -Double.MAX_VALUE;
    double size = 0;
    double baseline = 0;
    for (Glyph g : spaced) {
      left = Math.min(left, g.x());
      right = Math.max(right, g.right());
      if (!g.isSpace() && g.size() > size) {
        size = g.size();
        baseline = g.baseline();
      }
      top = Math.min(top, g.baseline() - g.size() * Anatomy.ASCENT);
      bottom = Math.max(bottom, g.baseline() + g.size() * Anatomy.DESCENT);
    }
    size = mainSize(spaced, size);
    return Optional.of(
        new TextLine(
            page, logical, new Box(left, top, right - left, bottom - top), baseline, size));
  }

  /** The size that most of the line's letters have. */
  private static double mainSize(List<Glyph> glyphs, double otherwise) {
    var counts = new HashMap<Double, Integer>();
    glyphs.stream()
        .filter(g -> !g.isSpace())
        .forEach(g -> counts.merge(Math.round(g.size() * 10) / 10.0, 1, Integer::sum));
    return counts.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(otherwise);
  }

  private static Glyph asSpace(Glyph g) {
    return g.like(" ", g.x(), g.width());
  }

  public static Glyph space(Glyph after, Glyph before) {
    Glyph gap =
        after
            .gap(" ", Math.max(0, before.x() - after.right()))
            .withDecor(after.ink().decor().shared(before.ink().decor()));
    return after.link().isPresent() && after.link().equals(before.link())
        ? gap.withLink(after.link().get())
        : gap;
  }
}
