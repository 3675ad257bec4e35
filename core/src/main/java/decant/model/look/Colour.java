package decant.model.look;

/** An opaque sRGB colour, {@code 0xRRGGBB}. */
public record Colour(int rgb) {
  public static final Colour BLACK = new Colour(0);
  public static final Colour WHITE = new Colour(0xFFFFFF);

  public Colour {
    rgb &= 0xFFFFFF;
  }

  /** From six hexadecimal digits. @throws NumberFormatException if they are not */
  public static Colour parse(String hex) {
    return new Colour(Integer.parseInt(hex, 16));
  }

  public int red() {
    return rgb >> 16;
  }

  public int green() {
    return rgb >> 8 & 0xFF;
  }

  public int blue() {
    return rgb & 0xFF;
  }

  /**
   * What it looks like on white paper where paper shines through.
   *
   * @param alpha how much of it shows, 0 to 1
   */
  public Colour onPaper(double alpha) {
    return new Colour(
        faded(red(), alpha) << 16 | faded(green(), alpha) << 8 | faded(blue(), alpha));
  }

  private static int faded(int part, double alpha) {
    return Math.clamp(Math.round(255 - alpha * (255 - part)), 0, 255);
  }

  /** Six upper-case hexadecimal digits. */
  public String hex() {
    return "%06X".formatted(rgb);
  }
}
