package decant.office.shape;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.look.Colour;
import decant.model.look.Contour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Side;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import java.util.Optional;

/**
 * Something that is drawn beside the text, as the model has it.
 *
 * @param kind its kind, [MS-ODRAW] 2.4.24
 * @param flipped whether it is turned upside down
 * @param drawn whether it is said how it is drawn
 */
public record DrawnShape(
    Bounds bounds, Flow flow, int kind, boolean flipped, boolean drawn, ShapeOptions options) {
  private static final double TWIPS = 20;
  private static final double EMU = 12_700; // to the point
  private static final double LARGEST = 3000; // points
  private static final double THIN = 0.05; // points
  private static final int FIXED = 65_536; // numbers with a fraction of two bytes
  private static final int LINE = 20;
  private static final int CONNECTOR = 32;

  /** Its box in twips, from what it is placed by. */
  public record Bounds(int left, int top, int right, int bottom) {}

  /**
   * How it stands to the text.
   *
   * @param wrap how text flows around it, as in {@code \\shpwr}
   * @param side where it does, as in {@code \\shpwrk}
   * @param across what left is measured from: 0 the margin, 1 the page, 2 the column
   * @param down what top is measured from: 0 the margin, 1 the page, 2 the paragraph
   * @param behind whether it is painted before the text
   */
  public record Flow(int wrap, int side, int across, int down, boolean behind) {}

  /** In points. */
  public double width() {
    return Math.clamp((bounds.right() - bounds.left()) / TWIPS, least(), LARGEST);
  }

  /** In points. */
  public double height() {
    return Math.clamp((bounds.bottom() - bounds.top()) / TWIPS, least(), LARGEST);
  }

  /** A level or upright line takes no room across. */
  private double least() {
    return kind == LINE || kind == CONNECTOR ? THIN : 1;
  }

  /** Clockwise, in degrees. */
  public double rotation() {
    return turned(options);
  }

  /** How far options turn something, clockwise, in degrees from 0 to 360. */
  public static double turned(ShapeOptions options) {
    return (options.number(0x0004, 0) / (double) FIXED % 360 + 360) % 360;
  }

  /** What of a picture is cut away on each side, in shares of it. */
  public Insets crop() {
    return new Insets(share(0x0100), share(0x0103), share(0x0101), share(0x0102));
  }

  private double share(int option) {
    return Math.clamp(options.number(option, 0) / (double) FIXED, -1, 0.99);
  }

  /** What it shows, in words (wzDescription). */
  public String alt() {
    return options.text(0x0381);
  }

  /** Where it stands. */
  public Placement.Floating placement() {
    Wrap wrap =
        switch (flow.wrap()) {
          case 1 -> Wrap.ABOVE_AND_BELOW;
          case 3 -> Wrap.THROUGH;
          default -> new Wrap.Around(side(flow.side()), Contour.BOX);
        };
    return new Placement.Floating(
        axis(0x038F, flow.across(), bounds.left(), Origin.COLUMN),
        axis(0x0391, flow.down(), bounds.top(), Origin.PARAGRAPH),
        wrap,
        new Insets(emu(0x0385, 0), emu(0x0386, 114_300), emu(0x0387, 0), emu(0x0384, 114_300)),
        flow.behind() || options.flag(0x03BF, 5, false));
  }

  private static Side side(int wrk) {
    return switch (wrk) {
      case 1 -> Side.LEFT;
      case 2 -> Side.RIGHT;
      case 3 -> Side.WIDER;
      default -> Side.BOTH;
    };
  }

  /** A place, by what the shape says of it or else by what stands beside its place. */
  private Axis axis(int option, int said, int twips, Origin text) {
    int from = options.number(option + 1, said);
    Origin origin =
        switch (from) {
          case 0 -> Origin.MARGIN;
          case 1 -> Origin.PAGE;
          case 3 -> text == Origin.PARAGRAPH ? Origin.LINE : text;
          default -> text;
        };
    return switch (options.number(option, 0)) {
      case 1, 4 -> new Axis(origin, Align.START, 0);
      case 2 -> new Axis(origin, Align.CENTRE, 0);
      case 3, 5 -> new Axis(origin, Align.END, 0);
      default -> new Axis(origin, Align.OFFSET, twips / TWIPS);
    };
  }

  private double emu(int option, int otherwise) {
    return Math.clamp(options.number(option, otherwise) / EMU, 0, LARGEST);
  }

  /** Whether it is of a kind that is drawn as what it is, rather than as the box around it. */
  public boolean isKnown() {
    return switch (kind) {
      case 1, 2, 3, LINE, CONNECTOR, 75, 202 -> true;
      default -> false;
    };
  }

  /** The shape, with a text in it or without. */
  public Inline.Shape shape(Optional<NodeId> text, Placement place, Look look) {
    Inline.Geometry geometry =
        switch (kind) {
          case 2 -> Inline.Geometry.ROUNDED;
          case 3 -> Inline.Geometry.ELLIPSE;
          case LINE, CONNECTOR -> flipped ? Inline.Geometry.LINE_UP : Inline.Geometry.LINE_DOWN;
          default -> Inline.Geometry.RECTANGLE;
        };
    boolean isLine = kind == LINE || kind == CONNECTOR;
    Optional<Colour> fill =
        drawn && !isLine && options.flag(0x01BF, 4, true)
            ? Optional.of(colour(options.number(0x0181, 0xFFFFFF)))
            : Optional.empty();
    Optional<Rule> line =
        drawn && options.flag(0x01FF, 3, true)
            ? Optional.of(
                new Rule(
                    lineKind(),
                    Math.max(0.25, emu(0x01CB, 9525)),
                    colour(options.number(0x01C0, 0)),
                    0))
            : Optional.empty();
    return new Inline.Shape(
        new Inline.Drawing(geometry, fill, line),
        width(),
        height(),
        new Inline.BoxText(
            text,
            options.flag(0x00BF, 1, false),
            new Insets(
                emu(0x0082, 45_720), emu(0x0083, 91_440), emu(0x0084, 45_720), emu(0x0081, 91_440)),
            switch (options.number(0x0087, 0)) {
              case 1, 4 -> VerticalAlignment.CENTRE;
              case 2, 5 -> VerticalAlignment.BOTTOM;
              default -> VerticalAlignment.TOP;
            }),
        alt(),
        place,
        rotation(),
        Optional.empty(),
        look);
  }

  private Rule.Kind lineKind() {
    if (options.number(0x01CD, 0) == 1) {
      return Rule.Kind.DOUBLE;
    }
    return switch (options.number(0x01CE, 0)) {
      case 0 -> Rule.Kind.SINGLE;
      case 2, 5 -> Rule.Kind.DOTTED;
      default -> Rule.Kind.DASHED;
    };
  }

  /** Blue in the highest byte; others than plain colours are taken as black. */
  private static Colour colour(int c) {
    return c >>> 24 == 0
        ? new Colour((c & 0xFF) << 16 | c & 0xFF00 | c >> 16 & 0xFF)
        : Colour.BLACK;
  }
}
