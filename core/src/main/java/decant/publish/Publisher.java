package decant.publish;

import decant.layout.Layout;
import decant.model.Document;
import decant.model.Particulars;
import decant.office.docx.DocxWriter;
import decant.pdf.verify.Check;
import decant.pdf.verify.PdfVerifier;
import decant.pdf.write.PdfChoices;
import decant.pdf.write.PdfWriter;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;

/** Publishes documents: writes, reads back, verifies. */
public final class Publisher {
  /**
   * What to publish.
   *
   * @param source the file the document came from, which is never written to
   * @param particulars title, author and so on of the published file
   */
  public record Order(
      Layout layout,
      Path target,
      boolean overwrite,
      Path source,
      PageRange pages,
      boolean bookmarks,
      Particulars particulars) {}

  private Publisher() {}

  /**
   * Publishes as PDF.
   *
   * @throws PageRange.Problem if the range cannot be obeyed
   * @throws WriteProblem if the file cannot be written; then nothing has changed
   * @throws PdfWriter.Cancelled if the person cancelled; then no file is left
   */
  public static Receipt pdf(Order order, IntConsumer progress, BooleanSupplier cancelled)
      throws PageRange.Problem, WriteProblem {
    Instant start = Instant.now();
    List<Integer> pages = order.pages().select(order.layout().pages().size());
    var choices = new PdfChoices(pages, order.bookmarks(), order.particulars());
    refuseSource(order.target(), order.source());
    AtomicFile.write(
        order.target(),
        order.overwrite(),
        out -> PdfWriter.write(order.layout(), choices, out, progress, cancelled));
    List<Check> checks = PdfVerifier.verify(order.target(), order.layout(), choices);
    return receipt(order.target(), "pdf", pages.size(), checks, start);
  }

  /** Saves as DOCX. @throws WriteProblem if the file cannot be written; then nothing has changed */
  public static Receipt docx(Document document, Path target, boolean overwrite, Path source)
      throws WriteProblem {
    Instant start = Instant.now();
    refuseSource(target, source);
    AtomicFile.write(target, overwrite, out -> DocxWriter.write(document, out));
    return receipt(target, "docx", 0, DocxVerifier.verify(target, document), start);
  }

  private static void refuseSource(Path target, Path source) throws WriteProblem {
    try {
      boolean same =
          Files.exists(target) && Files.exists(source) && Files.isSameFile(target, source);
      if (same) {
        throw new WriteProblem(
            WriteProblem.Kind.IS_SOURCE,
            "“"
                + target.getFileName()
                + "” is the original, which stays as it is. Choose another name.");
      }
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER, "The folder cannot be read (" + e.getMessage() + ").", e);
    }
  }

  private static Receipt receipt(
      Path file, String format, int pages, List<Check> checks, Instant start) throws WriteProblem {
    try {
      return new Receipt(
          file,
          format,
          Files.size(file),
          sha256(file),
          pages,
          checks,
          Duration.between(start, Instant.now()));
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER,
          "The file was written, but could not be read back (" + e.getMessage() + ").",
          e);
    }
  }

  private static String sha256(Path file) throws IOException {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      try (InputStream in = new DigestInputStream(Files.newInputStream(file), digest)) {
        in.transferTo(java.io.OutputStream.nullOutputStream());
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new AssertionError("every Java runtime has SHA-256", e);
    }
  }
}
