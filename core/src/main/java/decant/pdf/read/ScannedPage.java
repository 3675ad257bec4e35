package decant.pdf.read;

import java.util.List;

/**
 * What stands on a page.
 *
 * @param rules the ruled lines among its shapes
 * @param shapes what is drawn, ruled lines too
 */
record ScannedPage(
    int number,
    double width,
    double height,
    List<Glyph> glyphs,
    List<Rule> rules,
    List<Placed> pictures,
    List<Painted> shapes) {}
