package decant.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * The work that goes on in the background: each job is shown from its beginning until it ends, the
 * latest first. Everything but {@link Job#isCancelled} is called on the interface thread.
 */
public final class Jobs {
  private final List<Job> running = new ArrayList<>();
  private final ReadOnlyObjectWrapper<Optional<Job.State>> shown =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  /** One piece of work. */
  public static final class Job {
    /**
     * What is shown of it.
     *
     * @param share how much is done, from 0 to 1; negative if it is not known
     * @param more how many other jobs there are
     */
    public record State(String label, double share, boolean stoppable, int more) {}

    private final Jobs all;
    private final Optional<Runnable> stop;
    private final AtomicBoolean cancelled = new AtomicBoolean();
    private String label;
    private double share;

    private Job(Jobs all, String label, double share, Optional<Runnable> stop) {
      this.all = all;
      this.label = label;
      this.share = share;
      this.stop = stop;
    }

    /** How far it has come; nothing once it has ended. */
    public void progress(String what, double done) {
      label = what;
      share = done;
      all.refresh();
    }

    /** It is over, however it went. */
    public void end() {
      all.running.remove(this);
      all.refresh();
    }

    /** Whether the person no longer waits for it; asked on any thread. */
    boolean isCancelled() {
      return cancelled.get();
    }
  }

  /** What is shown now; empty if nothing goes on. */
  public ReadOnlyObjectProperty<Optional<Job.State>> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** Begins a job that a person can stop: it is told by {@link Job#isCancelled}. */
  Job begin(String label, double share) {
    return begin(label, share, () -> {});
  }

  /**
   * Begins a job that a person can stop.
   *
   * @param stopped done at once when it is stopped, on the interface thread
   */
  public Job begin(String label, double share, Runnable stopped) {
    return add(new Job(this, label, share, Optional.of(stopped)));
  }

  /** Begins a job that ends by itself. */
  Job beginUnstoppable(String label) {
    return add(new Job(this, label, -1, Optional.empty()));
  }

  private Job add(Job job) {
    running.add(job);
    refresh();
    return job;
  }

  /** Stops the job that is shown, if it can be stopped. */
  public void cancelShown() {
    shownJob()
        .ifPresent(j ->
            j.stop.ifPresent(stop -> {
              j.cancelled.set(true);
              stop.run();
            }));
  }

  /** The latest that can be stopped, or else the latest. */
  private Optional<Job> shownJob() {
    return running.reversed().stream()
        .filter(j -> j.stop.isPresent())
        .findFirst()
        .or(() -> running.reversed().stream().findFirst());
  }

  private void refresh() {
    shown.set(
        shownJob()
            .map(j -> new Job.State(j.label, j.share, j.stop.isPresent(), running.size() - 1)));
  }
}
