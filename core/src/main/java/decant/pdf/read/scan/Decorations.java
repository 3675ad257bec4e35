package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.look.Colour;
import decant.pdf.read.page.Bands;
import decant.pdf.read.page.Decor;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Finds lines under and through letters, and the colour of a marker behind them, among what is
 * drawn.
 */
final class Decorations {
  /** The shares of red, green and blue in brightness, by ITU-R BT.709. */
  private static final double RED = 0.2126;

  private static final double GREEN = 0.7152;
  private static final double BLUE = 0.0722;

  private static final int MAX_RULES = 5000;
  private static final int MAX_SHAPES = 3000;

  private final List<Painted> shapes;
  private final double width;
  private final Bands<RuledLine> rules = new Bands<>();
  private final Bands<RuledLine> standing = new Bands<>();
  private final Set<Painted> markers = new HashSet<>();

  /** So near lines meet, in points. */
  private static final double TOUCHING = 1;

  /**
   * @param width of the page
   */
  Decorations(List<RuledLine> rules, List<Painted> shapes, double width) {
    this.shapes = shapes;
    this.width = width;
    List<RuledLine> lying = rules.stream().filter(r -> r.lying() && r.y2() - r.y1() < 2).toList();
    if (lying.size() <= MAX_RULES) {
      lying.forEach(r -> this.rules.add(r.middle(), r.middle(), r));
    }
    rules.stream()
        .filter(r -> !r.lying())
        .limit(MAX_RULES)
        .forEach(r -> standing.add(r.y1() - TOUCHING, r.y2() + TOUCHING, r));
  }

  /** The glyphs with what is drawn about them. */
  List<Glyph> on(List<Glyph> glyphs) {
    Map<Glyph, Colour> marked = marked(glyphs);
    if (rules.isEmpty() && marked.isEmpty()) {
      return glyphs;
    }
    Set<RuledLine> underlines = underlines(glyphs);
    var out = new ArrayList<Glyph>(glyphs.size());
    for (Glyph g : glyphs) {
      if (g.quarter() != 0) {
        out.add(g);
        continue;
      }
      boolean under = false;
      boolean through = false;
      for (RuledLine r : rules.between(g.baseline() - g.size(), g.baseline() + g.size())) {
        under |= isUnder(r, g) && underlines.contains(r);
        through |= isThrough(r, g) && !isLong(r);
      }
      Optional<Colour> marker = Optional.ofNullable(marked.get(g));
      out.add(
          under || through || marker.isPresent()
              ? g.withDecor(g.ink().decor().and(new Decor(under, through && !under, marker)))
              : g);
    }
    return withoutCrossings(out);
  }

  private static boolean isUnder(RuledLine r, Glyph g) {
    double below = r.middle() - g.baseline();
    return below > 0 && below < g.size() * ScanThresholds.Decorations.UNDER && spans(r, g);
  }

  /**
   * What stands on a line.
   *
   * @param letters width of all of them
   * @param left where the first begins
   * @param right where the last ends
   */
  private record Written(double letters, double left, double right) {
    static Written of(Glyph g) {
      return new Written(g.width(), g.x(), g.right());
    }

    Written and(Written o) {
      return new Written(letters + o.letters, Math.min(left, o.left), Math.max(right, o.right));
    }
  }

  /** The lines that underline what stands on them, by identity. */
  private Set<RuledLine> underlines(List<Glyph> glyphs) {
    var written = new IdentityHashMap<RuledLine, Written>();
    for (Glyph g : glyphs) {
      if (g.quarter() == 0) {
        for (RuledLine r : rules.between(g.baseline() - g.size(), g.baseline() + g.size())) {
          if (isUnder(r, g)) {
            written.merge(r, Written.of(g), Written::and);
          }
        }
      }
    }
    Set<RuledLine> out = Collections.newSetFromMap(new IdentityHashMap<>());
    written.forEach((r, on) -> {
      if (isUnderline(r, on)) {
        out.add(r);
      }
    });
    return out;
  }

  /**
   * An underline begins and ends with its words; the edge of a cell below them reaches on, and
   * meets lines that stand. One as long as lines of text are has to begin and end as they do.
   */
  private boolean isUnderline(RuledLine r, Written on) {
    boolean left = meetsStanding(r, r.x1());
    boolean right = meetsStanding(r, r.x2());
    double length = r.x2() - r.x1();
    if (left && right || isLong(r) && !(isAt(on.left, r.x1()) && isAt(on.right, r.x2()))) {
      return false;
    }
    return !left && !right || on.letters >= length * ScanThresholds.Decorations.WRITTEN;
  }

  private static boolean isAt(double letters, double end) {
    return Math.abs(letters - end) < ScanThresholds.Decorations.ENDS;
  }

