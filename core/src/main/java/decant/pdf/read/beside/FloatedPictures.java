package decant.pdf.read.beside;

import decant.model.Box;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Flow;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Pictures that text runs beside: they belong to the paragraph that begins to run beside them, and
 * lines that are short or begin farther in because of them are no paragraphs of their own.
 */
public final class FloatedPictures {
  private FloatedPictures() {}

  /** The blocks with paragraphs joined that a picture beside them had cut. */
  public static List<Detected> joined(List<Detected> found) {
    List<Detected> out = new ArrayList<>(found);
    for (Detected f : found) {
      if (f instanceof Detected.Figure picture) {
        join(out, picture);
      }
    }
    return out;
  }

  private static void join(List<Detected> all, Detected.Figure picture) {
    int last = -1;
    for (int k = 0; k < all.size(); k++) {
      if (all.get(k) == picture) {
        continue; // it may stand between the parts of a paragraph
      }
      if (!(all.get(k) instanceof Detected.Text t) || t.page() != picture.page()) {
        last = -1;
        continue;
      }
      if (last >= 0 && all.get(last).box().sharedWidth(t.box()) <= 0) {
        continue; // it stands beside, as notes in the margin do
      }
      if (last >= 0 && goesOn((Detected.Text) all.get(last), t, picture.box())) {
        var lines = new ArrayList<>(((Detected.Text) all.get(last)).lines());
        lines.addAll(t.lines());
        all.set(last, ((Detected.Text) all.get(last)).with(lines));
        all.remove(k--);
      } else {
        last = k;
      }
    }
  }

  /** Whether a paragraph goes on in another that begins beside the picture, or just below it. */
  private static boolean goesOn(Detected.Text a, Detected.Text b, Box picture) {
    TextLine end = a.lines().getLast();
    TextLine begin = b.lines().getFirst();
    boolean plain =
        a.kind() == Detected.Kind.PARAGRAPH
            && b.kind() == Detected.Kind.PARAGRAPH
            && Sizes.same(end.size(), begin.size())
            && end.bold() == begin.bold();
    double gap = begin.baseline() - end.baseline();
    double pitch = a.lines().size() > 1 ? a.pitch() * BesideThresholds.FloatedPictures.PITCH : 0;
    boolean follows =
        gap > 0 && gap < Math.max(pitch, BesideThresholds.FloatedPictures.FOLLOWS * end.size());
    boolean endsBeside = isBeside(end, picture);
    boolean beginsBeside = isBeside(begin, picture);
    boolean shifted =
        Math.abs(end.box().x() - begin.box().x())
                > BesideThresholds.FloatedPictures.SHIFTED * end.size()
            && endsBeside != beginsBeside;
    if (!plain || !follows || a.text().strip().endsWith(":")) {
      return false;
    }
    boolean left = picture.x() + picture.width() / 2 < (a.left() + a.right()) / 2;
    return left
        ? shifted && (isFull(end, a) || hasNoRoom(a, b, l -> true))
        : endsBeside
            && Sizes.samePlace(end.box().x(), begin.box().x(), end.size())
            && hasNoRoom(a, b, l -> isBeside(l, picture));
  }

  /**
   * Whether the first word of a text had no room on the last line before it.
   *
   * @param alike the lines that end at the same edge
   */
  private static boolean hasNoRoom(Detected.Text a, Detected.Text b, Predicate<TextLine> alike) {
    TextLine end = a.lines().getLast();
    double edge =
        Stream.concat(a.lines().stream(), b.lines().stream())
            .filter(alike)
            .mapToDouble(l -> l.box().right())
            .max()
            .orElse(end.box().right());
    return Flow.goesOn(end, b.lines().getFirst(), edge - end.box().x());
  }

  private static boolean isFull(TextLine l, Detected.Text in) {
    return in.right() - l.box().right()
        < BesideThresholds.FloatedPictures.FULL * (in.right() - in.left());
  }

  private static boolean isBeside(TextLine l, Box picture) {
    double middle = l.middle();
    double clear = BesideThresholds.FloatedPictures.KEPT_CLEAR * l.size();
    boolean level = middle > picture.y() - clear && middle < picture.bottom() + clear;
    double apart =
        l.box().x() >= picture.right() - 1
            ? l.box().x() - picture.right()
            : l.box().right() <= picture.x() + 1 ? picture.x() - l.box().right() : -1;
    return level
        && apart >= -1
        && apart < BesideThresholds.FloatedPictures.FARTHEST * l.size() + l.box().width() / 2;
  }

  /** The lines of a text that no picture makes room for itself in. */
  public static List<TextLine> clear(Detected.Text t, Set<Detected.Figure> pictures) {
    return t.lines().stream()
        .filter(l -> pictures.stream().noneMatch(f -> f.page() == l.page() && isBeside(l, f.box())))
        .toList();
  }

  /** The pictures that text runs beside, by the paragraph that they belong to. */
  public static Map<Detected.Text, List<Detected.Figure>> anchored(List<Detected> found) {
    Map<Detected.Text, List<Detected.Figure>> out = new IdentityHashMap<>();
    for (Detected f : found) {
      if (f instanceof Detected.Figure picture) {
        anchor(found, picture)
            .ifPresent(t -> out.computeIfAbsent(t, k -> new ArrayList<>()).add(picture));
      }
    }
    return out;
  }

  private static Optional<Detected.Text> anchor(List<Detected> found, Detected.Figure picture) {
    Detected.Text first = null;
    int lines = 0;
    Set<Double> edges = new HashSet<>();
    Box box = picture.box();
    for (Detected f : found) {
      if (!(f instanceof Detected.Text t) || t.page() != picture.page()) {
        continue;
      }
      boolean around = t.left() <= box.x() + 4 && t.right() >= box.right() - 4;
      boolean narrow =
          box.width() < BesideThresholds.FloatedPictures.WIDEST * (t.right() - t.left());
      long beside =
          t.lines().stream().filter(l -> l.page() == picture.page() && isBeside(l, box)).count();
      if (around && narrow && beside > 0 && t.kind() != Detected.Kind.ENTRY) {
        lines += (int) beside;
        edges.add(t.left());
        boolean higher = first == null || t.box().y() < first.box().y();
        first = higher ? t : first;
      }
    }
    boolean enough =
        lines >= BesideThresholds.FloatedPictures.MIN_LINES
            && lines * BesideThresholds.FloatedPictures.LINE
                > box.height() * BesideThresholds.FloatedPictures.BESIDE;
    return enough && edges.size() == 1 ? Optional.ofNullable(first) : Optional.empty();
  }
}
