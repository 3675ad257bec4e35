package decant.pdf.read.drawings;

import decant.model.Box;
import decant.model.look.Media;
import decant.model.look.Rule;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Ground;
import decant.pdf.read.page.Groups;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Finds charts, diagrams and other drawings among the shapes of a page, and makes pictures of them
 * with the labels that stand in them. Frames, shades, rules and bullets are no drawings.
 */
public final class DetectedDrawings {
  /** More drawings than this on one page are a texture, and said to be left out. */
  private static final int MAX_ON_PAGE = 40;

  /** So many shapes are looked at for letters on them. */
  private static final int MAX_LOOKED_AT = 2000;

  /**
   * A place of a page that a picture is cut out of.
   *
   * @param words whether what is written there is part of it
   * @param background whether only what covers the place is
   * @param lines what is written there, to be searched
   */
  public record Cut(int page, Box place, boolean words, boolean background, List<TextLine> lines) {}

  /** Cuts pictures out of pages. */
  public interface Cutter {
    /**
     * @return in the order of the places; empty where one cannot be cut out
     */
    List<Optional<Media>> cut(List<Cut> places) throws ReadProblem;
  }

  private DetectedDrawings() {}

  /**
   * The pages with each drawing as one of their pictures.
   *
   * @param left the numbers of the pages from which a drawing is not carried over
   * @param worded the drawings that words are part of
   * @param grounds for each page the drawings that stand behind its text: those that most pages
   *     have, and panels
   */
  public record Result(
      List<ScannedPage> pages,
      Set<Integer> left,
      Map<Integer, List<Placed>> worded,
      Map<Integer, List<Ground>> grounds) {}

  public static Result asPictures(List<ScannedPage> pages, Cutter cutter) throws ReadProblem {
    List<List<Drawing>> found = pages.parallelStream().map(DetectedDrawings::of).toList();
    Map<String, Long> places =
        found.stream()
            .flatMap(d -> d.stream().map(DetectedDrawings::place).distinct())
            .collect(Collectors.groupingBy(p -> p, Collectors.counting()));
    var out = new ArrayList<ScannedPage>();
    var left = new HashSet<Integer>();
    Map<Integer, List<Placed>> worded = new HashMap<>();
    Map<Integer, List<Ground>> grounds = new HashMap<>();
    Map<String, Optional<Media>> cut = cut(pages, found, places, cutter);
    for (int k = 0; k < pages.size(); k++) {
      ScannedPage p = pages.get(k);
      int number = p.number();
      boolean texture = found.get(k).size() > MAX_ON_PAGE;
      for (Drawing d : found.get(k)) {
        boolean running = isRunning(d, places, pages.size());
        boolean ground = running || d.panel();
        Optional<Placed> picture =
            texture
                ? Optional.empty()
                : cut.getOrDefault(key(number, d, running), Optional.empty())
                    .map(m -> new Placed(m, around(d), ground ? -1 : d.content(), ""));
        if (picture.isEmpty()) {
          left.add(number);
        } else if (ground) {
          grounds
              .computeIfAbsent(number, n -> new ArrayList<>())
              .add(new Ground(picture.get(), d.background()));
          p = running ? p : without(p, d, picture.get().box(), p.glyphs(), p.pictures());
        } else {
          p = with(p, d, picture.get());
          Placed put = p.pictures().getLast();
          if (!put.alt().isEmpty()) {
            worded.computeIfAbsent(number, n -> new ArrayList<>()).add(put);
          }
        }
      }
      out.add(p);
    }
    return new Result(out, left, worded, grounds);
  }

  /** Whether most pages have it in the same place. */
  private static boolean isRunning(Drawing d, Map<String, Long> places, int pages) {
    long times = places.getOrDefault(place(d), 0L);
    return times > 2 && times * 2 > pages;
  }

