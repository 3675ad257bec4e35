package decant.pdf.read.document;

import decant.model.Box;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.VerticalAlignment;
import decant.pdf.read.lines.ApartText;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Stamps, watermarks and other text that stands apart, each a story in a box of its own; and what
 * of all that is part of every page.
 */
public final class ApartStories {
  private final Map<NodeId, Story> stories = new LinkedHashMap<>();
  private final List<Boxed> boxes = new ArrayList<>();
  private final Set<ApartText> watermarks = new HashSet<>();
  private final RunningBars bars;

  private record Boxed(ApartText text, NodeId story, Inline.Shape shape) {
    int page() {
      return text.lines().getFirst().page();
    }
  }

  /**
   * @param look of running text
   */
  ApartStories(List<ApartText> texts, Look look, RunningBars bars) {
    this.bars = bars;
    for (ApartText t : texts) {
      NodeId id = NodeId.fresh();
      stories.put(id, new Story(id, Story.Kind.BOX, List.of(paragraph(t, look))));
      boxes.add(new Boxed(t, id, shape(t, id)));
    }
  }

  Map<NodeId, Story> stories() {
    return stories;
  }

  /** The boxes by the page that each stands on, but for those that are on every page. */
  Map<Integer, List<Inline.Shape>> shapes() {
    Map<Integer, List<Inline.Shape>> out = new HashMap<>();
    for (Boxed b : boxes) {
      if (!watermarks.contains(b.text())) {
        out.computeIfAbsent(b.page(), k -> new ArrayList<>()).add(b.shape());
      }
    }
    return out;
  }

  /** For each page the areas that became part of its header. */
  Map<Integer, Set<Painted>> bars() {
    return bars.taken();
  }

  /** Whether what lies behind a page became part of its header. */
  boolean hasBackground(int page) {
    return bars.hasBackground(page);
  }

  /** The texts that were taken as part of every page. */
  public Set<ApartText> watermarks() {
    return watermarks;
  }

  /**
   * What is part of the headers of some pages.
   *
   * @param all on all of them
   * @param butFirst on all but the first
   */
  record OnPages(List<Inline> all, List<Inline> butFirst) {}

  /** What is part of all pages from one up to another, areas below texts. */
  OnPages take(int from, int to) {
    List<Inline> all = new ArrayList<>(bars.take(from, to, true));
    List<Inline> butFirst = bars.take(from, to, false);
    all.addAll(takeWatermarks(from, to));
    return new OnPages(all, butFirst);
  }

  /**
   * One box each for the texts that stand at one place of every page, from one up to another: they
   * are part of these pages, however many these become.
   */
  private List<Inline.Shape> takeWatermarks(int from, int to) {
    var out = new ArrayList<Inline.Shape>();
    if (to - from < 2) {
      return out;
    }
    List<Boxed> here = boxes.stream().filter(b -> b.page() >= from && b.page() < to).toList();
    for (Boxed first : here) {
      if (first.page() > from || watermarks.contains(first.text())) {
        continue;
      }
      List<Boxed> alike = here.stream().filter(b -> areAlike(first.text(), b.text())).toList();
      long on = alike.stream().map(Boxed::page).distinct().count();
      if (on == to - from) {
        out.add(first.shape());
        alike.forEach(b -> watermarks.add(b.text()));
        alike.stream().filter(b -> b != first).forEach(b -> stories.remove(b.story()));
      }
    }
    return out;
  }

  private static boolean areAlike(ApartText a, ApartText b) {
    double near = DocumentThresholds.ApartStories.SAME_PLACE;
    return Math.abs(a.turn() - b.turn()) < 1
        && Math.abs(a.box().x() - b.box().x()) < near
        && Math.abs(a.box().y() - b.box().y()) < near
        && a.lines().stream()
            .map(TextLine::text)
            .toList()
            .equals(b.lines().stream().map(TextLine::text).toList());
  }

  /** Its lines stay lines, however wide the fonts are. */
  private static Paragraph paragraph(ApartText t, Look base) {
    var glyphs = new ArrayList<Glyph>();
    for (TextLine l : t.lines()) {
      if (!glyphs.isEmpty()) {
        glyphs.add(glyphs.getLast().gap("\n", 0));
      }
      glyphs.addAll(l.glyphs());
    }
    TextLine first = t.lines().getFirst();
    double lines = t.lines().size() - 1;
    double pitch =
        lines == 0 ? t.box().height() : (t.lines().getLast().baseline() - first.baseline()) / lines;
    Look look =
        Look.of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE)
            .with(ParagraphTraits.LINE_PITCH, new LinePitch.Exactly(LookMaker.halves(pitch)));
    return new Paragraph(
        NodeId.fresh(), look, Look.PLAIN, LookMaker.inlines(glyphs, base, first.size()));
  }

  private static Inline.Shape shape(ApartText t, NodeId story) {
    Box b = t.box();
    double wider = DocumentThresholds.ApartStories.ROOM * b.width();
    return new Inline.Shape(
        new Inline.Drawing(Inline.Geometry.RECTANGLE, Optional.empty(), Optional.empty()),
        b.width() + 2 * wider,
        b.height(),
        new Inline.BoxText(Optional.of(story), false, Insets.NONE, VerticalAlignment.CENTRE),
        "",
        Placement.Floating.onPage(b.x() - wider, b.y(), true),
        t.turn() > 180 ? t.turn() - 360 : t.turn(),
        Optional.empty(),
        Look.PLAIN);
  }
}
