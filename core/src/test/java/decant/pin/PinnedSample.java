package decant.pin;

import decant.Samples;
import decant.model.edit.Revision;
import decant.publication.KeptPage;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
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
}
