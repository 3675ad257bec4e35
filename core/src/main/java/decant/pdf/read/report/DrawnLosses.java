package decant.pdf.read.report;

import decant.model.Box;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.model.look.Colour;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.document.CarriedAreas;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Lines and areas that are drawn on pages and stand in nothing that was taken in: neither in a
 * table, a drawing or a framed text, nor about letters. Told where they are much of what a page
 * shows.
 */
final class DrawnLosses {
  private static final Words WORDS = Words.of(DrawnLosses.class);

  private final CarriedAreas carried;
  private final Map<Integer, List<Box>> shapes;

  private DrawnLosses(CarriedAreas carried, Map<Integer, List<Box>> shapes) {
    this.carried = carried;
    this.shapes = shapes;
  }

  /**
   * @param shapes for each page what became a shape of the document
   */
  static List<Finding> of(
      List<ScannedPage> pages,
      List<Detected> found,
      Document document,
      Map<NodeId, Finding.SourcePlace> places,
      Map<Integer, List<Box>> shapes) {
    var losses = new DrawnLosses(new CarriedAreas(found, document, places), shapes);
    var out = new ArrayList<Finding>();
    for (ScannedPage p : pages) {
      losses.on(p).ifPresent(out::add);
    }
    return out;
  }

  private Optional<Finding> on(ScannedPage page) {
    CarriedAreas.On areas = carried.on(page);
    Set<Box> taken = new HashSet<>(shapes.getOrDefault(page.number(), List.of()));
    var tally = new Tally();
    for (Glyph g : page.glyphs()) {
      if (!g.isSpace() && g.quarter() == 0) {
        tally.shown += g.width() * g.size() * ReportThresholds.DrawnLosses.LETTER_INK;
      }
    }
    for (var p : page.pictures()) {
      tally.shown += p.box().width() * p.box().height() * ReportThresholds.DrawnLosses.PICTURE_INK;
    }
    for (RuledLine r : page.rules()) {
      var box = new Box(r.x1(), r.y1(), r.x2() - r.x1(), r.y2() - r.y1());
      double ink =
          Math.max(box.width(), box.height())
              * Math.max(Math.min(box.width(), box.height()), ReportThresholds.DrawnLosses.HAIR);
      tally.add(box, ink, areas.carries(box, true) || isShape(box, taken));
    }
    double whole = page.width() * page.height();
    for (Painted s : page.shapes()) {
      double ink = Math.min(whole, ink(s));
      if (ink <= 0) {
        continue;
      }
      tally.add(
          s.box(), ink, areas.carries(s.box(), s.fill().isPresent()) || taken.contains(s.box()));
    }
    boolean much =
        tally.lost > ReportThresholds.DrawnLosses.MUCH * (tally.lost + tally.shown)
            && tally.lost > ReportThresholds.DrawnLosses.LEAST * whole;
    return much
        ? Optional.ofNullable(tally.place)
            .map(at ->
                Finding.general(
                        Kind.DRAWING_LEFT_OUT,
                        Severity.LOSS,
                        WORDS.say("drawn-losses.on-page", page.number() + 1))
                    .from(page.number(), at))
        : Optional.empty();
  }

  /** How much ink of a page is shown and how much is lost, and where the lost was. */
  private static final class Tally {
    private double shown;
    private double lost;
    private @Nullable Box place;

    void add(Box box, double ink, boolean stands) {
      if (stands) {
        shown += ink;
      } else {
        lost += ink;
        place = place == null ? box : place.union(box);
      }
    }
  }

  /** How dark an area is, times its size; of an outline its length. */
  private static double ink(Painted s) {
    if (!s.shows()) {
      return 0;
    }
    double around = 2 * (s.box().width() + s.box().height());
    double area = s.box().width() * s.box().height();
    double shape = s.free() ? ReportThresholds.DrawnLosses.FREE : 1;
    return s.fill().map(c -> area * shape * darkness(c)).orElse(0.0)
        + (s.stroke().isPresent() ? around : 0);
  }

  private static double darkness(Colour c) {
    double light = c.red() + c.green() + c.blue();
    return 1 - light / (3 * 255.0);
  }

  /** Whether a ruled line is one of the shapes, whose box may be that of its outline. */
  private static boolean isShape(Box line, Set<Box> taken) {
    return taken.stream().anyMatch(b -> b.holds(line, 1));
  }
}
