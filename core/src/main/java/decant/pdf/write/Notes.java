package decant.pdf.write;

import decant.model.look.Comment;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;

/** Remarks as notes that a viewer opens (ISO 32000-2 §12.5.6.4). */
final class Notes {
  private Notes() {}

  static COSDictionary note(Comment r, COSArray rectangle) {
    COSDictionary a = new COSDictionary();
    a.setItem(COSName.TYPE, COSName.ANNOT);
    a.setItem(COSName.SUBTYPE, COSName.getPDFName("Text"));
    a.setItem(COSName.RECT, rectangle);
    a.setItem(COSName.CONTENTS, new COSString(r.text()));
    a.setItem(COSName.getPDFName("Open"), COSBoolean.FALSE);
    a.setItem(COSName.NAME, COSName.getPDFName("Comment"));
    a.setInt(COSName.F, 28); // printed, neither zoomed nor turned with the page
    if (!r.author().isEmpty()) {
      a.setItem(COSName.T, new COSString(r.author()));
    }
    String digits = r.date().replaceAll("[^0-9]", "");
    if (digits.length() >= 14) {
      String zone = r.date().endsWith("Z") ? "Z" : "";
      a.setItem(COSName.M, new COSString("D:" + digits.substring(0, 14) + zone));
    }
    return a;
  }
}
