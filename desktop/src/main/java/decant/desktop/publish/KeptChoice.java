package decant.desktop.publish;

import decant.recipe.PagesKept;
import decant.recipe.Recipe;
import decant.words.Words;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;

/** Which pages of a PDF go out as they were; shown where the original is one. */
final class KeptChoice {
  private static final Words WORDS = Words.of(KeptChoice.class);

  private final PublishState state;
  private final boolean hasPages;
  private final ComboBox<PagesKept> which;
  private final Label means = Choosing.quiet("");
  private final Group group;

  /**
   * @param hasPages whether the original has pages that can stay as they were
   */
  KeptChoice(PublishState state, boolean hasPages) {
    this.state = state;
    this.hasPages = hasPages;
    which =
        Choosing.oneOf(
            "publish-pages-kept",
            PagesKept.values(),
            k -> WORDS.say("kept-choice." + key(k)),
            this::change);
    group = new Group("group-kept", WORDS.say("kept-choice.title"), which, means);
    stand();
  }

  private static String key(PagesKept k) {
    return switch (k) {
      case AUTO -> "auto";
      case ALL -> "all";
      case NONE -> "none";
    };
  }

  private void change(PagesKept next) {
    Recipe r = state.draft().recipe();
    if (next != r.pagesKept()) {
      state.draftProperty().set(state.draft().with(r.with(next)));
    }
  }

  Group group() {
    return group;
  }

  private void stand() {
    group.node().setVisible(hasPages);
    group.node().setManaged(hasPages);
  }

  void show() {
    PagesKept k = state.draft().recipe().pagesKept();
    which.setValue(k);
    boolean revised =
        k == PagesKept.ALL && state.work().revision().document() != state.work().taken().document();
    means.setText(WORDS.say("kept-choice." + key(k) + (revised ? "-revised" : "-means")));
    group.say(WORDS.say("kept-choice." + key(k) + "-short"));
  }
}
