package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.stream.DoubleStream;

/** How text looks, as far as headings are told by it. Its size is in points. */
record HeadingStyle(double size, boolean bold, boolean italic, boolean capitals) {
  static HeadingStyle of(Detected.Text t) {
    String text = t.text();
    long upper = text.chars().filter(Character::isUpperCase).count();
    boolean capitals =
        upper > 3
            && text.chars().noneMatch(Character::isLowerCase)
            && upper * 2 > text.chars().filter(Character::isLetter).count();
    boolean italic = t.lines().stream().allMatch(TextLine::italic);
    // Small capitals begin with large ones.
    double size =
        t.lines().stream()
            .flatMapToDouble(l ->
                capitals
                    ? l.glyphs().stream().filter(g -> !g.isSpace()).mapToDouble(Glyph::size)
                    : DoubleStream.of(l.size()))
            .max()
            .orElseThrow();
    return new HeadingStyle(LookMaker.halves(size), t.bold(), italic, capitals);
  }

  /** Whether it is bold where the text is not, or larger. */
  boolean standsOutOf(HeadingStyle body) {
    return bold && !body.bold || Sizes.isLarger(size, body.size);
  }

  HeadingStyle ofAnyCase() {
    return new HeadingStyle(size, bold, italic, false);
  }
}
