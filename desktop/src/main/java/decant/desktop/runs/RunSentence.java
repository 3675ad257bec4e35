package decant.desktop.runs;

import decant.convert.Changes;
import decant.desktop.shell.Desk;
import decant.format.Format;
import decant.format.Formats;
import decant.recipe.Recipe;
import decant.run.RunOrder;
import decant.words.Words;
import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.Window;

/** What a run is to do, as a sentence whose parts are chosen. */
final class RunSentence extends VBox {
  private static final Words WORDS = Words.of(RunSentence.class);

  /** A path that is longer is shown by its end. */
  private static final int LONG = 38;

  private final RunState state;
  private final Desk desk;
  private final Supplier<Window> window;
  private final MenuButton kinds = part("run-kinds");
  private final Button source = button("run-source");
  private final MenuButton subfolders = part("run-subfolders");
  private final Button destination = button("run-destination");
  private final MenuButton recipe = part("run-recipe");
  private final MenuButton clash = part("run-clash");
  private final Button replacing = button("run-replacing");
  private final TextField old = new TextField();
  private final TextField with = new TextField();
  private final HBox replacement = new HBox(8);
  private final Button more = button("run-more");
  private final RunMore rarely;

  RunSentence(RunState state, Desk desk, Supplier<Window> window) {
    super(8);
    this.state = state;
    this.desk = desk;
    this.window = window;
    this.rarely = new RunMore(state, window);
    more.setOnAction(e -> showMore(!rarely.isVisible()));
    showMore(false);
    source.setOnAction(
        e -> choose(WORDS.say("run-sentence.choose-source"), state.draft().source(), this::from));
    destination.setOnAction(e ->
        choose(
            WORDS.say("run-sentence.choose-destination"), state.draft().destination(), this::into));
    kinds.setOnShowing(e -> fillKinds());
    recipe.setOnShowing(e -> fillRecipes());
    subfolders
        .getItems()
        .setAll(
            item(
                WORDS.say("run-sentence.with-subfolders"),
                "run-with-subfolders",
                () -> change(state.draft().subfolders(true))),
            item(
                WORDS.say("run-sentence.without-subfolders"),
                "run-without-subfolders",
                () -> change(state.draft().subfolders(false))));
    for (RunOrder.Clash c : RunOrder.Clash.values()) {
      clash
          .getItems()
          .add(
              item(
                  say(c),
                  "run-clash-" + c.name().toLowerCase(java.util.Locale.ROOT),
                  () -> change(state.draft().clash(c))));
    }
    replacing.setOnAction(e -> showReplacement(!replacement.isVisible()));
    old.setId("run-old");
    old.setPromptText(WORDS.say("run-sentence.old"));
    old.setAccessibleText(WORDS.say("run-sentence.old"));
    with.setId("run-new");
    with.setPromptText(WORDS.say("run-sentence.new"));
    with.setAccessibleText(WORDS.say("run-sentence.new"));
    var add = button("run-replace-add");
    add.setText(WORDS.say("run-sentence.add"));
    add.setOnAction(e -> addReplacement());
    with.setOnAction(e -> addReplacement());
    var none = button("run-replace-none");
    none.setText(WORDS.say("run-sentence.replace-nothing"));
    none.setOnAction(e -> {
      change(state.draft().replacing(List.of()));
      showReplacement(false);
    });
    replacement
        .getChildren()
        .addAll(words("run-sentence.replace"), old, words("run-sentence.by-text"), with, add, none);
    replacement.setAlignment(Pos.CENTER_LEFT);
    var line = new FlowPane(6, 6);
    line.setId("run-sentence");
    line.setRowValignment(javafx.geometry.VPos.CENTER);
    line.getChildren()
        .addAll(
            words("run-sentence.publish"),
            kinds,
            words("run-sentence.from"),
            source,
            subfolders,
            words("run-sentence.into"),
            destination,
            words("run-sentence.by"),
            recipe,
            words("run-sentence.where"),
            clash,
            replacing,
            more);
    getChildren().addAll(line, replacement, rarely);
    showReplacement(false);
    show();
  }

  private void showMore(boolean on) {
    rarely.setVisible(on);
    rarely.setManaged(on);
  }

  private void showReplacement(boolean on) {
    replacement.setVisible(on);
    replacement.setManaged(on);
    if (on) {
      old.requestFocus();
    }
  }

  private static Label words(String key) {
    var l = new Label(WORDS.say(key));
    l.getStyleClass().add("run-words");
    return l;
  }

  private static MenuButton part(String id) {
    var b = new MenuButton();
    b.setId(id);
    b.getStyleClass().add("run-part");
    b.setMinWidth(Region.USE_PREF_SIZE);
    return b;
  }

