package decant.verify.pdf;

import decant.model.Box;
import decant.paint.PaintedPdf;
import decant.paint.PaintedPublication;
import decant.paint.SeenChange;
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
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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

  /** Of so many pages one is looked at closely: a thin line that is lost is lost on many. */
  private static final int CLOSELY = 16;

  /**
   * What there is to be seen but text, by pages from 0.
   *
   * @param drawn pages with pictures or drawings
   * @param lined pages with lines or areas and no pictures
   */
  record Seen(List<Integer> drawn, List<Integer> lined) {
    static final Seen NOTHING = new Seen(List.of(), List.of());

    Seen {
      drawn = List.copyOf(drawn);
      lined = List.copyOf(lined);
    }

    private Set<Integer> closely() {
      return IntStream.range(0, lined.size())
          .filter(n -> n % CLOSELY == 0)
          .mapToObj(lined::get)
          .collect(Collectors.toSet());
    }
  }

  private final Publication publication;
  private final PdfChoices choices;
  private final Seen seen;
  private final Optional<CompletableFuture<Optional<Check>>> beside;

  private LooksCheck(
      Path file, String password, Publication publication, PdfChoices choices, Seen seen) {
    this.publication = publication;
    this.choices = choices;
    this.seen = seen;
    this.beside =
        seen.drawn().size() < MANY
            ? Optional.empty()
            : Optional.of(CompletableFuture.supplyAsync(() -> opened(file, password)));
  }

  /**
   * @param seen what is to be seen on the pages of the file
   */
  static LooksCheck begin(
      Path file, String password, Publication publication, PdfChoices choices, Seen seen) {
    return new LooksCheck(file, password, publication, choices, seen);
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
    Set<Integer> closely = seen.closely();
    var pages = new TreeSet<Integer>(closely);
    pages.addAll(seen.drawn());
    for (int k : pages) {
      int page = choices.pages().get(k);
      Optional<Box> unlike = Unlikeness.first(wanted, page, got, k);
      if (unlike.isEmpty() && closely.contains(k)) {
        unlike = SeenChange.between(wanted, page, got, k, false, false);
      }
      if (unlike.isPresent()) {
        Box b = unlike.get();
        return Optional.of(
            Check.of(
                WORDS.say("looks-check.looks"),
                false,
                "",
                WORDS.say(
                    "looks-check.page-looks-otherwise",
                    publication.pages().get(page).number(),
                    Math.round(b.x() / MILLIMETRE),
                    Math.round(b.y() / MILLIMETRE))));
      }
    }
    return pages.isEmpty()
        ? Optional.empty()
        : Optional.of(
            Check.of(
                WORDS.say("looks-check.looks"),
                true,
                WORDS.count("looks-check.look-alike", pages.size()),
                ""));
  }
}
