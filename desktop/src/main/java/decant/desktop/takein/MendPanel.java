package decant.desktop.takein;

import decant.desktop.page.HeadingLevels;
import decant.words.Words;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The acts that put right what is picked. */
final class MendPanel extends VBox {
  private static final Words WORDS = Words.of(MendPanel.class);
  private static final List<String> LEVELS = HeadingLevels.all();

  /** Room for what is picked and for how much is like it, whatever they are. */
  private static final double TWO_LINES = 38;

  private final Mends mends;
  private final Label shown = new Label();
  private final ComboBox<String> level = new ComboBox<>();
  private final Button list;
  private final Button table;
  private final Button text;
  private final Button join;
  private final Button split;
  private final Button earlier;
  private final Button later;
  private final Button drop;
  private final Button page;
  private final Button pages;
  private final CheckBox all = new CheckBox();
  private boolean filling;

  MendPanel(Mends mends) {
    super(7);
    this.mends = mends;
    var title = new Label(WORDS.say("mend-panel.title"));
    title.getStyleClass().add("side-title");
    shown.getStyleClass().add("quiet");
    shown.setWrapText(true);
    shown.setMinHeight(TWO_LINES);
    shown.setMaxHeight(TWO_LINES);
    shown.setPrefHeight(TWO_LINES);
    shown.setAlignment(javafx.geometry.Pos.TOP_LEFT);
    all.setMinHeight(TWO_LINES);
    level.setAccessibleText(WORDS.say("mend-panel.text-or-heading"));
    shown.setId("mend-shown");
    level.getItems().setAll(LEVELS);
    level.setPromptText(WORDS.say("mend-panel.text-or-heading"));
    level.setId("mend-level");
    level.setOnAction(e -> levelChosen());
    list = act(WORDS.say("mend-panel.list"), "mend-list", mends::list);
    table = act(WORDS.say("mend-panel.table"), "mend-table", mends::table);
    text = act(WORDS.say("mend-panel.text"), "mend-text", mends::text);
    join = act(WORDS.say("mend-panel.join"), "mend-join", mends::join);
    split = act(WORDS.say("mend-panel.split"), "mend-split", mends::split);
    earlier = act(WORDS.say("mend-panel.earlier"), "mend-earlier", mends::earlier);
    later = act(WORDS.say("mend-panel.later"), "mend-later", mends::later);
    drop = act(WORDS.say("mend-panel.drop"), "mend-drop", mends::drop);
    page = act(WORDS.say("mends.pin-page"), "mend-page", mends::turnPage);
    pages = act(WORDS.say("mend-panel.pin-all"), "mend-pages", mends::turnAllPages);
    for (Button b : List.of(page, pages)) {
      b.setVisible(mends.hasPages());
      b.setManaged(mends.hasPages());
    }
    all.setId("mend-all");
    all.selectedProperty().bindBidirectional(mends.allProperty());
    // A table and text are never offered together; both have the wider one's room.
    var either = new StackPane(table, text);
    either.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    var acts =
        new FlowPane(5, 5, level, list, either, join, split, earlier, later, drop, page, pages);
    getChildren().addAll(title, shown, acts, all);
    getStyleClass().add("mend");
    mends.pickedProperty().addListener(o -> refresh());
    refresh();
  }

  private static Button act(String name, String id, Runnable run) {
    var b = new Button(name);
    b.setId(id);
    b.setOnAction(e -> run.run());
    return b;
  }

  private void levelChosen() {
    int chosen = level.getSelectionModel().getSelectedIndex();
    if (!filling && chosen >= 0) {
      mends.heading(chosen);
      refresh();
    }
  }

  private void refresh() {
    filling = true;
    level.getSelectionModel().clearSelection();
    filling = false;
    shown.setText(mends.shown());
    boolean any = !mends.pickedProperty().get().blocks().isEmpty();
    boolean texts = mends.holdsText();
    level.setDisable(!texts);
    list.setDisable(!texts);
    table.setDisable(!texts);
    text.setVisible(mends.holdsTable());
    table.setVisible(!mends.holdsTable());
    join.setDisable(!mends.canJoin());
    split.setDisable(!mends.canSplit());
    earlier.setDisable(!any);
    later.setDisable(!any);
    drop.setDisable(!any);
    page.setDisable(mends.page().isEmpty());
    page.setText(
        mends
            .page()
            .map(p ->
                WORDS.say(mends.pagePinned() ? "mend-panel.let-flow" : "mend-panel.pin", p + 1))
            .orElse(WORDS.say("mends.pin-page")));
    pages.setText(WORDS.say(mends.allPinned() ? "mend-panel.all-flow" : "mend-panel.pin-all"));
    int alike = mends.alike();
    int saying = mends.saying();
    all.setText(
        saying > 1
            ? WORDS.say("mend-panel.alike-and-saying", alike, saying)
            : WORDS.say("mend-panel.alike", Math.max(1, alike)));
    all.setWrapText(true);
    all.setVisible(alike > 1 || saying > 1); // its room stays, so that nothing moves
    if (!all.isVisible()) {
      all.setSelected(false);
    }
  }
}
