package decant.pdf;

/** Rows of a table whose cells may have several lines, drawn as letters alone. */
final class DrawnRows {
  /** From line to line of a cell, in points. */
  static final double PITCH = 11;

  /** What a row has more than its lines. */
  static final double ROOM = 8;

  private DrawnRows() {}

  /**
   * Draws rows; lines of a cell are parted by bars.
   *
   * @param left where each column begins
   * @param share of the room that is left in a row that stands above a cell
   * @return where the last row ends
   */
  static double draw(DrawnPdf pdf, double[] left, double top, double share, String[]... rows) {
    double y = top;
    for (String[] row : rows) {
      int most = most(row);
      for (int c = 0; c < row.length; c++) {
        String[] lines = row[c].split("\\|");
        double at = y + ROOM + (most - lines.length) * PITCH * share;
        for (String l : lines) {
          pdf.text(DrawnPdf.PLAIN, 9, left[c], at, l);
          at += PITCH;
        }
      }
      y += most * PITCH + ROOM;
    }
    return y;
  }

  /** How many lines the tallest cell of a row has. */
  static int most(String... row) {
    int most = 1;
    for (String cell : row) {
      most = Math.max(most, cell.split("\\|").length);
    }
    return most;
  }
}
