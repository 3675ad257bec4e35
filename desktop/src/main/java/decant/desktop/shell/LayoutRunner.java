package decant.desktop.shell;

import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Document;
import decant.text.FontBook;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * Keeps the pages of one document up to date. What is quick is laid out at once; what takes longer
 * shows the pages in sight at once, goes on in the background, and is dropped when a newer version
 * comes.
 */
final class LayoutRunner {
  private static final int FIRST_PAGES = 4;
  private static final int THEN_EVERY = 60;

  /** How long the interface may wait for pages, in nanoseconds. */
  private static final long QUICK = 40_000_000L;

  private final Layouter layouter = new Layouter(FontBook.shipped());
  private final ExecutorService background =
      Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "layout");
        t.setDaemon(true);
        return t;
      });
  private final AtomicInteger wanted = new AtomicInteger();
  private final ReadOnlyObjectWrapper<Layout> layout = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper(false);
  private Supplier<PagesInView> inSight = () -> new PagesInView(0, 1);

  /** Whether all pages of some version were there already. */
  private volatile boolean opened;

  ReadOnlyObjectProperty<Layout> layoutProperty() {
    return layout.getReadOnlyProperty();
  }

  ReadOnlyBooleanProperty busyProperty() {
    return busy.getReadOnlyProperty();
  }

  /** Tells which pages come first when all must be made anew. */
  void watch(Supplier<PagesInView> pages) {
    inSight = pages;
  }

  /** The first pages of a document, on the caller's thread, which is not the interface's. */
  Layout firstPages(Document d, BooleanSupplier stopped) {
    int[] made = {0};
    return layouter.layout(
        d, () -> ++made[0] >= FIRST_PAGES || stopped.getAsBoolean(), Integer.MAX_VALUE, l -> {});
  }

  void begin(Layout first) {
    layout.set(first);
    opened = first.complete();
    if (!opened) {
      later(first.document(), Optional.empty());
    }
  }

  /** Lays a version out; on the interface thread. */
  void request(Document d) {
    if (background.isShutdown()) {
      return; // it is no longer open
    }
    PagesInView seen = inSight.get();
    Layout before = layout.get();
    if (busy.get()) {
      later(d, opened ? Optional.of(seen) : Optional.empty());
      return;
    }
    long until = System.nanoTime() + QUICK;
    boolean all = layouter.relaysAll(before.document(), d) && before.pages().size() > 2;
    // When everything moves, the pages in sight are what to wait for.
    Layout quick =
        all
            ? layouter.inSight(d, before, seen.first(), seen.count())
            : layouter.layout(d, () -> System.nanoTime() > until, Integer.MAX_VALUE, l -> {});
    if (!all && !quick.complete()) {
      quick = layouter.inSight(d, before, seen.first(), seen.count());
    }
    if (!quick.complete()) {
      later(d, Optional.empty());
    }
    layout.set(quick);
  }

  /** Lays a version out in the background, the pages in sight first if they are not there yet. */
  private void later(Document d, Optional<PagesInView> first) {
    int number = wanted.incrementAndGet();
    Layout before = layout.get();
    busy.set(true);
    background.execute(() -> {
      if (wanted.get() != number) {
        return;
      }
      first.ifPresent(s -> {
        Layout seen = layouter.inSight(d, before, s.first(), s.count());
        Platform.runLater(() -> publish(seen, number));
      });
      Layout made =
          layouter.layout(
              d,
              () -> wanted.get() != number,
              THEN_EVERY,
              part -> {
                // While a document is opened its pages appear as they come; later the old ones stay
                // until all are new.
                if (!opened) {
                  Platform.runLater(() -> publish(part, number));
                }
              });
      Platform.runLater(() -> publish(made, number));
    });
  }

  private void publish(Layout made, int number) {
    if (wanted.get() != number) {
      return;
    }
    opened |= made.complete();
    layout.set(made);
    if (made.complete()) {
      busy.set(false);
    }
  }

  void close() {
    wanted.incrementAndGet();
    busy.set(false);
    background.shutdown();
  }
}
