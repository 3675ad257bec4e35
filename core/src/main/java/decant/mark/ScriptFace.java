package decant.mark;

import decant.model.look.Colour;
import decant.words.Words;
import java.awt.Shape;
import java.awt.geom.Area;

/** Faces that look like handwriting, for marks that are typed. */
public enum ScriptFace {
  GREAT_VIBES("Great Vibes", "GreatVibes"),
  DANCING_SCRIPT("Dancing Script", "DancingScript");

  private static final Words WORDS = Words.of(ScriptFace.class);

  /** Of the letters, in pixels; what is placed has any size. */
  private static final double SIZE = 96;

  /** The height that small letters with their ascenders have on the page, in points. */
  private static final double HEIGHT = 30;

  private static final int LONGEST = 80;

  private final String shown;
  private final String file;

  ScriptFace(String shown, String file) {
    this.shown = shown;
    this.file = file;
  }

  /** What the face is called. */
  public String shown() {
    return shown;
  }

  /**
   * A mark of typed text.
   *
   * @throws MarkProblem if there is none, too much, or letters that the face does not have
   */
  public Mark typed(String text, Colour colour) throws MarkProblem {
    String line = text.strip().replaceAll("\\s+", " ");
    if (line.isEmpty()) {
      throw new MarkProblem(WORDS.say("script-face.nothing"));
    }
    if (line.length() > LONGEST) {
      throw new MarkProblem(WORDS.count("script-face.too-long", LONGEST));
    }
    var faces =
        new Faces(
            "/decant/mark/fonts/" + file + ".ttf", "/decant/mark/fonts/" + file + "-more.ttf");
    String missing = faces.missing(line);
    if (!missing.isEmpty()) {
      throw new MarkProblem(WORDS.say("script-face.missing", shown, missing));
    }
    Shape s = new Area(faces.outline(line, SIZE)); // joined letters overlap
    var box = s.getBounds2D();
    if (box.isEmpty()) {
      throw new MarkProblem(WORDS.say("script-face.nothing"));
    }
    double scale = HEIGHT / SIZE;
    return new Mark(
        line,
        Mark.Kind.SIGNATURE,
        new Svg().fill(s, colour).in(box),
        box.getWidth() * scale,
        box.getHeight() * scale);
  }
}
