package decant.desktop.shell;

import decant.words.Words;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.InvalidationListener;
import javafx.geometry.Bounds;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;

/**
 * The name and state of the document in sight, at the left of the head. Where several are open it
 * says so, and lists them.
 */
final class HeadDocument extends VBox {
  private static final Words WORDS = Words.of(HeadDocument.class);
  private static final double WIDTH = 420;
  private static final double ROW = 46;
  private static final int MAX_ROWS = 9;

  private final Desk desk;
  private final Button name = new Button();
  private final Label others = new Label();
  private final Label state = new Label();
  private final Popup popup = new Popup();
  private final ListView<Work> list = new ListView<>();
  private final VBox box = new VBox(list);
  private final Tooltip path = new Tooltip();
  private final InvalidationListener changed = o -> tellState();

  HeadDocument(Desk desk) {
    super(0);
    this.desk = desk;
    name.setId("head-name");
    name.getStyleClass().add("head-name");
    name.setMnemonicParsing(false);
    name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
    name.setMinWidth(60);
    name.setOnAction(e -> open());
    others.setId("head-others");
    others.getStyleClass().add("head-others");
    others.setMinWidth(Region.USE_PREF_SIZE);
    state.setId("head-state");
    state.getStyleClass().add("quiet");
    var line = new HBox(6, name, others);
    line.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(line, state);
    setAlignment(Pos.CENTER_LEFT);
    list.setId("documents-list");
    list.setItems(desk.documents().all());
    list.setFixedCellSize(ROW);
    list.setCellFactory(v -> new WorkCell());
    list.setOnMouseClicked(e -> choose());
    list.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) {
        choose();
        e.consume();
      } else if (e.getCode() == KeyCode.DELETE) {
        close(list.getSelectionModel().getSelectedItem());
        e.consume();
      }
    });
    box.getStyleClass().setAll("frame", "command-list");
    box.getStylesheets()
        .add(HeadDocument.class.getResource("/decant/desktop/decant.css").toExternalForm());
    popup.getContent().add(box);
    popup.setAutoHide(true);
    name.setTooltip(path);
    desk.documents().all().addListener((InvalidationListener) o -> refresh());
    desk.workProperty()
        .addListener((o, was, is) -> {
          was.ifPresent(w -> {
            w.revisionProperty().removeListener(changed);
            w.savedProperty().removeListener(changed);
          });
          is.ifPresent(w -> {
            w.revisionProperty().addListener(changed);
            w.savedProperty().addListener(changed);
          });
          refresh();
        });
    refresh();
  }

  private void refresh() {
    Optional<Work> w = desk.work();
    name.setText(w.map(Work::stem).orElse("Decant"));
    path.setText(w.map(x -> x.source().toString()).orElse(""));
    name.setDisable(w.isEmpty());
    int more = desk.documents().all().size() - 1;
    others.setVisible(more > 0);
    others.setText(more > 0 ? WORDS.say("head-document.more", more) : "");
    others.setAccessibleText(more > 0 ? WORDS.count("head-document.others", more) : "");
    tellState();
  }

  /** At every key: nothing else of a document changes while it is written in. */
  private void tellState() {
    state.setText(desk.work().map(HeadDocument::state).orElse(WORDS.say("head-document.none")));
  }

  private static String state(Work w) {
    if (w.unsaved()) {
      return WORDS.say(w.recovered() ? "head-document.recovered" : "head-document.unsaved");
    }
    String format = w.taken().origin().format().toUpperCase(Locale.ROOT);
    return w.workingCopy()
        .map(p -> WORDS.say("head-document.saved-as", p.getFileName()))
        .orElse(WORDS.say("head-document.taken-in", format));
  }

  /** Lists the open documents below the name. */
  void open() {
    Bounds b = localToScreen(getBoundsInLocal());
    if (b == null || desk.work().isEmpty()) {
      return;
    }
    box.getStyleClass().setAll("frame", "command-list");
    if (getScene().getRoot().getStyleClass().contains("dark")) {
      box.getStyleClass().add("dark");
    }
    list.setPrefSize(WIDTH, Math.min(MAX_ROWS, list.getItems().size()) * ROW + 2);
    list.refresh();
    list.getSelectionModel().select(desk.work().get());
    popup.show(this, b.getMinX(), b.getMaxY() + 4);
    list.requestFocus();
  }

  private void choose() {
    Work w = list.getSelectionModel().getSelectedItem();
    popup.hide();
    if (w != null) {
      desk.show(w);
    }
  }

  private void close(Work w) {
    popup.hide();
    if (w != null) {
      desk.closing().close(w);
    }
  }

  /** A document, what state it is in, and the button that closes it. */
  private final class WorkCell extends ListCell<Work> {
    WorkCell() {
      setPrefWidth(0); // as wide as the list
    }

    @Override
    protected void updateItem(Work w, boolean empty) {
      super.updateItem(w, empty);
      if (empty || w == null) {
        setGraphic(null);
        return;
      }
      var stem = new Label(w.stem());
      stem.getStyleClass().add("document-name");
      stem.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
      var told = new Label(state(w));
      told.getStyleClass().add("quiet");
      told.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
      var names = new VBox(0, stem, told);
      names.setMinWidth(80);
      names.setAlignment(Pos.CENTER_LEFT);
      HBox.setHgrow(names, Priority.ALWAYS);
      var close = new Button(WORDS.say("head-document.close"));
      close.getStyleClass().add("quiet-button");
      close.setMinWidth(Region.USE_PREF_SIZE);
      close.setFocusTraversable(false);
      close.setAccessibleText(WORDS.say("head-document.close-named", w.stem()));
      close.setOnAction(e -> HeadDocument.this.close(w));
      var row = new HBox(10, names, close);
      row.setAlignment(Pos.CENTER_LEFT);
      setGraphic(row);
    }
  }
}
