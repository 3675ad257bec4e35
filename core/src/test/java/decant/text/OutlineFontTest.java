package decant.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.geom.Area;
import java.awt.geom.CubicCurve2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.FlatteningPathIterator;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.HashMap;
import java.util.Map;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.junit.jupiter.api.Test;

/**
 * Fonts made of outlines, read back by fontbox and by the runtime's own rasteriser and shaper.
 * Tables are those of ISO/IEC 14496-22.
 */
class OutlineFontTest {
  private static final FontTables LIKE =
      FontBook.shipped().serve("Liberation Serif", false, false).face().tables();

  private static OutlineFont.Facts facts(int units, int embedding) {
    return new OutlineFont.Facts("Tidewater", true, false, units, LIKE, embedding);
  }

  /** The letters of a font that ships. */
  static Map<String, OutlineFont.Letter> letters(String text, boolean asCubics) {
    FontFace face = FontBook.shipped().serve("Liberation Serif", false, false).face();
    Font font = face.unitFont(Joins.NONE);
    var out = new HashMap<String, OutlineFont.Letter>();
    text.codePoints()
        .forEach(c -> {
          var v =
              font.createGlyphVector(
                  new FontRenderContext(null, true, true), Character.toString(c));
          var path = new Path2D.Double();
          append(path, v.getOutline(), asCubics);
          out.put(
              Character.toString(c),
              new OutlineFont.Letter(path, v.getGlyphMetrics(0).getAdvanceX()));
        });
    return out;
  }

  /** The outline with y upwards; its curves raised to the third degree, if that is wished. */
  private static void append(Path2D to, Shape s, boolean asCubics) {
    double[] c = new double[6];
    double x = 0;
    double y = 0;
    for (PathIterator i = s.getPathIterator(null); !i.isDone(); i.next()) {
      switch (i.currentSegment(c)) {
        case PathIterator.SEG_MOVETO -> to.moveTo(x = c[0], -(y = c[1]));
        case PathIterator.SEG_LINETO -> to.lineTo(x = c[0], -(y = c[1]));
        case PathIterator.SEG_QUADTO -> {
          if (asCubics) {
            to.curveTo(
                x + (c[0] - x) * 2 / 3,
                -(y + (c[1] - y) * 2 / 3),
                c[2] + (c[0] - c[2]) * 2 / 3,
                -(c[3] + (c[1] - c[3]) * 2 / 3),
                c[2],
                -c[3]);
          } else {
            to.quadTo(c[0], -c[1], c[2], -c[3]);
          }
          x = c[2];
          y = c[3];
        }
        default -> to.closePath();
      }
    }
  }

  private static TrueTypeFont parsed(byte[] file) throws IOException {
    return new TTFParser().parse(new RandomAccessReadBuffer(new ByteArrayInputStream(file)));
  }

  @Test
  void tablesSayWhatWasGiven() throws IOException {
    byte[] file = OutlineFont.make(facts(2048, 8), letters("Moor 2 ropesé–𝄞", false));
    try (TrueTypeFont f = parsed(file)) {
      assertThat(f.getName()).isEqualTo("Tidewater-Bold".replace("-", ""));
      assertThat(f.getNaming().getFontFamily()).isEqualTo("Tidewater");
      assertThat(f.getUnitsPerEm()).isEqualTo(2048);
      assertThat(f.getOS2Windows().getFsType()).isEqualTo((short) 8);
      assertThat(f.getOS2Windows().getWeightClass()).isEqualTo(700);
      assertThat(f.getNumberOfGlyphs()).isEqualTo(12);
      var cmap = f.getUnicodeCmapLookup();
      assertThat(cmap.getGlyphId('M')).isPositive();
      assertThat(cmap.getGlyphId('–')).isPositive();
      assertThat(cmap.getGlyphId(0x1D11E)).isPositive();
      assertThat(cmap.getGlyphId('Q')).isZero();
      assertThat(f.getAdvanceWidth(cmap.getGlyphId('M'))).isEqualTo(1821); // Times' M: 0.889 em
    }
    FontTables t = FontTables.read(file);
    assertThat(t.ascent()).isEqualTo(LIKE.ascent());
    assertThat(t.descent()).isEqualTo(LIKE.descent());
    assertThat(t.lineGap()).isEqualTo(LIKE.lineGap());
    assertThat(t.underlinePosition()).isCloseTo(LIKE.underlinePosition(), within(2));
  }

  /** ISO/IEC 14496-22, 4.4 and 5.2: all words of the file add up to 0xB1B0AFBA. */
  @Test
  void checksumsHold() {
    byte[] file = OutlineFont.make(facts(1000, 0), letters("sum", false));
    ByteBuffer b = ByteBuffer.wrap(file);
    int sum = 0;
    while (b.remaining() >= 4) {
      sum += b.getInt();
    }
    assertThat(sum).isEqualTo(0xB1B0AFBA);
  }

  @Test
  void outlinesOfTheSecondDegreeStayAsTheyAre() {
    Map<String, OutlineFont.Letter> given = letters("&gQ", false);
    FontFace face = face(OutlineFont.make(facts(2048, 0), given));
    for (String s : given.keySet()) {
      assertThat(farthest(given.get(s).outline(), shown(face, s)))
          .as(s)
          .isLessThan(0.75); // half a unit each way
    }
  }

