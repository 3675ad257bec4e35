package decant.pdf.read.scan;

import decant.model.Box;
import decant.pdf.content.StreamDamage;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDPage;

/** Whether something of what a page shows is damaged in the file; each form is looked at once. */
final class ContentDamage {
  private final Set<COSStream> forms = Collections.newSetFromMap(new IdentityHashMap<>());
  private final List<Box> pictures = new ArrayList<>();
  private boolean found;

  void page(PDPage page) {
    found |= StreamDamage.of(page);
  }

  /** What could not even be unpacked as far as it goes. */
  void broken() {
    found = true;
  }

  void form(COSStream content) {
    found |= forms.add(content) && !StreamDamage.isWhole(content);
  }

  /** Where a picture stands some of which is damaged, in points on the page. */
  void picture(Box place) {
    pictures.add(place);
  }

  boolean isFound() {
    return found;
  }

  List<Box> pictures() {
    return pictures;
  }
}
