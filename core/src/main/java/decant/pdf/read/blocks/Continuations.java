package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

/**
 * Joins paragraphs that go on in the next column or on the next page, and tables that go on on the
 * next page.
 */
public final class Continuations {
  private Continuations() {}

  public static List<Detected> join(List<Detected> found) {
    var out = new ArrayList<Detected>();
    for (Detected f : found) {
      if (!out.isEmpty()
          && f instanceof Detected.Text b
          && out.getLast() instanceof Detected.Text a
          && goesOn(a, b)) {
        var lines = new ArrayList<>(a.lines());
        lines.addAll(b.lines());
        out.set(out.size() - 1, a.with(lines));
      } else if (!out.isEmpty()
          && f instanceof Detected.Grid b
          && out.getLast() instanceof Detected.Grid a
          && goesOn(a, b)) {
        out.set(out.size() - 1, joined(a, b));
      } else {
        out.add(f);
      }
    }
    return out;
  }

  /**
   * Whether a table is the rest of the one before: on the next page or in the next column, with the
   * same columns. Grids beside each other, each with its lines, are as often tables of their own.
   */
  private static boolean goesOn(Detected.Grid a, Detected.Grid b) {
    boolean beside =
        a.page() == b.page()
            && lastPage(a) == b.page()
            && b.box().x() > a.box().right()
            && b.ruling().down().isEmpty();
    if (!beside && b.page() != lastPage(a) + 1 || a.columns().size() != b.columns().size()) {
      return false;
    }
    double x = a.box().x();
    double y = beside ? x : b.box().x();
    for (int c = 0; c < a.columns().size(); c++) {
      if (Math.abs(x - y) > BlockThresholds.Continuations.COLUMN * b.box().width()) {
        return false;
      }
      x += a.columns().get(c);
      y += b.columns().get(c);
    }
    return true;
  }

  private static int lastPage(Detected.Grid g) {
    return g.rows().reversed().stream()
        .flatMap(List::stream)
        .flatMap(c -> c.lines().stream())
        .mapToInt(TextLine::page)
        .findFirst()
        .orElse(g.page());
  }

  /** Both parts as one table; header rows that are repeated stand in it once. */
  private static Detected.Grid joined(Detected.Grid a, Detected.Grid b) {
    int repeated = 0;
    while (repeated < b.rows().size() - 1
        && repeated < a.rows().size()
        && !text(b.rows().get(repeated)).isBlank()
        && text(a.rows().get(repeated)).equals(text(b.rows().get(repeated)))) {
      repeated++;
    }
    var rows = new ArrayList<List<Detected.DetectedCell>>();
    for (int r = 0; r < a.rows().size(); r++) {
      rows.add(r < repeated ? asHeader(a.rows().get(r)) : a.rows().get(r));
    }
    while (!rows.isEmpty() && text(rows.getLast()).isBlank()) {
      rows.removeLast(); // room left at the foot of the page
    }
    b.rows().stream().skip(repeated).dropWhile(r -> text(r).isBlank()).forEach(rows::add);
    return new Detected.Grid(a.page(), a.box(), a.columns(), rows, a.ruling());
  }

  private static List<Detected.DetectedCell> asHeader(List<Detected.DetectedCell> row) {
    return row.stream().map(Detected.DetectedCell::asHeader).toList();
  }

  private static String text(List<Detected.DetectedCell> row) {
    var b = new StringBuilder();
    row.forEach(c -> c.lines().forEach(l -> b.append(l.text()).append(' ')));
    return b.toString();
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
