package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.edit.TableEdits;
import decant.words.Words;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** What can be done to the table that the caret is in; not there elsewhere. */
final class TablePanel extends VBox {
  private static final Words WORDS = Words.of(TablePanel.class);

  /**
   * A button.
   *
   * @param action what it does
   * @param label shorter than the action's name, for the heading above says of what
   */
  private record Shown(String action, String label) {}

  private static final List<Shown> SHOWN =
      List.of(
          new Shown("row-above", WORDS.say("table-panel.row-above")),
          new Shown("row-below", WORDS.say("table-panel.row-below")),
          new Shown("delete-row", WORDS.say("table-panel.delete-row")),
          new Shown("column-before", WORDS.say("table-panel.column-before")),
          new Shown("column-after", WORDS.say("table-panel.column-after")),
          new Shown("delete-column", WORDS.say("table-panel.delete-column")),
          new Shown("merge-cells", WORDS.say("table-panel.merge-cells")),
          new Shown("split-cell", WORDS.say("table-panel.split-cell")),
          new Shown("table-head", WORDS.say("table-panel.table-head")),
          new Shown("sort-rows", WORDS.say("table-panel.sort-rows")),
          new Shown("sum-column", WORDS.say("table-panel.sum-column")),
          new Shown("table-to-text", WORDS.say("table-panel.table-to-text")));

  private final Work work;
  private final Actions actions;
  private final FlowPane buttons = new FlowPane(5, 5);
  private final CellLookRows looks;

  TablePanel(Work work, InSight inSight, Actions actions, Runnable back) {
    super(7);
    this.work = work;
    this.actions = actions;
    setId("table-panel");
    var title = new Label(WORDS.say("table-panel.title"));
    title.getStyleClass().add("side-title");
    for (Shown shown : SHOWN) {
      String id = shown.action();
      var b = new Button(shown.label());
      b.setId("table-" + id);
      b.getStyleClass().add("quiet-button");
      b.setAccessibleText(actions.require(id).name());
      b.setOnAction(e -> {
        actions.require(id).perform();
        back.run();
      });
      buttons.getChildren().add(b);
    }
    looks = new CellLookRows(work, back);
    getChildren().addAll(title, buttons, looks);
    inSight.atRest(work.revisionProperty(), this::refresh);
    refresh();
  }

  private void refresh() {
    boolean in = TableEdits.isIn(work.revision());
    setVisible(in);
    setManaged(in);
    if (in) {
      looks.refresh();
      for (int k = 0; k < SHOWN.size(); k++) {
        buttons
            .getChildren()
            .get(k)
            .setDisable(!actions.require(SHOWN.get(k).action()).applies().getAsBoolean());
      }
    }
  }
}
