package decant.model;

/**
 * The paper of a section, in points. Header and footer distances are from the edge of the paper.
 */
public record PageSetup(
    double width,
    double height,
    double top,
    double right,
    double bottom,
    double left,
    double header,
    double footer) {
  /** ISO 216 A4 with margins of an inch. */
  public static final PageSetup A4 = new PageSetup(595.28, 841.89, 72, 72, 72, 72, 36, 36);

  /** Width between the margins; at least an inch, whatever a file says. */
  public double textWidth() {
    return Math.max(72, width - left - right);
  }

  /** Height between the margins; at least an inch, whatever a file says. */
  public double textHeight() {
    return Math.max(72, height - top - bottom);
  }
}
