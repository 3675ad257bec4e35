package decant.pdf.read.report;

import decant.model.Box;
import decant.model.Document;
import decant.model.Finding;
import decant.model.Finding.Kind;
import decant.model.Finding.Severity;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.ParagraphTraits;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Decor;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Lines and areas that are drawn on pages and stand in nothing that was taken in: neither in a
 * table, a drawing or a framed text, nor about letters. Told where they are much of what a page
 * shows.
 */
final class DrawnLosses {
  private static final Words WORDS = Words.of(DrawnLosses.class);

  private final Map<Integer, List<Box>> carried = new HashMap<>();

  /** Texts that are framed or shaded, from margin to margin however short their lines are. */
  private final Map<Integer, List<Box>> frames = new HashMap<>();

  private DrawnLosses() {}

  static List<Finding> of(
      List<ScannedPage> pages,
      List<Detected> found,
      Document document,
      Map<NodeId, Finding.SourcePlace> places) {
    var losses = new DrawnLosses();
    for (Detected d : found) {
      switch (d) {
        case Detected.Text t -> {}
        case Detected.Figure f ->
            losses.carry(f.page(), f.box(), ReportThresholds.DrawnLosses.ABOUT_TABLE);
        case Detected.Grid g -> losses.table(g);
      }
    }
    places.forEach((id, at) -> {
      Optional<Paragraph> p = document.paragraph(id);
      boolean framed = p.filter(DrawnLosses::isFramed).isPresent();
      double about = ReportThresholds.DrawnLosses.ABOUT_FRAME;
      if (framed) {
        losses
            .frames
            .computeIfAbsent(at.page(), k -> new ArrayList<>())
            .add(grown(at.box(), about));
      } else if (p.isEmpty()) {
        losses.carry(at.page(), at.box(), about);
      }
    });
    var out = new ArrayList<Finding>();
    for (ScannedPage p : pages) {
      losses.on(p).ifPresent(out::add);
    }
    return out;
  }

  private static boolean isFramed(Paragraph p) {
    return p.look().value(ParagraphTraits.RULES).isDrawn()
        || !p.look().value(ParagraphTraits.SHADING).equals(Colour.WHITE);
  }

  private void carry(int page, Box box, double about) {
    carried.computeIfAbsent(page, k -> new ArrayList<>()).add(grown(box, about));
  }

  private static Box grown(Box b, double by) {
    return new Box(b.x() - by, b.y() - by, b.width() + 2 * by, b.height() + 2 * by);
  }

  /** A table that goes on stands on several pages. */
  private void table(Detected.Grid g) {
    carry(g.page(), g.box(), ReportThresholds.DrawnLosses.ABOUT_TABLE);
    g.rows().stream()
        .flatMap(List::stream)
        .flatMap(c -> c.lines().stream())
        .filter(l -> l.page() != g.page())
        .collect(
            Collectors.toMap(
                l -> l.page(),
                l -> new Box(g.box().x(), l.box().y(), g.box().width(), l.box().height()),
                Box::union))
        .forEach((page, box) -> {
          // Its head stands there again, and is left out of the table.
          double head = ReportThresholds.DrawnLosses.HEAD;
          carry(
              page,
              new Box(box.x(), box.y() - head, box.width(), box.height() + head),
              ReportThresholds.DrawnLosses.ABOUT_FRAME);
        });
  }

  private Optional<Finding> on(ScannedPage page) {
    var here = new ArrayList<>(carried.getOrDefault(page.number(), List.of()));
    var about = new ArrayList<>(frames.getOrDefault(page.number(), List.of()));
    var tally = new Tally();
    for (Glyph g : page.glyphs()) {
      if (!g.isSpace() && g.quarter() == 0) {
        tally.shown += g.width() * g.size() * ReportThresholds.DrawnLosses.LETTER_INK;
      }
      Decor d = g.ink().decor();
      if (d != Decor.NONE && g.quarter() == 0) {
        about.add(new Box(g.x() - 1, g.baseline() - g.size(), g.width() + 2, 1.4 * g.size()));
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
      tally.add(box, ink, isIn(box, here) || touches(box, about));
    }
    double whole = page.width() * page.height();
    for (Painted s : page.shapes()) {
      double ink = Math.min(whole, ink(s));
      if (ink <= 0) {
        continue;
      }
      tally.add(s.box(), ink, isIn(s.box(), here) || touches(s.box(), about));
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

  private static boolean isIn(Box box, List<Box> some) {
    double x = box.x() + box.width() / 2;
    double y = box.y() + box.height() / 2;
    return some.stream().anyMatch(b -> b.contains(x, y));
  }

  /**
   * Whether a line or area is about some letters: as high as they are, and beside or under them.
   */
  private static boolean touches(Box box, List<Box> letters) {
    double y = box.y() + box.height() / 2;
    return letters.stream()
        .anyMatch(b -> y >= b.y() && y <= b.bottom() && b.x() < box.right() && b.right() > box.x());
  }
}
