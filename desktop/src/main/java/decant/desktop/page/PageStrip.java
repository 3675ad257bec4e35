package decant.desktop.page;

import decant.layout.pages.PageChange;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.nio.IntBuffer;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import org.jspecify.annotations.Nullable;

/** Some rows of pixels of a page on the screen. */
final class PageStrip {
  private static final ExecutorService PAINTERS =
      new ThreadPoolExecutor(
          2,
          2,
          1,
          TimeUnit.MINUTES,
          new PriorityBlockingQueue<>(),
          r -> {
            Thread t = new Thread(r, "page painter");
            t.setDaemon(true);
            return t;
          });

  private static final AtomicLong JOBS = new AtomicLong();

  private final int page;
  private final double pixels;
  private final int top;
  private final int width;
  private final int rows;
  private final ImageView view = new ImageView();
  private @Nullable BufferedImage image;
  private @Nullable PixelBuffer<IntBuffer> buffer;
  private boolean painted;
  private boolean painting;
  private volatile int version;

  /**
   * @param page its number, from 0
   * @param pixels to a point
   * @param scale units of the screen to a point
   * @param top the first row, from the top of the page
   */
  PageStrip(int page, double pixels, double scale, int top, int width, int rows) {
    this.page = page;
    this.pixels = pixels;
    this.top = top;
    this.width = width;
    this.rows = rows;
    double by = scale / pixels;
    view.setLayoutY(top * by);
    view.setFitWidth(width * by);
    view.setFitHeight(rows * by);
  }

  ImageView view() {
    return view;
  }

  int top() {
    return top;
  }

  int bottom() {
    return top + rows;
  }

  boolean isPainted() {
    return painted;
  }

  /** What is being painted for it is not shown any more. */
  void forget() {
    version++;
  }

  /** The page looks otherwise by now. */
  void isOutdated() {
    version++;
    painted = false;
    painting = false;
  }

  /** Paints what changed, before this returns, over what is there. */
  void repaint(PageSource source, PageChange change) {
    BufferedImage known = image;
    PixelBuffer<IntBuffer> shown = buffer;
    version++;
    painting = false;
    if (known == null || shown == null || !painted) {
      BufferedImage fresh = blank();
      source.paint(page, fresh, pixels, top);
      present(fresh);
      return;
    }
    int[] changed = source.repaint(page, known, pixels, top, change);
    shown.updateBuffer(
        b -> new Rectangle2D(0, changed[0], width, Math.max(1, changed[1] - changed[0])));
  }

  /**
   * Paints it in the background.
   *
   * @param first whether it is painted before those that are out of sight
   */
  void paintLater(PageSource source, boolean first) {
    if (painted || painting) {
      return;
    }
    painting = true;
    int wanted = version;
    Runnable work =
        () -> {
          if (wanted != version) {
            return; // it looks otherwise by now
          }
          BufferedImage fresh = blank();
          try {
            source.paint(page, fresh, pixels, top);
          } catch (RuntimeException e) {
            Faults.mended("painting a source page", e);
            return; // the source was closed or replaced meanwhile
          }
          Platform.runLater(() -> {
            if (wanted == version) {
              painting = false;
              present(fresh);
            }
          });
        };
    PAINTERS.execute(new Job(first ? 0 : 1, JOBS.getAndIncrement(), work));
  }

  private BufferedImage blank() {
    return new BufferedImage(width, rows, BufferedImage.TYPE_INT_ARGB_PRE);
  }

  /**
   * Shows what was painted. A picture that is shown already is painted over: each has pixels of its
   * own for the screen too, which are given back late.
   */
  private void present(BufferedImage fresh) {
    int[] data = data(fresh);
    painted = true;
    BufferedImage known = image;
    PixelBuffer<IntBuffer> shown = buffer;
    if (known != null && shown != null) {
      System.arraycopy(data, 0, data(known), 0, data.length);
      shown.updateBuffer(b -> new Rectangle2D(0, 0, width, rows));
      return;
    }
    var made =
        new PixelBuffer<>(width, rows, IntBuffer.wrap(data), PixelFormat.getIntArgbPreInstance());
    image = fresh;
    buffer = made;
    view.setImage(new WritableImage(made));
  }

  private static int[] data(BufferedImage image) {
    return ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
  }

  /** Painting to be done: what is in sight first, then the latest. */
  private record Job(int rank, long number, Runnable work) implements Runnable, Comparable<Job> {
    @Override
    public void run() {
      work.run();
    }

    @Override
    public int compareTo(Job o) {
      return rank != o.rank ? Integer.compare(rank, o.rank) : Long.compare(o.number, number);
    }
  }
}
