package decant.pdf.read.lines;

import decant.pdf.read.page.Glyph;
import java.util.Arrays;
import java.util.List;

/**
 * How the letters of a line are spaced, by the line itself.
 *
 * @param tracking how far letters stand apart beyond their widths, in points
 * @param wordGap the least gap between words beyond that, in ems
 */
record LineSpacing(double tracking, double wordGap) {
  static LineSpacing of(List<Glyph> line) {
    double tracking = tracking(line);
    return new LineSpacing(tracking, wordGap(line, tracking));
  }

  /** Whether two letters that stand beside one another belong to two words. */
  boolean parts(Glyph last, Glyph next) {
    return next.x() - last.right() - tracking
        > wordGap * Math.max(1, Math.min(next.size(), last.size()));
  }

  /**
   * How far the letters of a line stand apart beyond their widths, in points: titles are spaced so,
   * and lines that are spread to both edges; 0 where most touch, or where not letters are spaced.
   */
  private static double tracking(List<Glyph> piece) {
    double[] gaps = new double[piece.size()];
    int n = 0;
    int letters = 0;
    for (int k = 1; k < piece.size(); k++) {
      Glyph a = piece.get(k - 1);
      Glyph b = piece.get(k);
      if (!a.isSpace() && !b.isSpace()) {
        gaps[n++] = b.x() - a.right();
        letters += Character.isLetterOrDigit(b.text().codePointAt(0)) ? 1 : 0;
      }
    }
    if (n < LineThresholds.Lines.TRACKED || letters < LineThresholds.Lines.LETTERS * n) {
      return 0;
    }
    double[] known = Arrays.copyOf(gaps, n);
    Arrays.sort(known);
    double usual = known[n / 2];
    double em = piece.getFirst().size();
    double even = LineThresholds.Lines.EVEN * em;
    long alike = Arrays.stream(known).filter(g -> Math.abs(g - usual) < even).count();
    return usual > even / 2 && alike > LineThresholds.Lines.ALIKE * n ? usual : 0;
  }

  /**
   * The least gap between words of a line, in ems: where its letters stand evenly, a small one
   * tells, as in lines that are pressed together to end at the edge.
   */
  private static double wordGap(List<Glyph> piece, double tracking) {
    double[] uneven = new double[piece.size()];
    int n = 0;
    for (int k = 1; k < piece.size(); k++) {
      Glyph a = piece.get(k - 1);
      Glyph b = piece.get(k);
      if (!a.isSpace() && !b.isSpace()) {
        double gap = (b.x() - a.right() - tracking) / Math.max(1, a.size());
        if (gap <= LineThresholds.Lines.TIGHT_WORD_GAP) {
          uneven[n++] = Math.max(0, gap);
        }
      }
    }
    if (n < LineThresholds.Lines.TRACKED) {
      return LineThresholds.Lines.WORD_GAP;
    }
    double[] known = Arrays.copyOf(uneven, n);
    Arrays.sort(known);
    boolean evenly =
        known[(int) (LineThresholds.Lines.NEARLY_ALL * (n - 1))] < LineThresholds.Lines.UNEVEN;
    return evenly ? LineThresholds.Lines.TIGHT_WORD_GAP : LineThresholds.Lines.WORD_GAP;
  }
}
