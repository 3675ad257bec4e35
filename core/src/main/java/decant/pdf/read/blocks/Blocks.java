package decant.pdf.read.blocks;

import decant.model.Box;
import decant.model.look.Markers;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Edges;
import decant.pdf.read.detected.Region;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** The lines of a region into paragraphs and list items. */
public final class Blocks {
  private static final Pattern LEADS_TO_PAGE =
      Pattern.compile("(\\.\\s?){4,}\\s*[\\divxlc]+\\s*$|\\t[\\divxlc]{1,5}\\s*$");

  private static final Pattern SENTENCE_END = Pattern.compile("[.!?:;…][\"'”’»)\\]]*\\d{0,3}$");

  private final Region region;
  private final ItemMarks marks;

  private Blocks(Region region, ItemMarks marks) {
    this.region = region;
    this.marks = marks;
  }

  /**
   * @param meant the lines that were broken on purpose, by their numbers
   * @param marks what items begin with
   */
  public static List<Detected> of(Region region, Set<Integer> meant, ItemMarks marks) {
    return new Blocks(region, marks).all(meant);
  }

  private List<Detected> all(Set<Integer> meant) {
    var out = new ArrayList<Detected>();
    List<TextLine> lines = region.lines();
    double pitch = pitch();
    var open = new ArrayList<TextLine>();
    double spaceBefore = 0;
    for (int k = 0; k < lines.size(); k++) {
      TextLine l = lines.get(k);
      if (!open.isEmpty() && (meant.contains(k - 1) || begins(open, l, pitch))) {
        out.add(text(open, pitch, spaceBefore));
        open.clear();
      }
      if (open.isEmpty()) {
        spaceBefore =
            k == 0
                ? 0
                : Math.max(0, l.baseline() - lines.get(k - 1).baseline() - linePitch(l, pitch));
      }
      open.add(l);
    }
    if (!open.isEmpty()) {
      out.add(text(open, pitch, spaceBefore));
    }
    return out;
  }

  private static double linePitch(TextLine l, double pitch) {
    return Math.max(pitch, l.size() * BlockThresholds.Blocks.SINGLE);
  }

  /**
   * The usual distance of baselines: that after lines which are full, and so go on below, where
   * there are such.
   */
  private double pitch() {
    List<TextLine> lines = region.lines();
    double[] all = new double[lines.size()];
    double[] full = new double[lines.size()];
    int n = 0;
    int m = 0;
    double edge =
        region.right() - BlockThresholds.Blocks.FULL_LINE * (region.right() - region.left());
    for (int k = 1; k < lines.size(); k++) {
      TextLine before = lines.get(k - 1);
      double gap = lines.get(k).baseline() - before.baseline();
      double size = lines.get(k).size();
      if (gap > size * BlockThresholds.Blocks.MIN_PITCH
          && gap < size * BlockThresholds.Blocks.MAX_PITCH
          && Sizes.near(size, before.size())) {
        all[n++] = gap;
        if (before.box().right() > edge) {
          full[m++] = gap;
        }
      }
    }
    if (n == 0) {
      return lines.isEmpty() ? 12 : lines.getFirst().size() * Anatomy.LEADING;
    }
    // Below the middle: gaps between paragraphs are among them.
    double usual = third(all, n);
    return m == 0 ? usual : Math.min(usual, third(full, m));
  }

  private static double third(double[] gaps, int n) {
    double[] known = Arrays.copyOf(gaps, n);
    Arrays.sort(known);
    return known[n / 3];
  }

