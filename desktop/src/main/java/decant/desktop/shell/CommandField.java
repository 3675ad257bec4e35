package decant.desktop.shell;

import decant.model.edit.Search;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.stage.Popup;

/** Finds any action by its name. */
final class CommandField extends TextField {
  private final Actions actions;
  private final Popup popup = new Popup();
  private final ListView<Action> list = new ListView<>();

  CommandField(Actions actions) {
    this.actions = actions;
    setId("command-field");
    getStyleClass().add("command-field");
    setPromptText("What is to be done?   Ctrl+K");
    setPrefWidth(230);
    list.getStyleClass().add("command-list");
    list.setId("command-list");
    list.setFocusTraversable(false);
    list.setCellFactory(v -> new ActionCell());
    list.setOnMouseClicked(e -> choose());
    popup.getContent().add(list);
    popup.setAutoHide(true);
    textProperty().addListener(o -> refresh());
    focusedProperty()
        .addListener((o, was, is) -> {
          if (is) {
            refresh();
          } else {
            popup.hide();
            clear();
          }
        });
    addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
  }

  private void pressed(KeyEvent e) {
    switch (e.getCode()) {
      case DOWN, UP -> {
        int n = list.getItems().size();
        if (n > 0) {
          int by = e.getCode() == javafx.scene.input.KeyCode.DOWN ? 1 : -1;
          int next = Math.floorMod(list.getSelectionModel().getSelectedIndex() + by, n);
          list.getSelectionModel().select(next);
          list.scrollTo(next);
        }
        e.consume();
      }
      case ENTER -> {
        choose();
        e.consume();
      }
      case ESCAPE -> {
        leave();
        e.consume();
      }
      default -> {}
    }
  }

  private void choose() {
    Action a = list.getSelectionModel().getSelectedItem();
    leave();
    if (a != null) {
      a.perform();
    }
  }

  private void leave() {
    popup.hide();
    if (getScene() != null) {
      getScene().getRoot().requestFocus();
    }
  }

  private void refresh() {
    if (!isFocused() || getScene() == null) {
      return;
    }
    List<Action> matching =
        actions.all().stream()
            .filter(a -> a.applies().getAsBoolean() && !a.id().equals("command"))
            .filter(a -> getText().isBlank() || Search.contains(a.name(), getText().strip()))
            .toList();
    list.getItems().setAll(matching);
    list.getSelectionModel().selectFirst();
    list.setPrefSize(
        Math.max(340, getWidth()), Math.min(12, Math.max(1, matching.size())) * 30 + 4);
    Bounds b = localToScreen(getBoundsInLocal());
    if (b != null) {
      popup.show(this, b.getMaxX() - Math.max(340, getWidth()), b.getMaxY() + 4);
    }
  }

  private static final class ActionCell extends ListCell<Action> {
    @Override
    protected void updateItem(Action a, boolean empty) {
      super.updateItem(a, empty);
      if (empty || a == null) {
        setGraphic(null);
        return;
      }
      var gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      var keys = new Label(a.shortcut().map(s -> s.getDisplayText()).orElse(""));
      keys.getStyleClass().add("quiet");
      setGraphic(new HBox(8, new Label(a.name()), gap, keys));
    }
  }
}
