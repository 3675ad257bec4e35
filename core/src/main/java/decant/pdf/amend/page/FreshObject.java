package decant.pdf.amend.page;

import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSDocument;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;

/** Objects that come into a file, under numbers of their own. */
public final class FreshObject {
  private FreshObject() {}

  public static COSObject of(COSDocument file, COSDictionary d) {
    long n =
        Math.max(file.getHighestXRefObjectNumber(), file.getTrailer().getLong(COSName.SIZE, 1) - 1)
            + 1;
    file.setHighestXRefObjectNumber(n);
    return new COSObject(d, new COSObjectKey(n, 0));
  }

  /** What stands for an object elsewhere in its file: itself, if it has no number. */
  public static COSBase reference(COSDocument file, COSDictionary d) {
    return d.getKey() == null ? d : file.getObjectFromPool(d.getKey());
  }
}
