package decant.desktop.shell;

import decant.words.Words;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import org.jspecify.annotations.Nullable;

/**
 * Finds any action by what people call it. The list opens when it is asked for or written to, not
 * when the keyboard only passes by, and gives the keyboard back to where it was.
 */
final class CommandField extends TextField {
  private static final Words WORDS = Words.of(CommandField.class);
  private static final double WIDTH = 460;
  private static final double ROW = 30;
  private static final int MAX_ROWS = 12;

  private final Actions actions;
  private final Popup popup = new Popup();
  private final ListView<Action> list = new ListView<>();
  private final Label none = new Label();
  private @Nullable Node before;

  CommandField(Actions actions) {
    this.actions = actions;
    setId("command-field");
    getStyleClass().add("command-field");
    setPromptText(WORDS.say("command-field.prompt"));
    setAccessibleText(WORDS.say("command-field.name"));
    setPrefWidth(230);
    list.setId("command-list");
    list.setFocusTraversable(false);
    list.setCellFactory(v -> new ActionCell());
    list.setOnMouseClicked(e -> choose());
    list.setFixedCellSize(ROW);
    none.setId("command-none");
    var box = new VBox(list, none);
    box.getStyleClass().add("command-list");
    box.getStylesheets()
        .add(CommandField.class.getResource("/decant/desktop/decant.css").toExternalForm());
    popup.getContent().add(box);
    popup.setAutoHide(true);
    popup.setHideOnEscape(false); // Esc leaves the field, and the list with it
    textProperty()
        .addListener((o, was, is) -> {
          if (popup.isShowing() || !is.isEmpty()) {
            refresh();
          }
        });
    focusedProperty()
        .addListener((o, was, is) -> {
          if (!is) {
            popup.hide();
            clear();
          }
        });
    addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    addEventFilter(MouseEvent.MOUSE_CLICKED, e -> refresh());
  }

  /** Opens the list; the keyboard goes back to where it is now once something is chosen. */
  void open() {
    Node now = getScene().getFocusOwner();
    if (now != this) {
      before = now;
    }
    requestFocus();
    refresh();
  }

  private void pressed(KeyEvent e) {
    switch (e.getCode()) {
      case DOWN, UP -> {
        if (!popup.isShowing()) {
          refresh();
        } else if (!list.getItems().isEmpty()) {
          int by = e.getCode() == javafx.scene.input.KeyCode.DOWN ? 1 : -1;
          int next =
              Math.floorMod(
                  list.getSelectionModel().getSelectedIndex() + by, list.getItems().size());
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
    if (a != null && !a.applies().getAsBoolean()) {
      return; // it says so itself
    }
    leave();
    if (a != null) {
      a.perform();
    }
  }

  private void leave() {
    popup.hide();
    Node to = before;
    before = null;
    if (to != null && to.getScene() == getScene() && to.isVisible() && !to.isDisabled()) {
      to.requestFocus();
    } else if (getScene() != null) {
      getScene().getRoot().requestFocus();
    }
  }

  private void refresh() {
    if (!isFocused() || getScene() == null) {
      return;
    }
    boolean dark = getScene().getRoot().getStyleClass().contains("dark");
    Node box = popup.getContent().getFirst();
    box.getStyleClass().setAll("frame", "command-list");
    if (dark) {
      box.getStyleClass().add("dark");
    }
    List<Action> matching =
        actions.matching(getText()).stream().filter(a -> !a.id().equals("command")).toList();
    list.getItems().setAll(matching);
    list.getSelectionModel().selectFirst();
    boolean any = !matching.isEmpty();
    list.setVisible(any);
    list.setManaged(any);
    none.setVisible(!any);
    none.setManaged(!any);
    none.setText(WORDS.say("command-field.none", getText().strip()));
    list.setPrefSize(WIDTH, Math.min(MAX_ROWS, matching.size()) * ROW + 2);
    none.setPrefSize(WIDTH, ROW);
    Bounds b = localToScreen(getBoundsInLocal());
    if (b != null) {
      popup.show(this, b.getMaxX() - WIDTH, b.getMaxY() + 4);
    }
  }

  private static final class ActionCell extends ListCell<Action> {
    ActionCell() {
      setPrefWidth(0); // as wide as the list, so that no shortcut is cut off
    }

    @Override
    protected void updateItem(Action a, boolean empty) {
      super.updateItem(a, empty);
      if (empty || a == null) {
        setGraphic(null);
        return;
      }
      boolean can = a.applies().getAsBoolean();
      var name = new Label(can ? a.name() : WORDS.say("command-field.not-now", a.name()));
      name.getStyleClass().add(can ? "command-name" : "quiet");
      var gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      var keys = new Label(a.keys());
      keys.getStyleClass().add("quiet");
      keys.setMinWidth(Region.USE_PREF_SIZE);
      setGraphic(new HBox(8, name, gap, keys));
    }
  }
}
