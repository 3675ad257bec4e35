package decant.pdf.read;

import java.util.List;

/**
 * What stands on a page.
 *
 * @param drawings how many drawn shapes there are besides ruled lines and plain rectangles
 */
record ScannedPage(
    int number,
    double width,
    double height,
    List<Glyph> glyphs,
    List<Rule> rules,
    List<Placed> pictures,
    int drawings) {}
