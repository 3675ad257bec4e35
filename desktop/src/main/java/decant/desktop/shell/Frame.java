package decant.desktop.shell;

import decant.format.Format;
import decant.format.Formats;
import decant.words.Words;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.InvalidationListener;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import org.jspecify.annotations.Nullable;

/** The frame of the window: head, stage with notices over its foot, foot bar. */
public final class Frame {
  private static final Words WORDS = Words.of(Frame.class);

  /** What a notice leaves free at the right, where the sides of the stages are. */
  private static final double SIDE = 380;

  /** More files dropped at once are hardly meant to be worked on at once. */
  private static final int MOST_DROPPED = 12;

  private final Desk desk;
  private final Window window;
  private final Actions actions = new Actions();
  private final BorderPane root = new BorderPane();
  private final StackPane stage = new StackPane();
  private final NoticeBar notice;
  private final Node head;
  private final FootBar foot;
  private final HeadDocument document;
  private final CommandField commands;
  private final Stages made;

  /** Of no document: the tray and what else is reached from the foot bar. */
  private final Map<StageName, Stage> own = new HashMap<>();

  /** Of each open document, as far as it has been looked at. */
  private final Map<Work, Map<StageName, Stage>> stages = new IdentityHashMap<>();

  /** Of a file that is being taken in; it is shown in place of the others. */
  private Optional<Stage> arriving = Optional.empty();

  private final FocusAreas regions = new FocusAreas(this::areas);

  /** Whether the key that is down was a shortcut, so that it types nothing as well. */
  private boolean shortcutDown;

  /**
   * @param makeStages gives the stages, which use the frame's actions
   */
  public Frame(Desk desk, Window window, Function<Frame, Stages> makeStages) {
    this.desk = desk;
    this.window = window;
    this.made = makeStages.apply(this);
    this.commands = new CommandField(actions);
    root.setId("frame");
    root.getStyleClass().add("frame");
    root.setFocusTraversable(true);
    if (desk.memory().kept().dark()) {
      root.getStyleClass().add("dark");
    }
    document = new HeadDocument(desk);
    addActions();
    notice = new NoticeBar(desk);
    head = head();
    foot = new FootBar(desk, actions);
    var middle = new StackPane(stage, notice);
    StackPane.setAlignment(notice, Pos.BOTTOM_LEFT);
    StackPane.setMargin(notice, new Insets(0, 0, 34, 14));
    notice.maxWidthProperty().bind(middle.widthProperty().subtract(SIDE));
    root.setTop(head);
    root.setCenter(middle);
    root.setBottom(foot);
    notice
        .visibleProperty()
        .addListener((o, was, is) -> {
          if (!is) {
            Platform.runLater(this::keyboardBack);
          }
        });
    desk.placeProperty().addListener(o -> showStep());
    desk.documents().all().addListener((InvalidationListener) o -> letGo());
    desk.arrivingProperty()
        .addListener((o, was, is) -> {
          arriving.ifPresent(Stage::close);
          arriving = is.map(made::arriving);
          showStep();
        });
    showStep();
  }

  /** The stages of documents that are no longer open go with them. */
  private void letGo() {
    stages
        .entrySet()
        .removeIf(e -> {
          boolean gone = !desk.documents().all().contains(e.getKey());
          if (gone) {
            e.getValue().values().forEach(Stage::close);
          }
          return gone;
        });
  }

  public Parent root() {
    return root;
  }

  public Actions actions() {
    return actions;
  }

  /** Opens the window as it was when it was closed last. */
  public Scene open(javafx.stage.Stage window) {
    Memory.Kept kept = desk.memory().kept();
    var scene = new Scene(root, kept.width(), kept.height());
    attach(scene);
    window.setTitle("Decant");
    window.setScene(scene);
    window.setMinWidth(900);
    window.setMinHeight(600);
    window.setMaximized(kept.maximised());
    window.setOnHiding(e -> {
      desk.memory().change(k -> k.sized(scene.getWidth(), scene.getHeight(), window.isMaximized()));
    });
    window.setOnCloseRequest(e -> {
      if (!desk.closing().mayClose()) {
        e.consume();
      }
    });
    return scene;
  }

