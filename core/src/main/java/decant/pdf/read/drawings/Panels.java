package decant.pdf.read.drawings;

import decant.model.Box;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.List;

/**
 * Tells a panel from a drawing: a decorated ground with text on it, one line below the other from
 * one edge on, is no drawing with labels. Its text is text, and only what is painted stands behind
 * it.
 */
final class Panels {
  private Panels() {}

  static boolean is(DetectedDrawings.Drawing d, ScannedPage page) {
    if (d.shapes().size() > DrawingThresholds.Panels.MOST_SHAPES
        || d.labels().stream().anyMatch(g -> g.quarter() != 0)) {
      return false;
    }
    List<TextLine> lines = Lines.of(page.only(d.labels()));
    if (isBar(d.shapes())) {
      return lines.stream().anyMatch(Panels::isWord);
    }
    List<TextLine> sentences = lines.stream().filter(Panels::isSentence).toList();
    return !sentences.isEmpty()
        && letters(sentences) > DrawingThresholds.Panels.MOSTLY * letters(lines)
        && widest(sentences) > DrawingThresholds.Panels.WIDE * d.box().width()
        && fromOneEdge(sentences)
        && !sideBySide(lines);
  }

  /** Whether it is but a box filled with a gradient or a pattern, as heads and buttons are. */
  static boolean isBar(List<Painted> shapes) {
    return shapes.size() <= DrawingThresholds.Panels.BAR_SHAPES
        && shapes.stream().noneMatch(Painted::free)
        && shapes.stream().anyMatch(Painted::patterned);
  }

  private static boolean isSentence(TextLine l) {
    String text = l.text().strip();
    return letters(List.of(l)) >= DrawingThresholds.Panels.SENTENCE
        && text.split("\\s+").length >= DrawingThresholds.Panels.WORDS;
  }

  private static long letters(List<TextLine> lines) {
    return lines.stream().flatMap(l -> l.glyphs().stream()).filter(g -> !g.isSpace()).count();
  }

  private static double widest(List<TextLine> lines) {
    return lines.stream().mapToDouble(l -> l.box().width()).max().orElse(0);
  }

  private static boolean fromOneEdge(List<TextLine> lines) {
    long most = 0;
    for (TextLine l : lines) {
      double same = DrawingThresholds.Panels.SAME_EDGE * l.size();
      most =
          Math.max(
              most,
              lines.stream().filter(o -> Math.abs(o.box().x() - l.box().x()) <= same).count());
    }
    return most > DrawingThresholds.Panels.MOSTLY * lines.size();
  }

  /** Whether lines stand beside one another, as labels do; a mark before its item may. */
  private static boolean sideBySide(List<TextLine> lines) {
    for (int a = 0; a < lines.size(); a++) {
      for (int b = a + 1; b < lines.size(); b++) {
        Box x = lines.get(a).box();
        Box y = lines.get(b).box();
        boolean beside = x.sharedHeight(y) > Math.min(x.height(), y.height()) / 2;
        boolean words = isWord(lines.get(a)) && isWord(lines.get(b));
        if (beside && words) {
          return true;
        }
      }
    }
    return false;
  }

  private static boolean isWord(TextLine l) {
    List<Glyph> letters = l.glyphs().stream().filter(g -> !g.isSpace()).toList();
    return letters.size() > 1;
  }
}
