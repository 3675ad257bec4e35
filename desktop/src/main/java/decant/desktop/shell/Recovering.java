package decant.desktop.shell;

import decant.layout.Layout;
import decant.reading.ReadProblem;
import decant.recovery.UnsavedWork;
import decant.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;

/** Offers what an earlier run left behind unsaved, and opens it. */
final class Recovering {
  private static final Words WORDS = Words.of(Recovering.class);

  private final Desk desk;
  private final Executor worker;
  private final Recovery recovery;

  /** What is still to be decided about, in turn. */
  private final List<Offer> offers = new ArrayList<>();

  private Optional<Notice> shown = Optional.empty();

  /** Work that is decided about together. */
  private record Offer(List<Recovery.Left> left, String message, boolean asksPassword) {}

  Recovering(Desk desk, Executor worker, Recovery recovery) {
    this.desk = desk;
    this.worker = worker;
    this.recovery = recovery;
  }

  /** Whether a notice is an offer, which no other document's notice may take away. */
  boolean isOffer(Optional<Notice> notice) {
    return notice.isPresent() && notice.equals(shown);
  }

  /** Offers all there is: what is open to read at once, then what needs its password. */
  void offer() {
    List<Recovery.Left> all = recovery.found();
    List<Recovery.Left> plain = all.stream().filter(l -> !l.locked()).toList();
    if (!plain.isEmpty()) {
      String names =
          Names.of(
              plain.stream()
                  .map(l ->
                      l.source()
                          .map(Path::getFileName)
                          .map(Path::toString)
                          .orElse(WORDS.say("recovering.no-name")))
                  .toList());
      offers.add(new Offer(plain, WORDS.say("recovering.offer", names), false));
    }
    all.stream()
        .filter(Recovery.Left::locked)
        .forEach(l -> offers.add(new Offer(List.of(l), WORDS.say("recovering.locked"), true)));
    next();
  }

  private void next() {
    shown = offers.isEmpty() ? Optional.empty() : Optional.of(notice(offers.getFirst()));
    shown.ifPresent(n -> desk.noticeProperty().set(Optional.of(n)));
  }

  private Notice notice(Offer offer) {
    return new Notice(
        offer.message(),
        Notice.Weight.QUESTION,
        List.of(
            new Notice.Answer(WORDS.say("recovering.recover"), typed -> takeUp(offer, typed)),
            Notice.Answer.of(
                WORDS.say("recovering.discard"),
                () -> {
                  offer.left().forEach(recovery::discard);
                  done(offer, List.of());
                })),
        offer.asksPassword());
  }

  /** An offer was decided about; what could not be read of it is offered again. */
  private void done(Offer offer, List<Offer> again) {
    offers.remove(offer);
    offers.addAll(0, again);
    desk.dismiss();
    next();
  }

  private void takeUp(Offer offer, String password) {
    desk.dismiss();
    worker.execute(() -> {
      var failed = new ArrayList<Offer>();
      for (Recovery.Left left : offer.left()) {
        try {
          UnsavedWork kept = Recovery.read(left, password);
          var layouts = new LayoutRunner();
          Layout first = layouts.firstPages(kept.taken().document(), () -> false);
          Platform.runLater(() -> opened(left, kept, password, first, layouts));
        } catch (ReadProblem e) {
          failed.add(again(left, e));
        } catch (RuntimeException | StackOverflowError e) {
          failed.add(again(left, ReadProblem.fault(e)));
        }
      }
      Platform.runLater(() -> done(offer, failed));
    });
  }

  private static Offer again(Recovery.Left left, ReadProblem e) {
    return new Offer(List.of(left), e.getMessage(), left.locked());
  }

  private void opened(
      Recovery.Left left, UnsavedWork kept, String password, Layout first, LayoutRunner layouts) {
    var work = new Work(kept.source(), password, kept.taken(), first, layouts);
    work.neverSaved(kept.copy());
    work.proofing().ticksProperty().set(kept.ticks());
    recovery.takeUp(work, left);
    desk.recovered(work);
  }
}
