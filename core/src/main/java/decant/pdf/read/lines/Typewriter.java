package decant.pdf.read.lines;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Tells text in a typewriter face, such as program code: all its letters are as wide. */
public final class Typewriter {
  private Typewriter() {}

  /** Whether most letters of some lines are of faces whose letters are all as wide. */
  public static boolean is(List<TextLine> lines) {
    Map<SourceFace, double[]> widths = new HashMap<>(); // least, most, how many
    var seen = new java.util.HashSet<String>();
    for (TextLine l : lines) {
      for (Glyph g : l.glyphs()) {
        if (!g.isSpace() && g.width() > 0) {
          double w = g.width() / g.size();
          double[] known =
              widths.computeIfAbsent(g.ink().face(), f -> new double[] {Double.MAX_VALUE, 0, 0, 0});
          known[0] = Math.min(known[0], w);
          known[1] = Math.max(known[1], w);
          known[2]++;
          known[3] += seen.add(g.ink().face().name() + g.text()) ? 1 : 0;
        }
      }
    }
    double all = 0;
    double even = 0;
    for (double[] w : widths.values()) {
      all += w[2];
      even +=
          w[1] - w[0] < LineThresholds.Typewriter.SAME && w[3] >= LineThresholds.Typewriter.ENOUGH
              ? w[2]
              : 0;
    }
    return even > LineThresholds.Typewriter.MOSTLY * all;
  }
}
