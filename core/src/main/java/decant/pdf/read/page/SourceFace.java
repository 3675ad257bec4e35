package decant.pdf.read.page;

import decant.text.FontName;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;

/** A font of the file: what its name and its descriptor (ISO 32000-1 §9.8) say of it. */
public record SourceFace(
    String name, String family, boolean bold, boolean italic, boolean embedded) {
  public static SourceFace of(PDFont font) {
    PDFontDescriptor d = font.getFontDescriptor();
    // A font that draws its letters need not have a name, but may be described with that of one.
    String described = d == null ? null : d.getFontName();
    String name = font.getName() == null ? described : font.getName();
    FontName n = FontName.of(name == null ? "" : name);
    boolean bold = n.bold() || d != null && (d.isForceBold() || d.getFontWeight() >= 600);
    boolean italic = n.italic() || d != null && (d.isItalic() || Math.abs(d.getItalicAngle()) > 3);
    return new SourceFace(n.plain(), n.family(), bold, italic, font.isEmbedded());
  }
}
