package decant.pdf.write;

import decant.pdf.write.fonts.FontInFile;
import decant.text.FontFace;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/**
 * A page as an object of a file (ISO 32000-2 §7.7.3.3), with the fonts and pictures that it shows.
 */
final class PageDictionary {
  private PageDictionary() {}

  static COSDictionary of(PageContent content, COSStream stream, Map<FontFace, FontInFile> fonts) {
    COSDictionary d = new COSDictionary();
    d.setItem(COSName.TYPE, COSName.PAGE);
    d.setItem(
        COSName.MEDIA_BOX, Numbers.box(0, 0, content.page().width(), content.page().height()));
    d.setItem(COSName.CONTENTS, stream);
    COSDictionary resources = new COSDictionary();
    COSDictionary fontNames = new COSDictionary();
    for (FontFace face : content.faces()) {
      Optional.ofNullable(fonts.get(face))
          .ifPresent(
              i -> i.dictionaries().forEach((n, o) -> fontNames.setItem(COSName.getPDFName(n), o)));
    }
    if (fontNames.size() > 0) {
      resources.setItem(COSName.FONT, fontNames);
    }
    COSDictionary objects = new COSDictionary();
    content.pictures().forEach((n, p) -> objects.setItem(COSName.getPDFName(n), p.stream()));
    if (objects.size() > 0) {
      resources.setItem(COSName.XOBJECT, objects);
    }
    d.setItem(COSName.RESOURCES, resources);
    return d;
  }
}
