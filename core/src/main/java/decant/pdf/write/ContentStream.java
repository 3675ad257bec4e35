package decant.pdf.write;

import decant.layout.item.Item;
import decant.layout.item.Outlines;
import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.pdf.write.fonts.Bytes;
import decant.pdf.write.fonts.GlyphEncoder;
import decant.pdf.write.fonts.GlyphTexts;
import decant.pdf.write.fonts.PrivateSigns;
import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.util.Locale;
import java.util.Optional;

/**
 * Writes the operators of one page (ISO 32000-1 §8 and §9). Takes places with y downwards, writes y
 * upwards.
 */
final class ContentStream {
  private final Bytes out = new Bytes();
  private final double pageHeight;

  /** No colour: whatever comes is set. */
  private static final Colour UNKNOWN = new Colour(-1);

  private Colour fill = Colour.BLACK;
  private String font = "";
  private double size;
  private boolean inText;
  private boolean marked;
  private long lineX; // where the text's line begins, in thousandths of a point
  private long lineY;

  ContentStream(double pageHeight) {
    this.pageHeight = pageHeight;
  }

  byte[] bytes() {
    endText();
    endMark();
    return out.toArray();
  }

  /** What follows is content of an element of the structure (ISO 32000-2 §14.7.5). */
  void mark(String tag, int id) {
    endMark();
    ascii("/" + tag + "<</MCID " + id + ">>");
    operator("BDC");
    marked = true;
  }

  /**
   * What follows is no content (ISO 32000-2 §14.8.2.2).
   *
   * @param properties such as {@code <</Type/Pagination>>}; empty for none
   */
  void markArtifact(String properties) {
    endMark();
    operator(properties.isEmpty() ? "/Artifact BMC" : "/Artifact" + properties + "BDC");
    marked = true;
  }

  /** Ends what was marked last. */
  void endMark() {
    endText();
    if (marked) {
      operator("EMC");
      marked = false;
    }
  }

  private void beginText() {
    if (!inText) {
      operator("BT");
      inText = true;
      lineX = 0;
      lineY = 0;
    }
  }

  private void endText() {
    if (inText) {
      operator("ET");
      inText = false;
    }
  }

  void rectangle(Box b, Colour colour) {
    endText();
    colour(colour);
    number(b.x());
    number(pageHeight - b.bottom());
    number(b.width());
    number(b.height());
    operator("re f");
  }

  /** Turns what follows clockwise around a point, until {@link #restore}. */
  void turn(double degrees, double x, double y) {
    double a = -Math.toRadians(degrees); // the page's y grows upwards
    double cos = Math.cos(a);
    double sin = Math.sin(a);
    double py = pageHeight - y;
    endMark();
    operator("q");
    exact(cos);
    exact(sin);
    exact(-sin);
    exact(cos);
    number(x - cos * x + sin * py);
    number(py - sin * x - cos * py);
    operator("cm");
  }

  /** Ends what was begun with {@code q}; the colour and font from before hold again. */
  void restore() {
    endMark();
    close();
  }

  private void close() {
    operator("Q");
    forget();
  }

  private void forget() {
    fill = UNKNOWN;
    font = "";
  }

  private void exact(double v) {
    ascii(String.format(Locale.ROOT, "%.6f ", v));
  }

  /** Fills and strokes a path, whose y grows downwards. */
  void path(Shape path, Optional<Colour> area, Optional<Rule> line) {
    endText();
    operator("q");
    area.ifPresent(c -> {
      rgb(c, "rg");
      segments(path);
      operator("f");
    });
    line.ifPresent(r -> {
      rgb(r.colour(), "RG");
      number(r.width());
      operator("w");
      float[] dashes = Outlines.dashes(r, 1);
      if (dashes.length > 0) {
        ascii("[");
        for (float d : dashes) {
          number(d);
        }
        operator("] 0 d");
      }
      segments(path);
      operator("S");
    });
    close();
  }

  /** Sets a colour by the operator for filling or stroking; in grey where it has no hue. */
  private void rgb(Colour c, String operator) {
    number(c.red() / 255.0);
    if (c.red() == c.green() && c.green() == c.blue()) {
      operator(operator.equals("rg") ? "g" : "G");
      return;
    }
    number(c.green() / 255.0);
    number(c.blue() / 255.0);
    operator(operator);
  }

  private void segments(Shape path) {
    double[] p = new double[6];
    for (var i = path.getPathIterator(null); !i.isDone(); i.next()) {
      switch (i.currentSegment(p)) {
        case PathIterator.SEG_MOVETO -> points(p, 1, "m");
        case PathIterator.SEG_LINETO -> points(p, 1, "l");
        case PathIterator.SEG_CUBICTO -> points(p, 3, "c");
        case PathIterator.SEG_CLOSE -> operator("h");
        default -> throw new IllegalArgumentException("outlines have no quadratic curves");
      }
    }
  }

  private void points(double[] p, int n, String operator) {
    for (int k = 0; k < n; k++) {
      number(p[2 * k]);
      number(pageHeight - p[2 * k + 1]);
    }
    operator(operator);
  }

  /**
   * Shows a picture in a box, of which only a part may be seen.
   *
   * @param unitWidth width of the picture in its own units: 1 for an image
   */
  void picture(String name, Box whole, Box seen, double unitWidth, double unitHeight) {
    endText();
    operator("q");
    if (!seen.equals(whole)) {
      number(seen.x());
      number(pageHeight - seen.bottom());
      number(seen.width());
      number(seen.height());
      operator("re W n");
    }
    exact(whole.width() / unitWidth);
    number(0);
    number(0);
    exact(whole.height() / unitHeight);
    number(whole.x());
    number(pageHeight - whole.bottom());
    operator("cm");
    ascii("/" + name + " Do Q\n");
  }

