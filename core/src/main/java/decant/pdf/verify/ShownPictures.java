package decant.pdf.verify;

import java.io.IOException;
import java.util.HashSet;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** The images of a file, each decoded to see that it is whole. */
final class ShownPictures {
  private ShownPictures() {}

  static int count(PDDocument pdf) throws IOException {
    Set<COSBase> seen = new HashSet<>();
    int n = 0;
    for (PDPage page : pdf.getPages()) {
      PDResources r = page.getResources();
      for (COSName name : r == null ? Set.<COSName>of() : r.getXObjectNames()) {
        if (r.isImageXObject(name)
            && r.getXObject(name) instanceof PDImageXObject image
            && seen.add(image.getCOSObject())) {
          n += decodes(image) ? 1 : 0;
        }
      }
    }
    return n;
  }

  private static boolean decodes(PDImageXObject image) throws IOException {
    if (COSName.DCT_DECODE.equals(image.getCOSObject().getDictionaryObject(COSName.FILTER))) {
      return image.getWidth() > 0; // the bytes that came, or a decoder's own
    }
    return image.getImage(null, 8) != null; // every eighth pixel
  }
}
