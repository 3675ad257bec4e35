package decant.desktop.shell;

import decant.convert.Pages;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.model.Document;
import decant.pin.PinnedBlanks;
import decant.publish.Publisher;
import decant.reading.ReadProblem;
import decant.recipe.PublishProblem;
import decant.words.Words;
import decant.work.Cancelled;
import decant.work.Deadline;
import decant.work.Faults;
import java.util.List;
import java.util.Map;
import javafx.application.Platform;

/** Publishes a form once for each row of a table, filled in with it. */
public final class FilledForms {
  private static final Words WORDS = Words.of(FilledForms.class);

  private FilledForms() {}

  /** Beside what goes on; those that are there already stay, and the numbers of files go on. */
  public static void publish(Desk desk, Work work, List<Map<String, String>> rows) {
    Document form = work.revision().document();
    Work.Draft draft = work.draftProperty().get();
    Jobs.Job job = desk.jobs().begin(WORDS.count("filled-forms.making", rows.size()), 0);
    Thread.ofVirtual()
        .start(() -> {
          String said = made(work, form, draft, rows, job);
          Platform.runLater(() -> {
            job.end();
            desk.tell(said);
          });
        });
  }

  private static String made(
      Work work, Document form, Work.Draft draft, List<Map<String, String>> rows, Jobs.Job job) {
    int done = 0;
    try {
      for (Map<String, String> row : rows) {
        if (job.isCancelled()) {
          return WORDS.count("filled-forms.stopped", done);
        }
        Document d = PinnedBlanks.fill(form, row).document();
        Layout layout = Pages.of(d, Deadline.NEVER);
        var order =
            new Publisher.Order(
                layout,
                draft.recipe(),
                draft.folder(),
                WORDS.say("filled-forms.stem", draft.stem(), done + 1),
                work.source(),
                false,
                draft.passwords(),
                Untouchable.inputs(List.of(work.source())));
        Publisher.publish(order, (file, share) -> {}, job::isCancelled);
        done++;
        double share = (double) done / rows.size();
        Platform.runLater(
            () -> job.progress(WORDS.count("filled-forms.making", rows.size()), share));
      }
      return WORDS.count("filled-forms.made", done, draft.folder());
    } catch (Cancelled e) {
      return WORDS.count("filled-forms.stopped", done);
    } catch (PublishProblem | WriteProblem | ReadProblem e) {
      return WORDS.count("filled-forms.until", done, e.getMessage());
    } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
      String id = Faults.note("filling in a form", e);
      return WORDS.count("filled-forms.until", done, WORDS.say("filled-forms.fault", id));
    }
  }
}
