package decant.pdf.amend;

import decant.work.Faults;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;

/** Fields and notes that lie over a page and say what was searched for: they are not its text. */
final class NotesOnPage {
  private NotesOnPage() {}

  /**
   * @param around resources of fields that have none of their own (§12.7.4.3)
   */
  static List<Left> holding(
      PDPage page, int number, COSDictionary around, List<Replacement> all, FontsOfFile fonts) {
    var out = new ArrayList<Left>();
    for (PDAnnotation a : annotations(page)) {
      if (a.isHidden() || !(shown(a) instanceof COSStream form)) {
        continue;
      }
      List<Row> rows = Rows.of(PageLetters.of(form, around, fonts).letters());
      boolean field = "Widget".equals(a.getSubtype());
      for (Replacement r : all) {
        for (Found f : Search.in(rows, r.words())) {
          out.add(new Left(number, r.words(), field ? Left.Reason.IN_FIELD : Left.Reason.IN_NOTE));
        }
      }
    }
    return out;
  }

  static List<PDAnnotation> annotations(PDPage page) {
    try {
      return page.getAnnotations();
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading what lies over a page", e);
      return List.of();
    }
  }

  private static @org.jspecify.annotations.Nullable COSBase shown(PDAnnotation a) {
    COSDictionary looks = a.getCOSObject().getCOSDictionary(COSName.AP);
    COSBase normal = looks == null ? null : looks.getDictionaryObject(COSName.N);
    if (normal instanceof COSDictionary states && !(normal instanceof COSStream)) {
      String state = a.getCOSObject().getNameAsString(COSName.AS);
      return state == null ? null : states.getDictionaryObject(COSName.getPDFName(state));
    }
    return normal;
  }
}
