package decant.desktop.shell;

import decant.format.Formats;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.finding.Finding;
import decant.pin.Judgement;
import decant.pin.PageJudge;
import decant.pin.PinnedPages;
import decant.proof.OffSheet;
import decant.publication.KeptPage;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;

/**
 * Holds what was taken in from a PDF against its pages, in the background, and pins what is not
 * faithful; where the document has been changed meanwhile it is only told. Of every other document
 * it is told what its pages do not show.
 */
final class Judging {
  private static final System.Logger LOG = System.getLogger(Judging.class.getName());
  private static final Words WORDS = Words.of(Judging.class);

  private final Desk desk;

  Judging(Desk desk) {
    this.desk = desk;
  }

  /** Begins. */
  void begin(Work work) {
    TakenIn taken = work.taken();
    var cancelled = new AtomicBoolean();
    work.whenClosed(() -> cancelled.set(true));
    boolean hasPages = Formats.hasPages(taken.origin().format());
    if (hasPages) {
      work.judgingProperty().set(Work.Judged.AT_WORK);
    }
    var thread =
        PatientThread.of(
            "judging",
            () -> {
              try {
                Layout layout = new Layouter(FontBook.shipped()).layout(taken.document());
                if (hasPages) {
                  judge(work, taken, layout, cancelled);
                } else {
                  List<Finding> told = OffSheet.findings(layout, Map.of());
                  Platform.runLater(() -> work.told(told));
                }
              } catch (IOException | RuntimeException | StackOverflowError e) {
                LOG.log(System.Logger.Level.WARNING, "comparing pages with their source", e);
                Platform.runLater(() -> work.judgingProperty().set(Work.Judged.NOT));
              }
            });
    thread.start();
  }

  private void judge(Work work, TakenIn taken, Layout layout, AtomicBoolean cancelled)
      throws IOException {
    var source = new KeptPage.InFile(work.source(), work.password());
    Judgement judgement = PageJudge.judge(source, taken, layout, cancelled::get);
    TakenIn judged = PinnedPages.judged(source, taken, judgement, cancelled::get);
    List<Finding> told = PinnedPages.told(judgement);
    if (!cancelled.get()) {
      Platform.runLater(() -> {
        work.judged(judged, told);
        said(work, judged);
      });
    }
  }

  /** Where the document was changed meanwhile, what is pinned was pinned by the person. */
  private void said(Work work, TakenIn judged) {
    int pinned = PinnedPages.numbers(judged.document()).size();
    boolean held = work.revision().document() == judged.document();
    if (pinned > 0 && held && desk.work().filter(w -> w == work).isPresent()) {
      desk.mention(WORDS.count("judging.pinned", pinned));
    }
  }
}
