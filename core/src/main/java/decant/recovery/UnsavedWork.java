package decant.recovery;

import decant.reading.TakenIn;
import java.nio.file.Path;

/**
 * Unsaved work.
 *
 * @param source the file that the document had come from
 * @param taken the document as it was left, with the findings that were open, and what is known of
 *     its source
 */
public record UnsavedWork(Path source, TakenIn taken) {}
