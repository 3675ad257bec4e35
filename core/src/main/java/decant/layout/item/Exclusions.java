package decant.layout.item;

import java.util.List;

/** What room lines have beside what stands in their way. */
public interface Exclusions {
  /** Nothing stands in the way. */
  Exclusions FREE = (top, height) -> List.of(new Lane(0, 0, top));

  /**
   * The room for a line, from left to right; where something stands amid the width, a line goes on
   * on its other side.
   *
   * @param top of the line, from the top of the paragraph's first line
   */
  List<Lane> at(double top, double height);

  /**
   * @param left how much is taken from the block's left edge on
   * @param right how much is taken from its right edge on
   * @param top where the line can stand: where it was wanted, or further down
   */
  record Lane(double left, double right, double top) {
    public boolean isFree() {
      return left == 0 && right == 0;
    }
  }
}
