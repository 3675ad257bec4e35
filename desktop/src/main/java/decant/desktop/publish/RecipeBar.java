package decant.desktop.publish;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Notice;
import decant.desktop.shell.Work;
import decant.format.Format;
import decant.format.Formats;
import decant.io.WriteProblem;
import decant.preview.LeftOut;
import decant.publish.Exposure;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import decant.recipe.RecipeProblem;
import decant.recipe.RecipeShelf;
import decant.words.Words;
import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Which recipe is followed, what becomes of changes to it, and which of its outputs is seen. */
final class RecipeBar {
  private static final Words WORDS = Words.of(RecipeBar.class);

  private final Desk desk;
  private final PublishState state;
  private final Supplier<Window> window;
  private final VBox root = new VBox(5);
  private final ComboBox<String> recipes = new ComboBox<>();
  private final Label purpose = Choosing.quiet("");
  private final Label leavesOut = Choosing.quiet("");
  private final TextField name = new TextField();
  private final HBox naming = new HBox(6);
  private final MenuButton acts = new MenuButton(WORDS.say("recipe-bar.menu"));
  private final FlowPane outputs = new FlowPane(4, 4);
  private boolean filling;
  private boolean renames;

  RecipeBar(Desk desk, PublishState state, Supplier<Window> window) {
    this.desk = desk;
    this.state = state;
    this.window = window;
    recipes.setId("publish-recipe");
    recipes.setMaxWidth(Double.MAX_VALUE);
    recipes.setAccessibleText(WORDS.say("recipe-bar.recipe"));
    recipes
        .valueProperty()
        .addListener((o, was, now) -> {
          if (!filling && now != null) {
            pick(now);
          }
        });
    name.setId("recipe-name");
    name.setPromptText(WORDS.say("recipe-bar.name"));
    name.setAccessibleText(WORDS.say("recipe-bar.name"));
    HBox.setHgrow(name, Priority.ALWAYS);
    var keep = new Button(WORDS.say("recipe-bar.keep"));
    keep.setId("recipe-keep-name");
    keep.setMinWidth(Button.USE_PREF_SIZE);
    keep.setOnAction(e -> keepNamed());
    name.setOnAction(e -> keepNamed());
    var not = new Button(WORDS.say("recipe-bar.cancel"));
    not.getStyleClass().add("quiet-button");
    not.setMinWidth(Button.USE_PREF_SIZE);
    not.setOnAction(e -> ask(false, ""));
    naming.getChildren().addAll(name, keep, not);
    naming.setAlignment(Pos.CENTER_LEFT);
    outputs.setId("publish-outputs");
    outputs.setMinHeight(28);
    acts.setId("recipe-acts");
    acts.setMinWidth(MenuButton.USE_PREF_SIZE);
    leavesOut.setId("publish-leaves-out");
    leavesOut.setMinHeight(VBox.USE_PREF_SIZE);
    purpose.setMinHeight(34); // two lines, whatever the recipe says of itself
    purpose.setAlignment(Pos.TOP_LEFT);
    HBox.setHgrow(recipes, Priority.ALWAYS);
    var top = new HBox(6, recipes, acts);
    // A name is asked for where the purpose stands, so that nothing below it moves.
    var below = new StackPane(purpose, naming);
    below.setAlignment(Pos.TOP_LEFT);
    ask(false, "");
    root.getChildren().addAll(top, below, outputs, leavesOut);
  }

  /** What has the keyboard first. */
  Node keyboard() {
    return recipes;
  }

  Node node() {
    return root;
  }

  private void pick(String picked) {
    desk.recipes().all().stream()
        .filter(r -> r.name().equals(picked))
        .findFirst()
        .map(r -> r.forSource(Formats.of(state.work().taken().origin().format())))
        .ifPresent(r -> state.draftProperty().set(state.draft().picked(r)));
  }

