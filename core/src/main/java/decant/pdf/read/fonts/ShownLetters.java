package decant.pdf.read.fonts;

import decant.pdf.read.page.SourceFace;
import decant.text.OutlineFont;
import decant.work.Faults;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.apache.fontbox.ttf.OS2WindowsMetricsTable;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.pdmodel.font.PDCIDFontType2;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDTrueTypeFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.font.PDVectorFont;

/**
 * The letters that one embedded font of a file showed, as outlines in thousandths of an em.
 *
 * @param letters by the text that they stand for
 * @param used how often any was shown
 * @param unitsPerEm of the font's own program, where it is TrueType
 * @param embedding OS/2.fsType, where the program says it
 */
record ShownLetters(
    SourceFace face,
    Map<String, OutlineFont.Letter> letters,
    int used,
    OptionalInt unitsPerEm,
    OptionalInt embedding) {
  /** Scripts whose letters are shaped or stand on each other: outlines alone do not make a font. */
  private static boolean isPlain(int c) {
    int type = Character.getType(c);
    boolean mark =
        type == Character.NON_SPACING_MARK
            || type == Character.COMBINING_SPACING_MARK
            || type == Character.ENCLOSING_MARK
            || type == Character.FORMAT
            || type == Character.CONTROL
            || type == Character.UNASSIGNED;
    if (mark) {
      return false;
    }
    if (type == Character.PRIVATE_USE) {
      return true; // it is nothing but its shape
    }
    return switch (Character.UnicodeScript.of(c)) {
      case COMMON,
          LATIN,
          GREEK,
          CYRILLIC,
          ARMENIAN,
          GEORGIAN,
          HEBREW,
          HAN,
          HIRAGANA,
          KATAKANA,
          HANGUL,
          BOPOMOFO ->
          true;
      default -> false;
    };
  }

  /** Those of a font; empty if it brings no outlines. */
  static Optional<ShownLetters> of(PDFont font, SourceFace face, FontTexts texts) {
    boolean drawn = font instanceof PDVectorFont || font instanceof PDType3Font;
    if (!font.isEmbedded() || !drawn || font.isDamaged()) {
      return Optional.empty();
    }
    var letters = new HashMap<String, OutlineFont.Letter>();
    var best = new HashMap<String, Integer>();
    int[] used = {0};
    texts.shown((code, text, times) -> {
      boolean plain =
          !text.isEmpty()
              && text.codePointCount(0, text.length()) <= FontThresholds.ShownLetters.LONGEST
              && text.codePoints().allMatch(ShownLetters::isPlain);
      used[0] += times;
      if (plain && times > best.getOrDefault(text, 0)) {
        letter(font, code)
            .ifPresent(l -> {
              letters.put(text, l);
              best.put(text, times);
            });
      }
    });
    if (font instanceof PDType3Font && letters.isEmpty()) {
      return Optional.empty(); // its letters are pictures
    }
    Optional<TrueTypeFont> program = program(font);
    return Optional.of(
        new ShownLetters(face, letters, used[0], units(program), embedding(program)));
  }

  private static Optional<OutlineFont.Letter> letter(PDFont font, int code) {
    try {
      Optional<Shape> path =
          switch (font) {
            case PDType3Font t -> DrawnLetters.outline(t, code);
            case PDVectorFont v -> Optional.ofNullable(v.getNormalizedPath(code));
            default -> Optional.empty();
          };
      double em = font instanceof PDType3Font ? 1000 * font.getFontMatrix().getScalingFactorX() : 1;
      double width = font.getWidth(code) * em;
      return width >= 0 && width < 8000
          ? path.map(p -> new OutlineFont.Letter(p, width))
          : Optional.empty();
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font program", e);
      return Optional.empty(); // a damaged program
    }
  }

  private static Optional<TrueTypeFont> program(PDFont font) {
    return Optional.ofNullable(
        switch (font) {
          case PDTrueTypeFont t -> t.getTrueTypeFont();
          case PDType0Font t when t.getDescendantFont() instanceof PDCIDFontType2 c ->
              c.getTrueTypeFont();
          default -> null;
        });
  }

  private static OptionalInt units(Optional<TrueTypeFont> program) {
    try {
      return program.isPresent()
          ? OptionalInt.of(program.get().getUnitsPerEm())
          : OptionalInt.empty();
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font program", e);
      return OptionalInt.empty();
    }
  }

  private static OptionalInt embedding(Optional<TrueTypeFont> program) {
    try {
      OS2WindowsMetricsTable os2 = program.isPresent() ? program.get().getOS2Windows() : null;
      return os2 == null ? OptionalInt.empty() : OptionalInt.of(os2.getFsType());
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font program", e);
      return OptionalInt.empty();
    }
  }

  /** The same letters of another face. */
  ShownLetters of(SourceFace other) {
    return new ShownLetters(other, letters, used, unitsPerEm, embedding);
  }

  /** These and those of another font of the same name. */
  ShownLetters and(ShownLetters other) {
    var all = new HashMap<>(other.letters);
    all.putAll(letters);
    return new ShownLetters(
        face,
        all,
        used + other.used,
        unitsPerEm.isPresent() ? unitsPerEm : other.unitsPerEm,
        embedding.isPresent() ? embedding : other.embedding);
  }

  /** The letters in units of which so many are an em. */
  Map<String, OutlineFont.Letter> in(int units) {
    double scale = units / 1000.0;
    var grow = AffineTransform.getScaleInstance(scale, scale);
    var out = new HashMap<String, OutlineFont.Letter>();
    letters.forEach((s, l) ->
        out.put(
            s,
            new OutlineFont.Letter(grow.createTransformedShape(l.outline()), l.advance() * scale)));
    return out;
  }
}
