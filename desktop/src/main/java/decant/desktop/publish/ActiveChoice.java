package decant.desktop.publish;

import decant.reading.Active;
import decant.recipe.Recipe;
import decant.words.Words;
import javafx.scene.control.CheckBox;

/** Whether content that acts by itself goes along; shown where a document has any. */
final class ActiveChoice {
  private static final Words WORDS = Words.of(ActiveChoice.class);

  private final PublishState state;
  private final boolean has;
  private final CheckBox keep;
  private final Group group;

  /**
   * @param has whether the document has any
   */
  ActiveChoice(PublishState state, boolean has) {
    this.state = state;
    this.has = has;
    keep = Choosing.yesNo("publish-active", WORDS.say("active-choice.include"), this::change);
    group = new Group("group-active", WORDS.say("active-choice.title"), keep);
    stand(has);
  }

  private void change(boolean on) {
    Recipe r = state.draft().recipe();
    Active next = on ? Active.KEEP : Active.REMOVE;
    if (next != r.active()) {
      state.draftProperty().set(state.draft().with(r.with(next)));
    }
  }

  Group group() {
    return group;
  }

  private void stand(boolean there) {
    group.node().setVisible(there);
    group.node().setManaged(there);
  }

  void show() {
    boolean on = state.draft().recipe().active() == Active.KEEP;
    keep.setSelected(on);
    stand(has || on);
    group.say(WORDS.say(on ? "active-choice.included" : "active-choice.left-out"));
  }
}
