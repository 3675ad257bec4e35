package decant.pdf.read.scan;

import decant.pdf.read.fonts.PrivateCodes;
import decant.pdf.read.page.Glyph;
import java.util.ArrayList;
import java.util.List;

/**
 * Glyphs that one text stands for (ISO 32000-2 §14.9.4): ligatures, hyphens at the ends of lines,
 * letters that are drawn in parts. A text that says far more than its letters do is none that could
 * stand on the page in their place: then they say what they are.
 */
final class ReplacedText {
  /** Letters of the text for each that shows, and some more for a single sign. */
  private static final int FOR_EACH = 2;

  private static final int MORE = 2;

  private final String text;

  /** A glyph by its place among others. */
  private record At(List<Glyph> in, int index) {}

  private final List<At> glyphs = new ArrayList<>();

  ReplacedText(String text) {
    this.text = text;
  }

  /** Notes the last glyph of a list as one of those that the text stands for. */
  void last(List<Glyph> of) {
    glyphs.add(new At(of, of.size() - 1));
  }

  /** Gives the first glyph the text, and takes the others away, where the text is theirs. */
  void settle() {
    if (glyphs.isEmpty() || !isTheirs()) {
      return;
    }
    At first = glyphs.getFirst();
    Glyph g = first.in().get(first.index());
    double right = g.right();
    for (int k = glyphs.size() - 1; k > 0; k--) {
      Glyph o = glyphs.get(k).in().remove(glyphs.get(k).index());
      boolean onLine = o.quarter() == g.quarter() && Math.abs(o.baseline() - g.baseline()) < 1;
      right = onLine ? Math.max(right, o.right()) : right;
    }
    if (text.isEmpty()) {
      first.in().remove(first.index());
    } else {
      first
          .in()
          .set(first.index(), g.like(text, g.x(), g.quarter() == 0 ? right - g.x() : g.width()));
    }
  }

  private boolean isTheirs() {
    var own = new StringBuilder();
    glyphs.forEach(a -> own.append(a.in().get(a.index()).text()));
    return PrivateCodes.in(own.toString())
        || own.toString().isBlank()
        || letters(text) <= FOR_EACH * letters(own.toString()) + MORE;
  }

  private static long letters(String s) {
    return s.codePoints().filter(c -> !Character.isWhitespace(c)).count();
  }
}
