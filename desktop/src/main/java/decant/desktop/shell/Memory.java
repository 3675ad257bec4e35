package decant.desktop.shell;

import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * What the window remembers from one run to the next: its size, its theme, the zoom of pages, the
 * folder that was looked into last. Knows no controls.
 */
public final class Memory {
  private static final ObjectMapper JSON =
      new ObjectMapper().configure(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES, false);

  /**
   * What is remembered.
   *
   * @param width of the window's content, in pixels
   * @param zoom of pages that are revised or published; 0 where they fit the width
   * @param folder the last one looked into; empty for none
   * @param fonts the families chosen last, the latest first
   * @param copies the extension of working copies of what is no office document; empty for the
   *     usual one
   */
  public record Kept(
      double width,
      double height,
      boolean maximised,
      boolean dark,
      double zoom,
      String folder,
      List<String> fonts,
      String copies) {
    static final Kept DEFAULT = new Kept(1280, 800, false, false, 0, "", List.of(), "");
    private static final int MOST_FONTS = 6;

    /** The same with sizes that a window can have. */
    Kept sensible() {
      return new Kept(
          Math.clamp(width, 900, 8000),
          Math.clamp(height, 600, 8000),
          maximised,
          dark,
          zoom == 0 ? 0 : Math.clamp(zoom, 0.25, 4),
          folder == null ? "" : folder,
          fonts == null ? List.of() : List.copyOf(fonts),
          copies == null ? "" : copies);
    }

    public Kept sized(double w, double h, boolean whole) {
      // A window that fills the screen comes back in the size that it had before.
      return whole
          ? new Kept(width, height, true, dark, zoom, folder, fonts, copies)
          : new Kept(w, h, false, dark, zoom, folder, fonts, copies);
    }

    public Kept dark(boolean is) {
      return new Kept(width, height, maximised, is, zoom, folder, fonts, copies);
    }

    public Kept zoomed(double to) {
      return new Kept(width, height, maximised, dark, to, folder, fonts, copies);
    }

    /** A family was chosen. */
    public Kept used(String font) {
      List<String> all =
          Stream.concat(Stream.of(font), fonts.stream().filter(f -> !f.equals(font)))
              .limit(MOST_FONTS)
              .toList();
      return new Kept(width, height, maximised, dark, zoom, folder, all, copies);
    }

    /** Working copies of what is no office document have this extension from now on. */
    public Kept copiedAs(String extension) {
      return new Kept(width, height, maximised, dark, zoom, folder, fonts, extension);
    }

    public Kept in(Path dir) {
      return new Kept(width, height, maximised, dark, zoom, dir.toString(), fonts, copies);
    }
  }

  private final Path store;
  private final ExecutorService writer =
      Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "memory");
        t.setDaemon(true);
        return t;
      });
  private volatile Kept kept;

  Memory(Path store) {
    this.store = store;
    this.kept = load(store);
  }

  public Kept kept() {
    return kept;
  }

  /** The last folder looked into, if it is still there. */
  public Optional<Path> folder() {
    return kept.folder().isEmpty()
        ? Optional.empty()
        : Optional.of(Path.of(kept.folder())).filter(Files::isDirectory);
  }

  /** Remembers something from now on. */
  public void change(UnaryOperator<Kept> how) {
    Kept next = how.apply(kept).sensible();
    if (next.equals(kept)) {
      return;
    }
    kept = next;
    writer.execute(() -> {
      if (kept == next) {
        write(next);
      }
    });
  }

  /** Waits until what was changed is on the disk, for a moment at most. */
  void flush() {
    try {
      writer.submit(() -> {}).get(2, TimeUnit.SECONDS);
    } catch (ExecutionException | TimeoutException e) {
      return; // window sizes are not worth waiting for
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void write(Kept now) {
    try {
      Files.createDirectories(store.toAbsolutePath().getParent());
      byte[] bytes = JSON.writeValueAsBytes(now);
      AtomicFile.writeForOwner(store, out -> out.write(bytes));
    } catch (IOException | WriteProblem e) {
      System.getLogger(Memory.class.getName())
          .log(System.Logger.Level.INFO, "the window's state cannot be kept", e);
    }
  }

  private static Kept load(Path store) {
    if (!Files.exists(store)) {
      return Kept.DEFAULT;
    }
    try {
      return JSON.readValue(store.toFile(), Kept.class).sensible();
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading what the window remembers", e);
      return Kept.DEFAULT; // a damaged memory of window sizes is no loss
    }
  }
}
