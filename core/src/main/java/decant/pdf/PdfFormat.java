package decant.pdf;

import decant.format.Format;
import decant.format.FormatService;
import decant.pdf.read.PdfReader;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;

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
          // ISO 32000-1 Annex H: the header may stand anywhere in the first 1,024 bytes.
          c -> c.head().substring(0, Math.min(c.head().length(), HEADER_WITHIN)).contains("%PDF-"),
          EnumSet.of(
              Format.Holding.ATTACHED_FILES, Format.Holding.FORM_FIELDS, Format.Holding.FONTS));

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(PdfReader::read);
  }
}
