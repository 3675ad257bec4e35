package decant.desktop.shell;

import decant.io.AtomicFile;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.publish.ReceiptJson;
import decant.reading.ReadProblem;
import decant.recipe.PublishProblem;
import decant.recipe.RecipeProblem;
import decant.tray.OutTray;
import decant.tray.PublishQueue;
import decant.words.Words;
import decant.work.Cancelled;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/**
 * What waits: published files in the Out-tray, documents in the queue; and the receipts of what was
 * made. Runs on the interface thread but for the publishing itself.
 */
public final class Waiting {
  private static final Words WORDS = Words.of(Waiting.class);
  private static final System.Logger LOG = System.getLogger(Waiting.class.getName());

  private final Desk desk;
  private final Executor worker;
  private final OutTray outTray;
  private final PublishQueue queue;
  private final Path receipts;
  private final ObjectProperty<Integer> changes = new SimpleObjectProperty<>(0);

  /**
   * @param state folder for what the program remembers
   */
  Waiting(Desk desk, Executor worker, Path state) {
    this.desk = desk;
    this.worker = worker;
    this.outTray = new OutTray(state.resolve("out-tray.json"));
    this.queue = new PublishQueue(state.resolve("queue"));
    this.receipts = state.resolve("receipts");
  }

  /** Published files that wait to be sent or printed. */
  public OutTray outTray() {
    return outTray;
  }

  /** Documents that wait to be published. */
  public PublishQueue queue() {
    return queue;
  }

  /** Changes whenever what waits does. */
  public ObjectProperty<Integer> changesProperty() {
    return changes;
  }

  private void changed() {
    changes.set(changes.get() + 1);
  }

  /** Lays what was published last into the Out-tray. */
  public void layIntoOutTray(Receipt r) {
    attempt(() -> {
      for (Receipt.Made m : r.files()) {
        outTray.lay(m.file(), r.recipe(), r.made());
      }
      desk.tell(
          WORDS.count(
              "waiting.in-out-tray", r.files().size(), r.files().getFirst().file().getFileName()));
    });
  }

  public void takeFromOutTray(Path file) {
    attempt(() -> outTray.take(file));
  }

  public void takeFromQueue(PublishQueue.Queued q) {
    attempt(() -> queue.remove(q));
  }

  /** Something that may fail to be written. */
  private interface Writing {
    void run() throws WriteProblem, RecipeProblem;
  }

  private void attempt(Writing w) {
    try {
      w.run();
    } catch (WriteProblem | RecipeProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
    changed();
  }

  /** Puts the document, as it is now, with its recipe into the queue. */
  public void queueForLater() {
    Work w = desk.work().orElseThrow();
    Work.Draft d = w.draftProperty().get();
    if (!w.password().isEmpty()) {
      desk.noticeProperty()
          .set(Optional.of(Notice.problem(WORDS.say("waiting.not-queued", d.stem()))));
      return;
    }
    attempt(() -> {
      queue.add(w.revision().document(), d.recipe(), d.folder(), d.stem(), w.source());
      desk.tell(WORDS.say("waiting.queued", d.stem()));
    });
  }

  /** Publishes all that is queued, one after another. */
  public void publishQueue() {
    List<PublishQueue.Queued> all = queue.all();
    desk.dismiss();
    if (all.isEmpty()) {
      return;
    }
    String first = WORDS.say("waiting.publishing", all.getFirst().stem());
    Jobs.Job job = desk.jobs().begin(first, 0);
    worker.execute(() -> {
      int done = 0;
      int files = 0;
      String problem = "";
      for (PublishQueue.Queued q : all) {
        int at = done;
        Platform.runLater(() ->
            job.progress(WORDS.say("waiting.publishing", q.stem()), at / (double) all.size()));
        try {
          var layout =
              new decant.layout.Layouter(decant.text.FontBook.shipped()).layout(queue.document(q));
          Receipt r =
              Publisher.publish(
                  new Publisher.Order(
                      layout,
                      q.recipe(),
                      q.folder(),
                      q.stem(),
                      q.source(),
                      false,
                      decant.pdf.choices.Passwords.NONE,
                      Untouchable.inputs(List.of(q.source()))),
                  (file, share) -> {},
                  job::isCancelled);
          queue.remove(q);
          store(r);
          Platform.runLater(() -> {
            desk.tray().published(r.files().stream().map(Receipt.Made::file).toList());
            layIntoOutTray(r);
          });
          done++;
          files += r.files().size();
        } catch (Cancelled e) {
          problem = WORDS.say("waiting.queue-cancelled");
          break;
        } catch (ReadProblem | WriteProblem | PublishProblem e) {
          problem = WORDS.say("waiting.still-queued", q.stem(), e.getMessage());
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
          LOG.log(System.Logger.Level.ERROR, "publishing what was queued failed", e);
          problem = WORDS.say("waiting.still-queued", q.stem(), WORDS.say("waiting.fault"));
        }
      }
      String last = problem;
      int made = files;
      Platform.runLater(() -> {
        job.end();
        changed();
        if (last.isEmpty()) {
          desk.tell(WORDS.count("waiting.files-published", made));
        } else {
          desk.problem(last);
        }
      });
    });
  }

  /** Keeps a receipt for good. */
  void store(Receipt r) {
    try {
      java.nio.file.Files.createDirectories(receipts);
      String name = r.made().toString().replaceAll("[^0-9TZ]", "") + ".json";
      byte[] json = ReceiptJson.write(r).getBytes(java.nio.charset.StandardCharsets.UTF_8);
      AtomicFile.writeForOwner(AtomicFile.freeName(receipts.resolve(name)), out -> out.write(json));
    } catch (java.io.IOException | WriteProblem e) {
      Platform.runLater(() ->
          desk.noticeProperty()
              .set(Optional.of(Notice.problem(WORDS.say("waiting.receipt-not-kept", receipts)))));
    }
  }
}
