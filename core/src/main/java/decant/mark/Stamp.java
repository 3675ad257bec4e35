package decant.mark;

import decant.model.look.Colour;
import decant.picture.PictureSize;
import decant.words.Words;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.List;

/** A stamp: lines of text in a frame, the first one larger. */
public final class Stamp {
  private static final Words WORDS = Words.of(Stamp.class);

  private static final double LARGE = 40;
  private static final double SMALL = 22;
  private static final double PADDING = 16;
  private static final double FRAME = 4;
  private static final double LEADING = 1.25;
  private static final int MOST_LINES = 6;
  private static final int LONGEST = 60;

  /** Capitals stand this high over the baseline, as a share of the size. */
  private static final double CAPITALS = 0.73;

  private Stamp() {}

  /**
   * @throws MarkProblem if there is no text, too much of it, or letters that the font does not have
   */
  public static Mark of(List<String> text, Colour colour) throws MarkProblem {
    List<String> lines = text.stream().map(String::strip).filter(l -> !l.isEmpty()).toList();
    if (lines.isEmpty()) {
      throw new MarkProblem(WORDS.say("stamp.nothing"));
    }
    if (lines.size() > MOST_LINES) {
      throw new MarkProblem(WORDS.count("stamp.lines", MOST_LINES));
    }
    if (lines.stream().anyMatch(l -> l.length() > LONGEST)) {
      throw new MarkProblem(WORDS.count("stamp.long-line", LONGEST));
    }
    var faces =
        new Faces(
            "/decant/text/fonts/LiberationSans-Bold.ttf", "/decant/text/fonts/DejaVuSans-Bold.ttf");
    String missing = faces.missing(String.join("", lines));
    if (!missing.isEmpty()) {
      throw new MarkProblem(WORDS.say("stamp.missing", missing));
    }
    double inner = 0;
    for (int k = 0; k < lines.size(); k++) {
      inner = Math.max(inner, faces.width(lines.get(k), size(k)));
    }
    double width = inner + 2 * PADDING;
    double y = PADDING + CAPITALS * LARGE;
    var svg = new Svg();
    for (int k = 0; k < lines.size(); k++) {
      y += k == 0 ? 0 : LEADING * SMALL + (k == 1 ? LARGE - SMALL : 0) / 4;
      double x = (width - faces.width(lines.get(k), size(k))) / 2;
      Shape line = faces.outline(lines.get(k), size(k));
      svg.fill(AffineTransform.getTranslateInstance(x, y).createTransformedShape(line), colour);
    }
    double height = y + PADDING;
    var frame = new RoundRectangle2D.Double(0, 0, width, height, 14, 14);
    svg.stroke(frame, colour, FRAME);
    var box = new Rectangle2D.Double(-FRAME / 2, -FRAME / 2, width + FRAME, height + FRAME);
    return new Mark(
        lines.getFirst(),
        Mark.Kind.STAMP,
        svg.in(box),
        box.getWidth() * PictureSize.PIXEL,
        box.getHeight() * PictureSize.PIXEL);
  }

  private static double size(int line) {
    return line == 0 ? LARGE : SMALL;
  }
}
