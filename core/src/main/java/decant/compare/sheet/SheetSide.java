package decant.compare.sheet;

import decant.layout.Layout;
import decant.paint.KeptPdf;
import decant.pdf.choices.PdfChoices;
import decant.pdf.file.Encryption;
import decant.pdf.write.PdfWriter;
import decant.publication.KeptPage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * One version as pages.
 *
 * @param name of its file, as people know it
 * @param pdf its pages, without a password; open, to be closed by whoever opened it
 */
public record SheetSide(String name, PDDocument pdf) implements AutoCloseable {
  /** A file that has pages of its own. */
  public static SheetSide of(String name, KeptPage.Source pages) throws IOException {
    return new SheetSide(name, KeptPdf.open(pages));
  }

  /**
   * The pages that a document comes to.
   *
   * @param cancelled asked before each page
   */
  public static SheetSide of(String name, Layout layout, BooleanSupplier cancelled)
      throws IOException {
    var out = new ByteArrayOutputStream();
    PdfChoices choices = SheetFile.choices(layout);
    try {
      PdfWriter.write(layout, choices, Optional.empty(), out, n -> {}, cancelled);
    } catch (Encryption.Problem e) {
      throw new IllegalStateException("nothing is to be locked", e);
    }
    return new SheetSide(name, org.apache.pdfbox.Loader.loadPDF(out.toByteArray()));
  }

  @Override
  public void close() throws IOException {
    pdf.close();
  }
}
