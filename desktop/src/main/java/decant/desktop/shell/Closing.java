package decant.desktop.shell;

import decant.model.Document;
import decant.words.Words;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.application.Platform;

/** Closing documents and the window: what is not saved is asked about, once for all. */
public final class Closing {
  private static final Words WORDS = Words.of(Closing.class);

  private final Desk desk;
  private final Recovery recovery;

  /** The versions whose unsaved changes may go. */
  private final Map<Work, Document> letGo = new IdentityHashMap<>();

  Closing(Desk desk, Recovery recovery) {
    this.desk = desk;
    this.recovery = recovery;
  }

  /** Closes a document. What is not saved is asked about first. */
  public void close(Work work) {
    unlessUnsaved(work, () -> closed(work));
  }

  private void closed(Work work) {
    recovery.forget(work);
    letGo.remove(work);
    desk.documents().close(work);
  }

  /** Goes on once the changes to a document are saved, or may be lost. */
  void unlessUnsaved(Work work, Runnable next) {
    if (!work.unsaved() || letGo.get(work) == work.revision().document()) {
      next.run();
      return;
    }
    desk.ask(
        WORDS.say("closing.unsaved", work.stem()),
        Notice.Answer.of(WORDS.say("closing.save-first"), () -> saveAll(List.of(work), next)),
        Notice.Answer.of(
            WORDS.say("closing.discard"),
            () -> {
              letGo.put(work, work.revision().document());
              desk.dismiss();
              next.run();
            }),
        Notice.Answer.of(WORDS.say("closing.cancel"), desk::dismiss));
  }

  /** What goes on and ends with the window, in a question; empty if nothing does. */
  private Supplier<Optional<String>> goingOn = Optional::empty;

  /** Asks before the window closes while something goes on that would end with it. */
  public void asksOf(Supplier<Optional<String>> question) {
    goingOn = question;
  }

  /** Whether the window may close; asks if something would be lost. */
  public boolean mayClose() {
    Optional<String> work = goingOn.get();
    if (work.isPresent()) {
      desk.ask(
          work.get(),
          Notice.Answer.of(
              WORDS.say("closing.stop-and-close"),
              () -> {
                goingOn = Optional::empty;
                desk.dismiss();
                if (mayClose()) {
                  Platform.exit();
                }
              }),
          Notice.Answer.of(WORDS.say("closing.cancel"), desk::dismiss));
      return false;
    }
    List<Work> unsaved = desk.documents().unsaved();
    if (unsaved.isEmpty()) {
      recovery.forgetSaved();
      return true;
    }
    boolean one = unsaved.size() == 1;
    desk.ask(
        one
            ? WORDS.say("closing.unsaved", unsaved.getFirst().stem())
            : WORDS.say("closing.unsaved-several", unsaved.size(), names(unsaved)),
        Notice.Answer.of(
            WORDS.say(one ? "closing.save-and-close" : "closing.save-all-and-close"),
            () -> saveAll(unsaved, this::exit)),
        Notice.Answer.of(
            WORDS.say("closing.close-without-saving"),
            () -> {
              unsaved.forEach(recovery::forget);
              exit();
            }),
        Notice.Answer.of(WORDS.say("closing.cancel"), desk::dismiss));
    return false;
  }

  private void exit() {
    recovery.forgetSaved();
    Platform.exit();
  }

  /** The names of the first few, and how many more. */
  static String names(List<Work> works) {
    return Names.of(works.stream().map(Work::stem).toList());
  }

  /** Saves one after the other; what cannot be saved is told of, and nothing follows. */
  private void saveAll(List<Work> works, Runnable then) {
    Optional<Work> first = works.stream().filter(Work::unsaved).findFirst();
    if (first.isEmpty()) {
      then.run();
      return;
    }
    List<Work> rest = works.stream().filter(w -> w != first.get()).toList();
    desk.saving().save(first.get(), () -> saveAll(rest, then));
  }
}
