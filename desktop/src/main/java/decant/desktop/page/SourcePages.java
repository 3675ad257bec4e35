package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.layout.Layouter;
import decant.paint.PagePainter;
import decant.paint.PdfPictures;
import decant.text.FontBook;
import java.io.IOException;

/** The pages of a work's source: those of the PDF itself, or of the document as it was taken in. */
public final class SourcePages implements AutoCloseable {
  private final PageSource pages;
  private final boolean original;

  private SourcePages(PageSource pages, boolean original) {
    this.pages = pages;
    this.original = original;
  }

  public static SourcePages of(Work work) {
    if (Formats.hasPages(work.taken().origin().format())) {
      try {
        return new SourcePages(
            new PdfPages(PdfPictures.open(work.source(), work.password())), true);
      } catch (IOException e) {
        return new SourcePages(PageSource.NONE, false); // moved away since it was taken in
      }
    }
    return new SourcePages(PageSource.NONE, false);
  }

  /** The pages of a document as it was taken in; on a background thread, since it may be long. */
  public static PageSource asTakenIn(Work work) {
    return new PublishedPages(
        new Layouter(FontBook.shipped()).layout(work.taken().document()), new PagePainter());
  }

  public PageSource pages() {
    return pages;
  }

  /** Whether these are the pages of the file itself. */
  public boolean isOriginal() {
    return original;
  }

  @Override
  public void close() {
    if (pages instanceof PdfPages p) {
      try {
        p.pictures().close();
      } catch (IOException e) {
        return; // it was only read from
      }
    }
  }
}
