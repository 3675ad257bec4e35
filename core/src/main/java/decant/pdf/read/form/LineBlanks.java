package decant.pdf.read.form;

import decant.model.Box;
import decant.model.look.FormField;
import decant.model.look.Rule;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Lines to write on that are drawn: nothing stands on them, and words say what belongs there. */
final class LineBlanks {
  private LineBlanks() {}

  static List<FlatBlank> of(ScannedPage page, PageWordsAround words) {
    List<RuledLine> standing = page.rules().stream().filter(r -> !r.lying()).toList();
    List<RuledLine> lying =
        whole(
            Stream.concat(
                    page.rules().stream().filter(RuledLine::lying),
                    page.shapes().stream().flatMap(p -> thin(p).stream()))
                .toList());
    var out = new ArrayList<FlatBlank>();
    for (RuledLine r : lying) {
      boolean alone =
          r.x2() - r.x1() >= FormMeasures.LINE
              && r.y2() - r.y1() < FormMeasures.THICK
              && standing.stream().noneMatch(s -> touches(r, s))
              && lying.stream().noneMatch(o -> o != r && (doubled(r, o) || joins(r, o)));
      if (!alone) {
        continue;
      }
      double size = words.size(r.middle());
      Box area = area(r, size);
      if (!words.isEmpty(area)) {
        continue; // an underlined word, the rule below a heading
      }
      Optional<String> label = label(r, area, size, words);
      if (label.isPresent()) {
        out.add(new FlatBlank(area, FormField.Kind.TEXT, Label.of(label.get()), size));
      } else {
        goesOn(r, area, out);
      }
    }
    return out;
  }

  /** A box without any height is a line. */
  private static Optional<RuledLine> thin(Painted p) {
    Box b = p.box();
    return b.height() < FormMeasures.THICK && b.width() >= FormMeasures.LINE
        ? Optional.of(new RuledLine(b.x(), b.y(), b.right(), b.bottom(), Rule.NONE))
        : Optional.empty();
  }

  /** Lines from head to foot; what is drawn twice, or in short pieces, is one. */
  private static List<RuledLine> whole(List<RuledLine> lying) {
    var out = new ArrayList<RuledLine>();
    List<RuledLine> sorted =
        lying.stream()
            .sorted(
                Comparator.comparingLong((RuledLine r) -> Math.round(r.middle()))
                    .thenComparingDouble(RuledLine::x1))
            .toList();
    for (RuledLine r : sorted) {
      RuledLine last = out.isEmpty() ? null : out.getLast();
      if (last != null && (isAgain(last, r) || isPiece(last, r))) {
        out.set(
            out.size() - 1,
            new RuledLine(
                Math.min(last.x1(), r.x1()),
                Math.min(last.y1(), r.y1()),
                Math.max(last.x2(), r.x2()),
                Math.max(last.y2(), r.y2()),
                last.look()));
      } else {
        out.add(r);
      }
    }
    return out;
  }

  private static boolean isAgain(RuledLine a, RuledLine b) {
    return Math.abs(a.middle() - b.middle()) < FormMeasures.THICK
        && Math.abs(a.x1() - b.x1()) < FormMeasures.EDGE
        && Math.abs(a.x2() - b.x2()) < FormMeasures.EDGE;
  }

  /** A short piece goes on where the line before it ends. */
  private static boolean isPiece(RuledLine a, RuledLine b) {
    return b.x2() - b.x1() < FormMeasures.PIECE
        && Math.abs(a.middle() - b.middle()) < FormMeasures.THICK
        && b.x1() - a.x2() < FormMeasures.THICK;
  }

  private static Box area(RuledLine r, double size) {
    double high = Math.max(FormMeasures.LEAST_HIGH, size * FormMeasures.LETTERS);
    return new Box(r.x1(), r.y1() - high, r.x2() - r.x1(), high);
  }

  /** A line with others standing on or under it is one of a grid or a frame. */
  private static boolean touches(RuledLine lying, RuledLine standing) {
    double x = standing.middle();
    return x > lying.x1() - FormMeasures.EDGE
        && x < lying.x2() + FormMeasures.EDGE
        && standing.y1() < lying.y2() + FormMeasures.EDGE
        && standing.y2() > lying.y1() - FormMeasures.EDGE;
  }

  private static boolean doubled(RuledLine a, RuledLine b) {
    return Math.abs(a.middle() - b.middle()) < 2 * FormMeasures.EDGE
        && Math.min(a.x2(), b.x2()) - Math.max(a.x1(), b.x1()) > 0.5 * (a.x2() - a.x1());
  }

  /** Lines end to end are those of a table's head. */
  private static boolean joins(RuledLine a, RuledLine b) {
    return Math.abs(a.middle() - b.middle()) < 1
        && Math.min(Math.abs(a.x2() - b.x1()), Math.abs(b.x2() - a.x1())) < FormMeasures.EDGE;
  }

  private static Optional<String> label(RuledLine r, Box area, double size, PageWordsAround words) {
    double top = r.middle() - size;
    return words
        .before(r.x1(), top, r.y2() + 0.3 * size, FormMeasures.BESIDE)
        .filter(t -> Label.says(t) && t.length() <= FormMeasures.PROSE)
        .or(() -> caption(area, words))
        .or(() ->
            words
                .after(r.x2(), top, r.y2() + 0.3 * size, FormMeasures.BESIDE / 2)
                .filter(Label::says));
  }

  /** Long lines are rules of the page; what begins with a number is a note below its rule. */
  private static Optional<String> caption(Box area, PageWordsAround words) {
    return area.width() > FormMeasures.CAPTIONED
        ? Optional.empty()
        : words
            .below(area, FormMeasures.BELOW)
            .filter(Label::says)
            .filter(t -> !Character.isDigit(t.codePointAt(0)));
  }

  /** A line without words of its own, below another of the same width: more room for the same. */
  private static void goesOn(RuledLine r, Box area, List<FlatBlank> out) {
    for (int k = out.size() - 1; k >= 0; k--) {
      FlatBlank b = out.get(k);
      boolean above =
          Math.abs(b.area().right() - area.right()) < FormMeasures.EDGE
              && b.area().bottom() < r.y1()
              && r.y1() - b.area().bottom() < 3 * b.size();
      if (above) {
        Box a = b.area();
        var both =
            new Box(
                Math.min(a.x(), area.x()),
                a.y(),
                a.right() - Math.min(a.x(), area.x()),
                area.bottom() - a.y());
        // What stands beside the first line alone is not written over.
        boolean sameLeft = Math.abs(a.x() - area.x()) < FormMeasures.EDGE;
        out.set(k, sameLeft ? new FlatBlank(both, FormField.Kind.LINES, b.label(), b.size()) : b);
        if (!sameLeft) {
          out.add(new FlatBlank(area, FormField.Kind.TEXT, b.label(), b.size()));
        }
        return;
      }
    }
  }
}
