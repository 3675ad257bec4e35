package decant.pdf.read.lines;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.TextLine;
import decant.text.EastAsian;
import java.util.List;

/** Tells text in a typewriter face, such as program code: all its letters are as wide. */
public final class Typewriter {
  private Typewriter() {}

  /** Whether most letters of some lines are of faces whose letters are all as wide. */
  public static boolean is(List<TextLine> lines) {
    var widths = new FaceWidths();
    for (TextLine l : lines) {
      for (Glyph g : l.glyphs()) {
        if (!g.isSpace() && g.width() > 0 && !isWide(g)) {
          widths.take(g);
        }
      }
    }
    double all = 0;
    double even = 0;
    for (FaceWidths.Known face : widths.all()) {
      all += face.count();
      even +=
          face.spread() < LineThresholds.Typewriter.SAME
                  && face.letters() >= LineThresholds.Typewriter.ENOUGH
              ? face.count()
              : 0;
    }
    return even > LineThresholds.Typewriter.MOSTLY * all;
  }

  /** In any face these are as wide as one another. */
  private static boolean isWide(Glyph g) {
    return !g.text().isEmpty() && EastAsian.isWide(g.text().codePointAt(0));
  }
}
