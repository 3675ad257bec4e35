package decant.desktop.publish;

import decant.publish.Recipe;
import decant.publish.Recipe.Afterwards;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;

/** What is done once the files of a recipe are made. */
final class AfterwardsChoices {
  private final PublishState state;
  private final CheckBox beside;
  private final CheckBox folder;
  private final CheckBox outTray;
  private final Group group;

  AfterwardsChoices(PublishState state) {
    this.state = state;
    beside =
        Choosing.yesNo(
            "publish-then-beside",
            "Opened beside the original",
            on -> change(a -> new Afterwards(on, a.folder(), a.outTray())));
    folder =
        Choosing.yesNo(
            "publish-then-folder",
            "Their folder shown",
            on -> change(a -> new Afterwards(a.beside(), on, a.outTray())));
    outTray =
        Choosing.yesNo(
            "publish-then-out-tray",
            "Put into the Out-tray",
            on -> change(a -> new Afterwards(a.beside(), a.folder(), on)));
    group = new Group("group-afterwards", "Afterwards", beside, folder, outTray);
  }

  private void change(UnaryOperator<Afterwards> how) {
    Recipe r = state.draft().recipe();
    Afterwards next = how.apply(r.afterwards());
    if (!next.equals(r.afterwards())) {
      state.draftProperty().set(state.draft().with(r.with(next)));
    }
  }

  Group group() {
    return group;
  }

  void show() {
    Afterwards a = state.draft().recipe().afterwards();
    beside.setSelected(a.beside());
    folder.setSelected(a.folder());
    outTray.setSelected(a.outTray());
    int n = (a.beside() ? 1 : 0) + (a.folder() ? 1 : 0) + (a.outTray() ? 1 : 0);
    group.say(
        n == 0
            ? "nothing"
            : n > 1
                ? n + " things"
                : a.beside() ? "opened" : a.folder() ? "folder shown" : "into the Out-tray");
  }
}
