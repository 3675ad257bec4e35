package decant.desktop.revise;

import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;

/** A panel of the side that holds rows of names and values, and is scrolled. */
abstract class SideRows extends ScrollPane {
  final GridPane grid = new GridPane(6, 4);

  /** Adds a row: a name, and what sets the value, which is called by it. @return its number */
  static int add(GridPane grid, String name, String id, Node editor) {
    int row = grid.getRowCount();
    var label = new Label(name);
    label.setWrapText(true);
    editor.setId(id);
    editor.setAccessibleText(name);
    grid.addRow(row, label, editor);
    GridPane.setValignment(label, VPos.CENTER);
    return row;
  }

  /**
   * @param columns the widths of the columns, in pixels
   */
  SideRows(String id, double... columns) {
    setId(id);
    getStyleClass().add("side-scroll");
    setFitToWidth(true);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setMinWidth(0);
    setPrefWidth(100);
    setMinHeight(0);
    setPrefHeight(10);
    for (double width : columns) {
      var c = new ColumnConstraints(width);
      c.setMinWidth(width);
      grid.getColumnConstraints().add(c);
    }
  }
}
