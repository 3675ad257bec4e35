package decant.office.emit;

import decant.model.look.ListDefinition.NumberFormat;

/**
 * The numbers that older office formats have for how numbers are written ([MS-OSHARED] 2.2.1.3).
 */
public final class NumberCodes {
  private NumberCodes() {}

  public static int of(NumberFormat f) {
    return switch (f) {
      case DECIMAL -> 0;
      case UPPER_ROMAN -> 1;
      case LOWER_ROMAN -> 2;
      case UPPER_LETTER -> 3;
      case LOWER_LETTER -> 4;
      case ORDINAL -> 5;
      case TWO_DIGITS -> 22;
      case BULLET -> 23;
      case NONE -> 255;
    };
  }

  /** What is unknown is written in decimal. */
  public static NumberFormat format(int code) {
    return switch (code & 0xFF) {
      case 1 -> NumberFormat.UPPER_ROMAN;
      case 2 -> NumberFormat.LOWER_ROMAN;
      case 3 -> NumberFormat.UPPER_LETTER;
      case 4 -> NumberFormat.LOWER_LETTER;
      case 5 -> NumberFormat.ORDINAL;
      case 22 -> NumberFormat.TWO_DIGITS;
      case 23 -> NumberFormat.BULLET;
      case 255 -> NumberFormat.NONE;
      default -> NumberFormat.DECIMAL;
    };
  }
}
