package decant.model.edit.section;

import decant.model.PageSetup;
import java.util.Optional;

/** Sizes of paper: ISO 216, and those of ANSI/ASME Y14.1 and custom in North America. */
public enum Paper {
  A3(841.89, 1190.55),
  A4(595.28, 841.89),
  A5(419.53, 595.28),
  A6(297.64, 419.53),
  B4(708.66, 1000.63),
  B5(498.9, 708.66),
  LETTER(612, 792),
  LEGAL(612, 1008),
  TABLOID(792, 1224);

  /** How far a paper may be off and still be one, in points: files round. */
  private static final double OFF = 2;

  private final double width;
  private final double height;

  Paper(double width, double height) {
    this.width = width;
    this.height = height;
  }

  /** The shorter side, in points. */
  public double width() {
    return width;
  }

  /** The longer side, in points. */
  public double height() {
    return height;
  }

  /** The one that pages are printed on, upright or sideways; empty for any other size. */
  public static Optional<Paper> of(PageSetup p) {
    for (Paper one : values()) {
      boolean upright = same(p.width(), one.width) && same(p.height(), one.height);
      boolean sideways = same(p.width(), one.height) && same(p.height(), one.width);
      if (upright || sideways) {
        return Optional.of(one);
      }
    }
    return Optional.empty();
  }

  private static boolean same(double a, double b) {
    return Math.abs(a - b) < OFF;
  }
}
