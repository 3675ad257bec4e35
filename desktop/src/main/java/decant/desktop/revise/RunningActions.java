package decant.desktop.revise;

import decant.desktop.page.PageEditor;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.model.Inline;
import decant.model.edit.running.RunningEdits;
import java.util.Optional;
import java.util.function.Supplier;

/** What can be done to headers and footers. */
final class RunningActions {
  private RunningActions() {}

  /**
   * @param editor the one in sight
   */
  static void register(Actions actions, Desk desk, Supplier<Optional<PageEditor>> editor) {
    go(actions, desk, "go-header", true, editor);
    go(actions, desk, "go-footer", false, editor);
    ReviseView.edit(
        actions, desk, "page-number", "", r -> RunningEdits.putField(r, Inline.Field.Kind.PAGE));
    ReviseView.edit(
        actions, desk, "page-count", "", r -> RunningEdits.putField(r, Inline.Field.Kind.PAGES));
    actions.addOnPage(
        "remove-running",
        "",
        () ->
            ReviseView.canChange(desk)
                && desk.work().flatMap(w -> RunningEdits.here(w.revision())).isPresent(),
        () -> desk.work().ifPresent(w -> w.apply(RunningEdits::remove)));
  }

  private static void go(
      Actions actions,
      Desk desk,
      String id,
      boolean header,
      Supplier<Optional<PageEditor>> editor) {
    actions.addOnPage(
        id,
        "",
        () -> ReviseView.canChange(desk),
        () ->
            desk.work()
                .ifPresent(w -> {
                  w.apply(r -> RunningEdits.go(r, header));
                  editor.get().ifPresent(PageEditor::revealCaret);
                }));
  }
}
