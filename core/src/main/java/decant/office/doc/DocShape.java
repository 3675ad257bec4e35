package decant.office.doc;

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
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.apache.poi.ddf.AbstractEscherOptRecord;
import org.apache.poi.ddf.EscherComplexProperty;
import org.apache.poi.ddf.EscherOptRecord;
import org.apache.poi.ddf.EscherProperty;
import org.apache.poi.ddf.EscherSimpleProperty;
import org.apache.poi.ddf.EscherSpRecord;
import org.apache.poi.ddf.EscherTertiaryOptRecord;
import org.jspecify.annotations.Nullable;

/**
 * Something that is drawn beside the text, as the model has it.
 *
 * @param drawn what the file says of it
 */
record DocShape(DocDrawings.Drawn drawn) {
  private static final double TWIPS = 20;
  private static final double EMU = 12_700; // to the point
  private static final double LARGEST = 3000; // points
  private static final int FIXED = 65_536; // numbers with a fraction of two bytes

  double width() {
    return Math.clamp((drawn.right() - drawn.left()) / TWIPS, 1, LARGEST);
  }

  double height() {
    return Math.clamp((drawn.bottom() - drawn.top()) / TWIPS, 1, LARGEST);
  }

  /** Clockwise, in degrees. */
  double rotation() {
    return option(0x0004, 0) / (double) FIXED;
  }

  /** What of a picture is cut away on each side, in shares of it. */
  Insets crop() {
    return new Insets(share(0x0100), share(0x0103), share(0x0101), share(0x0102));
  }

  private double share(int option) {
    return Math.clamp(option(option, 0) / (double) FIXED, -1, 0.99);
  }

  private Optional<AbstractEscherOptRecord> options(short kind) {
    return drawn.shape().map(s -> s.getChildById(kind));
  }

  /** An option of [MS-ODRAW] 2.3. */
  private int option(int number, int otherwise) {
    for (short kind : new short[] {EscherOptRecord.RECORD_ID, EscherTertiaryOptRecord.RECORD_ID}) {
      Optional<AbstractEscherOptRecord> o = options(kind);
      EscherProperty p = o.isEmpty() ? null : o.get().lookup(number);
      if (p instanceof EscherSimpleProperty s) {
        return s.getPropertyValue();
      }
    }
    return otherwise;
  }

  /** One of the flags of an option that has sixteen of them, each with one that says it is used. */
  private boolean flag(int number, int bit, boolean otherwise) {
    int all = option(number, 0);
    return (all >> (bit + 16) & 1) == 1 ? (all >> bit & 1) == 1 : otherwise;
  }

  /** What it shows, in words (wzDescription). */
  String alt() {
    Optional<AbstractEscherOptRecord> o = options(EscherOptRecord.RECORD_ID);
    EscherProperty p = o.isEmpty() ? null : o.get().lookup(0x0381);
    return p instanceof EscherComplexProperty c
        ? plain(new String(c.getComplexData(), StandardCharsets.UTF_16LE))
        : "";
  }

  /** A text without the zero after it. */
  static String plain(@Nullable String s) {
    return s == null ? "" : s.replaceAll("\\p{Cntrl}", " ").strip();
  }

  Placement.Floating placement() {
    int f = drawn.flags();
    Wrap wrap =
        switch (f >> 5 & 0xF) {
          case 1 -> Wrap.ABOVE_AND_BELOW;
          case 3 -> Wrap.THROUGH;
          default -> new Wrap.Around(side(f >> 9 & 0xF), Contour.BOX);
        };
    return new Placement.Floating(
        axis(0x038F, f >> 1 & 3, drawn.left(), Origin.COLUMN),
        axis(0x0391, f >> 3 & 3, drawn.top(), Origin.PARAGRAPH),
        wrap,
        new Insets(emu(0x0385, 0), emu(0x0386, 114_300), emu(0x0387, 0), emu(0x0384, 114_300)),
        (f >> 14 & 1) == 1 || flag(0x03BF, 5, false));
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
    int from = option(option + 1, said);
    Origin origin =
        switch (from) {
          case 0 -> Origin.MARGIN;
          case 1 -> Origin.PAGE;
          case 3 -> text == Origin.PARAGRAPH ? Origin.LINE : text;
          default -> text;
        };
    return switch (option(option, 0)) {
      case 1, 4 -> new Axis(origin, Align.START, 0);
      case 2 -> new Axis(origin, Align.CENTRE, 0);
      case 3, 5 -> new Axis(origin, Align.END, 0);
      default -> new Axis(origin, Align.OFFSET, twips / TWIPS);
    };
  }

  private double emu(int option, int otherwise) {
    return Math.clamp(option(option, otherwise) / EMU, 0, LARGEST);
  }

  /** The shape, with a text in it or without. */
  Inline.Shape shape(Optional<NodeId> text, Look look) {
    int kind =
        drawn
            .shape()
            .map(s -> (EscherSpRecord) s.getChildById(EscherSpRecord.RECORD_ID))
            .map(EscherSpRecord::getShapeType)
            .orElse((short) 1);
    boolean flipped =
        drawn
            .shape()
            .map(s -> (EscherSpRecord) s.getChildById(EscherSpRecord.RECORD_ID))
            .filter(s -> (s.getFlags() & EscherSpRecord.FLAG_FLIPVERT) != 0)
            .isPresent();
    Inline.Geometry geometry =
        switch (kind) {
          case 2 -> Inline.Geometry.ROUNDED;
          case 3 -> Inline.Geometry.ELLIPSE;
          case 20, 32 -> flipped ? Inline.Geometry.LINE_UP : Inline.Geometry.LINE_DOWN;
          default -> Inline.Geometry.RECTANGLE;
        };
    boolean known = drawn.shape().isPresent();
    boolean isLine = kind == 20 || kind == 32;
    Optional<Colour> fill =
        known && !isLine && flag(0x01BF, 4, true)
            ? Optional.of(colour(option(0x0181, 0xFFFFFF)))
            : Optional.empty();
    Optional<Rule> line =
        known && flag(0x01FF, 3, true)
            ? Optional.of(
                new Rule(
                    lineKind(), Math.max(0.25, emu(0x01CB, 9525)), colour(option(0x01C0, 0)), 0))
            : Optional.empty();
    return new Inline.Shape(
        new Inline.Drawing(geometry, fill, line),
        width(),
        height(),
        new Inline.BoxText(
            text,
            flag(0x00BF, 1, false),
            new Insets(
                emu(0x0082, 45_720), emu(0x0083, 91_440), emu(0x0084, 45_720), emu(0x0081, 91_440)),
            switch (option(0x0087, 0)) {
              case 1, 4 -> VerticalAlignment.CENTRE;
              case 2, 5 -> VerticalAlignment.BOTTOM;
              default -> VerticalAlignment.TOP;
            }),
        alt(),
        placement(),
        rotation(),
        Optional.empty(),
        look);
  }

  private Rule.Kind lineKind() {
    if (option(0x01CD, 0) == 1) {
      return Rule.Kind.DOUBLE;
    }
    return switch (option(0x01CE, 0)) {
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
