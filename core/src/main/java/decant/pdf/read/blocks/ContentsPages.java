package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Leaders;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds the entries of contents pages: lines one after the other that lead to the numbers of pages,
 * which grow. Their dots become leaders of a tab, so that they can be set and renewed as contents.
 */
public final class ContentsPages {
  private ContentsPages() {}

  private record Candidate(int at, Detected.Text whole, Leaders.Entry entry, TextLine line) {
    double right() {
      return line.box().right();
    }

    double left() {
      return whole.lines().getFirst().box().x();
    }
  }

  public static List<Detected> of(List<Detected> found) {
    List<Detected> out = new ArrayList<>(found);
    var entries = new ArrayList<Candidate>();
    int k = 0;
    while (k < out.size()) {
      List<Candidate> run = run(out, k);
      if (isContents(run)) {
        entries.addAll(run);
      } else {
        run.stream()
            .filter(c -> c.entry().dotted())
            .forEach(c -> out.set(c.at(), text(c).as(Detected.Kind.PARAGRAPH, 0)));
      }
      k += Math.max(1, run.size());
    }
    List<Double> starts = starts(entries);
    for (Candidate c : entries) {
      int level = 1;
      while (level < starts.size()
          && starts.get(level) <= c.left() + BlockThresholds.ContentsPages.SAME_START / 2) {
        level++;
      }
      out.set(c.at(), text(c).as(Detected.Kind.ENTRY, Math.min(9, level)));
    }
    return out;
  }

  private static List<Candidate> run(List<Detected> all, int from) {
    var run = new ArrayList<Candidate>();
    for (int k = from; k < all.size(); k++) {
      Optional<Candidate> c = candidate(all.get(k), k);
      if (c.isEmpty()) {
        break;
      }
      run.add(c.get());
    }
    return run;
  }

  private static Optional<Candidate> candidate(Detected f, int at) {
    if (!(f instanceof Detected.Text t)
        || t.kind() == Detected.Kind.HEADING
        || t.lines().size() > 3) {
      return Optional.empty();
    }
    Detected.Text whole = Blocks.withMarker(t);
    TextLine last = whole.lines().getLast();
    return Leaders.entry(last.glyphs()).map(e -> new Candidate(at, whole, e, last));
  }

  /** The text with the gap of its last line as one tab. */
  private static Detected.Text text(Candidate c) {
    List<TextLine> lines = new ArrayList<>(c.whole().lines());
    TextLine l = c.line();
    lines.set(
        lines.size() - 1,
        new TextLine(l.page(), c.entry().glyphs(), l.box(), l.baseline(), l.size()));
    return c.whole().with(lines);
  }

  private static boolean isContents(List<Candidate> run) {
    long dotted = run.stream().filter(c -> c.entry().dotted()).count();
    boolean led = dotted * 3 >= run.size();
    if (run.size() < BlockThresholds.ContentsPages.MIN
        || !led && run.size() < BlockThresholds.ContentsPages.MIN_BARE) {
      return false;
    }
    int grow = 0;
    int shrink = 0;
    int last = -1;
    int aside = 0;
    double edge = run.stream().mapToDouble(Candidate::right).max().orElse(0);
    for (Candidate c : run) {
      aside += edge - c.right() > BlockThresholds.ContentsPages.SAME_EDGE ? 1 : 0;
      if (c.entry().number().matches("\\d+")) {
        int n = Integer.parseInt(c.entry().number());
        grow += n >= last ? 1 : 0;
        shrink += n < last ? 1 : 0;
        last = n;
      }
    }
    return led ? shrink * 8 <= grow && aside * 4 <= run.size() : shrink == 0 && aside == 0;
  }

  /** Where the entries of each level begin, from left to right. */
  private static List<Double> starts(List<Candidate> entries) {
    var out = new ArrayList<Double>();
    entries.stream()
        .mapToDouble(Candidate::left)
        .sorted()
        .forEach(x -> {
          if (out.isEmpty() || x - out.getLast() > BlockThresholds.ContentsPages.SAME_START) {
            out.add(x);
          }
        });
    return out;
  }
}