  @Test
  void outlinesOfTheThirdDegreeAreMissedByLessThanAUnit() {
    Map<String, OutlineFont.Letter> given = letters("&gQ", true);
    given.put("o", new OutlineFont.Letter(new Ellipse2D.Double(0, 0, 900, 1300), 1000));
    FontFace face = face(OutlineFont.make(facts(2000, 0), given));
    for (String s : given.keySet()) {
      assertThat(farthest(given.get(s).outline(), shown(face, s))).as(s).isLessThan(1.2);
    }
  }

  private static FontFace face(byte[] file) {
    return new FontFace("Tidewater", true, false, () -> file);
  }

  private static Shape shown(FontFace face, String s) {
    var path = new Path2D.Double();
    append(
        path,
        face.unitFont(Joins.NONE)
            .createGlyphVector(new FontRenderContext(null, true, true), s)
            .getOutline(),
        false);
    return path;
  }

  /** How far the corners of a finely flattened shape lie from another's area, at most. */
  private static double farthest(Shape a, Shape b) {
    double worst = 0;
    double[] c = new double[6];
    Rectangle2D box = a.getBounds2D();
    assertThat(b.getBounds2D().getWidth()).isCloseTo(box.getWidth(), within(2.0));
    for (PathIterator i = new FlatteningPathIterator(a.getPathIterator(null), 0.05);
        !i.isDone();
        i.next()) {
      if (i.currentSegment(c) != PathIterator.SEG_CLOSE) {
        worst = Math.max(worst, distance(b, c[0], c[1]));
      }
    }
    return worst;
  }

  private static double distance(Shape s, double x, double y) {
    double best = Double.MAX_VALUE;
    double[] c = new double[6];
    double px = 0;
    double py = 0;
    double startX = 0;
    double startY = 0;
    for (PathIterator i = new FlatteningPathIterator(s.getPathIterator(null), 0.05);
        !i.isDone();
        i.next()) {
      int kind = i.currentSegment(c);
      double nx = kind == PathIterator.SEG_CLOSE ? startX : c[0];
      double ny = kind == PathIterator.SEG_CLOSE ? startY : c[1];
      if (kind == PathIterator.SEG_MOVETO) {
        startX = nx;
        startY = ny;
      } else {
        best = Math.min(best, java.awt.geom.Line2D.ptSegDist(px, py, nx, ny, x, y));
      }
      px = nx;
      py = ny;
    }
    return best;
  }

  @Test
  void joinedLettersAreShownByTheirOneShape() {
    Map<String, OutlineFont.Letter> given = letters("fist l", false);
    var bar = new Rectangle2D.Double(100, 0, 900, 50);
    given.put("fi", new OutlineFont.Letter(bar, 1100));
    given.put("ffl", new OutlineFont.Letter(bar, 1700));
    FontFace face = face(OutlineFont.make(facts(2048, 0), given));
    var shaper = new JdkShaper();
    Glyphs joined = shaper.shape(face, "fi", false, Joins.ALL);
    assertThat(joined.ids()).hasSize(1);
    assertThat(joined.width()).isEqualTo(1100);
    assertThat(shaper.shape(face, "ffl", false, Joins.ALL).ids()).hasSize(1);
    assertThat(shaper.shape(face, "fs", false, Joins.ALL).ids()).hasSize(2);
    assertThat(shaper.shape(face, "fi", false, Joins.NONE).ids()).hasSize(2);
  }

  @Test
  void curvesWithKinksAreCutFinely() {
    var loop = new Path2D.Double(new CubicCurve2D.Double(0, 0, 1800, 1500, -800, 1500, 1000, 0));
    loop.closePath();
    var given = new HashMap<String, OutlineFont.Letter>();
    given.put("x", new OutlineFont.Letter(loop, 1000));
    FontFace face = face(OutlineFont.make(facts(2000, 0), given));
    assertThat(farthest(loop, shown(face, "x"))).isLessThan(1.5);
    assertThat(new Area(shown(face, "x")).isEmpty()).isFalse();
  }

  @Test
  void whatADocumentsFontLacksIsShownByTheClosestFamily() {
    byte[] file = OutlineFont.make(facts(2048, 0), letters("Quay", false));
    FontBook book =
        FontBook.shipped()
            .with(java.util.List.of(new FontBook.Embedded("Times New Roman", true, false, file)));
    FontBook.Served s = book.serve("Times New Roman", true, false);
    assertThat(s.reason()).isEqualTo(FontBook.Reason.EMBEDDED);
    assertThat(s.face().covers('Q')).isTrue();
    assertThat(s.face().covers('z')).isFalse();
    assertThat(book.stepIn(s.face(), 'z')).hasToString("Liberation Serif Bold");
    assertThat(book.stepIn(s.face(), 'ع').family()).isEqualTo("Noto Naskh Arabic");
    assertThat(book.serve("Times New Roman", false, false))
        .as("the document brings no upright face of it")
        .extracting(FontBook.Served::reason)
        .isEqualTo(FontBook.Reason.SAME_METRICS);
  }
}
