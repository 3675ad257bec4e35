package decant.desktop;

import decant.desktop.shell.StageName;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;

/**
 * How long the interface thread is busy at a time while a run is planned and worked on: {@code
 * scripts/bench.sh runs window}. Told by what waits for it: a task that is put there every few
 * milliseconds.
 */
final class RunsSmooth {
  private RunsSmooth() {}

  public static void main(String[] args) throws Exception {
    int files = Integer.parseInt(args[0]);
    int documents = Math.min(files, 400);
    Path folder = Files.createTempDirectory("decant-smooth");
    Path source = tree(folder, files, documents);
    try (Window w = Window.open(folder.resolve("state"))) {
      Window.run(() -> w.desk.go(StageName.RUNS));
      Window.run(() -> Runs.choose(w.frame, source, folder.resolve("results")));
      Thread.sleep(500);
      measured(
          "planning " + files + " files",
          () -> {
            Window.run(() -> w.find("#run-first", Button.class).fire());
            await(w, "Publish");
          });
      measured(
          "at work",
          () -> {
            Window.run(() -> w.find("#run-first", Button.class).fire());
            sleep(15_000);
          });
      TableView<?> table = Window.on(() -> w.find("#run-table", TableView.class));
      measured(
          "at work, scrolled through",
          () -> {
            for (int k = 0; k < 200; k++) {
              int to = (int) ((long) table.getItems().size() * k / 200);
              Window.run(() -> table.scrollTo(to));
              sleep(30);
            }
          });
      measured(
          "at work, filtered, looked for, sorted",
          () -> {
            for (String b : List.of("#run-show-done", "#run-show-left-out", "#run-show-all")) {
              Window.run(() -> w.find(b, javafx.scene.control.ToggleButton.class).fire());
              sleep(1500);
            }
            for (String s : List.of("n", "no", "not", "")) {
              Window.run(() -> w.find("#run-search", TextField.class).setText(s));
              sleep(700);
            }
            Window.run(() -> sort(table));
            sleep(2000);
          });
      Window.run(() -> w.find("#run-stop", Button.class).fire());
      await(w, "Go on with it");
    }
    System.exit(0);
  }

  private static <T> void sort(TableView<T> table) {
    table.getSortOrder().add(table.getColumns().get(5));
  }

  private static Path tree(Path folder, int files, int documents) throws IOException {
    Path notice = Path.of("demo/Winter storage notice.docx").toAbsolutePath();
    Path source = folder.resolve("source");
    for (int k = 0; k < files; k++) {
      Path in = source.resolve("f" + k / 200);
      if (k % 200 == 0) {
        Files.createDirectories(in);
      }
      if (k % (files / documents) == 0) {
        Files.copy(notice, in.resolve("notice " + k + ".docx"));
      } else {
        Files.createFile(in.resolve("empty " + k + ".docx"));
      }
    }
    return source;
  }

  private static void await(Window w, String text) {
    while (!Window.on(() -> w.find("#run-first", Button.class).getText()).equals(text)) {
      sleep(100);
    }
  }

  private static void measured(String what, Runnable doing) {
    var going = new AtomicBoolean(true);
    var longest = new ArrayList<Long>();
    var own = new ArrayList<Long>();
    long thread = Window.on(() -> Thread.currentThread().threadId());
    var times = java.lang.management.ManagementFactory.getThreadMXBean();
    Thread asking =
        Thread.ofPlatform()
            .start(() -> {
              while (going.get()) {
                var begun = new AtomicLong(System.nanoTime());
                long cpu = times.getThreadCpuTime(thread);
                var done = new java.util.concurrent.CountDownLatch(1);
                Platform.runLater(done::countDown);
                try {
                  done.await();
                  longest.add((System.nanoTime() - begun.get()) / 1_000);
                  own.add((times.getThreadCpuTime(thread) - cpu) / 1_000);
                  Thread.sleep(3);
                } catch (InterruptedException e) {
                  return;
                }
              }
            });
    doing.run();
    going.set(false);
    try {
      asking.join();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    longest.sort(null);
    own.sort(null);
    System.out.println(
        String.format(
            Locale.ROOT,
            "%-45s busy: p50 %.1f ms, p99 %.1f, longest %.1f, %.1f, %.1f (of %d); of its own p99 %.1f, longest %.1f, %.1f",
            what,
            longest.get(longest.size() / 2) / 1e3,
            longest.get(longest.size() * 99 / 100) / 1e3,
            longest.getLast() / 1e3,
            longest.get(Math.max(0, longest.size() - 2)) / 1e3,
            longest.get(Math.max(0, longest.size() - 3)) / 1e3,
            longest.size(),
            own.get(own.size() * 99 / 100) / 1e3,
            own.getLast() / 1e3,
            own.get(Math.max(0, own.size() - 2)) / 1e3));
  }

  private static void sleep(long millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