  void show() {
    Work.Draft d = state.draft();
    RecipeShelf.Contents shelf = desk.recipes().contents();
    filling = true;
    List<String> names = new ArrayList<>();
    shelf.all().forEach(r -> names.add(r.name()));
    if (!names.contains(d.recipe().name())) {
      names.add(d.recipe().name());
    }
    if (!recipes.getItems().equals(names)) {
      recipes.getItems().setAll(names);
    }
    recipes.setValue(d.recipe().name());
    filling = false;
    purpose.setText(
        d.recipe().purpose() + (d.changed() ? " " + WORDS.say("recipe-bar.changed") : ""));
    outputs(d);
    leavesOut(d, shelf.unread());
    acts(d);
  }

  /** Of what is on no sheet, so many are said one by one. */
  private static final int MOST_SAID = 2;

  /** Says what the format that is looked at has no room for, and which recipes are not listed. */
  private void leavesOut(Work.Draft d, List<String> unread) {
    List<String> what =
        d.shown() instanceof Output.Office o
            ? LeftOut.of(state.work().layout().document(), o.format())
            : List.of();
    var said = new ArrayList<String>();
    if (!what.isEmpty()) {
      said.add(WORDS.say("recipe-bar.leaves-out", String.join(" ", what)));
    }
    Exposure.of(d.recipe()).ifPresent(e -> said.add("◆ " + e));
    Exposure.ofSource(d.recipe(), state.work().openFindings()).ifPresent(e -> said.add("◆ " + e));
    List<String> off = state.offSheetProperty().get();
    off.stream().limit(MOST_SAID).forEach(e -> said.add("◆ " + e));
    if (off.size() > MOST_SAID) {
      said.add("◆ " + WORDS.count("recipe-bar.more-off-sheet", off.size() - MOST_SAID));
    }
    unread.forEach(e -> said.add("◆ " + e));
    leavesOut.setText(String.join("\n", said));
    leavesOut.setVisible(!said.isEmpty());
    leavesOut.setManaged(!said.isEmpty());
  }

  private void outputs(Work.Draft d) {
    outputs.getChildren().clear();
    List<Output> all = d.recipe().outputs();
    var group = new ToggleGroup();
    for (int k = 0; k < all.size(); k++) {
      int at = k;
      var b = new ToggleButton((k + 1) + " " + label(all.get(k)));
      b.setId("publish-output-" + (k + 1));
      b.setToggleGroup(group);
      b.setSelected(k == d.output());
      b.setOnAction(e -> state.draftProperty().set(state.draft().looking(at)));
      outputs.getChildren().add(b);
    }
  }

  private static String label(Output o) {
    return switch (o) {
      case Output.Pdf p ->
          p.settings().conformance().isArchive()
              ? p.settings().conformance().standard().label()
              : "PDF";
      case Output.Office x -> x.format().name();
    };
  }

  private void acts(Work.Draft d) {
    acts.getItems().clear();
    boolean own = !desk.recipes().isShipped(d.recipe().name());
    if (d.changed()) {
      if (own) {
        act("recipe-keep", WORDS.say("recipe-bar.keep-changes"), () -> keep(d.recipe()));
      }
      act("recipe-keep-as", WORDS.say("recipe-bar.keep-as"), () -> ask(true, ""));
      act(
          "recipe-back",
          WORDS.say("recipe-bar.undo-changes"),
          () -> state.draftProperty().set(state.draft().picked(d.kept())));
    } else {
      act("recipe-copy", WORDS.say("recipe-bar.copy"), () -> ask(true, ""));
    }
    if (own) {
      act("recipe-rename", WORDS.say("recipe-bar.rename"), () -> ask(true, d.recipe().name()));
      act("recipe-forget", WORDS.say("recipe-bar.delete"), this::forget);
    }
    acts.getItems().add(new SeparatorMenuItem());
    act(
        "recipe-add-pdf",
        WORDS.say("recipe-bar.add", Formats.pages().name()),
        () -> add(Output.Pdf.DEFAULT));
    for (Format f : Formats.written()) {
      act(
          "recipe-add-" + f.extension(),
          WORDS.say("recipe-bar.add", f.name()),
          () -> add(new Output.Office(f)));
    }
    if (d.recipe().outputs().size() > 1) {
      act("recipe-drop", WORDS.say("recipe-bar.remove-output"), this::drop);
    }
    acts.getItems().add(new SeparatorMenuItem());
    act("recipe-export", WORDS.say("recipe-bar.export"), this::export);
    act("recipe-import", WORDS.say("recipe-bar.import"), this::load);
  }

