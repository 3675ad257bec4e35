package decant.pdf.write.fonts;

import decant.pdf.choices.Conformance;
import decant.pdf.file.Deflated;
import decant.text.FontFace;
import decant.text.FontTables;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * A face that the file brings along: a composite font (ISO 32000-2 §9.7) whose character codes
 * stand for pairs of a glyph and the text it shows. One glyph may so stand for different texts, and
 * ToUnicode is right for every one of them.
 */
final class EmbeddedProgram implements FontInFile {
  private static final int MAX_CODES = 65_535;
  private static final int RESERVED = -2;

  /** What a font program needs in a composite font (ISO 32000-2 §9.9.1). */
  private static final List<String> NEEDED =
      List.of("head", "hhea", "loca", "maxp", "cvt ", "prep", "glyf", "hmtx", "fpgm");

  private final FontFace face;
  private final String name;
  private final boolean archive;
  private final GlyphTable codes = new GlyphTable();
  private final List<Integer> glyphs = new ArrayList<>();
  private final ParsedFont parsed;
  private final COSDictionary dictionary = new COSDictionary();

  EmbeddedProgram(
      FontFace face,
      GlyphTable used,
      String name,
      boolean whole,
      Conformance conformance,
      int level)
      throws IOException {
    this.face = face;
    this.name = name;
    this.archive = conformance.isArchive() || conformance.accessible();
    this.parsed = ParsedFont.of(face);
    codes.add(RESERVED, ""); // code 0 is .notdef, which nothing in the text refers to
    glyphs.add(0);
    for (int k = 0; k < used.size(); k++) {
      add(used.glyph(k), used.text(k));
    }
    parsed.use(font -> write(font, whole, conformance, level));
  }

  private void add(int glyph, String text) {
    if (codes.size() > MAX_CODES) {
      throw new IllegalStateException("more than 65,535 different glyphs of one font in one file");
    }
    int g = glyph == UsedGlyphs.BLANK ? parsed.blank() : glyph;
    if (codes.add(g, text) == glyphs.size()) {
      glyphs.add(drawn(g, text));
    }
  }

  /** Standards do not allow the glyph for what a font lacks (ISO 19005-2 §6.2.11.8). */
  private int drawn(int glyph, String text) {
    return glyph == 0 && archive
        ? text.isEmpty() ? parsed.blank() : parsed.standIn()
        : Math.min(glyph, parsed.glyphs() - 1);
  }

  @Override
  public String font(int glyph, String text) {
    return name;
  }

  @Override
  public int code(int glyph, String text) {
    int code = codes.find(glyph, text);
    if (code < 0) {
      throw new IllegalStateException("glyph " + glyph + " of " + face + " was not noted before");
    }
    return code;
  }

  @Override
  public boolean twoBytes() {
    return true;
  }

  @Override
  public double width(int glyph, String text) {
    return parsed.width(drawn(glyph, text));
  }

  @Override
  public int blankGlyph() {
    return parsed.blank();
  }

  @Override
  public Map<String, COSDictionary> dictionaries() {
    return Map.of(name, dictionary);
  }

  private void write(TrueTypeFont font, boolean whole, Conformance conformance, int level)
      throws IOException {
    boolean outlines = font instanceof OpenTypeFont o && o.isPostScript();
    var used = new TreeSet<>(glyphs);
    used.add(
        parsed.blank()); // a font of nothing but the glyph for what it lacks is refused by readers
    String baseName = (whole ? "" : tag(used) + "+") + face.postScriptName();
    COSDictionary cid = new COSDictionary();
    cid.setItem(COSName.TYPE, COSName.FONT);
    cid.setItem(COSName.SUBTYPE, outlines ? COSName.CID_FONT_TYPE0 : COSName.CID_FONT_TYPE2);
    cid.setName(COSName.BASE_FONT, baseName);
    COSDictionary system = new COSDictionary();
    system.setItem(COSName.REGISTRY, new COSString("Adobe"));
    system.setItem(COSName.ORDERING, new COSString("Identity"));
    system.setInt(COSName.SUPPLEMENT, 0);
    cid.setItem(COSName.CIDSYSTEMINFO, system);
    cid.setInt(COSName.DW, 0);

    COSStream program;
    if (outlines) {
      byte[] cff =
          font.getTableBytes(
              Optional.ofNullable(font.getTableMap().get("CFF "))
                  .orElseThrow(() -> new IOException("no outlines in " + face)));
      byte[] made = CffSubset.of(cff, whole ? List.of() : glyphs, whole);
      program = Deflated.stream(made, level);
      program.setName(COSName.SUBTYPE, "CIDFontType0C");
      dictionary.setItem(COSName.ENCODING, COSName.IDENTITY_H);
      if (whole) {
        dictionary.setItem(COSName.ENCODING, glyphNumbers(level));
        cid.setItem(COSName.W, widths(glyphs));
      } else {
        cid.setItem(COSName.W, widths());
      }
    } else {
      Map<Integer, Integer> newByOld = new HashMap<>();
      byte[] bytes = face.bytes();
      if (!whole) {
        var subsetter = new TTFSubsetter(font, NEEDED);
        subsetter.addGlyphIds(used);
        subsetter.setPrefix(tag(used));
        subsetter.getGIDMap().forEach((n, o) -> newByOld.put(o, n));
        var file = new ByteArrayOutputStream();
        subsetter.writeToStream(file);
        bytes = file.toByteArray();
      }
      program = Deflated.stream(bytes, level);
      program.setInt(COSName.LENGTH1, bytes.length);
      dictionary.setItem(COSName.ENCODING, COSName.IDENTITY_H);
      cid.setItem(COSName.W, widths());
      cid.setItem(COSName.CID_TO_GID_MAP, Deflated.stream(cidToGid(newByOld, whole), level));
    }
    cid.setItem(
        COSName.FONT_DESC, descriptor(font, baseName, program, outlines, conformance, level));

    dictionary.setItem(COSName.TYPE, COSName.FONT);
    dictionary.setItem(COSName.SUBTYPE, COSName.TYPE0);
    dictionary.setName(COSName.BASE_FONT, baseName);
    COSArray descendants = new COSArray();
    descendants.add(cid);
    dictionary.setItem(COSName.DESCENDANT_FONTS, descendants);
    dictionary.setItem(
        COSName.TO_UNICODE,
        Deflated.stream(
            ToUnicode.of(IntStream.range(0, codes.size()).mapToObj(codes::text).toList(), true),
            level));
  }

