package decant.text;

import java.awt.Shape;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Makes a TrueType font (ISO/IEC 14496-22) of the outlines of letters, for text whose font is known
 * by the shapes it leaves on pages alone.
 */
public final class OutlineFont {
  /** A place in a 16-bit coordinate that no outline needs to go beyond. */
  private static final int FARTHEST = 16_000;

  private static final int MAX_GLYPHS = 0xFFF0;

  /** An outline with more points is no letter's; the numbers of its points would not fit. */
  private static final int MAX_POINTS = 20_000;

  private static final long EPOCH_1904 = 2_082_844_800L;

  /**
   * One letter.
   *
   * @param outline in units of the font, y upwards
   * @param advance in units of the font
   */
  public record Letter(Shape outline, double advance) {}

  /**
   * What is said of the font as a whole.
   *
   * @param like the font whose lines it shares: how high they are, where they are underlined
   * @param embedding OS/2.fsType
   */
  public record Facts(
      String family,
      boolean bold,
      boolean italic,
      int unitsPerEm,
      FontTables like,
      int embedding) {}

  private final Facts facts;
  private final List<Letter> glyphs = new ArrayList<>();
  private final SortedMap<Integer, Integer> codes = new TreeMap<>();
  private final Map<String, Integer> ligatures = new TreeMap<>();
  private final Map<String, byte[]> tables = new LinkedHashMap<>();
  private int minX = Integer.MAX_VALUE;
  private int minY = Integer.MAX_VALUE;
  private int maxX = Integer.MIN_VALUE;
  private int maxY = Integer.MIN_VALUE;
  private int mostPoints;
  private int mostContours;

  private OutlineFont(Facts facts) {
    this.facts = facts;
  }

  /**
   * The font file.
   *
   * @param letters by what they stand for: one character, or several that are joined into one shape
   */
  public static byte[] make(Facts facts, Map<String, Letter> letters) {
    var f = new OutlineFont(facts);
    f.collect(letters);
    return f.file();
  }

  /** Glyphs in the order of their characters, so that runs of them are runs of numbers. */
  private void collect(Map<String, Letter> letters) {
    glyphs.add(new Letter(new java.awt.geom.Path2D.Double(), facts.unitsPerEm() / 2.0)); // .notdef
    var sorted = new TreeMap<Integer, Letter>();
    letters.forEach((s, l) -> {
      if (s.codePointCount(0, s.length()) == 1) {
        sorted.put(s.codePointAt(0), l);
      }
    });
    sorted.forEach((c, l) -> {
      if (glyphs.size() < MAX_GLYPHS) {
        codes.put(c, glyphs.size());
        glyphs.add(l);
      }
    });
    letters.forEach((s, l) -> {
      boolean joined = s.codePointCount(0, s.length()) > 1;
      if (joined && s.codePoints().allMatch(codes::containsKey) && glyphs.size() < MAX_GLYPHS) {
        ligatures.put(s, glyphs.size());
        glyphs.add(l);
      }
    });
  }

  private byte[] file() {
    outlines();
    tables.put("OS/2", os2());
    tables.put("cmap", new CharacterMap(codes).table());
    tables.put("head", head());
    tables.put("hhea", hhea());
    tables.put("hmtx", hmtx());
    tables.put("maxp", maxp());
    tables.put("name", names());
    tables.put("post", post());
    if (!ligatures.isEmpty()) {
      tables.put("GSUB", Ligatures.table(ligatures, codes));
    }
    return Sfnt.file(tables);
  }

  private int scaled(int v) {
    return (int) Math.round((double) v * facts.unitsPerEm() / facts.like().unitsPerEm());
  }

  private void outlines() {
    var glyf = new ByteArrayOutputStream();
    ByteBuffer loca = ByteBuffer.allocate(4 * (glyphs.size() + 1));
    for (Letter l : glyphs) {
      loca.putInt(glyf.size());
      List<GlyphContour> contours = GlyphContour.of(l.outline(), FARTHEST);
      int points = contours.stream().mapToInt(GlyphContour::size).sum();
      if (points > 0 && points < MAX_POINTS) {
        glyf.writeBytes(glyph(contours));
        while (glyf.size() % 4 != 0) {
          glyf.write(0);
        }
      }
    }
    loca.putInt(glyf.size());
    tables.put("glyf", glyf.toByteArray());
    tables.put("loca", loca.array());
  }

