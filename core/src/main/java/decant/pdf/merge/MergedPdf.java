package decant.pdf.merge;

import decant.io.FileHash;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PageMode;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;

/**
 * Files one after another in one file, with a bookmark for each, below which its own stand (ISO
 * 32000-1 §12.3.3). Pages go over as they are, with their links, fields and tags. The whole claims
 * no standard, since nobody has held it against one.
 */
public final class MergedPdf {
  private static final Words WORDS = Words.of(MergedPdf.class);

  /** A file that goes in, and what its bookmark says. */
  public record Part(String title, Path file) {}

  private MergedPdf() {}

  /**
   * Writes the whole. Stream data are kept on the disk while it is made.
   *
   * @param parts at least one
   * @param title what the whole says of itself
   * @throws IOException if a part cannot be read, is locked, or the stream cannot be written
   */
  public static void write(List<Part> parts, String title, OutputStream out) throws IOException {
    var merger = new PDFMergerUtility();
    merger.setDocumentMergeMode(PDFMergerUtility.DocumentMergeMode.PDFBOX_LEGACY_MODE);
    try (var whole = new PDDocument(IOUtils.createTempFileOnlyStreamCache())) {
      for (Part p : parts) {
        // What goes over is copied, so that no more than one part is open at a time.
        try (PDDocument part =
            Loader.loadPDF(p.file().toFile(), IOUtils.createTempFileOnlyStreamCache())) {
          underOneBookmark(part, p.title());
          merger.appendDocument(whole, part);
        }
      }
      var about = new PDDocumentInformation();
      about.setTitle(title);
      whole.setDocumentInformation(about);
      whole.getDocumentCatalog().getCOSObject().removeItem(COSName.METADATA);
      whole.getDocumentCatalog().setPageMode(PageMode.USE_OUTLINES);
      whole.save(out);
    }
  }

  /** How many pages a file has. @throws IOException if it cannot be read */
  public static int pages(Path file) throws IOException {
    try (PDDocument read = Loader.loadPDF(file.toFile(), IOUtils.createTempFileOnlyStreamCache())) {
      return read.getNumberOfPages();
    }
  }

  private static void underOneBookmark(PDDocument part, String title) {
    var own = new ArrayList<PDOutlineItem>();
    PDDocumentOutline outline = part.getDocumentCatalog().getDocumentOutline();
    if (outline != null) {
      outline.children().forEach(own::add);
    }
    var head = new PDOutlineItem();
    head.setTitle(title);
    var to = new PDPageFitDestination();
    to.setPage(part.getPage(0));
    head.setDestination(to);
    for (PDOutlineItem i : own) {
      for (COSName link : List.of(COSName.PREV, COSName.NEXT, COSName.PARENT)) {
        i.getCOSObject().removeItem(link);
      }
      head.addLast(i);
    }
    var all = new PDDocumentOutline();
    all.addLast(head);
    part.getDocumentCatalog().setDocumentOutline(all);
  }

  /**
   * Reads the whole back: as many pages as the parts have, each with the same painting, and a
   * bookmark for each part that leads to its first page.
   */
  public static List<Check> verify(Path whole, List<Part> parts) {
    try (PDDocument read =
        Loader.loadPDF(whole.toFile(), IOUtils.createTempFileOnlyStreamCache())) {
      var bookmarks = new ArrayList<PDOutlineItem>();
      PDDocumentOutline outline = read.getDocumentCatalog().getDocumentOutline();
      if (outline != null) {
        outline.children().forEach(bookmarks::add);
      }
      int at = 0;
      boolean painted = true;
      boolean led = bookmarks.size() == parts.size();
      for (int k = 0; k < parts.size(); k++) {
        try (PDDocument part =
            Loader.loadPDF(parts.get(k).file().toFile(), IOUtils.createTempFileOnlyStreamCache())) {
          PDPage first = at < read.getNumberOfPages() ? read.getPage(at) : null;
          led =
              led
                  && first != null
                  && bookmarks.get(k).getTitle().equals(parts.get(k).title())
                  && first.equals(bookmarks.get(k).findDestinationPage(read));
          for (PDPage p : part.getPages()) {
            painted =
                painted
                    && at < read.getNumberOfPages()
                    && painting(p).equals(painting(read.getPage(at)));
            at++;
          }
        }
      }
      return List.of(
          new Check(
              WORDS.say("merged-pdf.pages"),
              at == read.getNumberOfPages(),
              WORDS.say("merged-pdf.instead-of", read.getNumberOfPages(), at)),
          new Check(WORDS.say("merged-pdf.painting"), painted, WORDS.say("merged-pdf.as-parts")),
          new Check(WORDS.say("merged-pdf.bookmarks"), led, WORDS.say("merged-pdf.each-part")));
    } catch (IOException e) {
      return List.of(
          new Check(WORDS.say("merged-pdf.pages"), false, WORDS.say("merged-pdf.not-read")));
    }
  }

  private static String painting(PDPage p) throws IOException {
    try (var in = p.getContents()) {
      return FileHash.of(in);
    }
  }
}
