package decant.pdf.read.document;

import decant.model.Box;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.ParagraphTraits;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Ruling;
import decant.pdf.read.page.Decor;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Where on pages lines and areas are part of something that was taken in: of a table, a drawing, a
 * framed text, or about letters.
 */
public final class CarriedAreas {
  private final Map<Integer, List<Box>> carried = new HashMap<>();

  /** Tables: their lines are carried, shades in them are not. */
  private final Map<Integer, List<Box>> ruled = new HashMap<>();

  /** The tables of each page. */
  private final Map<Integer, List<CellGrounds>> tables = new HashMap<>();

  /** Lines to write on. */
  private final Map<Integer, List<Box>> blanks = new HashMap<>();

  /** Texts that are framed or shaded, from margin to margin however short their lines are. */
  private final Map<Integer, List<Box>> frames = new HashMap<>();

  /**
   * @param places where the document's blocks stood
   */
  public CarriedAreas(
      List<Detected> found, Document document, Map<NodeId, Finding.SourcePlace> places) {
    for (Detected d : found) {
      switch (d) {
        case Detected.Text t -> t.lines().forEach(this::blanks);
        case Detected.Figure f ->
            carry(f.page(), f.box(), DocumentThresholds.CarriedAreas.ABOUT_TABLE);
        case Detected.Grid g -> {
          var grounds = new CellGrounds(g);
          grounds
              .pages()
              .forEach(p -> tables.computeIfAbsent(p, k -> new ArrayList<>()).add(grounds));
          if (!g.ruling().equals(Ruling.NONE)) {
            table(g);
          }
        }
      }
    }
    places.forEach((id, at) -> {
      Optional<Paragraph> p = document.paragraph(id);
      boolean framed = p.filter(CarriedAreas::isFramed).isPresent();
      double about = DocumentThresholds.CarriedAreas.ABOUT_FRAME;
      if (framed) {
        frames.computeIfAbsent(at.page(), k -> new ArrayList<>()).add(grown(at.box(), about));
      }
    });
  }

  /** Lines to write on have become letters. */
  private void blanks(TextLine line) {
    for (Glyph g : line.glyphs()) {
      if (g.text().equals("_")) {
        blanks.computeIfAbsent(line.page(), k -> new ArrayList<>()).add(about(g));
      }
    }
  }

  private static Box about(Glyph g) {
    return new Box(g.x() - 1, g.baseline() - g.size(), g.width() + 2, 1.4 * g.size());
  }

  private static boolean isFramed(Paragraph p) {
    return p.look().value(ParagraphTraits.RULES).isDrawn()
        || !p.look().value(ParagraphTraits.SHADING).equals(Colour.WHITE);
  }

  private void carry(int page, Box box, double about) {
    carried.computeIfAbsent(page, k -> new ArrayList<>()).add(grown(box, about));
  }

  private void ruled(int page, Box box, double about) {
    ruled.computeIfAbsent(page, k -> new ArrayList<>()).add(grown(box, about));
  }

  private static Box grown(Box b, double by) {
    return new Box(b.x() - by, b.y() - by, b.width() + 2 * by, b.height() + 2 * by);
  }

  /** A table that goes on stands on several pages. */
  private void table(Detected.Grid g) {
    ruled(g.page(), g.box(), DocumentThresholds.CarriedAreas.ABOUT_TABLE);
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
          double head = DocumentThresholds.CarriedAreas.HEAD;
          ruled(
              page,
              new Box(box.x(), box.y() - head, box.width(), box.height() + head),
              DocumentThresholds.CarriedAreas.ABOUT_FRAME);
        });
  }

  private Set<Box> grounds(ScannedPage page) {
    return tables.getOrDefault(page.number(), List.of()).stream()
        .flatMap(g -> g.on(page).boxes().stream())
        .collect(Collectors.toSet());
  }

  /** The areas of one page. */
  public On on(ScannedPage page) {
    var about = new ArrayList<>(frames.getOrDefault(page.number(), List.of()));
    var written = new ArrayList<>(blanks.getOrDefault(page.number(), List.of()));
    for (Glyph g : page.glyphs()) {
      Decor d = g.ink().decor();
      if (d != Decor.NONE && g.quarter() == 0) {
        if (d.drawn()) {
          about.add(about(g));
        } else if (d.field().isPresent()) {
          written.add(about(g));
        }
      }
    }
    return new On(
        carried.getOrDefault(page.number(), List.of()),
        ruled.getOrDefault(page.number(), List.of()),
        grounds(page),
        about,
        written);
  }

  /**
   * Areas of one page.
   *
   * @param within what stands in them is carried
   * @param ruled lines in them are carried
   * @param grounds of cells
   * @param about what is as high as they are, and beside or under them, is carried
   * @param written lines to write on that are as high as they are are carried, boxes are not
   */
  public record On(
      List<Box> within, List<Box> ruled, Set<Box> grounds, List<Box> about, List<Box> written) {
    /**
     * Whether a line or area is part of something that was taken in.
     *
     * @param filled whether it is more than an outline
     */
    public boolean carries(Box box, boolean filled) {
      double x = box.x() + box.width() / 2;
      double y = box.y() + box.height() / 2;
      boolean line =
          !filled || Math.min(box.width(), box.height()) < DocumentThresholds.DrawnShapes.LINE;
      return within.stream().anyMatch(b -> b.contains(x, y) && (line || isMostly(box, b)))
          || filled && grounds.contains(box)
          || line && ruled.stream().anyMatch(b -> b.contains(x, y))
          || about.stream().anyMatch(b -> isAt(box, y, b))
          || box.height() < DocumentThresholds.DrawnShapes.LINE
              && written.stream().anyMatch(b -> isAt(box, y, b));
    }

    /** What lies under a drawing and far beyond it is a ground of its own. */
    private static boolean isMostly(Box box, Box area) {
      return box.sharedWidth(area) * box.sharedHeight(area)
          >= DocumentThresholds.CarriedAreas.MOSTLY * box.width() * box.height();
    }

    private static boolean isAt(Box box, double middle, Box area) {
      return middle >= area.y()
          && middle <= area.bottom()
          && area.x() < box.right()
          && area.right() > box.x();
    }
  }
}