  private void act(String id, String words, Runnable does) {
    var item = new MenuItem(words);
    item.setId(id);
    item.setOnAction(e -> does.run());
    acts.getItems().add(item);
  }

  private void add(Output o) {
    Work.Draft d = state.draft();
    var all = new ArrayList<>(d.recipe().outputs());
    all.add(o);
    state.draftProperty().set(d.with(d.recipe().withOutputs(all)).looking(all.size() - 1));
  }

  private void drop() {
    Work.Draft d = state.draft();
    var all = new ArrayList<>(d.recipe().outputs());
    all.remove(d.output());
    state.draftProperty().set(d.looking(0).with(d.recipe().withOutputs(all)));
  }

  /** Asks for a name, to keep the recipe under; or to rename it if it has one. */
  private void ask(boolean on, String now) {
    renames = !now.isEmpty();
    naming.setVisible(on);
    purpose.setVisible(!on);
    if (on) {
      name.setText(now.isEmpty() ? desk.recipes().freeName(state.draft().recipe().name()) : now);
      name.requestFocus();
      name.selectAll();
    }
  }

  private void keepNamed() {
    if (name.getText().isBlank()) {
      return;
    }
    Recipe was = state.draft().recipe();
    boolean renaming = renames && !was.name().equals(name.getText().strip());
    if (keep(was.named(name.getText().strip()))) {
      if (renaming) {
        try {
          desk.recipes().forget(was.name());
        } catch (WriteProblem e) {
          desk.noticeProperty().set(Optional.of(Notice.problem(e)));
        }
      }
      ask(false, "");
      show();
    }
  }

  private boolean keep(Recipe r) {
    try {
      desk.recipes().keep(r);
      Work.Draft d = state.draft();
      state
          .draftProperty()
          .set(new Work.Draft(r, r, d.output(), d.folder(), d.stem(), d.passwords()));
      return true;
    } catch (RecipeProblem | WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
      return false;
    }
  }

  private void forget() {
    Recipe gone = state.draft().recipe();
    try {
      desk.recipes().forget(gone.name());
      state.draftProperty().set(state.draft().picked(decant.recipe.RecipeBook.counterCopy()));
      desk.noticeProperty()
          .set(
              Optional.of(
                  Notice.ask(
                      WORDS.say("recipe-bar.deleted", gone.name()),
                      Notice.Answer.of(
                          WORDS.say("recipe-bar.restore"),
                          () -> {
                            keep(gone);
                            desk.dismiss();
                          }),
                      Notice.Answer.of(WORDS.say("recipe-bar.close"), desk::dismiss))));
    } catch (WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
  }

  private static FileChooser chooser(String title) {
    var c = new FileChooser();
    c.setTitle(title);
    c.getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(WORDS.say("recipe-bar.recipes"), "*.json"));
    return c;
  }

  private void export() {
    FileChooser c = chooser(WORDS.say("recipe-bar.export-title"));
    c.setInitialFileName(state.draft().recipe().name() + ".json");
    Optional.ofNullable(c.showSaveDialog(window.get())).map(File::toPath).ifPresent(this::exportTo);
  }

  void exportTo(Path file) {
    try {
      String json = RecipeFile.write(state.draft().recipe());
      decant.io.AtomicFile.write(
          file, true, out -> out.write(json.getBytes(StandardCharsets.UTF_8)));
      desk.tell(WORDS.say("recipe-bar.exported", file.getFileName()));
    } catch (WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
  }

  private void load() {
    Optional.ofNullable(chooser(WORDS.say("recipe-bar.import-title")).showOpenDialog(window.get()))
        .map(File::toPath)
        .ifPresent(this::importFrom);
  }

  void importFrom(Path file) {
    try {
      Recipe r = RecipeFile.read(file);
      keep(r.named(desk.recipes().freeName(r.name())));
    } catch (RecipeProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
  }
}