  /** From codes to glyph numbers, for outlines whose glyphs keep theirs (ISO 32000-2 §9.7.5.3). */
  private COSStream glyphNumbers(int level) throws IOException {
    var b = new StringBuilder();
    b.append("/CIDInit /ProcSet findresource begin\n12 dict begin\nbegincmap\n")
        .append("/CIDSystemInfo << /Registry (Adobe) /Ordering (Identity) /Supplement 0 >> def\n")
        .append("/CMapName /Decant-Glyphs def\n/CMapType 1 def\n")
        .append("1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange\n");
    for (int from = 0; from < glyphs.size(); from += 100) {
      int to = Math.min(from + 100, glyphs.size());
      b.append(to - from).append(" begincidchar\n");
      for (int c = from; c < to; c++) {
        b.append("<%04X> %d\n".formatted(c, glyphs.get(c)));
      }
      b.append("endcidchar\n");
    }
    b.append("endcmap\nCMapName currentdict /CMap defineresource pop\nend\nend\n");
    COSStream s =
        Deflated.stream(b.toString().getBytes(java.nio.charset.StandardCharsets.US_ASCII), level);
    s.setItem(COSName.TYPE, COSName.getPDFName("CMap"));
    s.setName("CMapName", "Decant-Glyphs");
    COSDictionary system = new COSDictionary();
    system.setItem(COSName.REGISTRY, new COSString("Adobe"));
    system.setItem(COSName.ORDERING, new COSString("Identity"));
    system.setInt(COSName.SUPPLEMENT, 0);
    s.setItem(COSName.CIDSYSTEMINFO, system);
    return s;
  }

  private COSDictionary descriptor(
      TrueTypeFont font,
      String baseName,
      COSStream program,
      boolean outlines,
      Conformance conformance,
      int level)
      throws IOException {
    FontTables t = face.tables();
    double em = 1000.0 / t.unitsPerEm();
    COSDictionary d = new COSDictionary();
    d.setItem(COSName.TYPE, COSName.FONT_DESC);
    d.setName(COSName.FONT_NAME, baseName);
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
    d.setItem(outlines ? COSName.FONT_FILE3 : COSName.FONT_FILE2, program);
    if (conformance.standard().part() == 1) {
      // Every code is in the subset (ISO 19005-1 §6.3.5).
      byte[] set = new byte[(codes.size() + 7) / 8];
      for (int c = 0; c < codes.size(); c++) {
        set[c / 8] |= (byte) (0x80 >> c % 8);
      }
      d.setItem(COSName.CID_SET, Deflated.stream(set, level));
    }
    return d;
  }

  private COSArray widths() {
    COSArray w = new COSArray();
    w.add(COSInteger.ZERO);
    COSArray all = new COSArray();
    for (int g : glyphs) {
      all.add(COSInteger.get((long) parsed.width(g)));
    }
    w.add(all);
    return w;
  }

  /** Widths by the numbers of glyphs, where these are the codes of the font's own characters. */
  private COSArray widths(List<Integer> some) {
    COSArray w = new COSArray();
    for (int g : new TreeSet<>(some)) {
      w.add(COSInteger.get(g));
      COSArray one = new COSArray();
      one.add(COSInteger.get((long) parsed.width(g)));
      w.add(one);
    }
    return w;
  }

  private byte[] cidToGid(Map<Integer, Integer> newByOld, boolean whole) {
    byte[] map = new byte[glyphs.size() * 2];
    for (int c = 0; c < glyphs.size(); c++) {
      int g = whole ? glyphs.get(c) : newByOld.getOrDefault(glyphs.get(c), 0);
      map[2 * c] = (byte) (g >> 8);
      map[2 * c + 1] = (byte) g;
    }
    return map;
  }

  /** Six letters that name the subset (ISO 32000-2 §9.9.2), the same for the same glyphs. */
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
}