  /** Connects shortcuts, dropped files and the looks with a scene. */
  private void attach(Scene scene) {
    scene
        .getStylesheets()
        .add(Frame.class.getResource("/decant/desktop/decant.css").toExternalForm());
    scene.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          shortcutDown = actions.handle(e, scene.getFocusOwner());
          if (shortcutDown) {
            e.consume();
          }
        });
    scene.addEventFilter(
        KeyEvent.KEY_TYPED,
        e -> {
          if (shortcutDown) {
            e.consume(); // Ctrl+Alt+1 made a heading; it types no 1
          }
        });
    scene.setOnDragOver(e -> {
      if (e.getDragboard().hasFiles()) {
        e.acceptTransferModes(TransferMode.COPY);
        e.consume();
      }
    });
    scene.setOnDragDropped(e -> {
      List<File> files = e.getDragboard().getFiles();
      if (files != null && !files.isEmpty()) {
        dropped(files);
      }
      e.setDropCompleted(true);
      e.consume();
    });
  }

  /** Files dropped are taken in, the first in sight; of very many the others lie in the tray. */
  public void dropped(List<File> files) {
    files.stream().skip(MOST_DROPPED).forEach(f -> desk.tray().used(f.toPath()));
    files.stream().limit(MOST_DROPPED).forEach(f -> desk.takeIn(f.toPath()));
  }

  private Node head() {
    document.setPrefWidth(270);
    document.setMinWidth(120);
    HBox.setHgrow(document, Priority.ALWAYS);
    var right = new HBox(commands);
    right.setAlignment(Pos.CENTER_RIGHT);
    right.setPrefWidth(270);
    HBox.setHgrow(right, Priority.ALWAYS);
    var bar = new HBox(16, document, new StageLine(desk, this::keyboardToStage), right);
    bar.setAlignment(Pos.CENTER);
    bar.getStyleClass().add("head");
    return bar;
  }

  private void showStep() {
    Place place = desk.placeProperty().get();
    show(arriving.orElseGet(() -> stage(place)));
  }

  private Stage stage(Place place) {
    StageName step = place.stage();
    return step == StageName.OUT_TRAY
        ? own.computeIfAbsent(StageName.OUT_TRAY, s -> made.outTray())
        : step == StageName.RUNS
            ? own.computeIfAbsent(StageName.RUNS, s -> made.runs())
            : step == StageName.TRAY || place.work().isEmpty()
                ? own.computeIfAbsent(StageName.TRAY, s -> made.tray())
                : stages
                    .computeIfAbsent(place.work().get(), w -> new EnumMap<>(StageName.class))
                    .computeIfAbsent(step, s -> made.of(s, place.work().get()));
  }

  /** The stage in sight, whatever it belongs to. */
  private @Nullable Stage seen;

  private void show(Stage next) {
    if (seen != next) {
      Optional.ofNullable(seen).ifPresent(Stage::hidden);
      seen = next;
    }
    stage.getChildren().setAll(next.node());
    next.shown();
    // The keyboard comes along. What is in a scrolled side is there only once it is laid out.
    Platform.runLater(() -> {
      if (stage.getChildren().contains(next.node()) && !notice.isVisible()) {
        stage.applyCss();
        stage.layout();
        next.keyboard().requestFocus();
      }
    });
  }

  /** The areas of the window in their order, for F6. */
  private List<Node> areas() {
    var out = new ArrayList<Node>();
    out.add(head);
    current()
        .map(Stage::node)
        .ifPresent(n -> {
          if (n instanceof BorderPane b) {
            Optional.ofNullable(b.getTop()).ifPresent(out::add);
            Optional.ofNullable(b.getCenter()).ifPresent(out::add);
            Optional.ofNullable(b.getRight()).ifPresent(out::add);
          } else {
            out.add(n);
          }
        });
    if (notice.isVisible()) {
      out.add(notice);
    }
    out.add(foot);
    return out;
  }

  /** The stage in sight. */
  public Optional<Stage> current() {
    return Optional.ofNullable(seen);
  }

  public Window window() {
    return window;
  }

  private boolean working() {
    return desk.work().isPresent();
  }

  private void addActions() {
    actions.add("command", "Shortcut+K", () -> true, commands::open);
    actions.add("take-in", "Shortcut+O", () -> true, this::chooseFile);
    actions.add("save", "Shortcut+S", this::working, desk.saving()::save);
    actions.add("save-as", "Shortcut+Shift+S", this::working, this::chooseCopy);
    actions.add("publish", "Shortcut+Enter", this::working, this::publish);
    actions.add("queue", "Shortcut+Shift+Enter", this::working, desk.waiting()::queueForLater);
    made.register(actions);
    actions.add("tray", "Shortcut+0", () -> true, () -> go(StageName.TRAY));
    actions.add("step-take-in", "Shortcut+1", this::working, () -> go(StageName.TAKE_IN));
    actions.add("step-revise", "Shortcut+2", this::working, () -> go(StageName.REVISE));
    actions.add("step-proof", "Shortcut+3", this::working, () -> go(StageName.PROOF));
    actions.add("step-publish", "Shortcut+4", this::working, () -> go(StageName.PUBLISH));
    actions.add("runs", "Shortcut+Shift+R", () -> true, () -> go(StageName.RUNS));
    actions.add("out-tray", "Shortcut+Shift+O", () -> true, () -> go(StageName.OUT_TRAY));
    actions.add("documents", "Shortcut+Shift+D", this::working, document::open);
    actions.add("next-document", "Ctrl+Tab", this::several, () -> desk.showNext(1));
    actions.add("previous-document", "Ctrl+Shift+Tab", this::several, () -> desk.showNext(-1));
    actions.add("close-document", "Shortcut+W", this::working, this::closeDocument);
    actions.add("next-area", "F6", () -> true, () -> area(1));
    actions.add("previous-area", "Shift+F6", () -> true, () -> area(-1));
    actions.add("dark", "Shortcut+Alt+D", () -> true, this::toggleDark);
    actions.add("dismiss", "Esc", () -> desk.noticeProperty().get().isPresent(), this::dismiss);
  }

  private boolean several() {
    return desk.documents().all().size() > 1;
  }

  private void closeDocument() {
    desk.work().ifPresent(desk.closing()::close);
  }

  private void area(int by) {
    regions.go(root.getScene() == null ? null : root.getScene().getFocusOwner(), by);
  }

  /** Opens a stage, and gives it the keyboard even if it is open. */
  private void go(StageName to) {
    desk.go(to);
    keyboardToStage();
  }

  private void keyboardToStage() {
    Platform.runLater(() -> current().map(Stage::keyboard).ifPresent(Node::requestFocus));
  }

  /** Where a notice that had the keyboard is gone, the stage gets it. */
  private void keyboardBack() {
    Node focus = root.getScene() == null ? null : root.getScene().getFocusOwner();
    if (focus == null || focus == root || focus.getScene() == null) {
      current().map(Stage::keyboard).ifPresent(Node::requestFocus);
    }
  }

  /** Closes the notice; if it had the keyboard, that goes back to the stage. */
  private void dismiss() {
    desk.dismiss();
    current().map(Stage::keyboard).ifPresent(Node::requestFocus);
  }

  private void publish() {
    if (desk.stepProperty().get() != StageName.PUBLISH) {
      desk.go(StageName.PUBLISH);
    } else {
      desk.publishing().publish();
    }
  }

  private void toggleDark() {
    boolean dark = !root.getStyleClass().remove("dark");
    if (dark) {
      root.getStyleClass().add("dark");
    }
    desk.memory().change(k -> k.dark(dark));
  }

  private void chooseFile() {
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("frame.choose-file"));
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                Formats.names(Formats.opened()),
                FilePatterns.of(Formats.opened().stream().flatMap(f -> f.extensions().stream()))));
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(WORDS.say("frame.all-files"), "*"));
    desk.memory().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    Optional.ofNullable(chooser.showOpenMultipleDialog(window)).ifPresent(this::dropped);
  }

  private void chooseCopy() {
    Path proposed = desk.saving().proposedCopy();
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("frame.choose-copy"));
    chooser.setInitialFileName(proposed.getFileName().toString());
    Optional.ofNullable(proposed.getParent())
        .map(Path::toFile)
        .filter(File::isDirectory)
        .ifPresent(chooser::setInitialDirectory);
    List<Format> formats = new ArrayList<>(Formats.ofCopies());
    Format first = Formats.ofCopy(proposed);
    formats.remove(first);
    formats.addFirst(first);
    for (Format f : formats) {
      chooser
          .getExtensionFilters()
          .add(new FileChooser.ExtensionFilter(f.name(), "*." + f.extension()));
    }
    // The chooser of the system has asked about a name that is taken.
    Optional.ofNullable(chooser.showSaveDialog(window))
        .map(f -> named(f.toPath(), chooser.getSelectedExtensionFilter()))
        .ifPresent(p -> {
          desk.saving().chosen(p);
          desk.saving().save(p, Files.exists(p), () -> {});
        });
  }

  /** A name that was typed without an extension has the one of the kind that was chosen. */
  private static Path named(Path p, FileChooser.ExtensionFilter kind) {
    String name = p.getFileName().toString();
    boolean said = Formats.ofCopies().stream().anyMatch(f -> name.endsWith("." + f.extension()));
    return said || kind == null
        ? p
        : p.resolveSibling(name + kind.getExtensions().getFirst().substring(1));
  }
}
