package decant.pdf.read;

import java.util.ArrayList;
import java.util.List;

/** Joins a paragraph that goes on in the next column or on the next page. */
final class Continuations {
  private Continuations() {}

  static List<Found> join(List<Found> found) {
    var out = new ArrayList<Found>();
    for (Found f : found) {
      if (!out.isEmpty()
          && f instanceof Found.Text b
          && out.getLast() instanceof Found.Text a
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

  private static boolean goesOn(Found.Text a, Found.Text b) {
    TextLine last = a.lines().getLast();
    TextLine first = b.lines().getFirst();
    boolean elsewhere = first.page() != last.page() || first.baseline() < last.baseline();
    if (!elsewhere
        || b.kind() != Found.Kind.PARAGRAPH
        || Math.abs(a.size() - b.size()) > 0.4
        || a.bold() != b.bold()) {
      return false;
    }
    String end = last.text().strip();
    String start = first.text().strip();
    boolean open = !end.matches(".*[.!?:;…][\"'”’)\\]]*$");
    boolean lower = !start.isEmpty() && Character.isLowerCase(start.codePointAt(0));
    boolean full = last.box().right() > a.right() - 3 * last.size();
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
