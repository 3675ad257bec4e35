package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The marks of items that are drawn rather than written: small shapes on the height of small
 * letters, a little before the first letter of a line. They become bullets in the text.
 */
public final class DrawnMarks {
  /**
   * A mark.
   *
   * @param shapes it is drawn with, one over another
   * @param line that it stands before
   */
  private record Mark(Box box, List<Painted> shapes, TextLine line, boolean hollow) {
    /** Marks of one kind are as large, and stand as far before the text. */
    String kind() {
      return Math.round(box.width())
          + " "
          + Math.round(box.height())
          + " "
          + Math.round((line.box().x() - box.x()) / 2);
    }
  }

  private DrawnMarks() {}

  /** The pages with drawn marks as letters of their text. One alone of its kind stays a drawing. */
  public static List<ScannedPage> in(List<ScannedPage> pages) {
    List<List<Mark>> found = pages.parallelStream().map(DrawnMarks::of).toList();
    Map<String, Integer> kinds = new HashMap<>();
    found.forEach(ms -> ms.forEach(m -> kinds.merge(m.kind(), 1, Integer::sum)));
    var out = new ArrayList<ScannedPage>();
    for (int k = 0; k < pages.size(); k++) {
      List<Mark> marks =
          found.get(k).stream().filter(m -> kinds.getOrDefault(m.kind(), 0) > 1).toList();
      out.add(marks.isEmpty() ? pages.get(k) : with(pages.get(k), marks));
    }
    return out;
  }

  private static ScannedPage with(ScannedPage p, List<Mark> marks) {
    Set<Painted> taken = Collections.newSetFromMap(new IdentityHashMap<>());
    var glyphs = new ArrayList<>(p.glyphs());
    for (Mark m : marks) {
      taken.addAll(m.shapes());
      Glyph first = m.line().glyphs().getFirst();
      glyphs.add(
          Glyph.made(
              isDash(m.box()) ? "–" : m.hollow() ? "◦" : "•",
              m.box().x(),
              m.line().baseline(),
              m.box().width(),
              m.line().size(),
              first.ink().face(),
              first.marked().content()));
      double from = m.box().right();
      glyphs.add(
          Glyph.made(
              " ",
              from,
              m.line().baseline(),
              Math.max(0, m.line().box().x() - from),
              m.line().size(),
              first.ink().face(),
              first.marked().content()));
    }
    return new ScannedPage(
        p.number(),
        p.width(),
        p.height(),
        glyphs,
        p.rules().stream().filter(r -> marks.stream().noneMatch(m -> isOf(r, m))).toList(),
        p.pictures(),
        p.shapes().stream().filter(s -> !taken.contains(s)).toList(),
        p.comments());
  }

  private static boolean isOf(RuledLine r, Mark m) {
    return m.box().holds(new Box(r.x1(), r.y1(), r.x2() - r.x1(), r.y2() - r.y1()), 1);
  }

  private static List<Mark> of(ScannedPage page) {
    List<Painted> small =
        page.shapes().stream().filter(Painted::shows).filter(s -> isSmall(s.box())).toList();
    if (small.isEmpty() || small.size() > LineThresholds.DrawnMarks.MOST) {
      return List.of();
    }
    List<TextLine> lines =
        Lines.of(page.only(page.glyphs().stream().filter(g -> g.quarter() == 0).toList()));
    var out = new ArrayList<Mark>();
    for (TextLine l : lines) {
      List<Painted> before = small.stream().filter(s -> isBefore(s.box(), l)).toList();
      if (before.isEmpty() || lines.stream().anyMatch(o -> standsBetween(o, l))) {
        continue;
      }
      Box box = before.stream().map(Painted::box).reduce(Box::union).orElseThrow();
      if (isSmall(box) && box.width() < LineThresholds.DrawnMarks.LARGEST * l.size()) {
        boolean hollow = before.stream().allMatch(s -> s.fill().isEmpty());
        out.add(new Mark(box, before, l, hollow));
      }
    }
    return out;
  }

  private static boolean isSmall(Box b) {
    return isDash(b)
        || b.width() > LineThresholds.DrawnMarks.LEAST
            && b.height() > LineThresholds.DrawnMarks.LEAST
            && b.width() < LineThresholds.DrawnMarks.EVEN * b.height()
            && b.height() < LineThresholds.DrawnMarks.EVEN * b.width()
            && b.width() < LineThresholds.DrawnMarks.MOST_POINTS;
  }

  private static boolean isDash(Box b) {
    return b.height() <= LineThresholds.DrawnMarks.LEAST
        && b.width() > LineThresholds.DrawnMarks.SHORTEST_DASH
        && b.width() < LineThresholds.DrawnMarks.LONGEST_DASH;
  }

  /** Whether a shape stands before a line, on the height of its small letters. */
  private static boolean isBefore(Box b, TextLine l) {
    double em = l.size();
    double middle = b.y() + b.height() / 2;
    double gap = l.box().x() - b.right();
    return middle > l.baseline() - LineThresholds.DrawnMarks.HIGHEST * em
        && middle < l.baseline()
        && gap > LineThresholds.DrawnMarks.NEAREST * em
        && gap < LineThresholds.DrawnMarks.FARTHEST * em
        && b.height() < LineThresholds.DrawnMarks.LARGEST * em;
  }

  /** Whether text ends a little before a line on its height: what stands there is in a row. */
  private static boolean standsBetween(TextLine o, TextLine l) {
    return o != l
        && Math.abs(o.baseline() - l.baseline()) < l.size() / 2
        && o.box().x() < l.box().x()
        && l.box().x() - o.box().right() < LineThresholds.DrawnMarks.FARTHEST * l.size();
  }
}
