package decant.model.look;

import java.util.List;

/**
 * A drawn line: a border, a separator, the outline of a shape.
 *
 * @param width in points; 0 for a line that is expressly absent
 * @param space between the line and what it borders, in points
 */
public record Rule(Kind kind, double width, Colour colour, double space) {
  /** How a line is drawn. */
  public enum Kind {
    SINGLE,
    DOUBLE,
    DOTTED,
    DASHED
  }

  /** Expressly no line. */
  public static final Rule NONE = new Rule(Kind.SINGLE, 0, Colour.BLACK, 0);

  /** A solid line. */
  public static Rule single(double width, Colour colour) {
    return new Rule(Kind.SINGLE, width, colour, 0);
  }

  public boolean isDrawn() {
    return width > 0;
  }

  /** How much room the line takes across: a double line is three of its lines wide. */
  public double extent() {
    return kind == Kind.DOUBLE ? 3 * width : width;
  }

  /**
   * How far it is drawn and then is not, in widths of it; nothing for a line that is not broken.
   */
  public List<Integer> dashes() {
    return switch (kind) {
      case SINGLE, DOUBLE -> List.of();
      case DOTTED -> List.of(1, 1);
      case DASHED -> List.of(4, 3);
    };
  }
}
