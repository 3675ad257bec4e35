package decant.pdf.amend;

import decant.pdf.amend.line.FontsOfFile;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Rows;
import decant.pdf.amend.line.Search;
import decant.pdf.content.PageSpace;
import decant.work.Faults;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.jspecify.annotations.Nullable;

/** Fields and notes that lie over a page and say what was searched for: they are not its text. */
final class NotesOnPage {
  private static final int DEEPEST = 16;

  private NotesOnPage() {}

  /**
   * @param around resources of fields that have none of their own (§12.7.4.3)
   */
  static List<Left> holding(
      PDPage page, int number, COSDictionary around, List<Replacement> all, FontsOfFile fonts) {
    var out = new ArrayList<Left>();
    for (PDAnnotation a : annotations(page)) {
      if (a.isHidden()) {
        continue;
      }
      boolean field = "Widget".equals(a.getSubtype());
      Left.Reason reason = field ? Left.Reason.IN_FIELD : Left.Reason.IN_NOTE;
      COSBase looks = shown(a);
      List<Row> rows =
          looks instanceof COSStream form
              ? Rows.of(PageLetters.of(form, around, fonts).letters())
              : List.of();
      // A field may show its value in looks that are drawn anew from it (§12.7.4.3); a note does
      // not.
      List<String> said =
          field ? values(a.getCOSObject()) : looks instanceof COSStream ? List.of() : written(a);
      for (Replacement r : all) {
        int times = Search.in(rows, r.words()).size();
        if (times == 0 && said.stream().anyMatch(WholeWords.said(r.words()))) {
          times = 1;
        }
        out.addAll(Collections.nCopies(times, new Left(number, r.words(), reason)));
      }
    }
    return out;
  }

  /** What a note on the page itself says where it has no looks of its own (§12.5.6.6). */
  private static List<String> written(PDAnnotation a) {
    return "FreeText".equals(a.getSubtype()) && a.getContents() != null
        ? List.of(a.getContents())
        : List.of();
  }

  /** What a field without looks of its own shows: programs draw its value (§12.7.4.3). */
  private static List<String> values(COSDictionary field) {
    var out = new ArrayList<String>();
    COSDictionary at = field;
    for (int depth = 0; at != null && depth < DEEPEST; depth++) {
      texts(at.getDictionaryObject(COSName.V), 0, out);
      texts(at.getDictionaryObject(COSName.OPT), 0, out); // what a list shows
      at = at.getCOSDictionary(COSName.PARENT);
    }
    return out;
  }

  private static void texts(@Nullable COSBase o, int depth, List<String> out) {
    switch (o) {
      case COSString s -> out.add(s.getString());
      case COSArray a -> {
        for (int k = 0; k < a.size() && depth < 2; k++) {
          texts(a.getObject(k), depth + 1, out);
        }
      }
      case null, default -> {}
    }
  }

  /** Resources of fields that have none of their own. */
  static COSDictionary resources(PDDocument pdf) {
    COSDictionary form =
        pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.ACRO_FORM);
    COSDictionary own = form == null ? null : form.getCOSDictionary(COSName.DR);
    return own == null ? new COSDictionary() : own;
  }

  /** Whether a field that is seen lies over a place of a page, as it is shown. */
  static boolean isUnderField(PDPage page, Rectangle2D place) {
    return annotations(page).stream()
        .filter(a -> "Widget".equals(a.getSubtype()) && !a.isHidden() && a.getRectangle() != null)
        .anyMatch(a -> PageSpace.shown(page, a.getRectangle()).intersects(place));
  }

  /** The objects of all that lies over a page. */
  static Set<COSDictionary> objects(PDPage page) {
    Set<COSDictionary> out = Collections.newSetFromMap(new IdentityHashMap<>());
    annotations(page).forEach(a -> out.add(a.getCOSObject()));
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

  private static @Nullable COSBase shown(PDAnnotation a) {
    COSDictionary looks = a.getCOSObject().getCOSDictionary(COSName.AP);
    COSBase normal = looks == null ? null : looks.getDictionaryObject(COSName.N);
    if (normal instanceof COSDictionary states && !(normal instanceof COSStream)) {
      String state = a.getCOSObject().getNameAsString(COSName.AS);
      return state == null ? null : states.getDictionaryObject(COSName.getPDFName(state));
    }
    return normal;
  }
}
