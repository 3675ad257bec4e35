package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.detected.Region;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BiPredicate;

/** Pieces of lines into whole lines, and those into regions. */
public final class Regions {
  private Regions() {}

  /** The region of a column, without what was taken out of it. */
  public static Region of(int page, PageColumns.Column c, List<TextLine> pieces) {
    return new Region(page, rows(pieces), c.left(), c.right(), c.column());
  }

  /** The width that full lines have: nine in ten are not wider. */
  public static double measure(List<TextLine> lines) {
    double[] widths = lines.stream().mapToDouble(l -> l.box().width()).sorted().toArray();
    return widths[(int) (widths.length * LineThresholds.Regions.FULL)];
  }

  /** Pieces on one baseline put together into whole lines. */
  public static List<TextLine> rows(List<TextLine> pieces) {
    return byBaseline(pieces).stream().map(Regions::whole).toList();
  }

  /** Pieces by their baselines, down the page. */
  public static List<List<TextLine>> byBaseline(List<TextLine> pieces) {
    var out = new ArrayList<List<TextLine>>();
    for (TextLine l : pieces.stream().sorted(TextLine.DOWN).toList()) {
      boolean begins =
          out.isEmpty()
              || l.baseline() - out.getLast().getFirst().baseline()
                  > LineThresholds.Regions.SAME_ROW * l.size();
      if (begins) {
        out.add(new ArrayList<>());
      }
      out.getLast().add(l);
    }
    return out;
  }

  /**
   * Lines in stacks: each belongs to the last stack whose last line it follows.
   *
   * @param follows whether a line, the second, stands below another as one of the same stack
   */
  static List<List<TextLine>> stacks(
      List<TextLine> lines, BiPredicate<TextLine, TextLine> follows) {
    var out = new ArrayList<List<TextLine>>();
    for (TextLine l : lines.stream().sorted(TextLine.DOWN).toList()) {
      List<TextLine> home = null;
      for (List<TextLine> g : out) {
        home = follows.test(g.getLast(), l) ? g : home;
      }
      if (home == null) {
        home = new ArrayList<>();
        out.add(home);
      }
      home.add(l);
    }
    return out;
  }

  public static TextLine whole(List<TextLine> row) {
    if (row.size() == 1) {
      return row.getFirst();
    }
    List<TextLine> sorted = new ArrayList<>(row);
    boolean rightToLeft = row.stream().mapToInt(Directions::lean).sum() > 0;
    Comparator<TextLine> byX = Comparator.comparingDouble(l -> l.box().x());
    sorted.sort(rightToLeft ? byX.reversed() : byX);
    var glyphs = new ArrayList<Glyph>();
    Box box = sorted.getFirst().box();
    double size = 0;
    double baseline = sorted.getFirst().baseline();
    for (TextLine l : sorted) {
      if (!glyphs.isEmpty()) {
        Glyph last = glyphs.getLast();
        double gap = l.box().x() - last.right();
        glyphs.add(
            last.gap(
                gap > LineThresholds.Regions.TAB * last.size() ? "\t" : " ", Math.max(0, gap)));
      }
      glyphs.addAll(l.glyphs());
      box = box.union(l.box());
      if (l.size() > size) {
        size = l.size();
        baseline = l.baseline();
      }
    }
    return new TextLine(row.getFirst().page(), glyphs, box, baseline, size);
  }

  /**
   * Pieces of one baseline put together; the order of the tags decides where they come from several
   * columns.
   */
  public static List<TextLine> merged(List<TextLine> lines) {
    var result = new ArrayList<TextLine>();
    for (TextLine l : lines) {
      if (!result.isEmpty()) {
        TextLine last = result.getLast();
        if (last.page() == l.page() && Sizes.samePlace(last.baseline(), l.baseline(), l.size())) {
          result.set(result.size() - 1, whole(List.of(last, l)));
          continue;
        }
      }
      result.add(l);
    }
    return result;
  }
}
