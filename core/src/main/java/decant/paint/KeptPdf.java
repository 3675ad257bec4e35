package decant.paint;

import decant.pdf.open.SourceParser;
import decant.publication.KeptPage;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Opens the PDFs that pages are kept of. */
public final class KeptPdf {
  private KeptPdf() {}

  /** Opens one, to be closed by the caller. */
  public static PDDocument open(KeptPage.Source source) throws IOException {
    return switch (source) {
      case KeptPage.InFile f -> SourceParser.open(f.file(), f.password());
      case KeptPage.InMemory m -> SourceParser.open(m.pdf().bytes());
    };
  }
}
