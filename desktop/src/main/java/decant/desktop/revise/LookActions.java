package decant.desktop.revise;

import decant.desktop.page.LookLaying;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import java.util.Optional;
import java.util.function.Supplier;

/** Picking up a look, and laying it down elsewhere. */
final class LookActions {
  private LookActions() {}

  /**
   * @param laying that of the stage, if it is in sight
   */
  static void register(Actions actions, Desk desk, Supplier<Optional<LookLaying>> laying) {
    actions.addOnPage(
        "pick-up-look",
        "Shortcut+Shift+C",
        () -> ReviseView.canChange(desk) && laying.get().isPresent(),
        () -> laying.get().ifPresent(LookLaying::pickUp));
    actions.addOnPage(
        "lay-down-look",
        "Shortcut+Shift+L",
        () -> ReviseView.canChange(desk) && isPicked(laying),
        () -> laying.get().ifPresent(LookLaying::layDown));
    actions.addOnPage(
        "restyle-alike",
        "Shortcut+Shift+A",
        () -> ReviseView.canChange(desk) && isPicked(laying),
        () -> laying.get().ifPresent(LookLaying::layDownOnAlike));
  }

  private static boolean isPicked(Supplier<Optional<LookLaying>> laying) {
    return laying.get().filter(l -> l.pickedProperty().get().isPresent()).isPresent();
  }
}
