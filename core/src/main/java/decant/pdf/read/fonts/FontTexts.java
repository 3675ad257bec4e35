package decant.pdf.read.fonts;

import decant.pdf.read.page.SourceFace;
import decant.work.Faults;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.PostScriptTable;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.font.PDCIDFontType2;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDTrueTypeFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.font.PDVectorFont;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;
import org.jspecify.annotations.Nullable;

/**
 * Which characters the codes of one font stand for: by its ToUnicode map or its encoding (ISO
 * 32000-1 §9.10.2); where these say nothing or nonsense, by the names and maps of the embedded font
 * program, and at last by what its letters look like.
 */
final class FontTexts {
  /** Letters are looked for among so many codes. */
  private static final int MAX_CODES = 1200;

  private final PDFont font;
  private final Map<Integer, Shown> known = new HashMap<>();
  private final boolean mapped;
  private boolean repaired;

  /**
   * @param believed whether what the file says is not to be doubted
   */
  FontTexts(PDFont font, boolean believed) {
    this.font = font;
    this.mapped = believed || isTrusted();
  }

  /** A code that was shown, and how often. */
  private static final class Shown {
    private final String text;
    private int times;

    Shown(String text) {
      this.text = text;
    }
  }

  /** The text of a code that is shown, found out once; empty if nothing tells. */
  String of(int code) {
    Shown s = known.computeIfAbsent(code, c -> new Shown(find(c)));
    s.times++;
    return s.text;
  }

  /** Told of each code that was shown. */
  interface Showing {
    void of(int code, String text, int times);
  }

  void shown(Showing each) {
    known.forEach((code, s) -> each.of(code, s.text, s.times));
  }

  /** Whether the text of any code had to be found otherwise than the file says. */
  boolean repaired() {
    return repaired;
  }

  private String find(int code) {
    String said = said(code);
    if (mapped && !said.isEmpty() && !isNonsense(said)) {
      return said;
    }
    Optional<String> told = font.isEmbedded() ? fromProgram(code) : Optional.empty();
    repaired |= told.isPresent() && !told.get().equals(said);
    String text = told.orElse(mapped ? said : "");
    boolean unknown = text.isEmpty() || text.codePointAt(0) == 0xFFFD;
    return unknown && hasInk(code) ? PrivateCodes.of(font, code) : text;
  }

  private boolean hasInk(int code) {
    Shape path = font.isEmbedded() && !font.isDamaged() ? path(code) : null;
    return path != null && !path.getBounds2D().isEmpty();
  }

  /** What the file says of a code. */
  private String said(int code) {
    String text;
    try {
      text = font.toUnicode(code, GlyphList.getAdobeGlyphList());
    } catch (RuntimeException e) {
      Faults.mended("reading a font", e);
      text = null; // a damaged map
    }
    if (text == null && font instanceof PDSimpleFont simple && simple.getEncoding() != null) {
      String name = simple.getEncoding().getName(code);
      text = name == null ? null : GlyphList.getAdobeGlyphList().toUnicode(name);
      if (text == null && name != null && font instanceof PDType3Font) {
        text = NumberedNames.text(name);
      }
      if (text == null && !simple.isSymbolic() && code >= 32 && code < 127) {
        text = String.valueOf((char) code);
      }
    }
    return text == null
        ? ""
        : text.replaceAll("[\\x00-\\x08\\x0B-\\x1F]", "").replace("\u200B", "");
  }

  /** Whether a text is none: a sign for what is unknown, or a place that no standard gives. */
  private static boolean isNonsense(String s) {
    int c = s.codePointAt(0);
    return c == 0xFFFD || c >= 0xFFFE && c <= 0xFFFF || c >= 0xE000 && c <= 0xF8FF;
  }

  private Optional<String> fromProgram(int code) {
    try {
      return byTables(code).or(() -> byShape(code));
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font", e);
      return Optional.empty(); // the program is damaged
    }
  }

