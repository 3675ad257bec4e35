package decant.desktop.publish;

import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Choices that answer one question. Its line says what is chosen now; unfolded, it shows the
 * choices.
 */
final class Group {
  private final VBox root = new VBox();
  private final VBox content = new VBox(6);
  private final Label says = new Label();
  private final Label warning = new Label();
  private final Button head = new Button();
  private final BooleanProperty open = new SimpleBooleanProperty(false);

  Group(String id, String name, Node... choices) {
    var title = new Label(name);
    title.getStyleClass().add("choice-name");
    title.setMinWidth(92);
    says.getStyleClass().add("choice-says");
    says.setId(id + "-says");
    HBox.setHgrow(says, Priority.ALWAYS);
    says.setMaxWidth(Double.MAX_VALUE);
    var sign = new Label("+");
    sign.getStyleClass().add("choice-sign");
    var line = new HBox(6, title, says, sign);
    head.setId(id);
    head.setGraphic(line);
    head.setAccessibleRole(AccessibleRole.TOGGLE_BUTTON);
    head.setAccessibleText(name);
    head.getStyleClass().setAll("choice-head");
    head.setMaxWidth(Double.MAX_VALUE);
    line.prefWidthProperty().bind(head.widthProperty().subtract(12));
    head.setOnAction(e -> open.set(!open.get()));
    content.getStyleClass().add("choice-content");
    warning.getStyleClass().add("problem-text");
    warning.setWrapText(true);
    warning.setId(id + "-warning");
    warn("");
    content.getChildren().addAll(choices);
    content.getChildren().add(warning); // last, so that no choice moves when it comes
    content.visibleProperty().bind(open);
    content.managedProperty().bind(open);
    open.addListener((o, was, now) -> {
      sign.setText(now ? "\u2212" : "+");
      if (now) {
        root.getStyleClass().add("unfolded");
      } else {
        root.getStyleClass().remove("unfolded");
      }
    });
    root.getStyleClass().add("choice-group");
    root.getChildren().addAll(head, content);
  }

  Node node() {
    return root;
  }

  /** What is chosen, in a few words. */
  void say(String words) {
    says.setText(words);
    head.setAccessibleHelp(words);
  }

  /** What cannot be so, and how to mend it; empty if all is well. */
  void warn(String message) {
    warning.setText(message);
    warning.setVisible(!message.isEmpty());
    warning.setManaged(!message.isEmpty());
    if (message.isEmpty()) {
      says.getStyleClass().remove("problem-text");
    } else if (!says.getStyleClass().contains("problem-text")) {
      says.getStyleClass().add("problem-text");
    }
  }

  void unfold() {
    open.set(true);
  }

  void setShown(boolean shown) {
    root.setVisible(shown);
    root.setManaged(shown);
  }
}
