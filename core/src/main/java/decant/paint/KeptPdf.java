package decant.paint;

import decant.publication.KeptPage;
import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Opens the PDFs that pages are kept of. */
public final class KeptPdf {
  private KeptPdf() {}

  /** Opens one, to be closed by the caller. */
  public static PDDocument open(KeptPage.Source source) throws IOException {
    return switch (source) {
      case KeptPage.InFile f -> Loader.loadPDF(f.file().toFile(), f.password());
      case KeptPage.InMemory m -> Loader.loadPDF(m.pdf().bytes());
    };
  }
}
