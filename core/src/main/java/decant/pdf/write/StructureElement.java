package decant.pdf.write;

import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;

/**
 * An element of the structure tree (ISO 32000-2 §14.7.2); its own content comes before the elements
 * below it.
 */
final class StructureElement {
  final String tag;
  final List<COSBase> content = new ArrayList<>();
  final List<StructureElement> inside = new ArrayList<>(); // links and the like, among the content
  final List<StructureElement> below = new ArrayList<>();
  final COSDictionary dictionary = new COSDictionary();
  COSDictionary page = new COSDictionary();
  int heading;
  boolean keepsEmpty;

  StructureElement(String tag) {
    this.tag = tag;
  }

  StructureElement add(String childTag) {
    var e = new StructureElement(childTag);
    below.add(e);
    return e;
  }

  boolean hasContent() {
    return !content.isEmpty() || below.stream().anyMatch(StructureElement::hasContent);
  }
}