  private boolean meetsStanding(RuledLine r, double end) {
    for (RuledLine s : standing.between(r.middle(), r.middle())) {
      if (Math.abs((s.x1() + s.x2()) / 2 - end) <= TOUCHING) {
        return true;
      }
    }
    return false;
  }

  /** Whether it is rather a line of the page than one under words. */
  private boolean isLong(RuledLine r) {
    return r.x2() - r.x1() >= width * ScanThresholds.Decorations.LONGEST;
  }

  private static boolean isThrough(RuledLine r, Glyph g) {
    double above = g.baseline() - r.middle();
    return above > g.size() * ScanThresholds.Decorations.STRIKE_LEAST
        && above < g.size() * ScanThresholds.Decorations.STRIKE_MOST
        && r.y2() - r.y1() < g.size() * ScanThresholds.Decorations.THICKEST
        && spans(r, g);
  }

  private static boolean spans(RuledLine r, Glyph g) {
    double middle = g.x() + g.width() / 2;
    return r.x1() <= middle && r.x2() >= middle;
  }

  /**
   * A line through one letter alone belongs to something else: a bar of a formula, a crossing rule.
   */
  private static List<Glyph> withoutCrossings(List<Glyph> glyphs) {
    for (int k = 0; k < glyphs.size(); k++) {
      Glyph g = glyphs.get(k);
      boolean alone =
          g.ink().decor().struck()
              && !(k > 0 && glyphs.get(k - 1).ink().decor().struck())
              && !(k + 1 < glyphs.size() && glyphs.get(k + 1).ink().decor().struck());
      if (alone) {
        glyphs.set(k, g.withDecor(g.ink().decor().undrawn()));
      }
    }
    return glyphs;
  }

  /**
   * The letters that stand on a colour laid just behind them: a box as high as a line that begins
   * and ends where letters do. The shade of a cell or a boxed note reaches further.
   */
  private Map<Glyph, Colour> marked(List<Glyph> glyphs) {
    List<Painted> candidates = shapes.stream().filter(this::mayMark).toList();
    if (candidates.isEmpty() || candidates.size() > MAX_SHAPES) {
      return Map.of();
    }
    var bands = new Bands<Glyph>();
    for (Glyph g : glyphs) {
      if (g.quarter() == 0) {
        bands.add(g.baseline(), g.baseline(), g);
      }
    }
    var out = new HashMap<Glyph, Colour>();
    for (Painted p : candidates) {
      List<Glyph> within = within(p.box(), bands);
      if (fitsTightly(p.box(), within)) {
        markers.add(p);
        within.forEach(g -> out.put(g, p.fill().orElseThrow()));
      }
    }
    return out;
  }

  private boolean mayMark(Painted p) {
    return p.fill().isPresent()
        && p.stroke().isEmpty()
        && !p.free()
        && p.box().height() > 5
        && p.box().height() < 60
        && p.box().width() < width * ScanThresholds.Decorations.WIDEST
        && p.box().width() > 3
        && isMarker(p.fill().get());
  }

  /** Dark letters are read on it, and it differs from paper. */
  private static boolean isMarker(Colour c) {
    int r = c.rgb() >> 16 & 255;
    int g = c.rgb() >> 8 & 255;
    int b = c.rgb() & 255;
    double light = RED * r + GREEN * g + BLUE * b; // of ITU-R BT.709
    return light > 70 && Math.min(r, Math.min(g, b)) < 240;
  }

  private static List<Glyph> within(Box box, Bands<Glyph> bands) {
    return bands.between(box.y(), box.bottom()).stream().filter(g -> g.standsIn(box)).toList();
  }

  private static boolean fitsTightly(Box box, List<Glyph> within) {
    double left = Double.MAX_VALUE;
    double right = -Double.MAX_VALUE;
    double size = 0;
    double highest = Double.MAX_VALUE;
    double lowest = -Double.MAX_VALUE;
    for (Glyph g : within) {
      left = Math.min(left, g.x());
      right = Math.max(right, g.right());
      size = Math.max(size, g.size());
      highest = Math.min(highest, g.baseline());
      lowest = Math.max(lowest, g.baseline());
    }
    return within.stream().anyMatch(g -> !g.isSpace())
        && lowest - highest < size * ScanThresholds.Decorations.LEVEL
        && box.height() < size * ScanThresholds.Decorations.HIGHEST
        && box.height() > size * ScanThresholds.Decorations.LOWEST
        && left - box.x() < ScanThresholds.Decorations.REACH
        && box.right() - right
            < Math.max(ScanThresholds.Decorations.REACH, size * ScanThresholds.Decorations.BEYOND);
  }

  /** What is drawn besides markers behind letters. */
  List<Painted> otherShapes() {
    return markers.isEmpty() ? shapes : shapes.stream().filter(s -> !markers.contains(s)).toList();
  }
}
