package decant.desktop.tray;

import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What lies ready to be worked on. */
public final class TrayView implements Stage {
  private final BorderPane root = new BorderPane();
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

  public TrayView(Desk desk, Actions actions) {
    root.getStyleClass().add("tray");
    var title = new Label("Tray");
    title.getStyleClass().add("title");
    var hint = new Label("Drop a PDF or DOCX anywhere on this window, or");
    hint.getStyleClass().add("quiet");
    var choose = new Button("Take in a file…");
    choose.getStyleClass().add("primary");
    choose.setId("tray-take-in");
    choose.setOnAction(e -> actions.require("take-in").perform());
    var gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    var top = new HBox(12, title, gap, hint, choose);
    top.setAlignment(Pos.BASELINE_LEFT);
    top.getStyleClass().add("tray-top");

    var list = new ListView<Path>(desk.tray().documents());
    list.setId("tray-list");
    list.getStyleClass().add("tray-list");
    list.setCellFactory(v -> new DocumentCell(desk));
    list.setOnMouseClicked(e -> {
      Path p = list.getSelectionModel().getSelectedItem();
      if (p != null && e.getClickCount() == 2) {
        desk.takeIn(p);
      }
    });
    list.setOnKeyPressed(e -> {
      Path p = list.getSelectionModel().getSelectedItem();
      if (p != null && e.getCode() == KeyCode.ENTER) {
        desk.takeIn(p);
      } else if (p != null && e.getCode() == KeyCode.DELETE) {
        desk.tray().remove(p);
      }
    });
    var empty = new Label("Nothing lies here yet.");
    empty.getStyleClass().add("quiet");
    list.setPlaceholder(empty);
    root.setTop(top);
    root.setCenter(list);
  }

  @Override
  public Node node() {
    return root;
  }

  private static final class DocumentCell extends ListCell<Path> {
    private final Desk desk;

    DocumentCell(Desk desk) {
      this.desk = desk;
    }

    @Override
    protected void updateItem(Path p, boolean empty) {
      super.updateItem(p, empty);
      if (empty || p == null) {
        setGraphic(null);
        return;
      }
      String file = p.getFileName().toString();
      int dot = file.lastIndexOf('.');
      var name = new Label(dot > 0 ? file.substring(0, dot) : file);
      name.getStyleClass().add("document-name");
      var folder = new Label(String.valueOf(p.getParent()));
      folder.getStyleClass().add("quiet");
      var names = new VBox(1, name, folder);
      HBox.setHgrow(names, Priority.ALWAYS);
      var format = new Label(dot > 0 ? file.substring(dot + 1).toUpperCase(Locale.ROOT) : "");
      format.getStyleClass().add("format");
      format.setMinWidth(60);
      var size = new Label(size(p));
      size.getStyleClass().add("figure");
      size.setMinWidth(90);
      size.setAlignment(Pos.CENTER_RIGHT);
      var day = new Label(day(p));
      day.getStyleClass().add("figure");
      day.setMinWidth(110);
      day.setAlignment(Pos.CENTER_RIGHT);
      var take = new Button("Take in");
      take.setOnAction(e -> desk.takeIn(p));
      var row = new HBox(14, names, format, size, day, take);
      row.setAlignment(Pos.CENTER_LEFT);
      setGraphic(row);
    }

    private static String size(Path p) {
      try {
        long b = Files.size(p);
        return b < 1024 * 1024
            ? String.format(Locale.ROOT, "%,d kB", Math.max(1, b / 1000))
            : String.format(Locale.ROOT, "%.1f MB", b / 1e6);
      } catch (IOException e) {
        return "not there";
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
