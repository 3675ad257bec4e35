package decant.desktop.publish;

import decant.recipe.Recipe;
import decant.recipe.Recipe.Afterwards;
import decant.words.Words;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;

/** What is done once the files of a recipe are made. */
final class AfterwardsChoices {
  private static final Words WORDS = Words.of(AfterwardsChoices.class);

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
            WORDS.say("afterwards-choices.opened-beside-the-original"),
            on -> change(a -> new Afterwards(on, a.folder(), a.outTray())));
    folder =
        Choosing.yesNo(
            "publish-then-folder",
            WORDS.say("afterwards-choices.their-folder-shown"),
            on -> change(a -> new Afterwards(a.beside(), on, a.outTray())));
    outTray =
        Choosing.yesNo(
            "publish-then-out-tray",
            WORDS.say("afterwards-choices.put-into-the-out-tray"),
            on -> change(a -> new Afterwards(a.beside(), a.folder(), on)));
    group =
        new Group(
            "group-afterwards",
            WORDS.say("afterwards-choices.afterwards"),
            beside,
            folder,
            outTray);
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
            ? WORDS.say("afterwards-choices.nothing")
            : n > 1
                ? WORDS.count("afterwards-choices.things", n)
                : a.beside()
                    ? WORDS.say("afterwards-choices.opened")
                    : a.folder()
                        ? WORDS.say("afterwards-choices.folder-shown")
                        : WORDS.say("afterwards-choices.into-the-out-tray"));
  }
}
