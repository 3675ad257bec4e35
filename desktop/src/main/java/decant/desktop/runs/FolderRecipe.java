package decant.desktop.runs;

import decant.recipe.Recipe;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.Region;

/** Another recipe for the folder that is selected in the plan, and for those in it. */
final class FolderRecipe extends MenuButton {
  private static final Words WORDS = Words.of(FolderRecipe.class);

  private final RunState state;
  private final RunTable table;

  FolderRecipe(RunState state, RunTable table, Supplier<List<Recipe>> recipes) {
    setText(WORDS.say("folder-recipe.another"));
    this.state = state;
    this.table = table;
    setId("run-folder-recipe");
    setMinWidth(Region.USE_PREF_SIZE);
    setOnShowing(e -> fill(recipes.get()));
    refresh();
  }

  /** Can be used while there is a plan, and something in it is selected. */
  void refresh() {
    setDisable(state.phase() != RunState.Phase.PLANNED || table.folder().isEmpty());
  }

  private void fill(List<Recipe> recipes) {
    getItems().clear();
    add(WORDS.say("folder-recipe.as-above"), Optional.empty());
    for (Recipe r : recipes) {
      add(r.name(), Optional.of(r)).setDisable(r.asksForPasswords());
    }
  }

  private MenuItem add(String name, Optional<Recipe> own) {
    var i = new MenuItem(name);
    i.setOnAction(e -> table.folder().ifPresent(f -> state.recipeFor(f, own)));
    getItems().add(i);
    return i;
  }
}
