package decant.verify.pdf;

import decant.layout.Layout;
import decant.pdf.choices.PdfChoices;
import decant.verify.Check;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * One thing that is altered in a published file, and the check that is for it.
 *
 * @param what in words, for the report
 */
record Altered(String check, String what, Change change) {
  /** Alters a file by a library of other makers. */
  interface Change {
    void in(PDDocument pdf) throws IOException;
  }

  /** A file with the change, beside the one it was made of. */
  static Path changed(Path from, Change change) throws IOException {
    Path file = from.resolveSibling("altered.pdf");
    try (PDDocument pdf = Loader.loadPDF(from.toFile())) {
      change.in(pdf);
      pdf.save(file.toFile());
    }
    return file;
  }

  /** The names of the checks that a file does not pass. */
  static List<String> failed(Path file, Layout l, PdfChoices c) {
    return PdfVerifier.verify(file, l, c).stream()
        .filter(x -> !x.passed())
        .map(Check::name)
        .toList();
  }

  @Override
  public String toString() {
    return what;
  }
}
