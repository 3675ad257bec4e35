package decant.compare;

import decant.convert.Pages;
import decant.format.Formats;
import decant.layout.Layout;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.work.Deadline;
import java.util.Optional;
import java.util.function.Function;

/** The versions of documents that files hold. */
public final class Editions {
  private Editions() {}

  /**
   * The version of a file.
   *
   * @throws ReadProblem if it cannot be laid out within its time
   */
  public static Edition of(TakenIn taken, Deadline deadline) throws ReadProblem {
    return Formats.hasPages(taken.origin().format())
        ? paged(taken)
        : EditionReader.of(taken.document(), Pages.of(taken.document(), deadline));
  }

  /**
   * The version that was taken in, as a document to be held against its revision.
   *
   * @throws ReadProblem if it cannot be laid out within its time
   */
  public static Edition before(TakenIn taken, Deadline deadline) throws ReadProblem {
    return Formats.hasPages(taken.origin().format())
        ? EditionReader.ofRevisable(taken.document(), taken.origin().pages(), pages(taken))
        : after(Pages.of(taken.document(), deadline));
  }

  /** The revision of what was taken in. */
  public static Edition after(Layout revision) {
    return EditionReader.ofRevisable(
        revision.document(), revision.pages().size(), EditionReader.pages(revision));
  }

  /** The version of a file that is made of pages. */
  static Edition paged(TakenIn taken) {
    return EditionReader.ofPages(taken.document(), taken.origin().pages(), pages(taken));
  }

  /** The pages of the source that blocks begin on. */
  private static Function<NodeId, Optional<Integer>> pages(TakenIn taken) {
    var places = taken.origin().places();
    return id -> Optional.ofNullable(places.get(id)).map(Finding.SourcePlace::page).map(p -> p + 1);
  }
}
