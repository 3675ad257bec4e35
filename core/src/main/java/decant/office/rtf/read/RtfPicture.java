package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Inline;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.MediaId;
import decant.model.look.Placement;
import java.util.HexFormat;
import java.util.Optional;

/** A picture as far as it is told (Rich Text Format 1.9.1, “Pictures”). */
final class RtfPicture {
  private static final double TWIPS = 20;
  private static final double LARGEST = 3000; // points

  private final StringBuilder hex = new StringBuilder();
  private String type = "";
  private int width;
  private int height;
  private int scaleAcross = 100;
  private int scaleDown = 100;
  private int left;
  private int right;
  private int top;
  private int bottom;

  void digits(String s) {
    hex.append(s);
  }

  void bytes(byte[] b) {
    hex.setLength(0);
    hex.append(HexFormat.of().formatHex(b));
  }

  void command(Command c, int value) {
    switch (c) {
      case pngblip -> type = "image/png";
      case jpegblip -> type = "image/jpeg";
      case emfblip -> type = "image/x-emf";
      case wmetafile -> type = "image/x-wmf";
      case picwgoal -> width = value;
      case pichgoal -> height = value;
      case picscalex -> scaleAcross = value;
      case picscaley -> scaleDown = value;
      case piccropl -> left = value;
      case piccropr -> right = value;
      case piccropt -> top = value;
      case piccropb -> bottom = value;
      default -> {}
    }
  }

  /**
   * It on the line.
   *
   * @param width in points; so is {@code height}
   */
  Inline.Picture shown(MediaId media, double width, double height, Words said) {
    return new Inline.Picture(
        media,
        width,
        height,
        said.alt(),
        Placement.INLINE,
        crop(),
        said.turned(),
        Optional.empty(),
        Look.PLAIN);
  }

  /** Its media type; empty if it is of none that is known. */
  String type() {
    return type;
  }

  byte[] bytes() {
    String digits = hex.toString().replaceAll("[^0-9A-Fa-f]", "");
    hex.setLength(0);
    return HexFormat.of().parseHex(digits, 0, digits.length() / 2 * 2);
  }

  /** How wide what is shown of it is, in points; empty where nothing is said. */
  Optional<Double> width() {
    return size(width, left, right, scaleAcross);
  }

  /** How high what is shown of it is, in points; empty where nothing is said. */
  Optional<Double> height() {
    return size(height, top, bottom, scaleDown);
  }

  private static Optional<Double> size(int whole, int from, int to, int scale) {
    double shown = whole - (double) from - to;
    return whole > 0 && shown > 0
        ? Optional.of(Math.min(LARGEST, shown / TWIPS * Math.clamp(scale, 1, 10_000) / 100))
        : Optional.empty();
  }

  /** What is cut away on each side, in shares of it. */
  Insets crop() {
    return width().isPresent() && height().isPresent()
        ? new Insets(
            share(top, height), share(right, width), share(bottom, height), share(left, width))
        : Insets.NONE;
  }

  private static double share(int cut, int whole) {
    return Math.clamp(cut / (double) whole, -1, 0.99);
  }

  /**
   * What is said of a picture beside its data.
   *
   * @param alt what it shows, in words
   * @param turned clockwise, in degrees
   */
  record Words(String alt, double turned) {
    static final Words NONE = new Words("", 0);
  }
}
