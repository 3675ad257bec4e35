package decant.pdf.read.document;

import decant.model.Box;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.LookMaker;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Pictures in lines of their own, and those that text runs beside. */
final class FigureMaker {
  private final Map<MediaId, Media> media = new LinkedHashMap<>();

  Map<MediaId, Media> media() {
    return media;
  }

  /** A picture that text runs beside, at its place from the paragraph that it belongs to. */
  Inline floating(Detected.Figure f, Detected.Text beside, PageSetup setup) {
    Media m = f.placed().media();
    media.put(m.id(), m);
    Box b = f.box();
    double edge = setup.columns().count() == 1 ? setup.margins().left() : beside.left();
    var place =
        new Placement.Floating(
            new Placement.Axis(
                Placement.Origin.COLUMN,
                Placement.Align.OFFSET,
                LookMaker.halves(Math.max(0, b.x() - edge))),
            new Placement.Axis(
                Placement.Origin.PARAGRAPH,
                Placement.Align.OFFSET,
                LookMaker.halves(Math.max(0, b.y() - beside.box().y()))),
            Placement.Wrap.AROUND,
            new Insets(3, 7, 3, 7),
            false);
    return placed(f, place);
  }

  private static Inline.Picture placed(Detected.Figure f, Placement place) {
    return new Inline.Picture(
        f.placed().media().id(),
        f.box().width(),
        f.box().height(),
        f.alt(),
        place,
        Insets.NONE,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  /** Whether a picture is the page, as covers are and sheets that were scanned. */
  private static boolean coversPage(Box b, PageSetup setup) {
    double share = DocumentThresholds.FigureMaker.WHOLE_PAGE;
    return b.width() > share * setup.width() && b.height() > share * setup.height();
  }

  /** Whether a picture reaches beyond both margins, as bars at the head of slides do. */
  private static boolean isAcross(Box b, PageSetup setup) {
    double beyond = DocumentThresholds.FigureMaker.BEYOND;
    return setup.columns().count() == 1
        && b.x() < setup.margins().left() - beyond
        && b.right() > setup.width() - setup.margins().right() + beyond;
  }

  /** A picture across the page: what begins a page stays there; in the text it moves with that. */
  private static Placement across(Box b, PageSetup setup) {
    boolean top = b.y() < setup.margins().top() + DocumentThresholds.FigureMaker.BEYOND;
    return new Placement.Floating(
        new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, b.x()),
        top
            ? new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, b.y())
            : new Placement.Axis(Placement.Origin.PARAGRAPH, Placement.Align.OFFSET, 0),
        Placement.Wrap.ABOVE_AND_BELOW,
        Insets.NONE,
        false);
  }

  /** A picture at its place, whatever the margins are, in a line of its own. */
  private Paragraph alone(Detected.Figure f, Placement place, LinePitch line) {
    Media m = f.placed().media();
    media.put(m.id(), m);
    Look look = Look.of(ParagraphTraits.LINE_PITCH, line);
    return new Paragraph(NodeId.fresh(), look, Look.PLAIN, List.of(placed(f, place)));
  }

  Paragraph figure(Detected.Figure f, PageSetup setup) {
    Box at = f.box();
    if (coversPage(at, setup)) {
      return alone(f, Placement.Floating.onPage(at.x(), at.y(), true), LinePitch.SINGLE);
    }
    if (isAcross(at, setup)) {
      return alone(f, across(at, setup), new LinePitch.Exactly(1));
    }
    Media m = f.placed().media();
    media.put(m.id(), m);
    double room = setup.columns().width(0, setup.textWidth());
    double scale = Math.min(1, room / f.box().width());
    scale =
        Math.min(
            scale, setup.textHeight() * DocumentThresholds.FigureMaker.TALLEST / f.box().height());
    var picture =
        new Inline.Picture(
            m.id(), f.box().width() * scale, f.box().height() * scale, f.alt(), Look.PLAIN);
    double left = setup.margins().left();
    for (int k = 1; k < setup.columns().count(); k++) {
      double start = setup.margins().left() + setup.columns().start(k, setup.textWidth());
      left = f.box().x() > start - DocumentThresholds.FigureMaker.BEFORE * room ? start : left;
    }
    double middle = f.box().x() + f.box().width() / 2;
    boolean centred =
        Math.abs(middle - (left + room / 2)) < DocumentThresholds.FigureMaker.CENTRED * room
            && f.box().x() > left + DocumentThresholds.FigureMaker.INDENT * room;
    Look look =
        Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE)
            .with(ParagraphTraits.SPACE_BEFORE, DocumentThresholds.FigureMaker.SPACE);
    if (centred) {
      look = look.with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE);
    }
    return new Paragraph(NodeId.fresh(), look, Look.PLAIN, List.of(picture));
  }
}
