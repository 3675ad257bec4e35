package decant.desktop.shell;

import decant.format.Intake;
import decant.layout.Layout;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.Recogniser;
import decant.reading.TakenIn;
import decant.words.Words;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** Reads the file that was asked for last, while the window goes on. */
final class TakingIn {
  private static final Words WORDS = Words.of(TakingIn.class);

  private final Desk desk;
  private final ObjectProperty<Optional<Arriving>> arriving =
      new SimpleObjectProperty<>(Optional.empty());

  /** What stops the reading that is waited for. */
  private Optional<AtomicBoolean> reading = Optional.empty();

  /** Whether what arrives is no longer to be shown. */
  private AtomicBoolean over = new AtomicBoolean();

  TakingIn(Desk desk) {
    this.desk = desk;
  }

  ObjectProperty<Optional<Arriving>> arrivingProperty() {
    return arriving;
  }

  /** Begins to read a file; what comes of it is given to the desk. */
  void begin(Path file, String password, Optional<Recogniser> recogniser) {
    reading.ifPresent(r -> r.set(true)); // of two files the later one is waited for
    hide();
    var cancelled = new AtomicBoolean();
    var unseen = new AtomicBoolean();
    reading = Optional.of(cancelled);
    over = unseen;
    String label = WORDS.say("desk.taking-in", file.getFileName());
    desk.backgroundProperty().set(Optional.of(new Background(label, -1, cancelled)));
    ReadRequest plain =
        ReadRequest.of(file)
            .watched(
                (done, all) -> Platform.runLater(() -> progress(file, done, all, cancelled)),
                cancelled::get);
    ReadRequest opened = password.isEmpty() ? plain : plain.withPassword(password);
    ReadRequest request = recogniser.map(opened::withRecogniser).orElse(opened);
    // A thread of its own: saving and publishing never wait for a file that does not end.
    Thread thread =
        new Thread(
            () -> {
              Arriving.show(opened, unseen, a -> arriving.set(Optional.of(a)));
              read(file, password, request, cancelled);
            },
            "reading");
    thread.setDaemon(true);
    thread.start();
  }

  private void read(Path file, String password, ReadRequest request, AtomicBoolean cancelled) {
    try {
      TakenIn taken = Intake.take(request);
      var layouts = new LayoutRunner();
      Layout first = layouts.firstPages(taken.document(), cancelled::get);
      unless(cancelled, () -> desk.arrived(file, password, taken, first, layouts));
    } catch (ReadProblem e) {
      unless(cancelled, () -> desk.refused(file, e));
    } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
      ReadProblem fault =
          e instanceof OutOfMemoryError ? ReadProblem.tooLarge() : ReadProblem.fault(e);
      unless(cancelled, () -> desk.refused(file, fault));
    }
  }

  /** Does something on the interface thread, unless the person no longer waits for it. */
  private static void unless(AtomicBoolean cancelled, Runnable next) {
    Platform.runLater(() -> {
      if (!cancelled.get()) {
        next.run();
      }
    });
  }

  private void progress(Path file, int done, int all, AtomicBoolean cancelled) {
    String label =
        all > 0
            ? WORDS.say("desk.taking-in-page", file.getFileName(), Math.min(done + 1, all), all)
            : WORDS.say("desk.taking-in", file.getFileName());
    desk.progress(label, all > 0 ? done / (double) all : -1, cancelled);
  }

  /** Whether a reading was waited for; it is no longer, even if it does not end at once. */
  boolean stopped(AtomicBoolean cancelled) {
    boolean waited = reading.filter(r -> r == cancelled).isPresent();
    if (waited) {
      reading = Optional.empty();
      hide();
    }
    return waited;
  }

  /**
   * Shows the pages of what arrives no longer.
   *
   * @return where the person had scrolled to in them, as a share of all
   */
  double hide() {
    over.set(true);
    Optional<Arriving> was = arriving.get();
    arriving.set(Optional.empty());
    was.ifPresent(Arriving::close);
    return was.map(Arriving::seen).orElse(0.0);
  }
}
