package decant.office.doc.write;

import decant.model.look.Colour;
import decant.model.look.Rule;
import java.util.Optional;

/** Measures, colours and lines as this format writes them. */
final class Units {
  private static final int NO_COLOUR = 0xFF000000; // cvAuto, [MS-DOC] 2.9.43
  private static final int NIL = 0xFF;

  /** The sixteen colours of §2.9.119 from the first on, red before green before blue. */
  private static final int[] COLOURS = {
    0x000000, 0x0000FF, 0x00FFFF, 0x00FF00, 0xFF00FF, 0xFF0000, 0xFFFF00, 0xFFFFFF, 0x000080,
    0x008080, 0x008000, 0x800080, 0x800000, 0x808000, 0x808080, 0xC0C0C0
  };

  private Units() {}

  /** Points as twentieths of one, as far as two bytes hold them. */
  static int twips(double points) {
    return Math.clamp(Math.round(points * 20), -31_680, 31_680);
  }

  /** Blue in the highest byte (COLORREF, §2.9.43). */
  static int colour(Colour c) {
    return c.blue() << 16 | c.green() << 8 | c.red();
  }

  /** The nearest of sixteen colours, for readers that know no others. */
  static int indexed(Colour c) {
    int best = 0;
    long least = Long.MAX_VALUE;
    for (int k = 0; k < COLOURS.length; k++) {
      var other = new Colour(COLOURS[k]);
      int r = c.red() - other.red();
      int g = c.green() - other.green();
      int b = c.blue() - other.blue();
      long off = (long) r * r + (long) g * g + (long) b * b;
      if (off < least) {
        least = off;
        best = k;
      }
    }
    return best + 1;
  }

  /** What stands behind something: a plain colour (Shd, §2.9.248). */
  static Bytes shading(Colour behind) {
    return new Bytes()
        .u32(NO_COLOUR)
        .u32(behind.equals(Colour.WHITE) ? NO_COLOUR : colour(behind))
        .u16(0);
  }

  /** A line (Brc, §2.9.16); none is drawn where there is none. */
  static Bytes rule(Optional<Rule> rule) {
    Optional<Rule> drawn = rule.filter(Rule::isDrawn);
    if (drawn.isEmpty()) {
      return new Bytes().u32(NO_COLOUR).u32(0);
    }
    Rule r = drawn.get();
    return new Bytes().u32(colour(r.colour())).u8(width(r)).u8(kind(r)).u16(space(r));
  }

  /** A line as readers of 1997 know it (Brc80, §2.9.17). */
  static long rule80(Optional<Rule> rule) {
    Optional<Rule> drawn = rule.filter(Rule::isDrawn);
    return drawn
        .map(r -> (long) width(r) | kind(r) << 8 | indexed(r.colour()) << 16 | space(r) << 24)
        .orElse(0L);
  }

  /** The colour of a line. */
  static int ruleColour(Optional<Rule> rule) {
    return rule.filter(Rule::isDrawn).map(r -> colour(r.colour())).orElse(NO_COLOUR);
  }

  /** Eighths of a point. */
  private static int width(Rule r) {
    return Math.clamp(Math.round(r.width() * 8), 2, NIL - 1);
  }

  private static int space(Rule r) {
    return Math.clamp(Math.round(r.space()), 0, 31);
  }

  /** BrcType, §2.9.20. */
  private static int kind(Rule r) {
    return switch (r.kind()) {
      case SINGLE -> 1;
      case DOUBLE -> 3;
      case DOTTED -> 6;
      case DASHED -> 7;
    };
  }
}
