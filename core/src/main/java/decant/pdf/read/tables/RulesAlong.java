package decant.pdf.read.tables;

import decant.model.Box;
import decant.pdf.read.detected.Ruling;
import decant.pdf.read.page.RuledLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Which lines are drawn along the rows and columns of a table whose cells are known. */
public final class RulesAlong {
  /**
   * A row by its text.
   *
   * @param first its first baseline
   * @param last its last
   * @param size of its text
   */
  public record Row(double first, double last, double size) {}

  private final List<RuledLine> rules;
  private final double left;
  private final double right;

  /**
   * @param rules of the page
   * @param left edge of the table
   */
  public RulesAlong(List<RuledLine> rules, double left, double right) {
    this.rules = rules;
    this.left = left;
    this.right = right;
  }

  /**
   * @param box around the text of the table
   * @param inner where its columns meet
   */
  public Ruling ruling(List<Row> rows, Box box, List<Double> inner) {
    var between = new ArrayList<RuledLine>();
    var belowHeader = new ArrayList<RuledLine>();
    int ruled = 0;
    for (int k = 1; k < rows.size(); k++) {
      List<RuledLine> here = between(rows.get(k - 1), rows.get(k));
      ruled += here.isEmpty() ? 0 : 1;
      (k == 1 ? belowHeader : between).addAll(here);
    }
    boolean all = ruled == rows.size() - 1;
    double pitch = 2 * rows.getFirst().size();
    var down = new ArrayList<RuledLine>();
    inner.forEach(x -> down.addAll(standing(x, box)));
    var beside = new ArrayList<RuledLine>(standing(left, box));
    beside.addAll(standing(right, box));
    return new Ruling(
        Ruling.mostOf(covering(box.y() - pitch, box.y() + 1)),
        Ruling.mostOf(belowHeader),
        all ? Ruling.mostOf(between.isEmpty() ? belowHeader : between) : Optional.empty(),
        Ruling.mostOf(covering(box.bottom() - 1, box.bottom() + pitch)),
        Ruling.mostOf(beside),
        Ruling.mostOf(down));
  }

  /** The text of a table with the lines above and below it. */
  public Box withRules(List<Row> rows, Box box) {
    double top = box.y();
    double bottom = box.bottom();
    double pitch = 2 * rows.getFirst().size();
    for (RuledLine r : covering(box.y() - pitch, box.y() + 1)) {
      top = Math.min(top, r.y1());
    }
    for (RuledLine r : covering(box.bottom() - 1, box.bottom() + pitch)) {
      bottom = Math.max(bottom, r.y2());
    }
    return new Box(left, top, right - left, bottom - top);
  }

  /** The lines between two rows. */
  List<RuledLine> between(Row above, Row below) {
    double y2 = below.first() - below.size() * TableThresholds.AlignedTables.RULE_ABOVE;
    return covering(above.last(), y2);
  }

  /** The lines that lie over most of the table's width between two heights, if any do. */
  private List<RuledLine> covering(double y1, double y2) {
    var found = new ArrayList<RuledLine>();
    double covered = 0;
    for (RuledLine r : rules) {
      if (r.lying() && r.middle() > y1 && r.middle() < y2) {
        double share = Math.min(r.x2(), right) - Math.max(r.x1(), left);
        if (share > 0) {
          covered += share;
          found.add(r);
        }
      }
    }
    return covered > TableThresholds.AlignedTables.COVERED * (right - left) ? found : List.of();
  }

  /** The lines that stand at a place over most of the table's height, if any do. */
  private List<RuledLine> standing(double x, Box box) {
    var found = new ArrayList<RuledLine>();
    double covered = 0;
    for (RuledLine r : rules) {
      if (!r.lying() && Math.abs(r.middle() - x) < TableThresholds.RuledTables.NEAR) {
        double share = Math.min(r.y2(), box.bottom()) - Math.max(r.y1(), box.y());
        if (share > 0) {
          covered += share;
          found.add(r);
        }
      }
    }
    return covered > TableThresholds.AlignedTables.COVERED * box.height() ? found : List.of();
  }
}
