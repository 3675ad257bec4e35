package decant.pdf.write;

import decant.model.look.Media;
import decant.pdf.content.UnseenText;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;

/**
 * A drawing that is a page of PDF, taken over as it is (ISO 32000-1 §8.10): shades, masks, letters.
 */
final class EmbeddedPage {
  private static final int DEEPEST = 6;

  /**
   * @param width of the page, in points
   * @param height of the page, in points
   */
  record Form(PDFormXObject form, double width, double height) {}

  private EmbeddedPage() {}

  /** The page as a form of another file; empty if it has a font that it does not bring along. */
  static Optional<Form> of(Media m, PDDocument into) throws IOException {
    try (PDDocument from = Loader.loadPDF(m.bytes())) {
      PDPage page = from.getPage(0);
      if (!hasAllFonts(page.getResources(), 0)) {
        return Optional.empty();
      }
      PDRectangle crop = page.getCropBox();
      PDFormXObject form = new LayerUtility(into).importPageAsForm(from, page);
      return Optional.of(new Form(form, crop.getWidth(), crop.getHeight()));
    }
  }

  private static boolean hasAllFonts(PDResources resources, int depth) throws IOException {
    if (resources == null) {
      return true;
    }
    if (depth > DEEPEST) {
      return false;
    }
    for (COSName n : resources.getFontNames()) {
      boolean unseen = n.getName().equals(UnseenText.FONT);
      if (!unseen && !resources.getFont(n).isEmbedded()) {
        return false;
      }
    }
    for (COSName n : resources.getXObjectNames()) {
      if (!resources.isImageXObject(n)
          && resources.getXObject(n) instanceof PDFormXObject f
          && !hasAllFonts(f.getResources(), depth + 1)) {
        return false;
      }
    }
    return true;
  }
}
