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
}
