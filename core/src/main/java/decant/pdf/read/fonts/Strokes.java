package decant.pdf.read.fonts;

import decant.text.OutlineFont;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.pdfbox.pdmodel.font.PDType3Font;

/**
 * How thick the upright strokes of a face are, and how far they lean: measured on tall letters that
 * have one at their left, whatever the name of the font says. Both are shares of the height of the
 * letter, so that it does not matter how large an em is.
 *
 * @param thick by letter
 * @param lean of most of them, to the right
 */
record Strokes(Map<String, Double> thick, double lean) {
  private static final String TALL = "lhbkIHLEFDBPRKN";
  private static final int ROWS = 96;

  /** Dots of a letter that is too small to be measured. */
  private static final int FEWEST = 12;

  private record Stroke(double thick, double lean) {}

  Strokes {
    thick = Map.copyOf(thick);
  }

  /** Those of letters that are outlines. */
  static Optional<Strokes> of(Map<String, OutlineFont.Letter> letters) {
    var found = new HashMap<String, Stroke>();
    letters.forEach((letter, drawn) -> {
      if (isTall(letter)) {
        painted(drawn.outline()).flatMap(Strokes::stroke).ifPresent(s -> found.put(letter, s));
      }
    });
    return all(found);
  }

  /** Those of letters that are small pictures, as old programs make them. */
  static Optional<Strokes> of(PDType3Font font, FontTexts texts) {
    var found = new HashMap<String, Stroke>();
    texts.shown((code, text, times) -> {
      if (isTall(text)) {
        DrawnLetters.picture(font, code)
            .flatMap(Strokes::stroke)
            .ifPresent(s -> found.put(text, s));
      }
    });
    return all(found);
  }

  private static boolean isTall(String letter) {
    return letter.length() == 1 && TALL.contains(letter);
  }

  private static Optional<Strokes> all(Map<String, Stroke> found) {
    if (found.isEmpty()) {
      return Optional.empty();
    }
    var thick = new HashMap<String, Double>();
    found.forEach((letter, s) -> thick.put(letter, s.thick()));
    double[] leans = found.values().stream().mapToDouble(Stroke::lean).sorted().toArray();
    return Optional.of(new Strokes(thick, leans[leans.length / 2]));
  }

  /** These and those of more letters of the same face. */
  Strokes and(Strokes other) {
    var both = new HashMap<>(other.thick);
    both.putAll(thick);
    return new Strokes(both, lean);
  }

  /** How thick they usually are. */
  double usual() {
    return middle(List.copyOf(thick.values())).orElse(0);
  }

  /** How many times as thick as another's; empty if both have no letter in common. */
  OptionalDouble times(Strokes other) {
    var ratios = new ArrayList<Double>();
    thick.forEach((letter, t) -> {
      double than = other.thick.getOrDefault(letter, 0.0);
      if (than > 0) {
        ratios.add(t / than);
      }
    });
    return middle(ratios);
  }

  private static OptionalDouble middle(List<Double> of) {
    return of.isEmpty()
        ? OptionalDouble.empty()
        : OptionalDouble.of(of.stream().sorted().toList().get(of.size() / 2));
  }

  /** A letter in black, as high as there are rows. */
  private static Optional<Raster> painted(Shape outline) {
    Rectangle2D b = outline.getBounds2D();
    if (b.getHeight() <= 0 || b.getWidth() <= 0 || b.getWidth() > 4 * b.getHeight()) {
      return Optional.empty();
    }
    double scale = ROWS / b.getHeight();
    var image =
        new BufferedImage(
            (int) Math.ceil(b.getWidth() * scale) + 1, ROWS, BufferedImage.TYPE_BYTE_GRAY);
    Graphics2D g = image.createGraphics();
    g.setColor(Color.WHITE);
    var t = new AffineTransform(scale, 0, 0, -scale, -b.getX() * scale, b.getMaxY() * scale);
    g.fill(t.createTransformedShape(outline));
    g.dispose();
    return Optional.of(image.getRaster());
  }

  /** The stroke at the left of a letter; empty if it does not go from its top to its bottom. */
  private static Optional<Stroke> stroke(Raster letter) {
    int h = letter.getHeight();
    int[] top = run(letter, (int) (h * 0.2));
    int[] bottom = run(letter, (int) (h * 0.8));
    if (h < FEWEST || top == null || bottom == null) {
      return Optional.empty();
    }
    int thin = Integer.MAX_VALUE;
    for (double at : new double[] {0.3, 0.4, 0.6, 0.7}) {
      int[] run = run(letter, (int) (h * at));
      thin = run == null ? thin : Math.min(thin, run[1] - run[0]);
    }
    double lean = (top[0] - bottom[0]) / (0.6 * h);
    return thin == Integer.MAX_VALUE
        ? Optional.empty()
        : Optional.of(new Stroke((double) thin / h, lean));
  }

  /** The first stretch of ink in a row; null if it has none. */
  private static int @org.jspecify.annotations.Nullable [] run(Raster of, int row) {
    int x = 0;
    while (x < of.getWidth() && of.getSample(x, row, 0) < 128) {
      x++;
    }
    if (x == of.getWidth()) {
      return null;
    }
    int end = x;
    while (end < of.getWidth() && of.getSample(end, row, 0) >= 128) {
      end++;
    }
    return new int[] {x, end};
  }
}
