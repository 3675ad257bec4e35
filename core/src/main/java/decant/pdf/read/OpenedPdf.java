package decant.pdf.read;

import decant.pdf.open.SourceDocument;
import decant.pdf.open.SourceParser;
import decant.picture.StandInFonts;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;

/** Opens PDF files; what stands against it is told in the person's words. */
public final class OpenedPdf {
  private static final Words WORDS = Words.of(OpenedPdf.class);

  static {
    StandInFonts.use();
  }

  private OpenedPdf() {}

  /** What is done with a file while it is open. */
  @FunctionalInterface
  public interface Use<T> {
    T of(SourceDocument pdf) throws ReadProblem, IOException;
  }

  /**
   * Opens a file, and closes it when it was used.
   *
   * @throws ReadProblem if it is locked, damaged beyond reading, too large or without pages
   */
  public static <T> T in(ReadRequest request, Use<T> use) throws ReadProblem {
    return in(() -> open(request), request, use);
  }

  /**
   * The same of a PDF in memory, which needs no password.
   *
   * @throws ReadProblem if it cannot be read
   */
  public static <T> T in(byte[] pdf, Use<T> use) throws ReadProblem {
    return in(() -> SourceParser.open(pdf), ReadRequest.of(Path.of("")), use);
  }

  /** Opens a file. */
  private interface Opening {
    SourceDocument open() throws IOException;
  }

  private static <T> T in(Opening opening, ReadRequest request, Use<T> use) throws ReadProblem {
    try (SourceDocument pdf = opening.open()) {
      if (pdf.getNumberOfPages() > request.limits().pages()) {
        throw new ReadProblem(
            ReadProblem.Kind.TOO_LARGE,
            WORDS.say(
                "opened-pdf.the-pdf-has-pages-up",
                pdf.getNumberOfPages(),
                request.limits().pages()));
      }
      if (pdf.getNumberOfPages() == 0) {
        throw new ReadProblem(ReadProblem.Kind.EMPTY, WORDS.say("opened-pdf.the-pdf-has-no-pages"));
      }
      return use.of(pdf);
    } catch (InvalidPasswordException e) {
      boolean given = request.password().isPresent();
      throw new ReadProblem(
          given ? ReadProblem.Kind.WRONG_PASSWORD : ReadProblem.Kind.ENCRYPTED,
          given
              ? WORDS.say("opened-pdf.this-password-does-not-open")
              : WORDS.say("opened-pdf.the-pdf-is-locked-it"),
          e);
    } catch (IOException e) {
      throw new ReadProblem(
          ReadProblem.Kind.DAMAGED,
          WORDS.say("opened-pdf.the-pdf-is-damaged-and", PdfDamage.of(e)),
          e);
    } catch (LinkageError e) {
      // The handler for certificates needs a library that does not ship with the program.
      throw new ReadProblem(
          ReadProblem.Kind.CANNOT_UNLOCK, WORDS.say("opened-pdf.the-pdf-is-locked-to"), e);
    } catch (Unopened e) {
      throw new ReadProblem(
          ReadProblem.Kind.DAMAGED,
          WORDS.say(
              "opened-pdf.the-pdf-is-damaged-and",
              PdfDamage.of(Objects.requireNonNull(e.getCause()))),
          e);
    }
  }

  /** The library threw while the file was opened, which it does for what is not as it should be. */
  private static final class Unopened extends RuntimeException {
    private static final long serialVersionUID = 1;

    Unopened(Throwable cause) {
      super(cause);
    }
  }

  static SourceDocument open(ReadRequest request) throws IOException {
    try {
      return SourceParser.open(request.file(), request.password().orElse(""));
    } catch (RuntimeException | StackOverflowError e) {
      Faults.mended("opening a PDF", e);
      throw new Unopened(e);
    }
  }
}
