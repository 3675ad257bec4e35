package decant.compare;

import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Rule;
import java.util.Optional;

/** What is the same to the eye: files round lengths and colours each in their own way. */
final class Near {
  /** Points. */
  private static final double LENGTH = 0.5;

  /** Points by which the width of a line may differ; thin lines are told from thick ones by it. */
  private static final double WIDTH = 0.2;

  /** Share of a font's line height. */
  private static final double FACTOR = 0.02;

  /** Of 255. */
  private static final int PART = 2;

  private Near() {}

  static boolean lengths(double a, double b) {
    return Math.abs(a - b) <= LENGTH;
  }

  static boolean colours(Colour a, Colour b) {
    return colours(a.rgb(), b.rgb());
  }

  /**
   * @param a 0xRRGGBB
   */
  static boolean colours(int a, int b) {
    return parts(a >> 16, b >> 16) && parts(a >> 8, b >> 8) && parts(a, b);
  }

  private static boolean parts(int a, int b) {
    return Math.abs((a & 0xFF) - (b & 0xFF)) <= PART;
  }

  /** No line is said in several ways. */
  static boolean rules(Optional<Rule> a, Optional<Rule> b) {
    return rules(a.orElse(Rule.NONE), b.orElse(Rule.NONE));
  }

  static boolean rules(Rule a, Rule b) {
    return !a.isDrawn() && !b.isDrawn()
        || a.kind() == b.kind()
            && a.isDrawn() == b.isDrawn()
            && Math.abs(a.width() - b.width()) <= WIDTH
            && colours(a.colour(), b.colour());
  }

  static boolean pitches(LinePitch a, LinePitch b) {
    return switch (a) {
      case LinePitch.Multiple x ->
          b instanceof LinePitch.Multiple y && Math.abs(x.factor() - y.factor()) <= FACTOR;
      case LinePitch.AtLeast x ->
          b instanceof LinePitch.AtLeast y && lengths(x.points(), y.points());
      case LinePitch.Exactly x ->
          b instanceof LinePitch.Exactly y && lengths(x.points(), y.points());
    };
  }
}
