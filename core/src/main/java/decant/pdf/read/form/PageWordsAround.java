package decant.pdf.read.form;

import decant.model.Box;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** The words of a page, asked for what stands at or beside a place. */
record PageWordsAround(List<TextLine> lines, List<Glyph> glyphs) {
  private static final double USUAL = 10;

  /** Whether no letter stands in a place; signs that hold it open do not count. */
  boolean isEmpty(Box place) {
    return glyphs.stream().noneMatch(g -> !g.isSpace() && !g.text().equals("_") && meets(g, place));
  }

  /** What stands in a place, line by line; signs that hold it open do not count. */
  String in(Box place) {
    return lines.stream()
        .map(l ->
            l.glyphs().stream()
                .filter(g -> !g.text().equals("_") && meets(g, place))
                .map(Glyph::text)
                .collect(Collectors.joining()))
        .filter(t -> !t.isBlank())
        .collect(Collectors.joining(" "))
        .strip();
  }

  private static boolean meets(Glyph g, Box b) {
    double middle = g.x() + g.width() / 2;
    double height = g.baseline() - 0.3 * g.size();
    return middle > b.x() && middle < b.right() && height > b.y() && height < b.bottom();
  }

  /** How large letters are near a height. */
  double size(double y) {
    return lines.stream()
        .min(Comparator.comparingDouble(l -> Math.abs(l.baseline() - y)))
        .map(TextLine::size)
        .orElse(USUAL);
  }

  /**
   * The words of a line that end before a place, on its height, no further from it than is said.
   */
  Optional<String> before(double x, double top, double bottom, double far) {
    return lines.stream()
        .filter(l -> l.baseline() > top && l.baseline() < bottom + 1)
        .map(l -> l.glyphs().stream().filter(g -> g.right() <= x + 2).toList())
        .filter(g -> !text(g).isBlank())
        .filter(g -> x - last(g) <= far)
        .min(Comparator.comparingDouble(g -> x - last(g)))
        .map(PageWordsAround::tail)
        .filter(t -> !t.isBlank());
  }

  /** The words of a line that begin after a place, on its height. */
  Optional<String> after(double x, double top, double bottom, double far) {
    return lines.stream()
        .filter(l -> l.baseline() > top && l.baseline() < bottom + 2)
        .map(l -> l.glyphs().stream().filter(g -> g.x() >= x - 2).toList())
        .filter(g -> !text(g).isBlank())
        .filter(g -> first(g) - x <= far)
        .min(Comparator.comparingDouble(g -> first(g) - x))
        .map(PageWordsAround::head)
        .filter(t -> !t.isBlank());
  }

  /**
   * A caption: words of their own that begin below a place and stand within its width, with no
   * further text below them.
   */
  Optional<String> below(Box place, double sizes) {
    for (TextLine l : lines) {
      double down = l.box().y() - place.bottom();
      if (down < -2 || down > sizes * l.size()) {
        continue;
      }
      Optional<String> caption =
          pieces(l).stream()
              .filter(p -> within(p, place))
              .map(p -> text(p).strip())
              .filter(t -> !t.isBlank())
              .findFirst();
      if (caption.isPresent()) {
        return goesOn(l, place) ? Optional.empty() : caption;
      }
    }
    return Optional.empty();
  }

  /** Whether more text follows right below a line, so that it is no caption but a paragraph. */
  private boolean goesOn(TextLine l, Box place) {
    return lines.stream()
        .anyMatch(o ->
            o.baseline() > l.baseline() + 0.5 * l.size()
                && o.baseline() < l.baseline() + 1.8 * l.size()
                && o.box().x() < place.right()
                && o.box().right() > place.x());
  }

  /** Words right above a place, that begin with it. */
  Optional<String> above(Box place, double sizes) {
    return lines.stream()
        .filter(l -> l.box().bottom() <= place.y() + 3)
        .filter(l -> place.y() - l.box().bottom() <= sizes * l.size())
        .flatMap(l -> pieces(l).stream())
        .filter(p -> within(p, place))
        .map(p -> text(p).strip())
        .filter(t -> !t.isBlank())
        .findFirst();
  }

  private static boolean within(List<Glyph> piece, Box place) {
    return first(piece) >= place.x() - 6 && last(piece) <= place.right() + 12;
  }

  /** What wide gaps part a line into. */
  private static List<List<Glyph>> pieces(TextLine l) {
    var out = new ArrayList<List<Glyph>>();
    List<Glyph> g = l.glyphs();
    int from = 0;
    for (int k = 1; k <= g.size(); k++) {
      if (k == g.size() || parted(g.get(k - 1), g.get(k))) {
        out.add(g.subList(from, k));
        from = k;
      }
    }
    return out;
  }

  static String text(List<Glyph> some) {
    return some.stream().map(Glyph::text).collect(Collectors.joining());
  }

  private static double last(List<Glyph> some) {
    return some.stream().filter(g -> !g.isSpace()).mapToDouble(Glyph::right).max().orElse(0);
  }

  private static double first(List<Glyph> some) {
    return some.stream().filter(g -> !g.isSpace()).mapToDouble(Glyph::x).min().orElse(0);
  }

  /** The last words that no wide gap parts from the end. */
  private static String tail(List<Glyph> g) {
    int from = g.size() - 1;
    while (from > 0 && !parted(g.get(from - 1), g.get(from))) {
      from--;
    }
    return text(g.subList(from, g.size())).strip();
  }

  /** The first words, as far as no wide gap parts them. */
  private static String head(List<Glyph> g) {
    int to = 1;
    while (to < g.size() && !parted(g.get(to - 1), g.get(to))) {
      to++;
    }
    return text(g.subList(0, to)).strip();
  }

  private static boolean parted(Glyph a, Glyph b) {
    double size = Math.max(a.size(), b.size());
    return b.x() - a.right() > 1.5 * size
        || a.isSpace() && a.width() > 1.5 * size
        || a.text().equals("_")
        || b.text().equals("_");
  }
}
