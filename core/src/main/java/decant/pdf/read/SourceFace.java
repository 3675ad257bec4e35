package decant.pdf.read;

import java.util.Locale;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;

/** A font of the file: what its name and its descriptor (ISO 32000-1 §9.8) say of it. */
record SourceFace(String name, String family, boolean bold, boolean italic, boolean embedded) {
  static SourceFace of(PDFont font) {
    String name = font.getName() == null ? "" : font.getName();
    String plain = name.replaceFirst("^[A-Z]{6}\\+", "");
    PDFontDescriptor d = font.getFontDescriptor();
    String lower = plain.toLowerCase(Locale.ROOT);
    boolean bold =
        lower.matches(".*(bold|black|heavy|semibd|demi).*")
            || lower.matches(".*[-,_]b(d|i)?$")
            || lower.matches("(cm|sf)((ss)?b[xilm]|sx).*")
            || d != null && (d.isForceBold() || d.getFontWeight() >= 600);
    boolean italic =
        lower.matches(".*(italic|oblique|slanted).*")
            || lower.matches(".*[-,_]b?i$")
            || lower.matches("cm(ti|bxti|sl).*|sfti.*")
            || d != null && (d.isItalic() || Math.abs(d.getItalicAngle()) > 3);
    return new SourceFace(plain, familyOf(plain), bold, italic, font.isEmbedded());
  }

  /** "LiberationSerif-BoldItalic" is of the family "Liberation Serif". */
  private static String familyOf(String name) {
    String f =
        name.replaceFirst(
            "[-,_](?i)(bold|italic|oblique|regular|roman|medium|light|book|black|semi|demi|bd|it).*$",
            "");
    f = f.replaceFirst("(PS)?MT$", "");
    f = f.replaceAll("(?<=[a-z])(?=[A-Z][a-z]{2})", " ").replaceAll("[-_]+", " ").strip();
    return f.isBlank() ? name : f;
  }
}
