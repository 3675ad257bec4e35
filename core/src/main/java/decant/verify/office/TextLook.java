package decant.verify.office;

import java.util.Locale;

/**
 * How text looks once all styles are decided, as far as every office format can say it.
 *
 * @param halfPoints the size
 * @param rgb the colour; black where none is said
 * @param raise 1 above the line, -1 below it
 */
record TextLook(
    String family,
    long halfPoints,
    boolean bold,
    boolean italic,
    boolean underline,
    boolean strike,
    int rgb,
    int raise) {
  /** Where nothing is said of it. */
  static final TextLook NONE = new TextLook("", 0, false, false, false, false, 0, 0);

  @Override
  public String toString() {
    return family
        + " "
        + halfPoints / 2.0
        + (bold ? " bold" : "")
        + (italic ? " italic" : "")
        + (underline ? " underlined" : "")
        + (strike ? " struck" : "")
        + (raise > 0 ? " raised" : raise < 0 ? " lowered" : "")
        + (rgb == 0 ? "" : String.format(Locale.ROOT, " #%06X", rgb));
  }
}
