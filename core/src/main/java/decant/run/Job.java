package decant.run;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import decant.convert.Changes;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A file that a worker process is to publish, as it is told of it.
 *
 * @param root the destination, which nothing is written out of
 * @param folder where its results go
 * @param known those files that may be written over; null if any may, or none
 * @param recipe as JSON
 * @param password opens the source; empty for none
 * @param open opens the results; {@code change} lets them be changed
 * @param millis how long it may take
 */
record Job(
    String source,
    String root,
    String folder,
    String stem,
    boolean overwrite,
    @Nullable List<String> known,
    String recipe,
    boolean pagesKept,
    Changes changes,
    String languages,
    String password,
    String open,
    String change,
    long millis,
    boolean keepTimes) {

  /**
   * What became of it.
   *
   * @param why {@link Row.Why#NONE} if all went well
   * @param full whether it failed for want of room on the disk
   * @param sha256 that of the source when it was read
   * @param results their names are whole paths
   */
  @JsonIgnoreProperties(ignoreUnknown = true)
  record Answer(
      Row.Why why,
      String message,
      boolean full,
      String sha256,
      List<Row.Result> results,
      int pages,
      Row.Work work) {
    static Answer problem(Row.Why why, String message) {
      return new Answer(why, message, false, "", List.of(), 0, Row.Work.NONE);
    }
  }
}
