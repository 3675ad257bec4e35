package decant.model.look;

/** How far the lines of a paragraph stand apart. */
public sealed interface LinePitch {
  LinePitch SINGLE = new Multiple(1);

  /** A multiple of the font's own line height. */
  record Multiple(double factor) implements LinePitch {}

  /** At least this many points. */
  record AtLeast(double points) implements LinePitch {}

  /** Exactly this many points, whatever stands on the line. */
  record Exactly(double points) implements LinePitch {}
}
