package decant.desktop.shell;

import java.io.File;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.beans.InvalidationListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** The frame of the window: head, notice, stage, foot bar. */
public final class Frame {
  private final Desk desk;
  private final Window window;
  private final Actions actions = new Actions();
  private final BorderPane root = new BorderPane();
  private final StackPane stage = new StackPane();
  private final Label name = new Label();
  private final Label state = new Label();
  private final CommandField commands;
  private final Stages made;
  private final Map<Step, Stage> stages = new HashMap<>();

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
    addActions();
    root.setTop(new VBox(head(), new NoticeBar(desk)));
    root.setCenter(stage);
    root.setBottom(new FootBar(desk, actions));
    InvalidationListener named = o -> nameAndState();
    desk.workProperty()
        .addListener((o, was, is) -> {
          stages.values().forEach(Stage::close);
          stages.clear();
          is.ifPresent(w -> {
            w.revisionProperty().addListener(named);
            w.workingCopyProperty().addListener(named);
          });
          nameAndState();
          showStep(); // the same step of another document is another stage
        });
    desk.stepProperty().addListener(o -> showStep());
    nameAndState();
    showStep();
  }

  public Parent root() {
    return root;
  }

  public Actions actions() {
    return actions;
  }

  /** Connects shortcuts, dropped files and the looks with a scene. */
  public void attach(Scene scene) {
    scene
        .getStylesheets()
        .add(Frame.class.getResource("/decant/desktop/decant.css").toExternalForm());
    scene.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (actions.handle(e)) {
            e.consume();
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

  /** The first file dropped is taken in; the others are laid into the tray. */
  public void dropped(List<File> files) {
    files.stream().skip(1).forEach(f -> desk.tray().used(f.toPath()));
    desk.takeIn(files.getFirst().toPath());
  }

  private Node head() {
    name.getStyleClass().add("head-name");
    name.setId("head-name");
    name.setMaxWidth(300);
    state.getStyleClass().add("quiet");
    state.setId("head-state");
    var left = new VBox(0, name, state);
    left.setAlignment(Pos.CENTER_LEFT);
    left.setPrefWidth(330);
    left.setMinWidth(120);
    HBox.setHgrow(left, Priority.ALWAYS);
    var right = new HBox(commands);
    right.setAlignment(Pos.CENTER_RIGHT);
    right.setPrefWidth(330);
    HBox.setHgrow(right, Priority.ALWAYS);
    var head = new HBox(16, left, new StageLine(desk), right);
    head.setAlignment(Pos.CENTER);
    head.getStyleClass().add("head");
    return head;
  }

  private void nameAndState() {
    Optional<Work> w = desk.work();
    name.setText(w.map(Work::stem).orElse("Decant"));
    state.setText(
        w.map(
                x -> {
                  String format = x.taken().origin().format().toUpperCase(java.util.Locale.ROOT);
                  Optional<Path> copy = x.workingCopyProperty().get();
                  if (x.unsaved()) {
                    return "revised, not saved yet";
                  }
                  return copy.map(p -> "saved as " + p.getFileName())
                      .orElse("taken in from " + format + ", unchanged");
                })
            .orElse("no document in work"));
  }

  private void showStep() {
    Step step = desk.stepProperty().get();
    Optional<Work> w = desk.work();
    Stage next =
        step == Step.OUT_TRAY
            ? stages.computeIfAbsent(Step.OUT_TRAY, s -> made.outTray())
            : step == Step.TRAY || w.isEmpty()
                ? stages.computeIfAbsent(Step.TRAY, s -> made.tray())
                : stages.computeIfAbsent(step, s -> made.of(s, w.get()));
    stage.getChildren().setAll(next.node());
    next.shown();
  }

  /** The stage in sight. */
  public Optional<Stage> current() {
    return Optional.ofNullable(stages.get(desk.stepProperty().get()));
  }

  public Window window() {
    return window;
  }

  private boolean working() {
    return desk.work().isPresent();
  }

  private void addActions() {
    actions.add("command", "Find an action", "Shortcut+K", () -> true, commands::requestFocus);
    actions.add("take-in", "Take in a file…", "Shortcut+O", () -> true, this::chooseFile);
    actions.add(
        "out-tray",
        "Go to the Out-tray",
        "Shortcut+Shift+O",
        () -> true,
        () -> desk.go(Step.OUT_TRAY));
    actions.add(
        "queue", "Queue for later", "Shortcut+Shift+Enter", this::working, desk::queueForLater);
    actions.add("tray", "Go to the tray", "Shortcut+0", () -> true, () -> desk.go(Step.TRAY));
    actions.add(
        "step-take-in", "Go to Take in", "Shortcut+1", this::working, () -> desk.go(Step.TAKE_IN));
    actions.add(
        "step-revise", "Go to Revise", "Shortcut+2", this::working, () -> desk.go(Step.REVISE));
    actions.add(
        "step-proof", "Go to Proof", "Shortcut+3", this::working, () -> desk.go(Step.PROOF));
    actions.add(
        "step-publish", "Go to Publish", "Shortcut+4", this::working, () -> desk.go(Step.PUBLISH));
    actions.add("save", "Save the working copy", "Shortcut+S", this::working, desk::save);
    actions.add(
        "save-as",
        "Save the working copy under another name…",
        "Shortcut+Shift+S",
        this::working,
        this::chooseCopy);
    actions.add("publish", "Publish by the recipe", "Shortcut+Enter", this::working, this::publish);
    made.register(actions);
    actions.add("dark", "Dark or light window", "Shortcut+Alt+D", () -> true, this::toggleDark);
    actions.add(
        "dismiss",
        "Dismiss the notice",
        "Esc",
        () -> desk.noticeProperty().get().isPresent(),
        desk::dismiss);
  }

  private void publish() {
    if (desk.stepProperty().get() != Step.PUBLISH) {
      desk.go(Step.PUBLISH);
    } else {
      desk.publish(false);
    }
  }

  private void toggleDark() {
    if (!root.getStyleClass().remove("dark")) {
      root.getStyleClass().add("dark");
    }
  }

  private void chooseFile() {
    var chooser = new FileChooser();
    chooser.setTitle("Take in");
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("PDF and DOCX", "*.pdf", "*.docx", "*.PDF", "*.DOCX"));
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("All files", "*"));
    desk.work()
        .map(w -> w.source().getParent().toFile())
        .filter(File::isDirectory)
        .ifPresent(chooser::setInitialDirectory);
    Optional.ofNullable(chooser.showOpenDialog(window)).map(File::toPath).ifPresent(desk::takeIn);
  }

  private void chooseCopy() {
    Path proposed = desk.proposedCopy();
    var chooser = new FileChooser();
    chooser.setTitle("Save the working copy");
    chooser.setInitialFileName(proposed.getFileName().toString());
    Optional.ofNullable(proposed.getParent())
        .map(Path::toFile)
        .filter(File::isDirectory)
        .ifPresent(chooser::setInitialDirectory);
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("DOCX", "*.docx"));
    // The chooser of the system has asked about a name that is taken.
    Optional.ofNullable(chooser.showSaveDialog(window))
        .map(File::toPath)
        .ifPresent(p -> desk.save(p, java.nio.file.Files.exists(p), () -> {}));
  }
}
