package decant.pdf.read.page;

import decant.model.look.Rule;

/**
 * A ruled line: a thin rectangle or a stroke, lying or standing.
 *
 * @param look how it is drawn
 */
public record RuledLine(double x1, double y1, double x2, double y2, Rule look) {
  public boolean lying() {
    return x2 - x1 >= y2 - y1;
  }

  public double middle() {
    return lying() ? (y1 + y2) / 2 : (x1 + x2) / 2;
  }

  /**
   * Whether another lying line begins where this one ends: lines of tables are drawn so by cells.
   */
  public boolean goesOn(RuledLine next) {
    return lying()
        && next.lying()
        && Math.abs(next.middle() - middle()) <= 1
        && Math.abs(next.x1() - x2()) <= 2
        && next.x2() > x2() + 2;
  }
}
