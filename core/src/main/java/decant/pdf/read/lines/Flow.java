package decant.pdf.read.lines;

import decant.pdf.read.page.TextLine;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Whether text runs on from line to line: the next word had no room on the line before it. */
public final class Flow {
  private Flow() {}

  /**
   * Whether a line may be the rest of the one above it.
   *
   * @param measure width that lines of this text may have, in points
   */
  public static boolean goesOn(TextLine above, TextLine below, double measure) {
    double needed =
        above.box().width() + LineThresholds.Flow.SPACE * above.size() + below.firstWord();
    return needed > measure;
  }

  /**
   * How much of lines of one column runs on below, by the width of the lines.
   *
   * @param lines down the page
   * @return from 0 to 1
   */
  public static double share(List<TextLine> lines) {
    double all = 0;
    double on = 0;
    Map<Start, Double> ends = new HashMap<>(); // lines of a column begin at few places
    for (int k = 0; k < lines.size(); k++) {
      TextLine l = lines.get(k);
      all += l.box().width();
      TextLine below = below(lines, k);
      on += below != null && goesOn(l, below, measure(lines, l, ends)) ? l.box().width() : 0;
    }
    return all == 0 ? 0 : on / all;
  }

  /** The line that stands below another and begins at about the same place; null if none does. */
  private static @org.jspecify.annotations.Nullable TextLine below(List<TextLine> lines, int k) {
    TextLine l = lines.get(k);
    for (int j = k + 1; j < lines.size(); j++) {
      TextLine b = lines.get(j);
      double pitch = b.baseline() - l.baseline();
      if (pitch > LineThresholds.Flow.PITCH * l.size()) {
        return null;
      }
      if (pitch > l.size() / 2 && beginAlike(l, b)) {
        return b;
      }
    }
    return null;
  }

  private static boolean beginAlike(TextLine a, TextLine b) {
    double far = LineThresholds.Flow.INDENT * a.size();
    return Math.abs(a.box().x() - b.box().x()) <= far
        || Math.abs(a.box().right() - b.box().right()) <= far / 2;
  }

  /** Where lines begin that have the same room. */
  private record Start(double x, double size) {}

  /** The room that a line has: to where lines end that begin at about the same place. */
  private static double measure(List<TextLine> lines, TextLine l, Map<Start, Double> ends) {
    double x = l.box().x();
    double far = LineThresholds.Flow.INDENT * l.size();
    double end =
        ends.computeIfAbsent(
            new Start(x, l.size()),
            k ->
                lines.stream()
                    .filter(o -> Math.abs(o.box().x() - x) <= far)
                    .mapToDouble(o -> o.box().right())
                    .max()
                    .orElse(l.box().right()));
    return end - x;
  }
}
