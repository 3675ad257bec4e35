package decant.verify.office;

/**
 * The paper that pages are made for, in twips, in which three of the formats have it.
 *
 * @param width in twentieths of a point
 * @param height in twentieths of a point
 */
record Sheet(long width, long height) {
  private static final double TWIPS = 20;

  /** What stands where a file says nothing: A4 (ISO 216). */
  static final Sheet A4 = ofPoints(595.3, 841.9);

  static Sheet ofPoints(double width, double height) {
    return new Sheet(Math.round(width * TWIPS), Math.round(height * TWIPS));
  }

  /** A length of ODF (part 3, §18.3.18) in points; that which holds where there is none. */
  static double points(String length, double otherwise) {
    String unit = length.replaceFirst("^[-+0-9.]+", "");
    double number = Docx.number(length.substring(0, length.length() - unit.length()));
    return switch (unit) {
      case "pt" -> number;
      case "in" -> number * 72;
      case "cm" -> number * 72 / 2.54;
      case "mm" -> number * 72 / 25.4;
      case "pc" -> number * 12;
      case "px" -> number * 0.75;
      default -> otherwise;
    };
  }

  /** It in whole points: what formats round otherwise is nearer than that. */
  String fact() {
    return Math.round(width / TWIPS) + " × " + Math.round(height / TWIPS) + " pt";
  }
}
