package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Floating;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.TextFrame;
import java.util.Optional;

/**
 * Frames that paragraphs stand in, and places of tables beside the flow (Rich Text Format 1.9.1,
 * “Positioned Objects and Frames” and “Positioned Wrapped Tables”): both are told alike.
 */
final class RtfFrames {
  private static final double TWIPS = 20;
  private static final double FARTHEST = 1584;

  private static final Floating USUAL =
      new Floating(
          new Axis(Origin.COLUMN, Align.OFFSET, 0),
          new Axis(Origin.PARAGRAPH, Align.OFFSET, 0),
          Wrap.AROUND,
          Insets.NONE,
          false);

  private RtfFrames() {}

  /** The look of a paragraph after a command, if it is about its frame. */
  static Optional<Look> after(Look look, Command c, int value) {
    if (isOfTable(c)) {
      return Optional.empty();
    }
    TextFrame f = look.value(ParagraphTraits.FRAME);
    Floating at = f.placement() instanceof Floating p ? p : USUAL;
    double points = Math.clamp(value / TWIPS, -FARTHEST, FARTHEST);
    return switch (c) {
      case absw ->
          Optional.of(
              look.with(
                  ParagraphTraits.FRAME,
                  new TextFrame(Math.abs(points), f.height(), f.exact(), at)));
      case absh ->
          Optional.of(
              look.with(
                  ParagraphTraits.FRAME,
                  new TextFrame(f.width(), Math.abs(points), points < 0, at)));
      default ->
          placed(at, c, points)
              .map(p ->
                  look.with(
                      ParagraphTraits.FRAME, new TextFrame(f.width(), f.height(), f.exact(), p)));
    };
  }

  /** The place of a table after a command, if it is about that. */
  static Optional<Floating> table(Optional<Floating> before, Command c, int value) {
    double points = Math.clamp(value / TWIPS, -FARTHEST, FARTHEST);
    return isOfTable(c) ? placed(before.orElse(USUAL), c, points) : Optional.empty();
  }

  private static boolean isOfTable(Command c) {
    return c.getCommandName().startsWith("tp") || c.getCommandName().startsWith("tdfrmtxt");
  }

  private static Optional<Floating> placed(Floating f, Command c, double points) {
    return switch (c) {
      case phpg, tphpg -> Optional.of(across(f, Origin.PAGE));
      case phmrg, tphmrg -> Optional.of(across(f, Origin.MARGIN));
      case phcol, tphcol -> Optional.of(across(f, Origin.COLUMN));
      case posx, posnegxN, tposx, tposnegx ->
          Optional.of(
              across(
                  f,
                  Align.OFFSET,
                  c == Command.posnegxN || c == Command.tposnegx ? -Math.abs(points) : points));
      case posxl, posxi, tposxl, tposxi -> Optional.of(across(f, Align.START, 0));
      case posxc, tposxc -> Optional.of(across(f, Align.CENTRE, 0));
      case posxr, posxo, tposxr, tposxo -> Optional.of(across(f, Align.END, 0));
      case pvpg, tpvpg -> Optional.of(down(f, Origin.PAGE));
      case pvmrg, tpvmrg -> Optional.of(down(f, Origin.MARGIN));
      case pvpara, tpvpara -> Optional.of(down(f, Origin.PARAGRAPH));
      case posy, posnegyN, tposy, tposnegy ->
          Optional.of(
              down(
                  f,
                  Align.OFFSET,
                  c == Command.posnegyN || c == Command.tposnegy ? -Math.abs(points) : points));
      case posyt, posyin, tposyt, tposyin -> Optional.of(down(f, Align.START, 0));
      case posyc, tposyc -> Optional.of(down(f, Align.CENTRE, 0));
      case posyb, posyout, tposyb -> Optional.of(down(f, Align.END, 0));
      case dxfrtext -> Optional.of(apart(f, new Insets(points, points, points, points)));
      case dfrmtxtx ->
          Optional.of(
              apart(f, new Insets(f.distance().top(), points, f.distance().bottom(), points)));
      case dfrmtxty ->
          Optional.of(
              apart(f, new Insets(points, f.distance().right(), points, f.distance().left())));
      case tdfrmtxtLeft ->
          Optional.of(
              apart(
                  f,
                  new Insets(
                      f.distance().top(), f.distance().right(), f.distance().bottom(), points)));
      case tdfrmtxtRight ->
          Optional.of(
              apart(
                  f,
                  new Insets(
                      f.distance().top(), points, f.distance().bottom(), f.distance().left())));
      case tdfrmtxtTop ->
          Optional.of(
              apart(
                  f,
                  new Insets(
                      points, f.distance().right(), f.distance().bottom(), f.distance().left())));
      case tdfrmtxtBottom ->
          Optional.of(
              apart(
                  f,
                  new Insets(
                      f.distance().top(), f.distance().right(), points, f.distance().left())));
      case nowrap ->
          Optional.of(
              new Floating(f.across(), f.down(), Wrap.ABOVE_AND_BELOW, f.distance(), false));
      default -> Optional.empty();
    };
  }

  private static Floating across(Floating f, Origin from) {
    return new Floating(
        new Axis(from, f.across().align(), f.across().offset()),
        f.down(),
        f.wrap(),
        f.distance(),
        false);
  }

  private static Floating across(Floating f, Align align, double by) {
    return new Floating(
        new Axis(f.across().origin(), align, by), f.down(), f.wrap(), f.distance(), false);
  }

  private static Floating down(Floating f, Origin from) {
    return new Floating(
        f.across(),
        new Axis(from, f.down().align(), f.down().offset()),
        f.wrap(),
        f.distance(),
        false);
  }

  private static Floating down(Floating f, Align align, double by) {
    return new Floating(
        f.across(), new Axis(f.down().origin(), align, by), f.wrap(), f.distance(), false);
  }

  private static Floating apart(Floating f, Insets by) {
    return new Floating(f.across(), f.down(), f.wrap(), by, false);
  }
}
