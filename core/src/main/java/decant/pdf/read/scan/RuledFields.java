package decant.pdf.read.scan;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.SourceFace;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds lines that were ruled to be written on: nothing stands on them, and what they are for
 * stands before them. They become lines of text, so that a form stays one. A line with words below
 * it is left alone: it is as often one above notes, or of a table.
 */
final class RuledFields {
  private static final int MAX_RULES = 400;

  private static final SourceFace FACE =
      new SourceFace("Times-Roman", "Times", false, false, false);

  private RuledFields() {}

  /**
   * Signs for the lines, as glyphs.
   *
   * @param width of the page
   */
  static List<Glyph> of(List<RuledLine> rules, List<Glyph> glyphs, double width) {
    List<RuledLine> lying =
        rules.stream()
            .filter(r -> r.lying() && r.y2() - r.y1() < 2)
            .filter(r ->
                r.x2() - r.x1() > ScanThresholds.RuledFields.SHORTEST * width
                    && r.x2() - r.x1() < ScanThresholds.RuledFields.LONGEST * width)
            .toList();
    if (lying.isEmpty() || rules.size() > MAX_RULES) {
      return List.of();
    }
    List<RuledLine> standing = rules.stream().filter(r -> !r.lying()).toList();
    var out = new ArrayList<Glyph>();
    for (RuledLine r : lying) {
      if (standing.stream().anyMatch(s -> touches(r, s))
          || repeats(r, rules)
          || rules.stream().anyMatch(o -> r.goesOn(o) || o.goesOn(r))) {
        continue; // of a table or a box
      }
      label(r, glyphs).ifPresent(l -> signs(r, l, out));
    }
    return out;
  }

  private static boolean touches(RuledLine lying, RuledLine standing) {
    return standing.middle() > lying.x1() - 3
        && standing.middle() < lying.x2() + 3
        && standing.y1() < lying.middle() + 3
        && standing.y2() > lying.middle() - 3;
  }

  /** The upper or lower edge of the same box. */
  private static boolean repeats(RuledLine r, List<RuledLine> all) {
    return all.stream()
        .anyMatch(o ->
            o != r
                && o.lying()
                && Math.abs(o.x1() - r.x1()) < 2
                && Math.abs(o.x2() - r.x2()) < 2
                && Math.abs(o.middle() - r.middle()) < 9);
  }

  /** What says what the line is for: the letter before it; nothing if it is written on. */
  private static Optional<Glyph> label(RuledLine r, List<Glyph> glyphs) {
    Glyph before = null;
    for (Glyph g : glyphs) {
      if (g.quarter() != 0 || g.isSpace() || g.size() > ScanThresholds.RuledFields.LARGEST) {
        continue;
      }
      double down = r.middle() - g.baseline(); // how far the line is below the letter's baseline
      boolean over = g.right() > r.x1() + 1 && g.x() < r.x2() - 1;
      if (over
          && down > -ScanThresholds.RuledFields.ON_RULE * g.size()
          && down < ScanThresholds.RuledFields.ABOVE * g.size()) {
        return Optional.empty();
      }
      boolean level =
          down > -ScanThresholds.RuledFields.ON_RULE * g.size()
              && down < ScanThresholds.RuledFields.UNDER * g.size()
              && g.right() <= r.x1() + ScanThresholds.RuledFields.ON_RULE * g.size();
      if (level
          && r.x1() - g.right() < ScanThresholds.RuledFields.NEAR * g.size()
          && (before == null || g.right() > before.right())) {
        before = g;
      }
    }
    return Optional.ofNullable(before);
  }

  private static void signs(RuledLine r, Glyph label, List<Glyph> out) {
    double size = Math.clamp(label.size(), 7, 12);
    double baseline = label.baseline();
    int n = (int) Math.max(3, (r.x2() - r.x1()) / (ScanThresholds.RuledFields.SIGN * size));
    double each = (r.x2() - r.x1()) / n;
    for (int k = 0; k < n; k++) {
      out.add(Glyph.made("_", r.x1() + k * each, baseline, each, size, FACE, -1));
    }
  }
}
