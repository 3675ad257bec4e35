package decant.desktop.shell;

import decant.format.Intake;
import decant.layout.Layout;
import decant.model.edit.Revision;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.Recogniser;
import decant.reading.TakenIn;
import decant.words.Words;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** Reads the files that were asked for, a few at once, while the window goes on. */
final class TakingIn {
  private static final Words WORDS = Words.of(TakingIn.class);
  private static final int AT_ONCE = 2;

  private final Desk desk;
  private final ObjectProperty<Optional<Arriving>> arriving =
      new SimpleObjectProperty<>(Optional.empty());
  private final List<Reading> running = new ArrayList<>();
  private final Deque<Order> waiting = new ArrayDeque<>();

  /** A file that is to be read. */
  record Order(Path file, String password, Optional<Recogniser> recogniser) {}

  /** A file that is being read. */
  private final class Reading {
    private final Order order;
    private final Jobs.Job job;
    private final Place from = desk.placeProperty().get();
    private final Optional<Revision> was = desk.work().map(Work::revision);

    /** Whether its first pages are no longer to be shown. */
    private final AtomicBoolean over = new AtomicBoolean();

    private boolean left;

    Reading(Order order) {
      this.order = order;
      this.job = desk.jobs().begin(label(-1, 0), -1, this::stopped);
    }

    private String label(int done, int all) {
      Path name = order.file().getFileName();
      return all > 0
          ? WORDS.say("taking-in.page", name, Math.min(done + 1, all), all)
          : WORDS.say("taking-in.file", name);
    }

    /** A thread of its own: saving and publishing never wait for a file that does not end. */
    void begin() {
      ReadRequest plain =
          ReadRequest.of(order.file())
              .watched(
                  (done, all) ->
                      Platform.runLater(
                          () -> job.progress(label(done, all), all > 0 ? done / (double) all : -1)),
                  job::isCancelled);
      ReadRequest opened =
          order.password().isEmpty() ? plain : plain.withPassword(order.password());
      ReadRequest request = order.recogniser().map(opened::withRecogniser).orElse(opened);
      Thread thread =
          new Thread(
              () -> {
                Arriving.show(opened, over, this::arrives);
                read(request);
              },
              "reading");
      thread.setDaemon(true);
      thread.start();
    }

    private void arrives(Arriving a) {
      hide();
      arriving.set(Optional.of(a));
    }

    private void read(ReadRequest request) {
      try {
        TakenIn taken = Intake.take(request);
        var layouts = new LayoutRunner();
        Layout first = layouts.firstPages(taken.document(), job::isCancelled);
        ended(() -> {
          boolean wanted = isWaitedFor();
          double seen = shows() ? hide() : 0;
          desk.arrived(order, taken, first, layouts, wanted, seen);
        });
      } catch (ReadProblem e) {
        ended(() -> refused(e));
      } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
        ReadProblem fault =
            e instanceof OutOfMemoryError ? ReadProblem.tooLarge() : ReadProblem.fault(e);
        ended(() -> refused(fault));
      }
    }

    private void refused(ReadProblem e) {
      if (shows()) {
        hide();
      }
      desk.refused(order, e);
    }

    private boolean shows() {
      return arriving.get().filter(a -> a.file().equals(order.file())).isPresent();
    }

    /** Whether the person has done nothing else meanwhile. */
    private boolean isWaitedFor() {
      return !left
          && from.equals(desk.placeProperty().get())
          && was.equals(desk.work().map(Work::revision));
    }

    /** Does something on the interface thread, unless the person no longer waits for it. */
    private void ended(Runnable next) {
      Platform.runLater(() -> {
        if (running.remove(this)) {
          job.end();
          next.run();
          goOn();
        }
      });
    }

    private void stopped() {
      running.remove(this);
      job.end();
      over.set(true);
      if (shows()) {
        hide();
      }
      desk.tell(WORDS.say("taking-in.cancelled", order.file().getFileName()));
      goOn();
    }
  }

  TakingIn(Desk desk) {
    this.desk = desk;
  }

  ObjectProperty<Optional<Arriving>> arrivingProperty() {
    return arriving;
  }

  /** Reads a file as soon as may be; what comes of it is given to the desk. */
  void begin(Order order) {
    boolean asked =
        waiting.contains(order) || running.stream().anyMatch(r -> r.order.equals(order));
    if (!asked) {
      waiting.add(order);
      goOn();
    }
  }

  private void goOn() {
    while (running.size() < AT_ONCE && !waiting.isEmpty()) {
      var next = new Reading(waiting.poll());
      running.add(next);
      next.begin();
    }
  }

  /** The person looks at something else: what arrives comes quietly. */
  void leave() {
    running.forEach(r -> r.left = true);
    hide();
  }

  /** No file is read any more. */
  void close() {
    waiting.clear();
    List.copyOf(running).forEach(r -> r.over.set(true));
    hide();
  }

  /**
   * Shows the pages of what arrives no longer.
   *
   * @return where the person had scrolled to in them, as a share of all
   */
  private double hide() {
    Optional<Arriving> was = arriving.get();
    arriving.set(Optional.empty());
    running.stream()
        .filter(r -> was.filter(a -> a.file().equals(r.order.file())).isPresent())
        .forEach(r -> r.over.set(true));
    was.ifPresent(Arriving::close);
    return was.map(Arriving::seen).orElse(0.0);
  }
}
