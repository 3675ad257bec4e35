package decant.desktop.shell;

import decant.format.Formats;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Finding;
import decant.pin.Judgement;
import decant.pin.PageJudge;
import decant.pin.PinnedPages;
import decant.publication.KeptPage;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;

/**
 * Holds what was taken in from a PDF against its pages, in the background, and pins what is not
 * faithful; where the document has been changed meanwhile it is only told.
 */
final class Judging {
  private static final System.Logger LOG = System.getLogger(Judging.class.getName());
  private static final Words WORDS = Words.of(Judging.class);

  private final Desk desk;

  Judging(Desk desk) {
    this.desk = desk;
  }

  /** Begins, unless the document has no pages to be held against. */
  void begin(Work work) {
    if (!Formats.hasPages(work.taken().origin().format())) {
      return;
    }
    TakenIn taken = work.taken();
    var source = new KeptPage.InFile(work.source(), work.password());
    var cancelled = new AtomicBoolean();
    work.whenClosed(() -> cancelled.set(true));
    work.judgingProperty().set(Work.Judged.AT_WORK);
    var thread =
        new Thread(
            () -> {
              try {
                Layout layout = new Layouter(FontBook.shipped()).layout(taken.document());
                Judgement judgement = PageJudge.judge(source, taken, layout, cancelled::get);
                TakenIn judged = PinnedPages.judged(source, taken, judgement);
                List<Finding> told = PinnedPages.told(judgement);
                if (!cancelled.get()) {
                  Platform.runLater(() -> {
                    work.judged(judged, told);
                    said(work);
                  });
                }
              } catch (IOException | RuntimeException | StackOverflowError e) {
                LOG.log(System.Logger.Level.WARNING, "comparing pages with their source", e);
                Platform.runLater(() -> work.judgingProperty().set(Work.Judged.NOT));
              }
            },
            "judging");
    thread.setDaemon(true);
    thread.setPriority(Thread.MIN_PRIORITY);
    thread.start();
  }

  private void said(Work work) {
    int pinned = PinnedPages.numbers(work.revision().document()).size();
    if (pinned > 0 && desk.work().filter(w -> w == work).isPresent()) {
      desk.tell(WORDS.count("judging.pinned", pinned));
    }
  }
}
