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
  private final ComboBox<PagesKept> which;
  private final Label means = Choosing.quiet("");
  private final Group group;

  /**
   * @param hasPages whether the original has pages that can stay as they were
   */
  KeptChoice(PublishState state, boolean hasPages) {
    this.state = state;
    which =
        Choosing.oneOf("publish-pages-kept", PagesKept.values(), KeptChoice::label, this::change);
    group = new Group("group-kept", WORDS.say("kept-choice.title"), which, means);
    group.node().setVisible(hasPages);
    group.node().setManaged(hasPages);
  }

  private static String label(PagesKept k) {
    return switch (k) {
      case AUTO -> WORDS.say("kept-choice.auto");
      case ALL -> WORDS.say("kept-choice.all");
      case NONE -> WORDS.say("kept-choice.none");
    };
  }

  private static String brief(PagesKept k) {
    return switch (k) {
      case AUTO -> WORDS.say("kept-choice.auto-short");
      case ALL -> WORDS.say("kept-choice.all-short");
      case NONE -> WORDS.say("kept-choice.none-short");
    };
  }

  /** What a choice means, for a document that was changed or not. */
  private static String meaning(PagesKept k, boolean revised) {
    return switch (k) {
      case AUTO -> WORDS.say("kept-choice.auto-means");
      case ALL -> WORDS.say(revised ? "kept-choice.all-revised" : "kept-choice.all-means");
      case NONE -> WORDS.say("kept-choice.none-means");
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

  void show() {
    PagesKept k = state.draft().recipe().pagesKept();
    which.setValue(k);
    boolean revised = state.work().revision().document() != state.work().taken().document();
    means.setText(meaning(k, revised));
    group.say(brief(k));
  }
}
