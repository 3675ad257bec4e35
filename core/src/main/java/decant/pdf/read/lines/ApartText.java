package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Lines that stand together and apart from the text: stamps, watermarks, words at the side. Those
 * that are turned are turned back around the middle of their box, so that they stand upright in it.
 *
 * @param turn clockwise, in degrees
 * @param box of the lines as they stand when upright
 * @param lines upright
 */
public record ApartText(double turn, Box box, List<TextLine> lines) {
  public ApartText {
    lines = List.copyOf(lines);
  }

  /** The slanted ones of a page, each group of lines on its own. */
  public static List<ApartText> slanted(ScannedPage page) {
    return of(page, g -> g.quarter() == Glyph.SLANTED && !g.text().isEmpty());
  }

  /** Some glyphs of a page that do not stand upright, each group of lines on its own. */
  static List<ApartText> of(ScannedPage page, Predicate<Glyph> which) {
    Map<Long, List<Glyph>> byTurn =
        page.glyphs().stream()
            .filter(which)
            .collect(
                Collectors.groupingBy(
                    g -> Math.round(g.turn()), TreeMap::new, Collectors.toList()));
    var out = new ArrayList<ApartText>();
    byTurn
        .values()
        .forEach(alike -> {
          double turn = alike.getFirst().turn();
          List<Glyph> upright = alike.stream().map(g -> turned(g, -turn)).toList();
          for (List<TextLine> group :
              Regions.stacks(Lines.upright(page, upright), ApartText::follows)) {
            out.add(of(turn, group));
          }
        });
    return out;
  }

  /** A group whose box is turned around the origin, as one that is turned around its middle. */
  private static ApartText of(double turn, List<TextLine> group) {
    Box box = group.stream().map(TextLine::box).reduce(Box::union).orElseThrow();
    double x = box.x() + box.width() / 2;
    double y = box.y() + box.height() / 2;
    double right = x(x, y, turn) - x;
    double down = y(x, y, turn) - y;
    return new ApartText(
        turn, moved(box, right, down), group.stream().map(l -> moved(l, right, down)).toList());
  }

  private static TextLine moved(TextLine l, double right, double down) {
    return new TextLine(
        l.page(),
        l.glyphs().stream().map(g -> g.upright(g.x() + right, g.baseline() + down)).toList(),
        moved(l.box(), right, down),
        l.baseline() + down,
        l.size());
  }

  private static Box moved(Box b, double right, double down) {
    return new Box(b.x() + right, b.y() + down, b.width(), b.height());
  }

  private static Glyph turned(Glyph g, double degrees) {
    return g.upright(x(g.x(), g.baseline(), degrees), y(g.x(), g.baseline(), degrees));
  }

  private static double x(double x, double y, double degrees) {
    double a = Math.toRadians(degrees);
    return x * Math.cos(a) - y * Math.sin(a);
  }

  private static double y(double x, double y, double degrees) {
    double a = Math.toRadians(degrees);
    return x * Math.sin(a) + y * Math.cos(a);
  }

  /** Lines below one another belong together. */
  private static boolean follows(TextLine last, TextLine l) {
    return l.baseline() - last.baseline()
            < LineThresholds.ApartText.FOLLOWS * Math.max(l.size(), last.size())
        && l.box().sharedWidth(last.box()) > -l.size();
  }
}
