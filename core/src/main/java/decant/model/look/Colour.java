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

  /** Six upper-case hexadecimal digits. */
  public String hex() {
    return "%06X".formatted(rgb);
  }
}
