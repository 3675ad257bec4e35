package decant.pdf.open;

import java.util.Collections;
import java.util.Set;
import org.apache.pdfbox.cos.COSDocument;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.io.RandomAccessRead;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;

/** A PDF that was opened, and what of it could not be read. */
public final class SourceDocument extends PDDocument {
  private final Set<COSObjectKey> unread;
  private final PageList.Found pages;

  /**
   * @param unread objects that were asked for in vain, which grows while the file is read
   */
  SourceDocument(
      COSDocument file, RandomAccessRead source, AccessPermission may, Set<COSObjectKey> unread) {
    super(file, source, may);
    this.unread = unread;
    this.pages = PageList.mended(this);
  }

  /** Objects that were asked for in vain, for they are damaged; more may come. */
  public Set<COSObjectKey> unread() {
    return Collections.unmodifiableSet(unread);
  }

  /** How its pages were found. */
  public PageList.Found pages() {
    return pages;
  }
}
