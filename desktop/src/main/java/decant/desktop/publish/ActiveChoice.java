package decant.desktop.publish;

import decant.publish.Recipe;
import decant.reading.Active;
import decant.words.Words;
import javafx.scene.control.CheckBox;

/** Whether content that acts by itself goes along; shown where a document has any. */
final class ActiveChoice {
  private static final Words WORDS = Words.of(ActiveChoice.class);

  private final PublishState state;
  private final CheckBox keep;
  private final Group group;

  ActiveChoice(PublishState state) {
    this.state = state;
    keep = Choosing.yesNo("publish-active", WORDS.say("active-choice.include"), this::change);
    group = new Group("group-active", WORDS.say("active-choice.title"), keep);
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

  /**
   * @param has whether the document has any
   */
  void show(boolean has) {
    boolean on = state.draft().recipe().active() == Active.KEEP;
    keep.setSelected(on);
    group.node().setVisible(has || on);
    group.node().setManaged(has || on);
    group.say(WORDS.say(on ? "active-choice.included" : "active-choice.left-out"));
  }
}
