package decant.pdf.read.drawings;

import decant.model.Box;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** Finds what is written along the sides of a drawing: the numbers and names of its axes. */
final class AxisLabels {
  private static final Pattern CAPTION =
      Pattern.compile("^(?i)(fig|figure|chart|diagram|plate|table|map|abb|abbildung)\\b.*");

  private AxisLabels() {}

  /**
   * The drawing with the labels along its sides.
   *
   * @param upright the lines of the page that are not turned
   */
  static DetectedDrawings.Drawing with(
      DetectedDrawings.Drawing drawing, ScannedPage page, List<TextLine> upright) {
    Box box = drawing.box();
    var labels = new ArrayList<>(drawing.labels());
    Set<TextLine> taken = new HashSet<>();
    List<TextLine> found = beside(drawing.box(), upright);
    if (found.isEmpty()) {
      found = row(below(box, upright, taken), 3);
    }
    while (!found.isEmpty()) {
      taken.addAll(found);
      for (TextLine l : found) {
        labels.addAll(l.glyphs());
        box = box.union(l.box());
      }
      found = row(below(box, upright, taken), 1); // a title below the numbers
    }
    for (Glyph g : page.glyphs()) {
      if (g.quarter() != 0 && isNear(g.place(), drawing.box())) {
        labels.add(g);
        box = box.union(g.place());
      }
    }
    return new DetectedDrawings.Drawing(box, drawing.shapes(), labels, drawing.content(), false);
  }

  private static List<TextLine> below(Box box, List<TextLine> lines, Set<TextLine> taken) {
    return lines.stream()
        .filter(l -> !taken.contains(l) && isLabel(l, box) && isBelow(l.box(), box))
        .toList();
  }

  private static List<TextLine> beside(Box box, List<TextLine> lines) {
    List<TextLine> all =
        lines.stream().filter(l -> isLabel(l, box) && isBeside(l.box(), box)).toList();
    return all.size() >= 3 ? all : List.of();
  }

  private static boolean isLabel(TextLine l, Box box) {
    return l.box().width() < box.width() * DrawingThresholds.AxisLabels.WIDEST
        && l.box().height() < 20
        && !CAPTION.matcher(l.text().strip()).matches();
  }

  private static boolean isBelow(Box l, Box d) {
    return l.y() > d.bottom() - 3
        && l.y() < d.bottom() + DrawingThresholds.AxisLabels.NEAR
        && l.x() > d.x() - DrawingThresholds.AxisLabels.NEAR
        && l.right() < d.right() + DrawingThresholds.AxisLabels.NEAR;
  }

  private static boolean isBeside(Box l, Box d) {
    boolean left = l.right() < d.x() + 3 && l.right() > d.x() - DrawingThresholds.AxisLabels.NEAR;
    boolean right = l.x() > d.right() - 3 && l.x() < d.right() + DrawingThresholds.AxisLabels.NEAR;
    return (left || right)
        && l.y() > d.y() - DrawingThresholds.AxisLabels.NEAR
        && l.bottom() < d.bottom() + DrawingThresholds.AxisLabels.NEAR;
  }

  /** The pieces on the first height below, if there are enough of them. */
  private static List<TextLine> row(List<TextLine> below, int min) {
    double first = below.stream().mapToDouble(TextLine::baseline).min().orElse(0);
    List<TextLine> row = below.stream().filter(l -> l.baseline() - first < 2).toList();
    return row.size() >= min ? row : List.of();
  }

  private static boolean isNear(Box b, Box d) {
    return b.x() > d.x() - DrawingThresholds.AxisLabels.BEYOND * DrawingThresholds.AxisLabels.NEAR
        && b.right()
            < d.right() + DrawingThresholds.AxisLabels.BEYOND * DrawingThresholds.AxisLabels.NEAR
        && b.y() > d.y() - DrawingThresholds.AxisLabels.NEAR
        && b.bottom() < d.bottom() + 2 * DrawingThresholds.AxisLabels.NEAR;
  }
}
