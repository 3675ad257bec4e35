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

  /** By what a file says of it: twips, or lengths with a unit; A4 where it says nothing. */
  static Sheet of(String width, String height) {
    return new Sheet(twips(width, A4.width), twips(height, A4.height));
  }

  private static long twips(String length, long otherwise) {
    if (!length.matches("[0-9.]+[a-z]*")) {
      return otherwise;
    }
    boolean bare = Character.isDigit(length.charAt(length.length() - 1));
    return Math.round(bare ? Docx.number(length) : OdtStyles.points(length) * TWIPS);
  }

  /** It in whole points: what formats round otherwise is nearer than that. */
  String fact() {
    return Math.round(width / TWIPS) + " × " + Math.round(height / TWIPS) + " pt";
  }
}