  private static Button button(String id) {
    var b = new Button();
    b.setId(id);
    b.getStyleClass().addAll("quiet-button", "run-part");
    b.setMinWidth(Region.USE_PREF_SIZE);
    return b;
  }

  private static MenuItem item(String label, String id, Runnable act) {
    var i = new MenuItem(label);
    i.setId(id);
    i.setOnAction(e -> act.run());
    return i;
  }

  private void change(RunDraft to) {
    state.draftProperty().set(to);
  }

  /** Takes a source, and proposes a destination beside it where there is none. */
  private void from(Path folder) {
    RunDraft d = state.draft().from(folder);
    Path name = folder.getFileName();
    change(
        d.destination().isPresent() || name == null
            ? d
            : d.into(folder.resolveSibling(WORDS.say("run-sentence.published", name))));
  }

  private void into(Path folder) {
    change(state.draft().into(folder));
  }

  private void choose(String title, Optional<Path> now, Consumer<Path> take) {
    var chooser = new DirectoryChooser();
    chooser.setTitle(title);
    now.or(() -> desk.memory().folder())
        .map(Path::toFile)
        .filter(File::isDirectory)
        .ifPresent(chooser::setInitialDirectory);
    Optional.ofNullable(chooser.showDialog(window.get())).map(File::toPath).ifPresent(take);
  }

  private void fillKinds() {
    kinds.getItems().clear();
    kinds
        .getItems()
        .add(
            item(
                WORDS.say("run-sentence.all-kinds"),
                "run-all-kinds",
                () -> change(state.draft().kinds(Set.of()))));
    kinds.getItems().add(new SeparatorMenuItem());
    for (Format f : Formats.opened()) {
      var i = new CheckMenuItem(f.name());
      i.setId("run-kind-" + f.id());
      i.setSelected(state.draft().kinds().contains(f));
      i.setOnAction(e -> {
        var some = new HashSet<>(state.draft().kinds());
        if (!some.remove(f)) {
          some.add(f);
        }
        change(state.draft().kinds(some));
      });
      kinds.getItems().add(i);
    }
  }

  private void fillRecipes() {
    recipe.getItems().clear();
    for (Recipe r : desk.recipes().contents().all()) {
      MenuItem i = item(r.name(), "", () -> change(state.draft().by(r)));
      // Nobody is there to be asked once a run goes on.
      i.setDisable(r.asksForPasswords());
      recipe.getItems().add(i);
    }
  }

  private void addReplacement() {
    if (!old.getText().isEmpty()) {
      var all = new ArrayList<>(state.draft().replacements());
      all.add(new Changes.Replacement(old.getText(), with.getText()));
      change(state.draft().replacing(all));
      old.clear();
      with.clear();
      showReplacement(false);
    }
  }

  private static String say(RunOrder.Clash c) {
    return switch (c) {
      case LEAVE -> WORDS.say("run-sentence.clash-leave");
      case KEEP -> WORDS.say("run-sentence.clash-keep");
      case OVERWRITE -> WORDS.say("run-sentence.clash-overwrite");
    };
  }

  /** Says what the draft is now. */
  void show() {
    RunDraft d = state.draft();
    kinds.setText(
        d.kinds().isEmpty()
            ? WORDS.say("run-sentence.all-documents")
            : WORDS.say(
                "run-sentence.files-of",
                Formats.names(Formats.opened().stream().filter(d.kinds()::contains).toList())));
    folder(source, d.source());
    folder(destination, d.destination());
    subfolders.setText(
        WORDS.say(
            d.subfolders() ? "run-sentence.with-subfolders" : "run-sentence.without-subfolders"));
    recipe.setText(d.recipe().name());
    clash.setText(say(d.clash()));
    replacing.setText(
        d.replacements().isEmpty()
            ? WORDS.say("run-sentence.replacing-nothing")
            : WORDS.count(
                "run-sentence.replacing",
                d.replacements().size(),
                d.replacements().getFirst().old()));
    more.setText(RunMore.told(d.more()));
    rarely.show();
    boolean free = !state.isAtWork() && state.phase() != RunState.Phase.PLANNING;
    for (Node n :
        List.of(kinds, source, subfolders, destination, recipe, clash, replacing, more, rarely)) {
      n.setDisable(!free);
    }
  }

  private static void folder(Button b, Optional<Path> folder) {
    String whole = folder.map(Path::toString).orElse("");
    b.setText(
        folder.isEmpty()
            ? WORDS.say("run-sentence.a-folder")
            : whole.length() <= LONG ? whole : "\u2026" + whole.substring(whole.length() - LONG));
    b.setTooltip(whole.isEmpty() ? null : new Tooltip(whole));
  }
}