  private boolean begins(List<TextLine> open, TextLine l, double pitch) {
    TextLine last = open.getLast();
    TextLine first = open.getFirst();
    double em = l.size();
    if (!Sizes.near(l.size(), last.size()) || l.bold() != last.bold() && changesWeight(last, l)) {
      return true;
    }
    if (LEADS_TO_PAGE.matcher(last.text()).find()) {
      return true; // an entry of a contents page
    }
    double gap = l.baseline() - last.baseline();
    boolean title =
        Math.min(l.size(), last.size()) > BlockThresholds.Blocks.TITLE * median()
            && Sizes.same(l.size(), last.size())
            && l.bold() == last.bold()
            && gap > 0
            && gap < BlockThresholds.Blocks.TITLE_PITCH * em;
    if (title) {
      return Markers.section(l.text()).isPresent(); // a heading that goes on on the next line
    }
    double usual = Math.max(pitch, em * BlockThresholds.Blocks.TIGHTEST);
    if (gap > usual * BlockThresholds.Blocks.NEW_PARAGRAPH + BlockThresholds.Blocks.ROUNDED * em
        || gap < 0) {
      return !(open.size() > 0
          && l.size() > BlockThresholds.Blocks.LARGE_TITLE * median()
          && gap < em * BlockThresholds.Blocks.LARGE_TITLE_PITCH
          && gap > 0);
    }
    if (gap > usual * BlockThresholds.Blocks.AFTER_SENTENCE + BlockThresholds.Blocks.ROUNDED * em
        && SENTENCE_END.matcher(last.text().strip()).find()) {
      return true;
    }
    if (marks.of(l).isPresent() && startsItem(open, l)) {
      return true;
    }
    if (ItemMarks.beginsWithSwitch(l)) {
      return true;
    }
    if (isClause(l) && start(l) < start(first) + BlockThresholds.Blocks.MOVED * em) {
      return true;
    }
    double at = start(l);
    double before = start(last);
    double begun = start(first);
    boolean centred =
        centred(last) && centred(l) && Math.abs(at - before) > BlockThresholds.Blocks.MOVED * em;
    if (centred) {
      return false;
    }
    boolean marked = marks.of(first).isPresent() || isClause(first);
    double textLeft = marked ? afterMarker(first) : begun;
    double shift = at - before;
    if (open.size() == 1) {
      boolean hangs =
          shift > BlockThresholds.Blocks.HANGS * em
              && (marked || Math.abs(at - textLeft) < BlockThresholds.Blocks.MOVED * em);
      if (shift > BlockThresholds.Blocks.INDENT * em && !hangs && !marked) {
        return !isHanging(last, l);
      }
      if (shift < -BlockThresholds.Blocks.INDENT * em
          && marked
          && at < textLeft - BlockThresholds.Blocks.INDENT * em
          && at <= begun + 1) {
        return fits(last, l) || at < begun - 1;
      }
    } else if (Math.abs(shift) > BlockThresholds.Blocks.INDENT * em) {
      return true;
    }
    return fits(last, l);
  }

  /** Whether a line begins with the number of a clause, such as "4.2", that stands off its text. */
  private static boolean isClause(TextLine l) {
    Optional<String> number = Markers.section(l.text()).filter(n -> n.contains("."));
    if (number.isEmpty()) {
      return false;
    }
    double end = Double.NaN;
    for (Glyph g : l.glyphs()) {
      if (g.isSpace()) {
        end = Double.isNaN(end) ? g.x() : end;
      } else if (!Double.isNaN(end)) {
        return g.x() - end > BlockThresholds.Blocks.STANDS_OFF * l.size();
      }
    }
    return false;
  }

  /** Whether the weight changes between two lines, and not somewhere on the first of them. */
  private static boolean changesWeight(TextLine a, TextLine b) {
    return a.glyphs().getLast().ink().face().bold() != b.glyphs().getFirst().ink().face().bold();
  }

  private double median() {
    double[] sizes = region.lines().stream().mapToDouble(TextLine::size).sorted().toArray();
    return sizes[sizes.length / 2];
  }

  /**
   * A first line that stands out to the left of all that follow: a term with its definition, not a
   * new paragraph.
   */
  private boolean isHanging(TextLine last, TextLine l) {
    return Edges.of(last, region.left(), region.right()).end(last) < 3 * l.size()
        && start(l) - start(last) < 6 * l.size();
  }

  /** The distance of a line from the edge where its reading begins. */
  private double start(TextLine l) {
    return Edges.of(l, region.left(), region.right()).start(l);
  }

  private boolean startsItem(List<TextLine> open, TextLine l) {
    Optional<String> marker = marks.of(l);
    if (marker.isEmpty()) {
      return false;
    }
    if (Markers.isBullet(marker.get()) && !marker.get().matches("[–—\\-*·]")) {
      return true;
    }
    if (centred(open.getLast()) && centred(l)) {
      return false; // a sign that parts the words of a centred line
    }
    // A line of prose may begin with "a." or a dash by chance: an item begins on the left of what
    // it follows,
    // or in line with the item before.
    Optional<String> before = marks.of(open.getFirst());
    boolean inLine =
        before.isPresent()
            && Math.abs(start(open.getFirst()) - start(l))
                < BlockThresholds.Blocks.IN_LINE * l.size();
    return inLine
        || start(l) > BlockThresholds.Blocks.IN_LINE * l.size()
        || fits(open.getLast(), l);
  }

