package decant.desktop.shell;

import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Document;
import decant.text.FontBook;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * Keeps the pages of one document up to date. A small edit is laid out at once; what may take long
 * goes to the background, tells of the first pages early, and is dropped when a newer version
 * comes.
 */
final class LayoutRunner {
  private static final int FIRST_PAGES = 4;
  private static final int THEN_EVERY = 60;
  private static final int QUICK_PAGES = 40;

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

  ReadOnlyObjectProperty<Layout> layoutProperty() {
    return layout.getReadOnlyProperty();
  }

  ReadOnlyBooleanProperty busyProperty() {
    return busy.getReadOnlyProperty();
  }

  /** The first pages of a document, on the caller's thread, which is not the interface's. */
  Layout firstPages(Document d) {
    int[] told = {0};
    Layout[] first = new Layout[1];
    Layout all = layouter.layout(d, () -> told[0] > 0, FIRST_PAGES, l -> {});
    if (all.complete()) {
      return all;
    }
    first[0] = all;
    return first[0];
  }

  void begin(Layout first) {
    layout.set(first);
    if (!first.complete()) {
      request(first.document());
    }
  }

  /** Lays a version out; on the interface thread. */
  void request(Document d) {
    int number = wanted.incrementAndGet();
    Layout before = layout.get();
    boolean quick =
        before != null
            && before.complete()
            && !busy.get()
            && (before.document().styles() == d.styles() || before.pages().size() <= QUICK_PAGES);
    if (quick) {
      layout.set(layouter.layout(d));
      return;
    }
    busy.set(true);
    background.execute(() -> {
      Layout made =
          layouter.layout(
              d,
              () -> wanted.get() != number,
              THEN_EVERY,
              part -> {
                // While a document is opened its pages appear as they come; later the old ones stay
                // until all are new.
                if (before == null || !before.complete()) {
                  Platform.runLater(() -> publish(part, number, false));
                }
              });
      Platform.runLater(() -> publish(made, number, made.complete()));
    });
  }

  private void publish(Layout made, int number, boolean last) {
    if (wanted.get() != number) {
      return;
    }
    layout.set(made);
    if (last) {
      busy.set(false);
    }
  }

  void close() {
    wanted.incrementAndGet();
    background.shutdown();
  }
}
