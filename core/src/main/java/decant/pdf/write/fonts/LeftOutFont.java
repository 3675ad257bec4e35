package decant.pdf.write.fonts;

import decant.pdf.choices.FontEmbedding.Substitute;
import decant.pdf.file.Deflated;
import decant.text.FontFace;
import decant.text.FontTables;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.Map;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;

/**
 * A face that the file does not bring along: simple fonts (ISO 32000-2 §9.6) of at most 223
 * characters each, whose names tell a viewer which characters to take from a font of its own, and
 * whose widths keep every line as long as it was.
 */
final class LeftOutFont implements FontInFile {
  private static final int FIRST = 32;
  private static final int LAST = 255;

  private final String name;
  private final GlyphTable places;
  private final double[] widths;
  private final int blank;
  private final Map<String, COSDictionary> dictionaries = new LinkedHashMap<>();

  LeftOutFont(FontFace face, GlyphTable used, String name, Substitute substitute, int level)
      throws IOException {
    this.name = name;
    try (TrueTypeFont font =
        new OTFParser(false)
            .parse(new RandomAccessReadBuffer(new ByteArrayInputStream(face.bytes())))) {
      this.blank = Math.max(0, font.getUnicodeCmapLookup().getGlyphId(' '));
      this.widths = new double[font.getNumberOfGlyphs()];
      for (int g = 0; g < widths.length; g++) {
        widths[g] = Math.round(font.getAdvanceWidth(g) * 1000.0 / face.unitsPerEm());
      }
    }
    this.places = used;
    int size = LAST - FIRST + 1;
    for (int from = 0; from < used.size(); from += size) {
      int to = Math.min(used.size(), from + size);
      dictionaries.put(name + "s" + from / size, dictionary(face, from, to, substitute, level));
    }
  }

  private COSDictionary dictionary(
      FontFace face, int from, int to, Substitute substitute, int level) throws IOException {
    COSDictionary d = new COSDictionary();
    d.setItem(COSName.TYPE, COSName.FONT);
    d.setItem(COSName.SUBTYPE, COSName.TRUE_TYPE);
    String base = baseName(face, substitute);
    d.setName(COSName.BASE_FONT, base);
    if (substitute != Substitute.SAME_NAME) {
      d.setItem(COSName.SUBTYPE, COSName.TYPE1);
    }
    d.setInt(COSName.FIRST_CHAR, FIRST);
    d.setInt(COSName.LAST_CHAR, FIRST + to - from - 1);
    COSArray w = new COSArray();
    COSArray differences = new COSArray();
    differences.add(COSInteger.get(FIRST));
    var texts = new ArrayList<String>();
    for (int c = 0; c < FIRST; c++) {
      texts.add("");
    }
    for (int k = from; k < to; k++) {
      w.add(COSInteger.get((long) width(places.glyph(k), places.text(k))));
      differences.add(COSName.getPDFName(glyphName(places.text(k))));
      texts.add(places.text(k));
    }
    d.setItem(COSName.WIDTHS, w);
    COSDictionary encoding = new COSDictionary();
    encoding.setItem(COSName.TYPE, COSName.ENCODING);
    encoding.setItem(COSName.BASE_ENCODING, COSName.WIN_ANSI_ENCODING);
    encoding.setItem(COSName.DIFFERENCES, differences);
    d.setItem(COSName.ENCODING, encoding);
    d.setItem(COSName.FONT_DESC, descriptor(face, base));
    d.setItem(COSName.TO_UNICODE, Deflated.stream(ToUnicode.of(texts, false), level));
    return d;
  }

  /** The names of the standard fonts (ISO 32000-2 table 110), or the face's own. */
  private static String baseName(FontFace face, Substitute substitute) {
    boolean b = face.bold();
    boolean i = face.italic();
    return switch (substitute) {
      case SAME_NAME -> face.postScriptName();
      case HELVETICA, COURIER ->
          (substitute == Substitute.HELVETICA ? "Helvetica" : "Courier")
              + (b && i ? "-BoldOblique" : b ? "-Bold" : i ? "-Oblique" : "");
      case TIMES ->
          b && i ? "Times-BoldItalic" : b ? "Times-Bold" : i ? "Times-Italic" : "Times-Roman";
    };
  }

  private static COSDictionary descriptor(FontFace face, String base) {
    FontTables t = face.tables();
    double em = 1000.0 / t.unitsPerEm();
    boolean mono = face.family().contains("Mono");
    boolean serif = face.family().contains("Serif") || face.family().equals("Caladea");
    COSDictionary d = new COSDictionary();
    d.setItem(COSName.TYPE, COSName.FONT_DESC);
    d.setName(COSName.FONT_NAME, base);
    d.setInt(COSName.FLAGS, 32 | (mono ? 1 : 0) | (serif ? 2 : 0) | (face.italic() ? 64 : 0));
    COSArray box = new COSArray();
    for (double v : new double[] {-200, -t.descent() * em, 1200, t.ascent() * em}) {
      box.add(COSInteger.get(Math.round(v)));
    }
    d.setItem(COSName.FONT_BBOX, box);
    d.setInt(COSName.ITALIC_ANGLE, (int) t.italicAngle());
    d.setInt(COSName.ASCENT, (int) Math.round(t.ascent() * em));
    d.setInt(COSName.DESCENT, (int) Math.round(-t.descent() * em));
    d.setInt(COSName.CAP_HEIGHT, (int) Math.round(t.capHeight() * em));
    d.setInt(COSName.STEM_V, face.bold() ? 140 : 80);
    return d;
  }

  /** The name of a character by which viewers find it (Adobe Glyph List). */
  private static String glyphName(String text) {
    if (text.isEmpty()) {
      return "space";
    }
    String ligature =
        switch (text) {
          case "fi" -> "fi";
          case "fl" -> "fl";
          case "ff" -> "uniFB00";
          case "ffi" -> "uniFB03";
          case "ffl" -> "uniFB04";
          default -> "";
        };
    if (!ligature.isEmpty()) {
      return ligature;
    }
    int c = text.codePointAt(0);
    String known = GlyphList.getAdobeGlyphList().codePointToName(c);
    return known.equals(".notdef") ? (c > 0xFFFF ? "u%X" : "uni%04X").formatted(c) : known;
  }

  private int place(int glyph, String text) {
    return Math.max(0, places.find(glyph, text));
  }

  @Override
  public String font(int glyph, String text) {
    return name + "s" + place(glyph, text) / (LAST - FIRST + 1);
  }

  @Override
  public int code(int glyph, String text) {
    return FIRST + place(glyph, text) % (LAST - FIRST + 1);
  }

  @Override
  public boolean twoBytes() {
    return false;
  }

  @Override
  public double width(int glyph, String text) {
    return widths[glyph == UsedGlyphs.BLANK ? blank : Math.min(glyph, widths.length - 1)];
  }

  @Override
  public int blankGlyph() {
    return blank;
  }

  @Override
  public Map<String, COSDictionary> dictionaries() {
    return dictionaries;
  }
}
