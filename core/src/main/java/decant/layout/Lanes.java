package decant.layout;

/** What room lines have beside what stands in their way. */
interface Lanes {
  /** Nothing stands in the way. */
  Lanes FREE = (top, height) -> new Lane(0, 0, top);

  /**
   * The room for a line.
   *
   * @param top of the line, from the top of the paragraph's first line
   */
  Lane at(double top, double height);

  /**
   * @param left how much is taken from the block's left edge on
   * @param right how much is taken from its right edge on
   * @param top where the line can stand: where it was wanted, or further down
   */
  record Lane(double left, double right, double top) {
    boolean isFree() {
      return left == 0 && right == 0;
    }
  }
}
