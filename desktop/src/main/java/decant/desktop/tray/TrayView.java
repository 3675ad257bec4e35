package decant.desktop.tray;

import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Tray;
import decant.model.edit.Search;
import decant.words.Figures;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import javafx.beans.InvalidationListener;
import javafx.collections.transformation.FilteredList;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What lies ready to be worked on and, apart from it, what was published. */
public final class TrayView implements Stage {
  private static final Words WORDS = Words.of(TrayView.class);
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

  private final Desk desk;
  private final BorderPane root = new BorderPane();
  private final ListView<Path> list = new ListView<>();
  private final ToggleButton documents = new ToggleButton();
  private final ToggleButton published = new ToggleButton();
  private final TextField search = new TextField();
  private final Label empty = new Label();
  private final FilteredList<Path> shownDocuments;
  private final FilteredList<Path> shownPublished;
  private final InvalidationListener counted = o -> count();

  public TrayView(Desk desk, Actions actions) {
    this.desk = desk;
    shownDocuments = new FilteredList<>(desk.tray().documents());
    shownPublished = new FilteredList<>(desk.tray().published());
    root.getStyleClass().add("tray");
    var title = new Label(WORDS.say("tray-view.title"));
    title.getStyleClass().add("title");
    var hint = new Label(WORDS.say("tray-view.hint"));
    hint.getStyleClass().add("quiet");
    var choose = new Button(WORDS.say("tray-view.choose"));
    choose.getStyleClass().add("primary");
    choose.setId("tray-take-in");
    choose.setMinWidth(Region.USE_PREF_SIZE);
    choose.setOnAction(e -> actions.require("take-in").perform());
    var gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    var top = new HBox(12, title, gap, hint, choose);
    top.setAlignment(Pos.BASELINE_LEFT);

    documents.setId("tray-documents");
    published.setId("tray-published");
    var kinds = new ToggleGroup();
    kinds.getToggles().addAll(documents, published);
    kinds.selectToggle(documents);
    kinds
        .selectedToggleProperty()
        .addListener((o, was, is) -> {
          if (is == null) {
            kinds.selectToggle(was); // one of both is always shown
          } else {
            show();
          }
        });
    search.setId("tray-search");
    search.setPromptText(WORDS.say("tray-view.search"));
    search.setAccessibleText(WORDS.say("tray-view.search"));
    search.setPrefWidth(260);
    search.textProperty().addListener(o -> filter());
    var between = new Region();
    HBox.setHgrow(between, Priority.ALWAYS);
    var bar = new HBox(6, documents, published, between, search);
    bar.setAlignment(Pos.CENTER_LEFT);
    var head = new VBox(12, top, bar);
    head.getStyleClass().add("tray-top");

    list.setId("tray-list");
    list.getStyleClass().add("tray-list");
    list.setCellFactory(v -> new FileCell());
    list.setOnMouseClicked(e -> {
      Path p = list.getSelectionModel().getSelectedItem();
      if (p != null && e.getClickCount() == 2) {
        open(p);
      }
    });
    list.setOnKeyPressed(e -> {
      Path p = list.getSelectionModel().getSelectedItem();
      if (p != null && e.getCode() == KeyCode.ENTER) {
        open(p);
        e.consume();
      } else if (p != null && e.getCode() == KeyCode.DELETE) {
        desk.tray().remove(p);
        e.consume();
      }
    });
    empty.getStyleClass().add("quiet");
    list.setPlaceholder(empty);
    desk.tray().documents().addListener(counted);
    desk.tray().published().addListener(counted);
    root.setTop(head);
    root.setCenter(list);
    count();
    show();
  }

  private boolean showsPublished() {
    return published.isSelected();
  }

  private void open(Path p) {
    if (Files.exists(p) && Tray.canBeTakenIn(p)) {
      desk.takeIn(p);
    }
  }