  /** Shows a run whose line's baseline is at {@code y}. */
  void text(Item.GlyphRun run, double x, double y, GlyphEncoder coder) {
    if (run.placed().glyphs().length == 0) {
      return;
    }
    String[] text = GlyphTexts.of(run);
    boolean unspoken = isPrivate(text) || !run.placed().rightToLeft() && isJoint(text);
    if (unspoken) {
      beginText();
      actualText(text);
    }
    int k = 0;
    while (k < run.placed().glyphs().length) {
      String name = coder.font(run.placed().glyphs()[k], text[k]);
      int end = k + 1;
      while (end < run.placed().glyphs().length
          && run.placed().ys()[end] == run.placed().ys()[k]
          && name.equals(coder.font(run.placed().glyphs()[end], text[end]))) {
        end++;
      }
      beginText();
      colour(run.colour());
      if (!name.equals(font) || size != run.size()) {
        font = name;
        size = run.size();
        ascii("/" + name + " ");
        number(size);
        operator("Tf");
      }
      long px = Math.round((x + run.x() + run.placed().xs()[k]) * 1000);
      long py = Math.round((pageHeight - (y - run.rise() - run.placed().ys()[k])) * 1000);
      thousandths(px - lineX);
      thousandths(py - lineY);
      operator("Td");
      lineX = px;
      lineY = py;
      show(run, k, end, text, coder);
      k = end;
    }
    if (unspoken) {
      operator("EMC");
    }
  }

  /** Whether some of the text is of characters whose meaning only a font knows. */
  private static boolean isPrivate(String[] text) {
    for (String t : text) {
      for (int c = 0; c < t.length(); c++) {
        char x = t.charAt(c);
        if (x >= '\uE000' && x <= '\uF8FF' || x >= '\uDB80' && x <= '\uDBFF') {
          return true;
        }
      }
    }
    return false;
  }

  /**
   * Whether some glyphs show characters together, in an order of their own, so that no map from
   * single glyphs says what they say.
   */
  private static boolean isJoint(String[] text) {
    for (String t : text) {
      if (t.isEmpty()) {
        return true;
      }
    }
    return false;
  }

  /** What such text says in characters that all know (ISO 32000-2 §14.9.4). */
  private void actualText(String[] text) {
    ascii("/Span<</ActualText<FEFF");
    for (String t : text) {
      t.codePoints()
          .map(PrivateSigns::meant)
          .forEach(c -> {
            for (char x : Character.toChars(c)) {
              out.hex(x, true);
            }
          });
    }
    operator(">>>BDC");
  }

  private void show(Item.GlyphRun run, int from, int to, String[] text, GlyphEncoder coder) {
    boolean open = false;
    double pen =
        run.placed().xs()[from]; // where the file's own widths have brought the pen, in points
    out.write('[');
    for (int k = from; k < to; k++) {
      int glyph = run.placed().glyphs()[k];
      double gap = run.placed().xs()[k] - pen;
      long adjust = Math.round(-gap * 1000 / run.size());
      if (adjust != 0) {
        if (open) {
          out.write('>');
          open = false;
        }
        if (adjust < 0) {
          out.write('-');
        }
        whole(Math.abs(adjust));
        pen -= adjust * run.size() / 1000;
      }
      if (!open) {
        out.write('<');
        open = true;
      }
      String shown = text[k];
      if (run.placed().rightToLeft() && shown.length() > 1 && coder.twoBytes()) {
        // Readers reverse right-to-left text glyph by glyph: each further letter gets a blank glyph
        // of its own.
        int blank = coder.blankGlyph();
        double blankWidth = coder.width(blank, "") * run.size() / 1000;
        for (int c = shown.length() - 1; c > 0; c--) {
          code(coder, blank, shown.substring(c, c + 1));
          pen += blankWidth;
        }
        out.write('>');
        long back = Math.round((pen - run.placed().xs()[k]) * 1000 / run.size());
        ascii(Long.toString(back));
        pen -= back * run.size() / 1000;
        out.write('<');
        shown = shown.substring(0, 1);
      }
      code(coder, glyph, shown);
      pen += coder.width(glyph, shown) * run.size() / 1000;
    }
    if (open) {
      out.write('>');
    }
    operator("]TJ");
  }

  private void code(GlyphEncoder coder, int glyph, String text) {
    out.hex(coder.code(glyph, text), coder.twoBytes());
  }

  private void colour(Colour c) {
    if (!c.equals(fill)) {
      fill = c;
      rgb(c, "rg");
    }
  }

  /** At most three decimals, which is 1/3000 mm, and no exponent. */
  private void number(double v) {
    thousandths(Math.round(v * 1000));
  }

  private void thousandths(long given) {
    long thousandths = given;
    if (thousandths < 0) {
      out.write('-');
      thousandths = -thousandths;
    }
    whole(thousandths / 1000);
    int rest = (int) (thousandths % 1000);
    if (rest > 0) {
      out.write('.');
      out.write('0' + rest / 100);
      if (rest % 100 > 0) {
        out.write('0' + rest / 10 % 10);
        if (rest % 10 > 0) {
          out.write('0' + rest % 10);
        }
      }
    }
    out.write(' ');
  }

  private void whole(long v) {
    if (v >= 10) {
      whole(v / 10);
    }
    out.write((int) ('0' + v % 10));
  }

  private void operator(String s) {
    ascii(s);
    out.write('\n');
  }

  private void ascii(String s) {
    out.ascii(s);
  }
}
