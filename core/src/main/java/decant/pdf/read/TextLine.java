package decant.pdf.read;

import decant.model.Box;
import java.util.List;

/** A piece of a line of text without wide gaps, in reading order. Spaces are glyphs like others. */
record TextLine(int page, List<Glyph> glyphs, Box box, double baseline, double size) {
  TextLine {
    glyphs = List.copyOf(glyphs);
  }

  String text() {
    var b = new StringBuilder();
    glyphs.forEach(g -> b.append(g.text()));
    return b.toString();
  }

  /** Whether most of its letters are bold. */
  boolean bold() {
    return share(true) > 0.8;
  }

  boolean italic() {
    return share(false) > 0.8;
  }

  private double share(boolean ofBold) {
    int all = 0;
    int with = 0;
    for (Glyph g : glyphs) {
      if (!g.isSpace()) {
        all++;
        with += (ofBold ? g.face().bold() : g.face().italic()) ? 1 : 0;
      }
    }
    return all == 0 ? 0 : with / (double) all;
  }
}