  /**
   * The pictures of all drawings; one that most pages have is cut out once where it is the same.
   */
  private static Map<String, Optional<Media>> cut(
      List<ScannedPage> pages, List<List<Drawing>> found, Map<String, Long> places, Cutter cutter)
      throws ReadProblem {
    Map<String, Cut> wanted = new LinkedHashMap<>();
    for (int k = 0; k < pages.size(); k++) {
      if (found.get(k).size() <= MAX_ON_PAGE) {
        int number = pages.get(k).number();
        for (Drawing d : found.get(k)) {
          boolean running = isRunning(d, places, pages.size());
          // What most pages have is searched in the text.
          List<TextLine> lines =
              d.panel() || running ? List.of() : Lines.withSlanted(pages.get(k).only(d.labels()));
          wanted.putIfAbsent(
              key(number, d, running),
              new Cut(number, around(d), !d.panel(), d.background(), lines));
        }
      }
    }
    List<Optional<Media>> media = cutter.cut(List.copyOf(wanted.values()));
    Map<String, Optional<Media>> out = new HashMap<>();
    int k = 0;
    for (String key : wanted.keySet()) {
      out.put(key, media.get(k++));
    }
    return out;
  }

  private static String key(int page, Drawing d, boolean running) {
    return running
        ? place(d)
            + d.shapes().hashCode()
            + d.labels().stream().map(Glyph::text).collect(Collectors.joining())
        : page + " " + around(d);
  }

  /**
   * Half a line's thickness stands outside the outline, at the corners of its ends more (ISO
   * 32000-2 table 53).
   */
  private static Box around(Drawing d) {
    double most =
        d.shapes().stream()
            .flatMap(s -> s.stroke().stream())
            .mapToDouble(Rule::width)
            .max()
            .orElse(0);
    double by = Math.max(1, most * Math.sqrt(0.5));
    return new Box(
        d.box().x() - by, d.box().y() - by, d.box().width() + 2 * by, d.box().height() + 2 * by);
  }

  private static String place(Drawing d) {
    return Math.round(d.box().x() / 2)
        + " "
        + Math.round(d.box().y() / 2)
        + " "
        + Math.round(d.box().width() / 2);
  }

  private static ScannedPage with(ScannedPage p, Drawing d, Placed picture) {
    Box place = picture.box();
    var pictures = new ArrayList<>(p.pictures());
    pictures.removeIf(x -> place.holds(x.box(), 1));
    String alt =
        Lines.withSlanted(p.only(d.labels())).stream()
            .map(l -> l.text().strip())
            .collect(Collectors.joining(" "));
    pictures.add(new Placed(picture.media(), place, picture.content(), alt));
    Set<Glyph> labels = new HashSet<>(d.labels());
    List<Glyph> others = p.glyphs().stream().filter(g -> !labels.contains(g)).toList();
    return without(p, d, place, others, pictures);
  }

  /** The page without what is painted of a drawing, with these letters and pictures. */
  private static ScannedPage without(
      ScannedPage p, Drawing d, Box place, List<Glyph> glyphs, List<Placed> pictures) {
    Set<Painted> drawn = new HashSet<>(d.shapes());
    return new ScannedPage(
        p.number(),
        p.width(),
        p.height(),
        glyphs,
        p.rules().stream().filter(r -> !inside(r, place)).toList(),
        pictures,
        p.shapes().stream().filter(s -> !drawn.contains(s)).toList(),
        p.comments());
  }

  private static boolean inside(RuledLine r, Box of) {
    return of.holds(new Box(r.x1(), r.y1(), r.x2() - r.x1(), r.y2() - r.y1()), 1);
  }

  /**
   * @param labels what is written in it
   * @param panel whether that is text that stands on it
   * @param background whether it lies behind the page as a whole
   */
  record Drawing(
      Box box,
      List<Painted> shapes,
      List<Glyph> labels,
      int content,
      boolean panel,
      boolean background) {
    Drawing(Box box, List<Painted> shapes, List<Glyph> labels, int content, boolean panel) {
      this(box, shapes, labels, content, panel, false);
    }

    /** A ground that a whole page stands on. */
    static Drawing background(Painted shape) {
      return new Drawing(shape.box(), List.of(shape), List.of(), shape.content(), true, true);
    }
  }

