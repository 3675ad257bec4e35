package decant.desktop.shell;

import decant.format.Formats;
import decant.format.Intake;
import decant.layout.Layout;
import decant.paint.PdfPictures;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/**
 * A long PDF that is being taken in: its own pages are there at once, the first pages of its
 * revision soon after, and the whole takes their place when it has been read.
 */
public final class Arriving {
  private static final System.Logger LOG = System.getLogger(Arriving.class.getName());

  /** Shorter ones are there before anyone has looked. */
  static final int LONG = 40;

  /** Enough to fill a window. */
  private static final int FIRST = 4;

  private final Path file;
  private final PdfPictures source;
  private final ObjectProperty<Optional<Layout>> first =
      new SimpleObjectProperty<>(Optional.empty());

  /** Where the person has scrolled to, as a share of all pages. */
  private double seen;

  private Arriving(Path file, PdfPictures source) {
    this.file = file;
    this.source = source;
  }

  /**
   * Shows what there is of a file before the whole is taken in, if it is a long PDF. Not on the
   * interface thread: it returns when its first pages have been read.
   *
   * @param request how the whole is read
   * @param over whether nobody waits for it any more
   * @param shown is given what arrives, on the interface thread
   */
  static void show(ReadRequest request, AtomicBoolean over, Consumer<Arriving> shown) {
    try {
      if (!Formats.hasPages(Formats.recognise(request.file()).id())) {
        return;
      }
      PdfPictures source = PdfPictures.open(request.file(), request.password().orElse(""));
      if (source.count() < LONG) {
        source.close();
        return;
      }
      var arriving = new Arriving(request.file(), source);
      Platform.runLater(() -> {
        if (over.get()) {
          arriving.close();
        } else {
          shown.accept(arriving);
        }
      });
      ReadRequest some = request.watched((done, all) -> {}, over::get).onlyFirst(FIRST);
      TakenIn taken = Intake.take(some);
      Layout pages = new LayoutRunner().firstPages(taken.document(), over::get);
      Platform.runLater(() -> arriving.first.set(Optional.of(pages)));
    } catch (IOException | ReadProblem e) {
      // Whatever is wrong with the file is said by the reading of the whole.
      LOG.log(System.Logger.Level.DEBUG, "the first pages cannot be shown", e);
    } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
      Faults.mended("showing the first pages", e); // the whole is read all the same
    }
  }

  public Path file() {
    return file;
  }

  /** The pages of the file itself. */
  public PdfPictures source() {
    return source;
  }

  /** The first pages of the revision, as soon as they are known. */
  public ObjectProperty<Optional<Layout>> firstProperty() {
    return first;
  }

  public double seen() {
    return seen;
  }

  public void see(double share) {
    seen = share;
  }

  void close() {
    try {
      source.close();
    } catch (IOException e) {
      LOG.log(System.Logger.Level.DEBUG, "it was only read from", e);
    }
  }
}
