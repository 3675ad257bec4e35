package decant.pdf.read.page;

import decant.model.Box;
import java.util.Comparator;
import java.util.List;

/** A piece of a line of text without wide gaps, in reading order. Spaces are glyphs like others. */
public record TextLine(int page, List<Glyph> glyphs, Box box, double baseline, double size) {
  /** Of the letters of a line that are bold, or italic, where the line is. */
  private static final double MOSTLY = 0.8;

  public TextLine {
    glyphs = List.copyOf(glyphs);
  }

  /** Down the page, and from left to right on one baseline. */
  public static final Comparator<TextLine> DOWN =
      Comparator.comparingDouble(TextLine::baseline).thenComparingDouble(l -> l.box().x());

  /** A part of this line, without spaces at its ends. It has to hold more than spaces. */
  public TextLine part(List<Glyph> some) {
    int from = 0;
    int to = some.size();
    while (some.get(from).isSpace()) {
      from++;
    }
    while (some.get(to - 1).isSpace()) {
      to--;
    }
    List<Glyph> ink = some.subList(from, to);
    double left = ink.stream().mapToDouble(Glyph::x).min().orElseThrow();
    double right = ink.stream().mapToDouble(Glyph::right).max().orElseThrow();
    return new TextLine(
        page, ink, new Box(left, box.y(), right - left, box.height()), baseline, size);
  }

  /** How wide its first word is. */
  public double firstWord() {
    double w = 0;
    for (Glyph g : glyphs) {
      if (g.isSpace()) {
        break;
      }
      w += g.width();
    }
    return w;
  }

  public String text() {
    var b = new StringBuilder();
    glyphs.forEach(g -> b.append(g.text()));
    return b.toString();
  }

  /** Whether most of its letters are bold. */
  public boolean bold() {
    return share(true) > MOSTLY;
  }

  public boolean italic() {
    return share(false) > MOSTLY;
  }

  private double share(boolean ofBold) {
    int all = 0;
    int with = 0;
    for (Glyph g : glyphs) {
      if (!g.isSpace()) {
        all++;
        with += (ofBold ? g.ink().face().bold() : g.ink().face().italic()) ? 1 : 0;
      }
    }
    return all == 0 ? 0 : with / (double) all;
  }
}
