package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Texts in frames that stand beside one another: each is read on its own, however level they are.
 */
public final class FramedTexts {
  /**
   * A text in its frame.
   *
   * @param frame as it is drawn
   */
  public record Framed(Box frame, List<TextLine> pieces) {
    /** Whether another frame stands to the left or right of this one. */
    public boolean isBeside(Framed other) {
      return areBeside(frame, other.frame);
    }
  }

  /**
   * @param framed row by row
   * @param rest what else stands on the page
   */
  public record Result(List<Framed> framed, List<TextLine> rest) {}

  private FramedTexts() {}

  /**
   * @param frames of the page
   */
  public static Result of(List<Box> frames, List<TextLine> pieces) {
    var all = new ArrayList<Framed>();
    for (Box frame : frames) {
      Frames.Held held = Frames.held(frame, pieces);
      if (held.crossing().isEmpty()
          && !held.inside().isEmpty()
          && all.stream().noneMatch(f -> meet(f.frame(), frame))) {
        all.add(new Framed(frame, held.inside()));
      }
    }
    List<Framed> framed =
        rows(all.stream().filter(f -> all.stream().anyMatch(f::isBeside)).toList());
    if (framed.isEmpty()) {
      return new Result(List.of(), pieces);
    }
    Set<TextLine> taken = new HashSet<>();
    framed.forEach(f -> taken.addAll(f.pieces()));
    return new Result(framed, pieces.stream().filter(l -> !taken.contains(l)).toList());
  }

  private static List<Framed> rows(List<Framed> all) {
    var out = new ArrayList<Framed>();
    var left = new ArrayList<>(all);
    left.sort(Comparator.comparingDouble(f -> f.frame().y()));
    while (!left.isEmpty()) {
      Framed first = left.getFirst();
      List<Framed> row =
          left.stream()
              .filter(f -> f == first || f.isBeside(first))
              .sorted(Comparator.comparingDouble(f -> f.frame().x()))
              .toList();
      out.addAll(row);
      left.removeAll(row);
    }
    return out;
  }

  private static boolean meet(Box a, Box b) {
    return a.sharedWidth(b) > 0 && a.sharedHeight(b) > 0;
  }

  private static boolean areBeside(Box a, Box b) {
    return a.sharedWidth(b) < -LineThresholds.FramedTexts.APART
        && a.sharedHeight(b) > LineThresholds.FramedTexts.BESIDE * Math.min(a.height(), b.height());
  }
}