  private byte[] glyph(List<GlyphContour> contours) {
    int points = contours.stream().mapToInt(GlyphContour::size).sum();
    int left = contours.stream().mapToInt(GlyphContour::minX).min().orElse(0);
    int low = contours.stream().mapToInt(GlyphContour::minY).min().orElse(0);
    int right = contours.stream().mapToInt(GlyphContour::maxX).max().orElse(0);
    int high = contours.stream().mapToInt(GlyphContour::maxY).max().orElse(0);
    minX = Math.min(minX, left);
    minY = Math.min(minY, low);
    maxX = Math.max(maxX, right);
    maxY = Math.max(maxY, high);
    mostPoints = Math.max(mostPoints, points);
    mostContours = Math.max(mostContours, contours.size());
    ByteBuffer b = ByteBuffer.allocate(12 + 2 * contours.size() + 5 * points);
    b.putShort((short) contours.size());
    b.putShort((short) left).putShort((short) low).putShort((short) right).putShort((short) high);
    int end = -1;
    for (GlyphContour c : contours) {
      end += c.size();
      b.putShort((short) end);
    }
    b.putShort((short) 0); // no instructions
    for (GlyphContour c : contours) {
      for (int k = 0; k < c.size(); k++) {
        b.put((byte) (c.isOn(k) ? 1 : 0)); // coordinates as 16 bits each
      }
    }
    int last = 0;
    for (GlyphContour c : contours) {
      for (int k = 0; k < c.size(); k++) {
        b.putShort((short) (c.x(k) - last));
        last = c.x(k);
      }
    }
    last = 0;
    for (GlyphContour c : contours) {
      for (int k = 0; k < c.size(); k++) {
        b.putShort((short) (c.y(k) - last));
        last = c.y(k);
      }
    }
    return java.util.Arrays.copyOf(b.array(), b.position());
  }

  private static short advance(Letter l) {
    return (short) Math.clamp(Math.round(l.advance()), 0, Short.MAX_VALUE);
  }

  private byte[] hmtx() {
    ByteBuffer b = ByteBuffer.allocate(4 * glyphs.size());
    for (Letter l : glyphs) {
      b.putShort(advance(l));
      b.putShort(
          (short) Math.clamp(Math.round(l.outline().getBounds2D().getMinX()), -FARTHEST, FARTHEST));
    }
    return b.array();
  }

  private byte[] head() {
    ByteBuffer b = ByteBuffer.allocate(54);
    b.putInt(0x00010000).putInt(0x00010000).putInt(0).putInt(0x5F0F3CF5);
    b.putShort((short) 0x0003).putShort((short) facts.unitsPerEm());
    b.putLong(EPOCH_1904).putLong(EPOCH_1904);
    boolean none = minX > maxX;
    b.putShort((short) (none ? 0 : minX)).putShort((short) (none ? 0 : minY));
    b.putShort((short) (none ? 0 : maxX)).putShort((short) (none ? 0 : maxY));
    b.putShort((short) ((facts.bold() ? 1 : 0) | (facts.italic() ? 2 : 0)));
    b.putShort((short) 8).putShort((short) 2);
    b.putShort((short) 1); // offsets of 32 bits
    b.putShort((short) 0);
    return b.array();
  }

  private byte[] hhea() {
    ByteBuffer b = ByteBuffer.allocate(36);
    b.putInt(0x00010000);
    b.putShort((short) scaled(facts.like().ascent()));
    b.putShort((short) -scaled(facts.like().descent()));
    b.putShort((short) scaled(facts.like().lineGap()));
    b.putShort((short) glyphs.stream().mapToInt(OutlineFont::advance).max().orElse(0));
    b.putShort((short) (minX > maxX ? 0 : minX));
    b.putShort((short) 0);
    b.putShort((short) (minX > maxX ? 0 : maxX));
    b.putShort((short) 1);
    b.position(34);
    b.putShort((short) glyphs.size());
    return b.array();
  }

