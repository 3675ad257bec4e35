package decant.desktop.revise;

import decant.desktop.page.PageEditor;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.model.Inline;
import decant.model.Section;
import decant.model.edit.section.PageEdits;
import decant.model.edit.section.RunningEdits;
import java.util.Optional;
import java.util.function.Supplier;

/** What can be done to pages, and to headers and footers. */
final class PageActions {
  private PageActions() {}

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
    ReviseView.editWhere(
        actions,
        desk,
        "remove-running",
        r -> RunningEdits.here(r).isPresent(),
        RunningEdits::remove);
    ReviseView.editWhere(actions, desk, "begin-part", PageEdits::canBegin, PageEdits::begin);
    ReviseView.editWhere(actions, desk, "join-part", PageEdits::canJoin, PageEdits::join);
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
                  editor
                      .get()
                      .ifPresent(e -> {
                        Section.Running which = e.caretOnPages().running(header);
                        w.apply(r -> RunningEdits.go(r, which));
                        e.revealCaret();
                      });
                }));
  }
}
