package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.pdf.read.page.Glyph;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The link areas of a page, found by where they stand: a page of many letters may have thousands.
 */
final class LinkAreas {
  /**
   * An area, the colour of its frame if it has one, and its place in the order of the file, by
   * which the first one counts.
   */
  record Area(Box box, Link link, Optional<Colour> frame, int order) {
    /** A glyph that stands in it. */
    Glyph on(Glyph g) {
      Glyph linked = g.withLink(link);
      return frame.map(c -> linked.withDecor(linked.ink().decor().inFrame(c))).orElse(linked);
    }
  }

  private static final double FIELD = 24;

  /** An area over more fields than this stands in a list of its own. */
  private static final int MAX_FIELDS = 64;

  private final Map<Long, List<Area>> fields = new HashMap<>();
  private final List<Area> wide = new ArrayList<>();
  private int count;

  /** Adds one behind those that are there. */
  void add(Box box, Link link, Optional<Colour> frame) {
    var area = new Area(box, link, frame, count++);
    long left = field(box.x());
    long right = field(box.right());
    long top = field(box.y());
    long bottom = field(box.bottom());
    if (((double) right - left + 1) * ((double) bottom - top + 1) > MAX_FIELDS) {
      wide.add(area);
      return;
    }
    for (long y = top; y <= bottom; y++) {
      for (long x = left; x <= right; x++) {
        fields.computeIfAbsent(key(x, y), k -> new ArrayList<>()).add(area);
      }
    }
  }

  int size() {
    return count;
  }

  /** Where a place leads: by the first area that holds it. */
  Optional<Area> at(double x, double y) {
    Area best = null;
    for (Area a : fields.getOrDefault(key(field(x), field(y)), List.of())) {
      if (a.box().contains(x, y)) {
        best = a;
        break;
      }
    }
    for (Area a : wide) {
      if (best != null && best.order() < a.order()) {
        break;
      }
      if (a.box().contains(x, y)) {
        best = a;
        break;
      }
    }
    return Optional.ofNullable(best);
  }

  private static long field(double v) {
    return (long) Math.floor(v / FIELD);
  }

  private static long key(long x, long y) {
    return x * 0x1_0000_0001L + y;
  }
}