  private byte[] maxp() {
    ByteBuffer b = ByteBuffer.allocate(32);
    b.putInt(0x00010000);
    b.putShort((short) glyphs.size());
    b.putShort((short) mostPoints).putShort((short) mostContours);
    b.putShort((short) 0).putShort((short) 0).putShort((short) 1);
    return b.array();
  }

  private byte[] os2() {
    FontTables like = facts.like();
    ByteBuffer b = ByteBuffer.allocate(96);
    b.putShort((short) 4);
    int average =
        (int)
            Math.round(glyphs.stream().skip(1).mapToInt(OutlineFont::advance).average().orElse(0));
    b.putShort((short) average);
    b.putShort((short) (facts.bold() ? 700 : 400)).putShort((short) 5);
    b.putShort((short) facts.embedding());
    int em = facts.unitsPerEm();
    b.putShort((short) (em * 65 / 100)).putShort((short) (em * 6 / 10));
    b.putShort((short) 0).putShort((short) (em * 14 / 100));
    b.putShort((short) (em * 65 / 100)).putShort((short) (em * 6 / 10));
    b.putShort((short) 0).putShort((short) (em * 45 / 100));
    b.putShort((short) scaled(like.underlineThickness())).putShort((short) (em * 26 / 100));
    b.position(62);
    b.putShort(
        (short)
            ((facts.italic() ? 1 : 0)
                | (facts.bold() ? 1 << 5 : 0)
                | (!facts.bold() && !facts.italic() ? 1 << 6 : 0)));
    int first = codes.isEmpty() ? 0 : Math.min(0xFFFF, codes.firstKey());
    int last = codes.isEmpty() ? 0 : Math.min(0xFFFF, codes.lastKey());
    b.putShort((short) first).putShort((short) last);
    b.putShort((short) scaled(like.ascent())).putShort((short) -scaled(like.descent()));
    b.putShort((short) scaled(like.lineGap()));
    b.putShort((short) scaled(like.ascent())).putShort((short) scaled(like.descent()));
    b.putInt(1).putInt(0);
    b.putShort((short) (em / 2)).putShort((short) scaled(like.capHeight()));
    b.putShort((short) 0).putShort((short) ' ').putShort((short) 3);
    return b.array();
  }

  private byte[] post() {
    FontTables like = facts.like();
    ByteBuffer b = ByteBuffer.allocate(32);
    b.putInt(0x00030000);
    b.putInt((int) Math.round(facts.italic() ? like.italicAngle() * 65_536 : 0));
    int thick = scaled(like.underlineThickness());
    b.putShort((short) (thick / 2 - scaled(like.underlinePosition()))).putShort((short) thick);
    return b.array();
  }

  private byte[] names() {
    String style =
        facts.bold() && facts.italic()
            ? "Bold Italic"
            : facts.bold() ? "Bold" : facts.italic() ? "Italic" : "Regular";
    String full = facts.family() + (style.equals("Regular") ? "" : " " + style);
    var named = new TreeMap<Integer, String>();
    named.put(1, facts.family());
    named.put(2, style);
    named.put(3, full);
    named.put(4, full);
    named.put(6, full.replaceAll("[^!-~]|[\\[\\](){}<>/%]", ""));
    var strings = new ByteArrayOutputStream();
    ByteBuffer b = ByteBuffer.allocate(6 + 12 * named.size());
    b.putShort((short) 0).putShort((short) named.size()).putShort((short) b.capacity());
    named.forEach((id, s) -> {
      byte[] text = s.getBytes(StandardCharsets.UTF_16BE);
      b.putShort((short) 3).putShort((short) 1).putShort((short) 0x409).putShort(id.shortValue());
      b.putShort((short) text.length).putShort((short) strings.size());
      strings.writeBytes(text);
    });
    var out = new ByteArrayOutputStream();
    out.writeBytes(b.array());
    out.writeBytes(strings.toByteArray());
    return out.toByteArray();
  }
}
