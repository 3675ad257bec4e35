package decant.desktop.takein;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** The acts that put right what is picked. */
final class MendPanel extends VBox {
  private static final List<String> LEVELS =
      List.of("Body text", "Heading 1", "Heading 2", "Heading 3", "Heading 4", "Heading 5");

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
  private final CheckBox all = new CheckBox();
  private boolean filling;

  MendPanel(Mends mends) {
    super(7);
    this.mends = mends;
    var title = new Label("What should it be?");
    title.getStyleClass().add("side-title");
    shown.getStyleClass().add("quiet");
    shown.setWrapText(true);
    shown.setMinHeight(USE_PREF_SIZE);
    shown.setId("mend-shown");
    level.getItems().setAll(LEVELS);
    level.setPromptText("Text or heading");
    level.setId("mend-level");
    level.setOnAction(e -> levelChosen());
    list = act("A list", "mend-list", mends::list);
    table = act("A table", "mend-table", mends::table);
    text = act("Text", "mend-text", mends::text);
    join = act("Join", "mend-join", mends::join);
    split = act("Split here", "mend-split", mends::split);
    earlier = act("Read earlier", "mend-earlier", mends::earlier);
    later = act("Read later", "mend-later", mends::later);
    drop = act("Drop", "mend-drop", mends::drop);
    all.setId("mend-all");
    all.selectedProperty().bindBidirectional(mends.allProperty());
    var acts = new FlowPane(5, 5, level, list, table, text, join, split, earlier, later, drop);
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
    show(text, mends.holdsTable());
    show(table, !mends.holdsTable());
    join.setDisable(!mends.canJoin());
    split.setDisable(!mends.canSplit());
    earlier.setDisable(!any);
    later.setDisable(!any);
    drop.setDisable(!any);
    int alike = mends.alike();
    int saying = mends.saying();
    all.setText(
        saying > 1
            ? "All alike: %d look the same, %d say the same".formatted(alike, saying)
            : "All alike: %d look the same".formatted(alike));
    all.setWrapText(true);
    show(all, alike > 1 || saying > 1);
    if (!all.isVisible()) {
      all.setSelected(false);
    }
  }

  private static void show(javafx.scene.Node n, boolean is) {
    n.setVisible(is);
    n.setManaged(is);
  }
}
