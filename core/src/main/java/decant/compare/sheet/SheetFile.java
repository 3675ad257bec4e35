package decant.compare.sheet;

import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.model.Document;
import decant.pdf.choices.PdfChoices;
import decant.pdf.file.Encryption;
import decant.pdf.write.PdfWriter;
import decant.text.FontBook;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/** Writes a proof sheet as a PDF, and reads it back before it has its name. */
public final class SheetFile {
  private static final Words WORDS = Words.of(SheetFile.class);

  private SheetFile() {}

  /**
   * Writes a sheet.
   *
   * @param overwrite whether what stands there may be replaced
   * @param cancelled asked before each page
   * @throws WriteProblem if it cannot be written, or is not what it should be; then nothing has
   *     changed
   */
  public static void write(
      Document sheet, Path target, boolean overwrite, BooleanSupplier cancelled)
      throws WriteProblem {
    Layout layout = new decant.layout.Layouter(FontBook.shipped()).layout(sheet);
    PdfChoices choices = choices(layout);
    AtomicFile.Pending pending =
        AtomicFile.prepare(
            target,
            overwrite,
            out -> {
              try {
                PdfWriter.write(layout, choices, Optional.empty(), out, n -> {}, cancelled);
              } catch (Encryption.Problem e) {
                throw new IOException(e);
              }
            });
    try {
      for (Check c : PdfVerifier.verify(pending.file(), layout, choices)) {
        if (!c.passed()) {
          throw new WriteProblem(
              WriteProblem.Kind.OTHER, WORDS.say("sheet-file.not-verified", c.name(), c.detail()));
        }
      }
      pending.commit();
    } finally {
      pending.discard();
    }
  }

  /** All pages, as a PDF commonly is. */
  static PdfChoices choices(Layout layout) {
    return PdfChoices.defaults(
        IntStream.range(0, layout.pages().size()).boxed().toList(), layout.document().metadata());
  }
}
