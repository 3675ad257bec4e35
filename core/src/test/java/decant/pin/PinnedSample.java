package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Document;
import decant.model.edit.Revision;
import decant.pdf.choices.PdfChoices;
import decant.pdf.write.PdfWriter;
import decant.publication.KeptPage;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Documents taken in from a PDF, with pages pinned. */
final class PinnedSample {
  private PinnedSample() {}

  /**
   * @param numbers of the pages, from 0
   */
  static Revision pages(Path file, int... numbers) throws IOException {
    List<Pinning.Sheet> all = PinnedPages.askedAll(new KeptPage.InFile(file, ""));
    return pinned(Samples.taken(file), file, IntStream.of(numbers).mapToObj(all::get).toList());
  }

  static Revision all(TakenIn taken, Path file) throws IOException {
    return pinned(taken, file, PinnedPages.askedAll(new KeptPage.InFile(file, "")));
  }

  private static Revision pinned(TakenIn taken, Path file, List<Pinning.Sheet> sheets)
      throws IOException {
    return Revision.of(
        Pinning.pin(
            taken.document(),
            taken.origin(),
            PinnedPages.unlocked(new KeptPage.InFile(file, "")),
            sheets));
  }

  /** A document as a PDF that passes all checks. @return the file */
  static Path published(Document d, Path to) throws Exception {
    Layout l = new Layouter(FontBook.shipped()).layout(d);
    var choices =
        PdfChoices.defaults(IntStream.range(0, l.pages().size()).boxed().toList(), l.metadata());
    try (var out = Files.newOutputStream(to)) {
      PdfWriter.write(l, choices, Optional.empty(), out, n -> {}, () -> false);
    }
    assertThat(PdfVerifier.verify(to, l, choices))
        .allSatisfy(c -> assertThat(c.passed()).as(c.toString()).isTrue());
    return to;
  }
}
