package decant.pdf.write;

import decant.text.FontFace;
import decant.text.FontTables;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * One face in one PDF: a composite font (ISO 32000-1 §9.7) whose character codes stand for pairs of
 * a glyph and the text it shows. One glyph may so stand for different texts, and ToUnicode is right
 * for every one of them.
 */
final class FontSubset {
  private static final int MOST_CODES = 65_535;

  private record Pair(int glyph, String text) {}

  private final FontFace face;
  private final TrueTypeFont font;
  private final Map<Pair, Integer> codes = new HashMap<>();
  private final List<Pair> pairs = new ArrayList<>();
  private final COSDictionary dictionary = new COSDictionary();

  FontSubset(FontFace face) throws IOException {
    this.face = face;
    this.font =
        new TTFParser().parse(new RandomAccessReadBuffer(new ByteArrayInputStream(face.bytes())));
    pairs.add(new Pair(0, "")); // code 0 is .notdef
  }

  /** The font dictionary; complete only after {@link #finish}. */
  COSDictionary dictionary() {
    return dictionary;
  }

  /** The code for a glyph that shows this text; the text may be empty. */
  int code(int glyph, String text) {
    var pair = new Pair(glyph, text);
    Integer known = codes.get(pair);
    if (known != null) {
      return known;
    }
    if (pairs.size() > MOST_CODES) {
      throw new IllegalStateException("more than 65,535 different glyphs of one font in one file");
    }
    int code = pairs.size();
    pairs.add(pair);
    codes.put(pair, code);
    return code;
  }

  /** The glyph's advance in thousandths of the font size, as the file will declare it. */
  double width(int glyph) throws IOException {
    return Math.round(font.getAdvanceWidth(glyph) * 1000.0 / face.unitsPerEm());
  }

  /** The glyph that shows nothing, for characters that a glyph before stands for. */
  int blankGlyph() throws IOException {
    return Math.max(0, font.getUnicodeCmapLookup().getGlyphId(' '));
  }

  void finish() throws IOException {
    var glyphs = new TreeSet<Integer>();
    pairs.forEach(p -> glyphs.add(p.glyph()));
    glyphs.add(
        blankGlyph()); // a font of nothing but the glyph for what it lacks is refused by readers
    var subsetter = new TTFSubsetter(font);
    subsetter.addGlyphIds(glyphs);
    String tag = tag(glyphs);
    subsetter.setPrefix(tag);
    Map<Integer, Integer> oldByNew = subsetter.getGIDMap();
    var newByOld = new HashMap<Integer, Integer>();
    oldByNew.forEach((n, o) -> newByOld.put(o, n));
    var file = new ByteArrayOutputStream();
    subsetter.writeToStream(file);
    String name = tag + "+" + face.postScriptName();

    COSStream fontFile = stream(file.toByteArray());
    fontFile.setInt(COSName.LENGTH1, file.size());
    COSDictionary cid = new COSDictionary();
    cid.setItem(COSName.TYPE, COSName.FONT);
    cid.setItem(COSName.SUBTYPE, COSName.CID_FONT_TYPE2);
    cid.setName(COSName.BASE_FONT, name);
    COSDictionary system = new COSDictionary();
    system.setItem(COSName.REGISTRY, new COSString("Adobe"));
    system.setItem(COSName.ORDERING, new COSString("Identity"));
    system.setInt(COSName.SUPPLEMENT, 0);
    system.setDirect(true);
    cid.setItem(COSName.CIDSYSTEMINFO, system);
    cid.setItem(COSName.FONT_DESC, descriptor(name, fontFile));
    cid.setInt(COSName.DW, 0);
    cid.setItem(COSName.W, widths());
    cid.setItem(COSName.CID_TO_GID_MAP, stream(cidToGid(newByOld)));

    dictionary.setItem(COSName.TYPE, COSName.FONT);
    dictionary.setItem(COSName.SUBTYPE, COSName.TYPE0);
    dictionary.setName(COSName.BASE_FONT, name);
    dictionary.setItem(COSName.ENCODING, COSName.IDENTITY_H);
    COSArray descendants = new COSArray();
    descendants.add(cid);
    dictionary.setItem(COSName.DESCENDANT_FONTS, descendants);
    dictionary.setItem(COSName.TO_UNICODE, stream(toUnicode()));
    font.close();
  }

