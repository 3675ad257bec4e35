package decant.run;

import java.util.List;

/**
 * Published files that a worker process is to make one of.
 *
 * @param overwrite whether the whole may take the place of what is there
 */
record MergeJob(String file, String title, boolean overwrite, List<Part> merged) {
  /** A file, and what its bookmark says. */
  record Part(String title, String file) {}
}
