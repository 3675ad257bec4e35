package decant.pdf.read.lines;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.SourceFace;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;

/** Text that is written over other text on one baseline: stamps, watermarks, corrections. */
final class Overlaid {
  private Overlaid() {}

  /** What letters of a row have in common that were written in one go. */
  private record Hand(long baseline, long size, SourceFace face, decant.model.look.Colour colour) {}

  /** A row by its parts where text is written over other text: a stamp, a watermark. */
  static List<List<Glyph>> parted(List<Glyph> row) {
    List<List<Glyph>> strokes = strokes(row);
    row.sort(Comparator.comparingDouble(Glyph::x));
    int over = 0;
    for (int k = 1; k < row.size(); k++) {
      Glyph a = row.get(k - 1);
      Glyph b = row.get(k);
      boolean covers =
          !a.isSpace()
              && !b.isSpace()
              && a.right() - b.x() > LineThresholds.Lines.OVERLAP * Math.min(a.width(), b.width())
              && !a.text().equals(b.text());
      over += covers ? 1 : 0;
    }
    if (over >= LineThresholds.Lines.LETTERS_CROSSED && cross(strokes)) {
      return strokes;
    }
    if (over < LineThresholds.Lines.LETTERS_OVER) {
      return List.of(row);
    }
    var hands = new LinkedHashMap<Hand, List<Glyph>>();
    for (Glyph g : row) {
      var hand =
          new Hand(
              Math.round(g.baseline() * 2),
              Math.round(g.size() * 2),
              g.ink().face(),
              g.ink().colour());
      hands.computeIfAbsent(hand, h -> new ArrayList<>()).add(g);
    }
    return List.copyOf(hands.values());
  }

  /** A row by what was written in one go, in the order of the file: it goes back for the next. */
  private static List<List<Glyph>> strokes(List<Glyph> row) {
    var out = new ArrayList<List<Glyph>>();
    Glyph last = null;
    for (Glyph g : row) {
      boolean back = last != null && g.x() < last.x() - LineThresholds.Lines.BACK * last.size();
      if (last == null || back) {
        out.add(new ArrayList<>());
      }
      out.getLast().add(g);
      last = g;
    }
    return out;
  }

  /** Whether two strokes of several letters stand in one place. */
  private static boolean cross(List<List<Glyph>> strokes) {
    for (int a = 0; a < strokes.size(); a++) {
      for (int b = a + 1; b < strokes.size() && strokes.size() < MANY_STROKES; b++) {
        double from = Math.max(strokes.get(a).getFirst().x(), strokes.get(b).getFirst().x());
        double to = Math.min(strokes.get(a).getLast().right(), strokes.get(b).getLast().right());
        if (to - from > LineThresholds.Lines.CROSSED * strokes.get(a).getFirst().size()) {
          return true;
        }
      }
    }
    return false;
  }

  /** Letters that are placed one by one, in no order, are no strokes. */
  private static final int MANY_STROKES = 12;
}
