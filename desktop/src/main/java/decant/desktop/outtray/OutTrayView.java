package decant.desktop.outtray;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Tray;
import decant.tray.OutTray;
import decant.tray.PublishQueue;
import decant.words.Figures;
import decant.words.Words;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
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

/** Published files that were put aside, and what is queued to be published. */
public final class OutTrayView implements Stage {
  private static final Words WORDS = Words.of(OutTrayView.class);
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
    var title = new Label(WORDS.say("out-tray-view.title"));
    title.getStyleClass().add("title");
    var top = new HBox(title);
    top.getStyleClass().add("tray-top");
    root.setTop(top);
    var scroll = new ScrollPane(content);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    root.setCenter(scroll);
    desk.waiting().changesProperty().addListener(changed);
    show();
  }

  private void show() {
    content.getChildren().clear();
    List<PublishQueue.Queued> queued = desk.waiting().queue().all();
    if (!queued.isEmpty()) {
      var all = new Button(WORDS.say("out-tray-view.publish-all"));
      all.setId("queue-publish");
      all.getStyleClass().add("primary");
      all.setOnAction(e -> desk.waiting().publishQueue());
      content.getChildren().add(section(WORDS.say("out-tray-view.queued"), all));
      queued.forEach(q -> content.getChildren().add(row(q)));
    }
    content.getChildren().add(section(WORDS.say("out-tray-view.put-aside"), new Region()));
    content.getChildren().add(explained());
    List<OutTray.Waiting> files = desk.waiting().outTray().files();
    if (files.isEmpty()) {
      var none = new Label(WORDS.say("out-tray-view.none"));
      none.getStyleClass().add("quiet");
      none.setPadding(new javafx.geometry.Insets(8, 12, 8, 12));
      content.getChildren().add(none);
    }
    files.forEach(w -> content.getChildren().add(row(w)));
  }

  /** The Out-tray can neither send nor print yet, and says so. */
  private static Node explained() {
    var l = new Label(WORDS.say("out-tray-view.not-yet"));
    l.getStyleClass().add("quiet");
    l.setWrapText(true);
    l.setId("out-tray-explained");
    l.setPadding(new javafx.geometry.Insets(0, 12, 6, 12));
    return l;
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
    var take = quiet(WORDS.say("out-tray-view.remove"));
    take.setOnAction(e -> desk.waiting().takeFromQueue(q));
    return row(
        q.stem(),
        WORDS.say("out-tray-view.into", q.recipe().name(), q.folder()),
        WORDS.count("out-tray-view.outputs", q.recipe().outputs().size()),
        "",
        take);
  }

  private Node row(OutTray.Waiting w) {
    boolean there = Files.exists(w.file());
    var look = quiet(WORDS.say("out-tray-view.take-in"));
    look.setDisable(!there || !Tray.canBeTakenIn(w.file()));
    look.setOnAction(e -> desk.takeIn(w.file()));
    var folder = quiet(WORDS.say("out-tray-view.show-folder"));
    folder.setDisable(!there);
    folder.setOnAction(e -> desk.showFolder(w.file()));
    var take = quiet(WORDS.say("out-tray-view.remove"));
    take.setOnAction(e -> desk.waiting().takeFromOutTray(w.file()));
    return row(
        w.file().getFileName().toString(),
        w.file().getParent() + (w.recipe().isEmpty() ? "" : ", “" + w.recipe() + "”"),
        there ? size(w.file()) : WORDS.say("out-tray-view.missing"),
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
    below.setTextOverrun(javafx.scene.control.OverrunStyle.CENTER_ELLIPSIS);
    var names = new VBox(1, title, below);
    names.setMinWidth(80);
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

  private static Button quiet(String words) {
    var b = new Button(words);
    b.getStyleClass().add("quiet-button");
    b.setMinWidth(Region.USE_PREF_SIZE);
    return b;
  }

  private static String size(Path p) {
    try {
      return Figures.size(Files.size(p));
    } catch (java.io.IOException e) {
      return WORDS.say("out-tray-view.missing");
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public Node keyboard() {
    return firstButton(content).orElse(root);
  }

  private static Optional<Node> firstButton(Node in) {
    return in instanceof Button b && !b.isDisabled()
        ? Optional.of(b)
        : in instanceof javafx.scene.Parent p
            ? p.getChildrenUnmodifiable().stream().flatMap(n -> firstButton(n).stream()).findFirst()
            : Optional.empty();
  }

  @Override
  public void close() {
    desk.waiting().changesProperty().removeListener(changed);
  }

  @Override
  public void shown() {
    show();
  }
}
