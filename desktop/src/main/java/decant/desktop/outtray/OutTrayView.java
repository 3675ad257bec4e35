package decant.desktop.outtray;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Stage;
import decant.tray.OutTray;
import decant.tray.PublishQueue;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import javafx.beans.InvalidationListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What waits to be sent or printed, and what is queued to be published. */
public final class OutTrayView implements Stage {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH)
          .withZone(ZoneId.systemDefault());

  private final Desk desk;
  private final BorderPane root = new BorderPane();
  private final VBox content = new VBox(0);
  private final InvalidationListener changed = o -> show();

  public OutTrayView(Desk desk) {
    this.desk = desk;
    root.getStyleClass().add("tray");
    root.setId("out-tray");
    var title = new Label("Out-tray");
    title.getStyleClass().add("title");
    var top = new HBox(title);
    top.getStyleClass().add("tray-top");
    root.setTop(top);
    var scroll = new ScrollPane(content);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    root.setCenter(scroll);
    desk.waitingProperty().addListener(changed);
    show();
  }

  private void show() {
    content.getChildren().clear();
    List<PublishQueue.Queued> queued = desk.queue().all();
    if (!queued.isEmpty()) {
      var all = new Button("Publish all");
      all.setId("queue-publish");
      all.getStyleClass().add("primary");
      all.setOnAction(e -> desk.publishQueue());
      content.getChildren().add(section("Queued for later", all));
      queued.forEach(q -> content.getChildren().add(row(q)));
    }
    content.getChildren().add(section("Waiting to be sent or printed", new Region()));
    List<OutTray.Waiting> files = desk.outTray().files();
    if (files.isEmpty()) {
      var none =
          new Label("Nothing waits here. What is published can be laid here from its receipt.");
      none.getStyleClass().add("quiet");
      none.setPadding(new javafx.geometry.Insets(8, 12, 8, 12));
      content.getChildren().add(none);
    }
    files.forEach(w -> content.getChildren().add(row(w)));
  }

  private static Node section(String name, Node act) {
    var l = new Label(name);
    l.getStyleClass().add("side-title");
    var gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    var line = new HBox(12, l, gap, act);
    line.setAlignment(Pos.CENTER_LEFT);
    line.setPadding(new javafx.geometry.Insets(14, 12, 6, 12));
    return line;
  }

  private Node row(PublishQueue.Queued q) {
    var take = new Button("Take out");
    take.setOnAction(e -> desk.takeFromQueue(q));
    return row(
        q.stem(),
        "“" + q.recipe().name() + "” into " + q.folder(),
        q.recipe().outputs().size() == 1 ? "1 output" : q.recipe().outputs().size() + " outputs",
        "",
        take);
  }

  private Node row(OutTray.Waiting w) {
    boolean there = Files.exists(w.file());
    var look = new Button("Take in");
    look.setDisable(!there);
    look.setOnAction(e -> desk.takeIn(w.file()));
    var folder = new Button("Show the folder");
    folder.setDisable(!there);
    folder.setOnAction(e -> desk.showFolder(w.file()));
    var take = new Button("Take out");
    take.setOnAction(e -> desk.takeFromOutTray(w.file()));
    return row(
        w.file().getFileName().toString(),
        w.file().getParent() + (w.recipe().isEmpty() ? "" : ", “" + w.recipe() + "”"),
        there ? size(w.file()) : "not there",
        DAY.format(w.laid()),
        look,
        folder,
        take);
  }

  private static Node row(String name, String detail, String figure, String day, Node... acts) {
    var title = new Label(name);
    title.getStyleClass().add("document-name");
    var below = new Label(detail);
    below.getStyleClass().add("quiet");
    var names = new VBox(1, title, below);
    HBox.setHgrow(names, Priority.ALWAYS);
    var size = new Label(figure);
    size.getStyleClass().add("figure");
    size.setMinWidth(90);
    size.setAlignment(Pos.CENTER_RIGHT);
    var when = new Label(day);
    when.getStyleClass().add("figure");
    when.setMinWidth(130);
    when.setAlignment(Pos.CENTER_RIGHT);
    var line = new HBox(12, names, size, when);
    line.getChildren().addAll(acts);
    line.setAlignment(Pos.CENTER_LEFT);
    line.getStyleClass().add("out-row");
    return line;
  }

  private static String size(Path p) {
    try {
      return String.format(Locale.ROOT, "%,d", Files.size(p)).replace(',', '\u202F') + " bytes";
    } catch (java.io.IOException e) {
      return "not there";
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void close() {
    desk.waitingProperty().removeListener(changed);
  }

  @Override
  public void shown() {
    show();
  }
}
