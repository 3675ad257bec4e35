package decant.compare;

import decant.convert.Pages;
import decant.format.Formats;
import decant.format.Intake;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.work.Deadline;
import java.io.IOException;
import java.util.Optional;

/** The version of a document that a file holds. */
public final class EditionFile {
  private EditionFile() {}

  /**
   * Takes a file in and apart. Its pages are its own where it has some, else those that it comes to
   * here.
   *
   * @throws ReadProblem if it cannot be taken in, or not within its time
   */
  public static Edition read(ReadRequest request, Deadline deadline)
      throws ReadProblem, IOException {
    return of(Intake.take(request.by(deadline)), deadline);
  }

  /**
   * The version that was taken in.
   *
   * @throws ReadProblem if it cannot be laid out within its time
   */
  public static Edition of(TakenIn taken, Deadline deadline) throws ReadProblem {
    if (Formats.hasPages(taken.origin().format())) {
      var places = taken.origin().places();
      return EditionReader.ofPages(
          taken.document(),
          taken.origin().pages(),
          id -> Optional.ofNullable(places.get(id)).map(Finding.SourcePlace::page).map(p -> p + 1));
    }
    return EditionReader.of(taken.document(), Pages.of(taken.document(), deadline));
  }
}
