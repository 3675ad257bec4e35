package decant.mark;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/** The outlines of text in shipped fonts, the first of which that has a letter serves it. */
final class Faces {
  private static final Map<String, Font> LOADED = new ConcurrentHashMap<>();
  private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

  private final List<Font> fonts;

  /**
   * @param resources of the fonts
   */
  Faces(String... resources) {
    this.fonts = List.of(resources).stream().map(Faces::load).toList();
  }

  private static Font load(String resource) {
    return LOADED.computeIfAbsent(
        resource,
        r -> {
          try (var in = Faces.class.getResourceAsStream(r)) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
          } catch (FontFormatException | IOException e) {
            throw new UncheckedIOException(new IOException("a shipped font", e));
          }
        });
  }

  /** The characters that none of the fonts has, each once. */
  String missing(String text) {
    return text
        .codePoints()
        .filter(c -> !Character.isWhitespace(c) && fonts.stream().noneMatch(f -> f.canDisplay(c)))
        .boxed()
        .collect(Collectors.toCollection(TreeSet::new))
        .stream()
        .map(Character::toString)
        .collect(Collectors.joining(" "));
  }

  /** A line of text, its baseline at 0, from 0 to the right. */
  Shape outline(String line, double size) {
    var out = new Path2D.Double(Path2D.WIND_NON_ZERO);
    double x = 0;
    for (Run r : runs(line)) {
      char[] text = r.text.toCharArray();
      GlyphVector glyphs =
          r.font
              .deriveFont((float) size)
              .layoutGlyphVector(EXACT, text, 0, text.length, Font.LAYOUT_LEFT_TO_RIGHT);
      out.append(
          AffineTransform.getTranslateInstance(x, 0).createTransformedShape(glyphs.getOutline()),
          false);
      x += glyphs.getGlyphPosition(glyphs.getNumGlyphs()).getX();
    }
    return out;
  }

  /** How wide a line is. */
  double width(String text, double size) {
    Rectangle2D b = outline(text, size).getBounds2D();
    return b.getMaxX();
  }

  private record Run(Font font, String text) {}

  private List<Run> runs(String text) {
    var out = new ArrayList<Run>();
    text.codePoints()
        .forEach(c -> {
          Font f = fonts.stream().filter(x -> x.canDisplay(c)).findFirst().orElse(fonts.getFirst());
          String one = Character.toString(c);
          if (!out.isEmpty() && out.getLast().font == f) {
            out.set(out.size() - 1, new Run(f, out.getLast().text + one));
          } else {
            out.add(new Run(f, one));
          }
        });
    return out;
  }
}
