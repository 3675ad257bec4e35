package decant.pdf.read.form;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.FormField;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Empty boxes that are drawn: small ones to tick, wide ones to write in, rows of cells. */
final class BoxBlanks {
  private BoxBlanks() {}

  static List<FlatBlank> of(ScannedPage page, PageWordsAround words) {
    List<Box> boxes = empty(page, words);
    var out = new ArrayList<FlatBlank>();
    var used = new ArrayList<Box>();
    for (Box b : boxes) {
      if (used.contains(b)) {
        continue;
      }
      List<Box> comb = comb(b, boxes);
      if (comb.size() >= FormMeasures.CELLS) {
        used.addAll(comb);
        text(union(comb), words).ifPresent(out::add);
      } else if (isSmall(b)) {
        tick(b, words).ifPresent(out::add);
      } else if (b.width() >= FormMeasures.WIDE && b.height() >= FormMeasures.HIGH) {
        text(b, words).ifPresent(out::add);
      }
    }
    return out;
  }

  /** Boxes with nothing in them, each once. */
  private static List<Box> empty(ScannedPage page, PageWordsAround words) {
    var out = new ArrayList<Box>();
    for (Painted p : page.shapes()) {
      Box b = p.box();
      boolean framed =
          p.stroke().isPresent() && !p.free() && p.fill().map(Colour.WHITE::equals).orElse(true);
      boolean fits =
          Math.min(b.width(), b.height()) >= FormMeasures.SMALLEST_BOX
              && b.height() <= FormMeasures.HIGHEST
              && b.width() < 0.95 * page.width();
      if (framed
          && fits
          && words.isEmpty(b)
          && out.stream().noneMatch(o -> same(o, b))
          && page.pictures().stream().noneMatch(x -> inside(x.box(), b))) {
        out.add(b);
      }
    }
    // One around others is no blank itself.
    return out.stream()
        .filter(b -> out.stream().noneMatch(o -> o != b && inside(o, b)))
        .sorted(Comparator.comparingDouble(Box::x))
        .toList();
  }

  private static boolean same(Box a, Box b) {
    return Math.abs(a.x() - b.x()) < FormMeasures.EDGE
        && Math.abs(a.y() - b.y()) < FormMeasures.EDGE
        && Math.abs(a.right() - b.right()) < FormMeasures.EDGE
        && Math.abs(a.bottom() - b.bottom()) < FormMeasures.EDGE;
  }

  private static boolean inside(Box a, Box of) {
    return a.x() >= of.x() - 1
        && a.right() <= of.right() + 1
        && a.y() >= of.y() - 1
        && a.bottom() <= of.bottom() + 1;
  }

  private static boolean isSmall(Box b) {
    double less = Math.min(b.width(), b.height());
    double more = Math.max(b.width(), b.height());
    return more <= FormMeasures.LARGEST_BOX && less >= 0.7 * more;
  }

  /** The cells of one row that follow a box without a gap, each as large as it. */
  private static List<Box> comb(Box first, List<Box> boxes) {
    var out = new ArrayList<>(List.of(first));
    for (Box b : boxes) {
      Box last = out.getLast();
      boolean next =
          b != last
              && Math.abs(b.x() - last.right()) <= FormMeasures.COMB
              && Math.abs(b.y() - last.y()) < FormMeasures.EDGE
              && Math.abs(b.height() - last.height()) < FormMeasures.EDGE
              && Math.abs(b.width() - last.width()) < FormMeasures.EDGE
              && b.width() < 2.5 * b.height();
      if (next) {
        out.add(b);
      }
    }
    return out;
  }

  private static Box union(List<Box> all) {
    Box a = all.getFirst();
    Box z = all.getLast();
    return new Box(a.x(), a.y(), z.right() - a.x(), a.height());
  }

  /** A box to tick has words beside it: after it, or else before it. */
  static Optional<FlatBlank> tick(Box b, PageWordsAround words) {
    double size = words.size(b.bottom());
    return words
        .after(b.right(), b.y(), b.bottom() + 3, 2 * size)
        .filter(Label::says)
        .or(() -> words.before(b.x(), b.y(), b.bottom() + 3, 2 * size).filter(Label::says))
        .map(t -> new FlatBlank(b, FormField.Kind.TICK, Label.of(t), size));
  }

  private static Optional<FlatBlank> text(Box b, PageWordsAround words) {
    double size = words.size(b.bottom());
    return words
        .before(b.x(), b.y(), b.bottom(), FormMeasures.BESIDE_BOX)
        .filter(Label::says)
        .or(() -> words.above(b, 1).filter(Label::says))
        .or(() -> words.below(b, 1).filter(Label::says))
        .map(t -> new FlatBlank(b, kind(b, size), Label.of(t), size));
  }

  /** Whether a box is written in by one line or by several. */
  static FormField.Kind kind(Box b, double size) {
    return b.height() > FormMeasures.SEVERAL * size ? FormField.Kind.LINES : FormField.Kind.TEXT;
  }
}