  /** The drawings of a page, from the top. */
  static List<Drawing> of(ScannedPage page) {
    List<Painted> shapes =
        page.shapes().stream()
            .filter(Painted::shows)
            .filter(s -> !isBackground(s, page))
            .sorted(Comparator.comparingDouble(s -> s.box().y()))
            .toList();
    var panels = new ArrayList<Drawing>();
    page.shapes().stream()
        .filter(s -> s.patterned() && isBackground(s, page))
        .reduce((below, above) -> above)
        .ifPresent(s -> panels.add(Drawing.background(s)));
    if (shapes.stream().noneMatch(s -> s.free() || s.patterned() || s.solid())) {
      return panels;
    }
    var out = new ArrayList<Drawing>();
    for (List<Painted> cluster : clusters(shapes)) {
      Box box = cluster.getFirst().box();
      for (Painted s : cluster) {
        box = box.union(s.box());
      }
      if (box.width() < DrawingThresholds.DetectedDrawings.SMALLEST
          || box.height() < DrawingThresholds.DetectedDrawings.SMALLEST) {
        continue;
      }
      if (!isDrawn(cluster, page)) {
        continue;
      }
      List<Glyph> within = within(page, box, cluster);
      var drawing = new Drawing(box, cluster, within, content(cluster), false);
      if (Panels.is(drawing, page)) {
        panels.add(new Drawing(box, cluster, within, content(cluster), true));
      } else if (textShare(within, box) < DrawingThresholds.DetectedDrawings.MAX_TEXT) {
        out.add(drawing);
      }
    }
    if (out.isEmpty()) {
      return panels;
    }
    List<TextLine> upright =
        Lines.of(
            page.only(
                page.glyphs().stream()
                    .filter(g -> g.quarter() == 0 && g.marked().content() < 0)
                    .toList()));
    List<Drawing> whole =
        apart(together(out, page)).stream().map(d -> AxisLabels.with(d, page, upright)).toList();
    return Stream.concat(whole.stream(), panels.stream()).toList();
  }

  /** Whether it lies behind a page as a whole. */
  private static boolean isBackground(Painted s, ScannedPage page) {
    Box b = s.box();
    return b.width() * b.height()
            >= page.width() * page.height() * DrawingThresholds.DetectedDrawings.BACKGROUND
        || b.width() >= page.width() * DrawingThresholds.DetectedDrawings.ACROSS
            && b.height() >= page.height() * DrawingThresholds.DetectedDrawings.ACROSS;
  }

  /** Drawings near one another with no text between are one: a row of figures, a divided chart. */
  private static List<Drawing> together(List<Drawing> drawings, ScannedPage page) {
    var out = new ArrayList<>(drawings);
    if (out.size() > MAX_ON_PAGE) {
      return out;
    }
    boolean changed = true;
    while (changed) {
      changed = false;
      for (int a = 0; a < out.size() && !changed; a++) {
        for (int b = a + 1; b < out.size() && !changed; b++) {
          Drawing x = out.get(a);
          Drawing y = out.get(b);
          if (near(x.box(), y.box(), DrawingThresholds.DetectedDrawings.PARTS_NEAR)
              && alone(x, y, page)) {
            out.remove(b);
            out.set(a, joined(x, y));
            changed = true;
          }
        }
      }
    }
    return out;
  }

  private static boolean near(Box a, Box b, double distance) {
    return a.sharedWidth(b) > -distance && a.sharedHeight(b) > -distance;
  }

  private static boolean alone(Drawing x, Drawing y, ScannedPage page) {
    Box all = x.box().union(y.box());
    long letters = page.glyphs().stream().filter(g -> !g.isSpace() && g.standsIn(all)).count();
    return letters
        == Stream.of(x, y).flatMap(d -> d.labels().stream()).filter(g -> !g.isSpace()).count();
  }

