package decant.recovery;

import decant.compare.Ticks;
import decant.reading.TakenIn;
import java.nio.file.Path;
import java.util.Optional;

/**
 * Unsaved work.
 *
 * @param source the file that the document had come from
 * @param taken the document as it was left, with the findings that were open, and what is known of
 *     its source
 * @param copy the working copy that it had been saved to
 * @param ticks the differences from its source that were found right
 */
public record UnsavedWork(Path source, TakenIn taken, Optional<SavedCopy> copy, Ticks ticks) {
  /** Work of which nothing was ticked. */
  public UnsavedWork(Path source, TakenIn taken, Optional<SavedCopy> copy) {
    this(source, taken, copy, Ticks.NONE);
  }
}
