package decant.pdf;

import decant.format.Format;
import decant.format.FormatService;
import decant.pdf.read.PdfReader;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;

/** PDF (ISO 32000). Its files are pages, laid out and written by {@code pdf.write}. */
public final class PdfFormat implements FormatService {
  private static final int HEADER_WITHIN = 1024;

  private static final Format FORMAT =
      new Format(
          "pdf",
          "PDF",
          Format.Family.PAGES,
          "application/pdf",
          List.of("pdf"),
          // ISO 32000-1 Annex H: the header may stand anywhere in the first 1,024 bytes. Of a file
          // that is named as a PDF, more may have been put before it.
          c -> {
            int at = c.head().indexOf("%PDF-");
            return at >= 0 && (at < HEADER_WITHIN || c.extension().equals("pdf"));
          },
          EnumSet.of(
              Format.Holding.ATTACHED_FILES,
              Format.Holding.FORM_FIELDS,
              Format.Holding.ONE_OF_FIELDS,
              Format.Holding.FIELD_RULES,
              Format.Holding.FONTS));

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(PdfReader::read);
  }

  /** How much of a file is looked at, at either end, for the words of a trailer. */
  private static final int GLANCE = 1 << 16;

  /**
   * Whether its trailer names an encryption (ISO 32000-1 §7.6) that the empty password does not
   * open. Trailers stand at the end, and in linearised files at the beginning too (Annex F).
   */
  @Override
  public boolean isLocked(Path file) throws IOException {
    if (!names(file, "/Encrypt")) {
      return false;
    }
    try {
      Loader.loadPDF(file.toFile(), IOUtils.createTempFileOnlyStreamCache()).close();
      return false;
    } catch (InvalidPasswordException e) {
      return true;
    } catch (IOException | RuntimeException | LinkageError e) {
      return false; // what is wrong with it is told when it is taken in
    }
  }

  private static boolean names(Path file, String key) throws IOException {
    try (FileChannel in = FileChannel.open(file)) {
      for (long from : new long[] {0, Math.max(0, in.size() - GLANCE)}) {
        ByteBuffer some = ByteBuffer.allocate((int) Math.min(GLANCE, in.size()));
        in.read(some, from);
        if (new String(some.array(), StandardCharsets.ISO_8859_1).contains(key)) {
          return true;
        }
      }
      return false;
    }
  }
}
