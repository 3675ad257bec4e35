package decant.pdf.read;

/** A ruled line: a thin rectangle or a stroke, lying or standing. */
record Rule(double x1, double y1, double x2, double y2) {
  boolean lying() {
    return x2 - x1 >= y2 - y1;
  }

  double middle() {
    return lying() ? (y1 + y2) / 2 : (x1 + x2) / 2;
  }
}
