package decant.desktop.shell;

import decant.io.AtomicFile;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.model.finding.Finding;
import decant.preview.LeftOut;
import decant.publish.Losses;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.words.Words;
import decant.work.Cancelled;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import javafx.application.Platform;

/**
 * Publishing what the Publish stage says, in the background, and what is done with it afterwards.
 */
public final class Publishing {
  private static final Words WORDS = Words.of(Publishing.class);
  private static final System.Logger LOG = System.getLogger(Publishing.class.getName());

  private final Desk desk;
  private final Executor worker;

  Publishing(Desk desk, Executor worker) {
    this.desk = desk;
    this.worker = worker;
  }

  /** Publishes what the Publish stage says. */
  public void publish() {
    publish(desk.work().orElseThrow(), false);
  }

  /** What of the source is not in what is published. */
  private static List<Finding> losses(Work w, Layout layout, Recipe recipe) {
    List<Finding> found = w.openFindings();
    List<Finding> said =
        GoingPages.areKept(w, recipe)
            ? Losses.ofKeptPages(found)
            : Stream.concat(found.stream(), LeftOut.findings(layout.document(), recipe).stream())
                .toList();
    return Losses.of(recipe, said);
  }

  private void publish(Work w, boolean overwrite) {
    Work.Draft draft = w.draftProperty().get();
    Layout layout = w.layout();
    if (!layout.complete() || layout.document() != w.revision().document()) {
      desk.tell(WORDS.say("publishing.still-laying-out"));
      return;
    }
    desk.dismiss();
    Jobs.Job job = desk.jobs().begin(WORDS.say("publishing.publishing", draft.stem()), 0);
    var shown = new AtomicInteger();
    List<Finding> losses = losses(w, layout, draft.recipe());
    worker.execute(() -> {
      try {
        var order =
            new Publisher.Order(
                GoingPages.of(w, draft.recipe(), layout),
                draft.recipe(),
                draft.folder(),
                draft.stem(),
                w.source(),
                overwrite,
                draft.passwords(),
                Untouchable.inputs(List.of(w.source())));
        Receipt r =
            Publisher.publish(
                    order,
                    (file, done) -> {
                      int percent = (int) (done * 100);
                      if (shown.getAndSet(percent) != percent) {
                        Platform.runLater(
                            () -> job.progress(WORDS.say("publishing.publishing", file), done));
                      }
                    },
                    job::isCancelled)
                .lacking(losses);
        desk.waiting().store(r);
        Platform.runLater(() -> {
          job.end();
          w.receiptProperty().set(Optional.of(r));
          desk.tray().published(r.files().stream().map(Receipt.Made::file).toList());
          afterwards(w, draft.recipe().afterwards(), r);
        });
      } catch (Cancelled e) {
        Platform.runLater(() -> {
          job.end();
          desk.tell(WORDS.say("publishing.publishing-cancelled"));
        });
      } catch (PublishProblem e) {
        Platform.runLater(() -> {
          job.end();
          desk.problem(e.getMessage());
          w.toMendProperty().set(e.conflicts().stream().findFirst());
        });
      } catch (WriteProblem e) {
        Platform.runLater(() -> {
          job.end();
          notPublished(w, draft, e);
        });
      } catch (IOException e) {
        LOG.log(System.Logger.Level.WARNING, "reading the original again", e);
        Platform.runLater(() -> failed(job, WORDS.say("publishing.original-gone", w.source())));
      } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
        LOG.log(System.Logger.Level.ERROR, "publishing failed", e);
        Platform.runLater(() -> failed(job, WORDS.say("publishing.not-made")));
      }
    });
  }

  private void afterwards(Work w, Recipe.Afterwards what, Receipt r) {
    if (!r.verified()) {
      return; // a person has to look at it first
    }
    if (what.outTray()) {
      desk.waiting().layIntoOutTray(r);
    }
    if (what.folder()) {
      desk.showFolder(r.files().getFirst().file());
    }
    if (what.beside() && desk.work().filter(x -> x == w).isPresent()) {
      desk.go(StageName.PROOF);
    }
  }

  private void failed(Jobs.Job job, String message) {
    job.end();
    desk.problem(message);
  }

  private void notPublished(Work w, Work.Draft draft, WriteProblem e) {
    boolean taken =
        e.kind() == WriteProblem.Kind.NAME_TAKEN || e.kind() == WriteProblem.Kind.IS_SOURCE;
    Path folder = taken ? draft.folder() : Path.of(System.getProperty("user.home"));
    String extension = draft.recipe().outputs().getFirst().extension();
    String name =
        AtomicFile.freeName(folder.resolve(draft.stem() + "." + extension))
            .getFileName()
            .toString();
    String stem = name.substring(0, name.length() - extension.length() - 1);
    if (taken && stem.equals(draft.stem())) {
      stem = stem + " 2"; // the name that is taken is another one of the recipe's
    }
    String free = stem;
    Notice.Answer other =
        Notice.Answer.of(
            taken
                ? WORDS.say("publishing.publish-as", free)
                : WORDS.say("publishing.publish-as-in", free, folder),
            () -> {
              w.draftProperty().set(draft.to(folder, free));
              publish(w, false);
            });
    Notice told =
        Notice.notWritten(e, e.getMessage(), other, () -> publish(w, true), desk::dismiss);
    desk.noticeProperty().set(Optional.of(told));
  }
}