  private static Drawing joined(Drawing x, Drawing y) {
    var shapes = new ArrayList<>(x.shapes());
    shapes.addAll(y.shapes());
    var labels = new ArrayList<>(x.labels());
    labels.addAll(y.labels());
    return new Drawing(x.box().union(y.box()), shapes, labels, content(shapes), false);
  }

  /** Drawings within others are parts of them. */
  private static List<Drawing> apart(List<Drawing> all) {
    return all.stream()
        .filter(d ->
            all.stream()
                .noneMatch(o ->
                    o != d
                        && o.box().holds(d.box(), 1)
                        && o.box().width() * o.box().height() > d.box().width() * d.box().height()))
        .toList();
  }

  private static List<List<Painted>> clusters(List<Painted> sorted) {
    var groups = new Groups(sorted.size());
    var open = new ArrayList<Integer>(); // shapes that reach down to where the next begins
    for (int k = 0; k < sorted.size(); k++) {
      Box b = sorted.get(k).box();
      open.removeIf(
          o -> sorted.get(o).box().bottom() + DrawingThresholds.DetectedDrawings.NEAR < b.y());
      for (int o : open) {
        if (sorted.get(o).box().sharedWidth(b) > -DrawingThresholds.DetectedDrawings.NEAR) {
          groups.join(k, o);
        }
      }
      open.add(k);
    }
    return groups.of(sorted);
  }

  private static boolean isDrawn(List<Painted> cluster, ScannedPage page) {
    long marks = cluster.stream().filter(Painted::free).count();
    boolean large =
        cluster.stream()
            .filter(s -> s.free() || s.patterned())
            .filter(s -> s.box().width() > 8 || s.box().height() > 8)
            .limit(MAX_LOOKED_AT)
            .anyMatch(s -> s.free() || !isWrittenOn(s, page));
    return large || marks >= 12 || hasBars(cluster, page) || Panels.isBar(cluster);
  }

  /** Cells of a table may have gradients too. */
  private static boolean isWrittenOn(Painted s, ScannedPage page) {
    return page.glyphs().stream().anyMatch(g -> !g.isSpace() && g.standsIn(s.box()));
  }

  /** Bars of several lengths that stand on one line, with nothing written on them. */
  private static boolean hasBars(List<Painted> cluster, ScannedPage page) {
    List<Box> bars =
        cluster.stream()
            .filter(Painted::solid)
            .map(Painted::box)
            .filter(b -> page.glyphs().stream().noneMatch(g -> !g.isSpace() && g.standsIn(b)))
            .toList();
    return bars(bars, true) || bars(bars, false);
  }

  private static boolean bars(List<Box> solids, boolean standing) {
    Map<Long, List<Box>> byFoot =
        solids.stream()
            .collect(Collectors.groupingBy(b -> Math.round(standing ? b.bottom() : b.x())));
    return byFoot.values().stream()
        .anyMatch(row -> {
          long lengths =
              row.stream()
                  .map(b -> Math.round((standing ? b.height() : b.width()) / 2))
                  .distinct()
                  .count();
          long places =
              row.stream().map(b -> Math.round(standing ? b.x() : b.y())).distinct().count();
          return places >= 3 && lengths >= 3;
        });
  }

  private static List<Glyph> within(ScannedPage page, Box box, List<Painted> cluster) {
    Set<Integer> contents = cluster.stream().map(Painted::content).collect(Collectors.toSet());
    return page.glyphs().stream()
        .filter(g ->
            g.standsIn(box)
                && (g.marked().content() < 0 || contents.contains(g.marked().content())))
        .toList();
  }

  private static double textShare(List<Glyph> glyphs, Box box) {
    double covered = 0;
    for (Glyph g : glyphs) {
      covered += g.width() * g.size();
    }
    return covered / (box.width() * box.height());
  }

  private static int content(List<Painted> cluster) {
    return cluster.stream()
        .map(Painted::content)
        .filter(c -> c >= 0)
        .collect(Collectors.groupingBy(c -> c, Collectors.counting()))
        .entrySet()
        .stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(-1);
  }
}
