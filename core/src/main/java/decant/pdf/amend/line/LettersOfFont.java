package decant.pdf.amend.line;

import decant.pdf.read.fonts.FileFonts;
import decant.pdf.read.page.SourceFace;
import decant.work.Faults;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.font.PDVectorFont;

/** A font of a file: what its codes say, and which codes say something. */
public final class LettersOfFont {
  /** A character or a few as a font has them. */
  private static final int LONGEST = 4;

  /**
   * A code.
   *
   * @param width in text space, for size 1
   */
  public record Code(byte[] bytes, String text, double width) {
    /** Whether spacing of words goes to it (ISO 32000-2 §9.3.3). */
    public boolean isWordSpace() {
      return bytes.length == 1 && bytes[0] == 32;
    }
  }

  private final PDFont font;
  private final FileFonts texts;
  private final Map<Integer, Code> known = new HashMap<>();
  private final Map<String, Code> shown = new HashMap<>();
  private final Map<String, Optional<Code>> found = new HashMap<>();
  private Map<String, List<Integer>> unshown = Map.of();
  private boolean searched;

  LettersOfFont(PDFont font, FileFonts texts) {
    this.font = font;
    this.texts = texts;
  }

  public SourceFace face() {
    return texts.face(font);
  }

  public boolean isVertical() {
    return font.isVertical();
  }

  /** The codes of a string; what cannot be read ends it. */
  public List<Code> codes(byte[] string) {
    var out = new ArrayList<Code>(string.length);
    var in = new ByteArrayInputStream(string);
    int at = 0;
    while (in.available() > 0) {
      int code;
      try {
        code = font.readCode(in);
      } catch (IOException | RuntimeException e) {
        Faults.mended("reading codes of a font", e);
        return out;
      }
      int end = string.length - in.available();
      int from = at;
      Code c = known.get(code);
      if (c == null || c.bytes.length != end - from) {
        c = code(code, java.util.Arrays.copyOfRange(string, from, end));
        known.put(code, c);
        shown.putIfAbsent(c.text, c);
      }
      out.add(c);
      at = end;
    }
    return out;
  }

  private Code code(int code, byte[] bytes) {
    double width;
    try {
      width = font.getDisplacement(code).getX();
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font", e);
      width = 0;
    }
    return new Code(bytes, Plain.of(texts.text(font, code)), width);
  }

  /**
   * Codes for a text, as few letters joined as can be; empty if the font has not all of its
   * letters.
   */
  public Optional<List<Code>> of(String text) {
    var out = new ArrayList<Code>();
    int at = 0;
    while (at < text.length()) {
      Optional<Code> next = Optional.empty();
      for (int n = 1; n <= LONGEST && next.isEmpty() && at + n <= text.length(); n++) {
        next = one(text.substring(at, at + n));
      }
      if (next.isEmpty()) {
        return Optional.empty();
      }
      out.add(next.get());
      at += next.get().text.length();
    }
    return Optional.of(out);
  }

  private Optional<Code> one(String letter) {
    Code known = shown.get(letter);
    return known != null ? Optional.of(known) : found.computeIfAbsent(letter, this::among);
  }

  /** A code that the page does not show, but that the font has a letter for. */
  private Optional<Code> among(String letter) {
    if (!searched) {
      searched = true;
      unshown = unshown();
    }
    for (int code : unshown.getOrDefault(letter, List.of())) {
      if (isDrawn(code, letter.isBlank())) {
        byte[] bytes =
            font instanceof PDType0Font
                ? new byte[] {(byte) (code >> 8), (byte) code}
                : new byte[] {(byte) code};
        Code c = code(code, bytes);
        if (c.text.equals(letter) && c.width > 0) {
          return Optional.of(c);
        }
      }
    }
    return Optional.empty();
  }

  /** By what the file says of all codes. */
  private Map<String, List<Integer>> unshown() {
    int last = 255;
    if (font instanceof PDType0Font) {
      boolean twoBytes =
          COSName.IDENTITY_H.equals(font.getCOSObject().getDictionaryObject(COSName.ENCODING));
      if (!twoBytes || !font.getCOSObject().containsKey(COSName.TO_UNICODE)) {
        return Map.of(); // nothing tells what its other codes say
      }
      last = 0xFFFF;
    }
    var out = new HashMap<String, List<Integer>>();
    for (int code = 0; code <= last; code++) {
      try {
        String text = font.toUnicode(code);
        if (text != null && !text.isEmpty()) {
          out.computeIfAbsent(Plain.of(text), k -> new ArrayList<>()).add(code);
        }
      } catch (RuntimeException e) {
        Faults.mended("reading a font", e);
      }
    }
    return out;
  }

  /** Whether the font that the file brings has a letter, and not only a code, for it. */
  private boolean isDrawn(int code, boolean blank) {
    try {
      if (font instanceof PDType3Font t) {
        return t.getCharProc(code) != null;
      }
      if (!font.isEmbedded()) {
        return font.isStandard14() || font.hasExplicitWidth(code);
      }
      if (font instanceof PDSimpleFont && !font.hasExplicitWidth(code)) {
        return false;
      }
      return font instanceof PDVectorFont v
          && v.hasGlyph(code)
          && (blank || !v.getNormalizedPath(code).getBounds2D().isEmpty());
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font", e);
      return false;
    }
  }
}
