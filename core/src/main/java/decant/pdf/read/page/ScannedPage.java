package decant.pdf.read.page;

import java.util.List;

/**
 * What stands on a page.
 *
 * @param rules the ruled lines among its shapes
 * @param shapes what is drawn, ruled lines too
 * @param comments what was noted about it
 */
public record ScannedPage(
    int number,
    double width,
    double height,
    List<Glyph> glyphs,
    List<RuledLine> rules,
    List<Placed> pictures,
    List<Painted> shapes,
    List<NotedComment> comments) {
  /** A page about which nothing was noted. */
  public ScannedPage(
      int number,
      double width,
      double height,
      List<Glyph> glyphs,
      List<RuledLine> rules,
      List<Placed> pictures,
      List<Painted> shapes) {
    this(number, width, height, glyphs, rules, pictures, shapes, List.of());
  }

  /** A page with nothing on it. */
  public static ScannedPage blank(int number, double width, double height) {
    return new ScannedPage(number, width, height, List.of(), List.of(), List.of(), List.of());
  }

  /** This page with other glyphs. */
  public ScannedPage with(List<Glyph> others) {
    return new ScannedPage(number, width, height, others, rules, pictures, shapes, comments);
  }

  /** This sheet with some glyphs and nothing else. */
  public ScannedPage only(List<Glyph> some) {
    return new ScannedPage(number, width, height, some, List.of(), List.of(), List.of());
  }
}
