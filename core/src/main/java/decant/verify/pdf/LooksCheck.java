package decant.verify.pdf;

import decant.model.Box;
import decant.paint.PaintedPdf;
import decant.paint.PaintedPublication;
import decant.paint.Unlikeness;
import decant.pdf.choices.PdfChoices;
import decant.publication.Publication;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Whether the pages with pictures or drawings look as they should. Where there are many they are
 * painted beside the other checks, from the file opened once more.
 */
final class LooksCheck implements AutoCloseable {
  private static final Words WORDS = Words.of(LooksCheck.class);
  private static final double MILLIMETRE = 72 / 25.4;

  /** Fewer pages are painted sooner than the file is opened again. */
  private static final int MANY = 8;

  private final Publication publication;
  private final PdfChoices choices;
  private final List<Integer> drawn;
  private final Optional<CompletableFuture<Optional<Check>>> beside;

  private LooksCheck(
      Path file,
      String password,
      Publication publication,
      PdfChoices choices,
      List<Integer> drawn) {
    this.publication = publication;
    this.choices = choices;
    this.drawn = drawn;
    this.beside =
        drawn.size() < MANY
            ? Optional.empty()
            : Optional.of(CompletableFuture.supplyAsync(() -> opened(file, password)));
  }

  /**
   * @param drawn the pages of the file with pictures or drawings, from 0
   */
  static LooksCheck begin(
      Path file,
      String password,
      Publication publication,
      PdfChoices choices,
      List<Integer> drawn) {
    return new LooksCheck(file, password, publication, choices, drawn);
  }

  /**
   * What came of it; empty if nothing is drawn.
   *
   * @param pdf the file, open
   */
  Optional<Check> check(PDDocument pdf) throws IOException {
    if (beside.isEmpty()) {
      return of(pdf);
    }
    try {
      return beside.get().join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof UncheckedIOException io) {
        throw io.getCause();
      }
      throw e;
    }
  }

  /** The file is closed when this is over, however the other checks went. */
  @Override
  public void close() {
    beside.ifPresent(b -> b.exceptionally(e -> Optional.empty()).join());
  }

  private Optional<Check> opened(Path file, String password) {
    try (PDDocument pdf = Loader.loadPDF(file.toFile(), password)) {
      return of(pdf);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private Optional<Check> of(PDDocument pdf) throws IOException {
    var wanted = new PaintedPublication(publication);
    var got = new PaintedPdf(pdf);
    for (int k : drawn) {
      Optional<Box> unlike = Unlikeness.first(wanted, choices.pages().get(k), got, k);
      if (unlike.isPresent()) {
        Box b = unlike.get();
        return Optional.of(
            Check.of(
                WORDS.say("looks-check.looks"),
                false,
                "",
                WORDS.say(
                    "looks-check.page-looks-otherwise",
                    publication.pages().get(choices.pages().get(k)).number(),
                    Math.round(b.x() / MILLIMETRE),
                    Math.round(b.y() / MILLIMETRE))));
      }
    }
    return drawn.isEmpty()
        ? Optional.empty()
        : Optional.of(
            Check.of(
                WORDS.say("looks-check.looks"),
                true,
                WORDS.count("looks-check.look-alike", drawn.size()),
                ""));
  }
}