  private COSDictionary descriptor(String name, COSStream fontFile) throws IOException {
    FontTables t = face.tables();
    double em = 1000.0 / t.unitsPerEm();
    COSDictionary d = new COSDictionary();
    d.setItem(COSName.TYPE, COSName.FONT_DESC);
    d.setName(COSName.FONT_NAME, name);
    d.setInt(COSName.FLAGS, 4 | (face.italic() ? 64 : 0)); // symbolic, since codes are our own
    COSArray box = new COSArray();
    var head = font.getHeader();
    for (int v : new int[] {head.getXMin(), head.getYMin(), head.getXMax(), head.getYMax()}) {
      box.add(COSInteger.get(Math.round(v * em)));
    }
    d.setItem(COSName.FONT_BBOX, box);
    d.setItem(COSName.ITALIC_ANGLE, new COSFloat((float) t.italicAngle()));
    d.setInt(COSName.ASCENT, (int) Math.round(t.ascent() * em));
    d.setInt(COSName.DESCENT, (int) Math.round(-t.descent() * em));
    d.setInt(COSName.CAP_HEIGHT, (int) Math.round(t.capHeight() * em));
    d.setInt(COSName.STEM_V, face.bold() ? 140 : 80);
    d.setItem(COSName.FONT_FILE2, fontFile);
    return d;
  }

  private COSArray widths() throws IOException {
    COSArray w = new COSArray();
    w.add(COSInteger.ZERO);
    COSArray all = new COSArray();
    for (Pair p : pairs) {
      all.add(COSInteger.get((long) width(p.glyph())));
    }
    w.add(all);
    return w;
  }

  private byte[] cidToGid(Map<Integer, Integer> newByOld) {
    byte[] map = new byte[pairs.size() * 2];
    for (int c = 0; c < pairs.size(); c++) {
      int g = newByOld.getOrDefault(pairs.get(c).glyph(), 0);
      map[2 * c] = (byte) (g >> 8);
      map[2 * c + 1] = (byte) g;
    }
    return map;
  }

  /** ISO 32000-1 §9.10.3; at most 100 entries a block. */
  private byte[] toUnicode() {
    var b = new StringBuilder();
    b.append("/CIDInit /ProcSet findresource begin\n12 dict begin\nbegincmap\n")
        .append("/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def\n")
        .append("/CMapName /Adobe-Identity-UCS def\n/CMapType 2 def\n")
        .append("1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange\n");
    for (int from = 1; from < pairs.size(); from += 100) {
      int to = Math.min(from + 100, pairs.size());
      b.append(to - from).append(" beginbfchar\n");
      for (int c = from; c < to; c++) {
        String text = pairs.get(c).text().isEmpty() ? "\u200B" : pairs.get(c).text();
        b.append("<%04X> <".formatted(c));
        for (byte x : text.getBytes(StandardCharsets.UTF_16BE)) {
          b.append("%02X".formatted(x & 0xFF));
        }
        b.append(">\n");
      }
      b.append("endbfchar\n");
    }
    b.append("endcmap\nCMapName currentdict /CMap defineresource pop\nend\nend\n");
    return b.toString().getBytes(StandardCharsets.US_ASCII);
  }

  /** Six letters that name the subset (ISO 32000-1 §9.6.4), the same for the same glyphs. */
  private static String tag(TreeSet<Integer> glyphs) {
    long h = 1125899906842597L;
    for (int g : glyphs) {
      h = 31 * h + g;
    }
    var b = new StringBuilder();
    long left = h & Long.MAX_VALUE;
    for (int k = 0; k < 6; k++) {
      b.append((char) ('A' + left % 26));
      left /= 26;
    }
    return b.toString();
  }

  static COSStream stream(byte[] bytes) throws IOException {
    COSStream s = new COSStream();
    try (OutputStream out = s.createOutputStream(COSName.FLATE_DECODE)) {
      out.write(bytes);
    }
    return s;
  }
}
