package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

/** Joins paragraphs and tables that go on in the next column or on the next page. */
public final class Continuations {
  private Continuations() {}

  public static List<Detected> join(List<Detected> found) {
    var out = new ArrayList<Detected>();
    for (Detected f : TableContinuations.join(found)) {
      if (!out.isEmpty()
          && f instanceof Detected.Text b
          && out.getLast() instanceof Detected.Text a
          && goesOn(a, b)) {
        var lines = new ArrayList<>(a.lines());
        lines.addAll(b.lines());
        out.set(out.size() - 1, a.with(lines));
      } else {
        out.add(f);
      }
    }
    return out;
  }

  private static boolean goesOn(Detected.Text a, Detected.Text b) {
    TextLine last = a.lines().getLast();
    TextLine first = b.lines().getFirst();
    boolean elsewhere = first.page() != last.page() || first.baseline() < last.baseline();
    if (!elsewhere
        || b.kind() != Detected.Kind.PARAGRAPH
        || !Sizes.near(a.size(), b.size())
        || a.bold() != b.bold()) {
      return false;
    }
    String end = last.text().strip();
    String start = first.text().strip();
    boolean open = !end.matches(".*[.!?:;…][\"'”’)\\]]*$");
    boolean lower = !start.isEmpty() && Character.isLowerCase(start.codePointAt(0));
    boolean wide = a.right() - a.left() > BlockThresholds.Continuations.NARROWEST * last.size();
    boolean full = wide && last.box().right() > a.right() - 3 * last.size();
    return open
        && full
        && (lower
            || end.matches(".*[-\u00AD\u2010,]$")
            || !isCapital(start)
            || a.lines().size() > 1 && full && open);
  }

  private static boolean isCapital(String s) {
    return !s.isEmpty() && Character.isUpperCase(s.codePointAt(0));
  }
}