  private boolean centred(TextLine l) {
    double leftGap = l.box().x() - region.left();
    double rightGap = region.right() - l.box().right();
    return leftGap > l.size()
        && Math.abs(leftGap - rightGap) < BlockThresholds.Blocks.IN_LINE * l.size();
  }

  /**
   * Whether the first word of a line would have had room on the line before: then the break was
   * meant.
   */
  private boolean fits(TextLine last, TextLine l) {
    Edges edges = Edges.of(last, region.left(), region.right());
    double inset = edges.start(last);
    double slack = edges.end(last);
    if (inset > 8) {
      slack = Math.max(0, slack - inset); // what is indented is so at both ends
    }
    if (l.firstWord() + BlockThresholds.Blocks.SPACE * l.size()
        >= slack - BlockThresholds.Blocks.UNEVEN * l.size()) {
      return false;
    }
    String end = last.text().strip();
    boolean ends = SENTENCE_END.matcher(end).find();
    boolean goesOn = Character.isLowerCase(l.text().strip().codePointAt(0));
    if (!ends && (goesOn || end.endsWith(","))) {
      return slack > BlockThresholds.Blocks.SHORT_COMMA * (region.right() - region.left());
    }
    // Lines that are not stretched end unevenly: that a short word had room says little.
    return ends || slack > BlockThresholds.Blocks.SHORT * (region.right() - region.left());
  }

  /** The distance from the start edge of what follows a line's marker. */
  private double afterMarker(TextLine l) {
    boolean space = false;
    for (Glyph g : l.glyphs()) {
      if (g.isSpace()) {
        space = true;
      } else if (space) {
        return Directions.lean(l) > 0 ? region.right() - g.right() : g.x() - region.left();
      }
    }
    return start(l);
  }

  private Detected.Text text(List<TextLine> lines, double pitch, double spaceBefore) {
    double own =
        lines.size() > 1
            ? lines.get(1).baseline() - lines.get(0).baseline()
            : linePitch(lines.getFirst(), pitch);
    Optional<String> marker = marks.of(lines.getFirst());
    if (marker.isPresent()) {
      TextLine first = withoutMarker(lines.getFirst(), marker.get());
      var rest = new ArrayList<>(lines);
      rest.set(0, first);
      return new Detected.Text(
          Detected.Kind.ITEM,
          rest,
          marker.get(),
          1,
          region.left(),
          region.right(),
          own,
          spaceBefore,
          markOf(lines.getFirst(), first));
    }
    return new Detected.Text(
        Detected.Kind.PARAGRAPH, lines, "", 0, region.left(), region.right(), own, spaceBefore);
  }

  /** The letters that a line begins with and its rest does not. */
  private static List<Glyph> markOf(TextLine whole, TextLine rest) {
    int end = whole.glyphs().size() - rest.glyphs().size();
    while (end > 0 && whole.glyphs().get(end - 1).isSpace()) {
      end--;
    }
    return whole.glyphs().subList(0, end);
  }

  public static TextLine withoutMarker(TextLine l, String marker) {
    int skip = 0;
    int chars = 0;
    List<Glyph> glyphs = l.glyphs();
    while (skip < glyphs.size() && (chars < marker.length() || glyphs.get(skip).isSpace())) {
      chars += glyphs.get(skip).text().length();
      skip++;
    }
    if (skip >= glyphs.size()) {
      return l;
    }
    List<Glyph> rest = glyphs.subList(skip, glyphs.size());
    double left = rest.stream().mapToDouble(Glyph::x).min().orElse(l.box().x());
    return new TextLine(
        l.page(),
        rest,
        new Box(left, l.box().y(), l.box().right() - left, l.box().height()),
        l.baseline(),
        l.size());
  }

  /** An item whose mark is put back, for what turns out to be a numbered heading. */
  static Detected.Text withMarker(Detected.Text t) {
    if (t.marker().isEmpty()) {
      return t;
    }
    TextLine first = t.lines().getFirst();
    Glyph g = first.glyphs().getFirst();
    var glyphs = new ArrayList<Glyph>();
    if (t.mark().isEmpty()) {
      glyphs.add(g.like(t.marker() + " ", g.x(), 0));
    } else {
      glyphs.addAll(t.mark());
      glyphs.add(Lines.space(t.mark().getLast(), g));
    }
    glyphs.addAll(first.glyphs());
    var lines = new ArrayList<>(t.lines());
    lines.set(0, new TextLine(first.page(), glyphs, first.box(), first.baseline(), first.size()));
    return new Detected.Text(
        Detected.Kind.PARAGRAPH, lines, "", 0, t.left(), t.right(), t.pitch(), t.spaceBefore());
  }
}