  private void show() {
    list.setItems(showsPublished() ? shownPublished : shownDocuments);
    empty.setText(WORDS.say(showsPublished() ? "tray-view.none-published" : "tray-view.none"));
    if (!list.getItems().isEmpty() && list.getSelectionModel().isEmpty()) {
      list.getSelectionModel().selectFirst();
    }
  }

  private void filter() {
    String words = search.getText().strip();
    shownDocuments.setPredicate(p -> words.isEmpty() || Search.contains(p.toString(), words));
    shownPublished.setPredicate(p -> words.isEmpty() || Search.contains(p.toString(), words));
    boolean any = !desk.tray().documents().isEmpty() || !desk.tray().published().isEmpty();
    empty.setText(
        !words.isEmpty() && any
            ? WORDS.say("tray-view.not-found", words)
            : WORDS.say(showsPublished() ? "tray-view.none-published" : "tray-view.none"));
  }

  private void count() {
    documents.setText(WORDS.say("tray-view.documents", desk.tray().documents().size()));
    published.setText(WORDS.say("tray-view.published", desk.tray().published().size()));
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public Node keyboard() {
    return list.getItems().isEmpty() ? search : list;
  }

  @Override
  public void shown() {
    list.refresh(); // files may have come or gone
  }

  @Override
  public void close() {
    desk.tray().documents().removeListener(counted);
    desk.tray().published().removeListener(counted);
  }

  private final class FileCell extends ListCell<Path> {
    FileCell() {
      setPrefWidth(0); // as wide as the list, so that long paths are shortened
    }

    @Override
    protected void updateItem(Path p, boolean empty) {
      super.updateItem(p, empty);
      if (empty || p == null) {
        setGraphic(null);
        return;
      }
      boolean there = Files.exists(p);
      String file = p.getFileName().toString();
      int dot = file.lastIndexOf('.');
      var name = new Label(dot > 0 ? file.substring(0, dot) : file);
      name.getStyleClass().add("document-name");
      var folder = new Label(String.valueOf(p.getParent()));
      folder.getStyleClass().add("quiet");
      folder.setTextOverrun(javafx.scene.control.OverrunStyle.CENTER_ELLIPSIS);
      var names = new VBox(1, name, folder);
      names.setMinWidth(80);
      HBox.setHgrow(names, Priority.ALWAYS);
      Tooltip.install(names, new Tooltip(p.toString()));
      var format = new Label(dot > 0 ? file.substring(dot + 1).toUpperCase(Locale.ROOT) : "");
      format.getStyleClass().add("format");
      format.setMinWidth(50);
      var size = new Label(size(p));
      size.getStyleClass().add(there ? "figure" : "quiet");
      size.setMinWidth(90);
      size.setAlignment(Pos.CENTER_RIGHT);
      var day = new Label(day(p));
      day.getStyleClass().add("figure");
      day.setMinWidth(100);
      day.setAlignment(Pos.CENTER_RIGHT);
      var row = new HBox(14, names, format, size, day, act(p, there));
      row.setAlignment(Pos.CENTER_LEFT);
      setGraphic(row);
    }

    /** The act that makes sense: to take in, to show where it is, or to forget what is gone. */
    private Button act(Path p, boolean there) {
      Button b;
      if (!there) {
        b = new Button(WORDS.say("tray-view.remove"));
        b.setOnAction(e -> desk.tray().remove(p));
      } else if (showsPublished() || !Tray.canBeTakenIn(p)) {
        b = new Button(WORDS.say("tray-view.show-folder"));
        b.setOnAction(e -> desk.showFolder(p));
      } else {
        b = new Button(WORDS.say("tray-view.take-in"));
        b.setOnAction(e -> desk.takeIn(p));
      }
      b.getStyleClass().add("quiet-button");
      b.setMinWidth(104);
      return b;
    }

    private static String size(Path p) {
      try {
        return Figures.size(Files.size(p));
      } catch (IOException e) {
        return WORDS.say("tray-view.missing");
      }
    }

    private static String day(Path p) {
      try {
        return DAY.format(Files.getLastModifiedTime(p).toInstant());
      } catch (IOException e) {
        return "";
      }
    }
  }
}
