package decant.verify.pdf;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** The images of a file, each decoded to see that it is whole. */
final class ShownPictures {
  private ShownPictures() {}

  /** The first of some pages, from 0, with an image that cannot be decoded. */
  static Optional<Integer> firstDamaged(PDDocument pdf, List<Integer> pages) throws IOException {
    Set<COSBase> seen = new HashSet<>();
    for (int k : pages) {
      PDResources r = pdf.getPage(k).getResources();
      for (COSName name : r == null ? Set.<COSName>of() : r.getXObjectNames()) {
        if (r.isImageXObject(name)
            && r.getXObject(name) instanceof PDImageXObject image
            && seen.add(image.getCOSObject())
            && !decodes(image)) {
          return Optional.of(k);
        }
      }
    }
    return Optional.empty();
  }

  /** Whether all samples are there: readers fill up what is missing, and say nothing of it. */
  private static boolean decodes(PDImageXObject image) throws IOException {
    if (COSName.DCT_DECODE.equals(image.getCOSObject().getDictionaryObject(COSName.FILTER))) {
      return image.getWidth() > 0; // seen when its page is looked at
    }
    int samples = image.getColorSpace().getNumberOfComponents();
    long row = ((long) image.getWidth() * samples * image.getBitsPerComponent() + 7) / 8;
    try (InputStream in = image.createInputStream()) {
      return in.transferTo(OutputStream.nullOutputStream()) >= row * image.getHeight();
    }
  }
}
