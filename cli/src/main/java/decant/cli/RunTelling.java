package decant.cli;

import decant.run.Merging;
import decant.run.Run;

/** Tells of a run as it goes. */
interface RunTelling {
  /** So many files were met while planning. */
  void planning(long files);

  /**
   * The plan is made.
   *
   * @param whole whether nothing but the plan was asked for
   */
  void planned(Run run, int workers, boolean whole);

  /** What listens to the work. */
  Run.Listener listener(Run run);

  /** What was published was merged, or could not be. */
  void merged(Merging.Merged whole);

  /** The run has come to its end, or was stopped. */
  void end(Run run);
}