  /** By the cmap or the glyph names of a TrueType program (OpenType, "cmap" and "post"). */
  private Optional<String> byTables(int code) throws IOException {
    TrueTypeFont program =
        switch (font) {
          case PDTrueTypeFont t -> t.getTrueTypeFont();
          case PDType0Font t when t.getDescendantFont() instanceof PDCIDFontType2 c ->
              c.getTrueTypeFont();
          default -> null;
        };
    if (program == null) {
      return Optional.empty();
    }
    int glyph =
        font instanceof PDTrueTypeFont t ? t.codeToGID(code) : ((PDType0Font) font).codeToGID(code);
    return glyph == 0 ? Optional.empty() : byCmap(program, glyph).or(() -> byName(program, glyph));
  }

  private static Optional<String> byCmap(TrueTypeFont program, int glyph) {
    try {
      CmapLookup cmap = program.getUnicodeCmapLookup(true);
      List<Integer> codes = cmap == null ? null : cmap.getCharCodes(glyph);
      return codes == null || codes.isEmpty()
          ? Optional.empty()
          : Optional.of(Character.toString(codes.getFirst())).filter(s -> !isNonsense(s));
    } catch (IOException e) {
      return Optional.empty(); // it has none
    }
  }

  private static Optional<String> byName(TrueTypeFont program, int glyph) {
    try {
      PostScriptTable post = program.getPostScript();
      String name = post == null ? null : post.getName(glyph);
      return Optional.ofNullable(
          name == null ? null : GlyphList.getAdobeGlyphList().toUnicode(name));
    } catch (IOException e) {
      return Optional.empty(); // it has none
    }
  }

  /** By what a letter looks like; one without ink is a space. */
  private Optional<String> byShape(int code) {
    Shape path = path(code);
    return path == null
        ? Optional.empty()
        : path.getBounds2D().isEmpty()
            ? Optional.of(" ")
            : shape(path).flatMap(KnownShapes.shipped()::character);
  }

  private static Optional<GlyphShape> shape(Shape path) {
    return GlyphShape.of(
        AffineTransform.getScaleInstance(0.001, 0.001).createTransformedShape(path));
  }

  private @Nullable Shape path(int code) {
    try {
      return font instanceof PDVectorFont v ? v.getNormalizedPath(code) : null;
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font", e);
      return null; // a damaged program
    }
  }

  /**
   * Whether letters look like what the file says they are: some producers write maps that are
   * shifted or made up, so that nothing can be copied. A font whose letters look like none that are
   * known is believed.
   */
  private boolean isTrusted() {
    boolean says = font.getCOSObject().containsKey(COSName.TO_UNICODE);
    if (!says || !font.isEmbedded() || !(font instanceof PDVectorFont)) {
      return true;
    }
    SourceFace face = SourceFace.of(font);
    int like = 0;
    int unlike = 0;
    int last = font instanceof PDType0Font ? MAX_CODES : 255;
    for (int code = 0; code <= last && like + unlike < FontThresholds.FontTexts.SAMPLES; code++) {
      String s = hasCode(code) ? said(code) : "";
      if (s.length() == 1 && isLetter(s.charAt(0))) {
        Optional<Boolean> same =
            isNamedSo(code, s)
                ? Optional.of(true)
                : Optional.ofNullable(path(code))
                    .flatMap(FontTexts::shape)
                    .flatMap(g -> KnownShapes.shipped().isLike(g, s, face));
        like += same.filter(b -> b).isPresent() ? 1 : 0;
        unlike += same.filter(b -> !b).isPresent() ? 1 : 0;
        if (like >= FontThresholds.FontTexts.ENOUGH) {
          return true;
        }
      }
    }
    return unlike < 5;
  }

  /** Whether the encoding names the same letter as the map: two that agree need no third. */
  private boolean isNamedSo(int code, String letter) {
    if (font instanceof PDSimpleFont simple && simple.getEncoding() != null) {
      String name = simple.getEncoding().getName(code);
      return name != null && letter.equals(GlyphList.getAdobeGlyphList().toUnicode(name));
    }
    return false;
  }

  private boolean hasCode(int code) {
    try {
      return font.hasExplicitWidth(code);
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font", e);
      return false;
    }
  }

  private static boolean isLetter(char c) {
    return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z';
  }
}
