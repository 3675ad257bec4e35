package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.model.edit.ListEdits;

/** What can be done to the items of lists. */
final class ListActions {
  private ListActions() {}

  static void register(Actions actions, Desk desk) {
    ReviseView.edit(
        actions, desk, "bulleted-list", "Shortcut+Shift+B", r -> ListEdits.toggle(r, false));
    ReviseView.edit(
        actions, desk, "numbered-list", "Shortcut+Shift+N", r -> ListEdits.toggle(r, true));
    ReviseView.edit(actions, desk, "move-in", "Shortcut+CLOSE_BRACKET", r -> ListEdits.shift(r, 1));
    ReviseView.edit(
        actions, desk, "move-out", "Shortcut+OPEN_BRACKET", r -> ListEdits.shift(r, -1));
    ReviseView.edit(actions, desk, "count-anew", "", r -> ListEdits.startAt(r, 1));
    ReviseView.edit(actions, desk, "count-on", "", ListEdits::goOn);
  }
}
