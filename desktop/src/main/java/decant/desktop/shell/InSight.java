package decant.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.BiConsumer;
import javafx.animation.PauseTransition;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;

/**
 * Listens for a stage as long as it is in sight, so that no stage out of sight does any work. What
 * changed meanwhile is told once, as one change, when it comes back.
 */
public final class InSight {
  private static final Duration REST = Duration.millis(60);

  private final List<Watched<?>> all = new ArrayList<>();
  private boolean is;

  /** One value that is watched, and what it was when it was last told of. */
  private static final class Watched<T extends @Nullable Object> {
    private final ObservableValue<T> value;
    private final BiConsumer<T, T> told;
    private final ChangeListener<T> listener = (o, was, now) -> tell();
    private T last;

    Watched(ObservableValue<T> value, BiConsumer<T, T> told) {
      this.value = value;
      this.told = told;
      this.last = value.getValue();
    }

    void tell() {
      T was = last;
      last = value.getValue();
      if (!Objects.equals(was, last)) {
        told.accept(was, last);
      }
    }
  }

  /** Tells of a value that changed, with what it was when it was told of before. */
  public <T extends @Nullable Object> void on(ObservableValue<T> value, BiConsumer<T, T> told) {
    var w = new Watched<>(value, told);
    all.add(w);
    if (is) {
      w.value.addListener(w.listener);
    }
  }

  public void on(ObservableValue<?> value, Runnable told) {
    on(value, (was, now) -> told.run());
  }

  /** Tells of a value once it has rested for a moment, so that not every key is worked on. */
  public void atRest(ObservableValue<?> value, Runnable told) {
    var rest = new PauseTransition(REST);
    rest.setOnFinished(e -> told.run());
    on(value, rest::playFromStart);
  }

  /** The stage comes into sight. */
  public void begin() {
    if (!is) {
      is = true;
      all.forEach(InSight::begin);
    }
  }

  private static <T extends @Nullable Object> void begin(Watched<T> w) {
    w.value.addListener(w.listener);
    w.tell();
  }

  /** The stage goes out of sight, or is let go. */
  public void end() {
    if (is) {
      is = false;
      all.forEach(InSight::end);
    }
  }

  private static <T extends @Nullable Object> void end(Watched<T> w) {
    w.value.removeListener(w.listener);
  }
}
