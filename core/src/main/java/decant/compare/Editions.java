package decant.compare;

import decant.convert.Pages;
import decant.format.Formats;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.work.Deadline;
import java.util.Optional;

/** The versions of documents that files hold. */
public final class Editions {
  private Editions() {}

  /**
   * The version that was taken in, to be held against its revision.
   *
   * @throws ReadProblem if it cannot be laid out within its time
   */
  public static Edition source(TakenIn taken, Deadline deadline) throws ReadProblem {
    return of(taken, true, deadline);
  }

  /**
   * The version of another file.
   *
   * @throws ReadProblem if it cannot be laid out within its time
   */
  public static Edition of(TakenIn taken, Deadline deadline) throws ReadProblem {
    return of(taken, false, deadline);
  }

  private static Edition of(TakenIn taken, boolean finely, Deadline deadline) throws ReadProblem {
    return Formats.hasPages(taken.origin().format())
        ? paged(taken, finely)
        : EditionReader.of(taken.document(), Pages.of(taken.document(), deadline));
  }

  /** The version of a file that is made of pages, to be held against another file. */
  static Edition paged(TakenIn taken) {
    return paged(taken, false);
  }

  private static Edition paged(TakenIn taken, boolean finely) {
    var places = taken.origin().places();
    return EditionReader.ofPages(
        taken.document(),
        taken.origin().pages(),
        finely,
        id -> Optional.ofNullable(places.get(id)).map(Finding.SourcePlace::page).map(p -> p + 1));
  }
}
