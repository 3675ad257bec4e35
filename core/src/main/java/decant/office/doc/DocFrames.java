package decant.office.doc;

import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.TextFrame;
import java.util.OptionalInt;
import java.util.function.IntFunction;

/** Places of frames and tables beside the flow ([MS-DOC] 2.9.208, 2.9.347 and 2.9.355). */
final class DocFrames {
  private static final double TWIPS = 20;

  // Properties of paragraphs, §2.6.2.
  private static final int ORIGINS = 0x261B;
  private static final int ACROSS = 0x8418;
  private static final int DOWN = 0x8419;
  private static final int WIDTH = 0x841A;
  private static final int WRAP = 0x2423;
  private static final int HEIGHT = 0x442B;
  private static final int DISTANCE_DOWN = 0x842E;
  private static final int DISTANCE_ACROSS = 0x842F;
  private static final int DROP_CAP = 0x442C;
  private static final int IN_TABLE = 0x2416;

  // Properties of tables, §2.6.3.
  private static final int TABLE_ORIGINS = 0x360D;
  private static final int TABLE_ACROSS = 0x940E;
  private static final int TABLE_DOWN = 0x940F;
  private static final int TABLE_LEFT = 0x9410;
  private static final int TABLE_TOP = 0x9411;
  private static final int TABLE_RIGHT = 0x941E;
  private static final int TABLE_BOTTOM = 0x941F;

  private static final int NOT_BESIDE = 1; // sprmPWr: no text beside it
  private static final int LEAST = 0x8000; // a height that is the least

  private DocFrames() {}

  /** The frame that a paragraph stands in; none in tables, where rows say where they stand. */
  static TextFrame frame(IntFunction<OptionalInt> said) {
    int across = said.apply(ACROSS).orElse(0);
    int down = said.apply(DOWN).orElse(0);
    int width = said.apply(WIDTH).orElse(0);
    boolean none =
        said.apply(ORIGINS).isEmpty() && across == 0 && down == 0 && width == 0
            || said.apply(DROP_CAP).orElse(0) != 0
            || said.apply(IN_TABLE).orElse(0) == 1;
    if (none) {
      return TextFrame.NONE;
    }
    int height = said.apply(HEIGHT).orElse(0) & 0xFFFF;
    double x = Math.max(0, said.apply(DISTANCE_ACROSS).orElse(0)) / TWIPS;
    double y = Math.max(0, said.apply(DISTANCE_DOWN).orElse(0)) / TWIPS;
    int origins = said.apply(ORIGINS).orElse(0);
    return new TextFrame(
        Math.max(0, width) / TWIPS,
        (height & 0x7FFF) / TWIPS,
        height != 0 && (height & LEAST) == 0,
        new Placement.Floating(
            across(origins, across),
            down(origins, down),
            said.apply(WRAP).orElse(0) == NOT_BESIDE ? Wrap.ABOVE_AND_BELOW : Wrap.AROUND,
            new Insets(y, x, y, x),
            false));
  }

  /** Where a table stands that is described by a row. */
  static Placement table(byte[] row) {
    OptionalInt origins = DocSprms.last(row, 2, TABLE_ORIGINS);
    int across = DocSprms.last(row, 2, TABLE_ACROSS).orElse(0);
    int down = DocSprms.last(row, 2, TABLE_DOWN).orElse(0);
    if (origins.isEmpty() && across == 0 && down == 0) {
      return Placement.INLINE;
    }
    return new Placement.Floating(
        across(origins.orElse(0), across),
        down(origins.orElse(0), down),
        Wrap.AROUND,
        new Insets(
            distance(row, TABLE_TOP),
            distance(row, TABLE_RIGHT),
            distance(row, TABLE_BOTTOM),
            distance(row, TABLE_LEFT)),
        false);
  }

  private static double distance(byte[] row, int sprm) {
    return Math.max(0, DocSprms.last(row, 2, sprm).orElse(0)) / TWIPS;
  }

  private static Axis across(int origins, int said) {
    Origin from =
        switch (origins >> 6 & 3) {
          case 1 -> Origin.MARGIN;
          case 2 -> Origin.PAGE;
          default -> Origin.COLUMN;
        };
    return switch (said) {
      case 0, -12 -> new Axis(from, Align.START, 0);
      case -4 -> new Axis(from, Align.CENTRE, 0);
      case -8, -16 -> new Axis(from, Align.END, 0);
      default -> new Axis(from, Align.OFFSET, (said - 1) / TWIPS);
    };
  }

  private static Axis down(int origins, int said) {
    Origin from =
        switch (origins >> 4 & 3) {
          case 0 -> Origin.MARGIN;
          case 1 -> Origin.PAGE;
          default -> Origin.PARAGRAPH;
        };
    return switch (said) {
      case 0 -> new Axis(from, Align.OFFSET, 0);
      case -4, -16 -> new Axis(from, Align.START, 0);
      case -8 -> new Axis(from, Align.CENTRE, 0);
      case -12, -20 -> new Axis(from, Align.END, 0);
      default -> new Axis(from, Align.OFFSET, (said - 1) / TWIPS);
    };
  }
}
