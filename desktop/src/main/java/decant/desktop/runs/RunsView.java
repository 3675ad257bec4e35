package decant.desktop.runs;

import decant.desktop.runs.RunState.Phase;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Jobs;
import decant.desktop.shell.Notice;
import decant.desktop.shell.Stage;
import decant.io.WriteProblem;
import decant.run.Row;
import decant.run.Run;
import decant.run.RunOrder;
import decant.run.RunProblem;
import decant.run.log.RunLog;
import decant.words.Words;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.function.Supplier;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import javafx.util.Duration;

/** Whole folders: a sentence, the run at a glance, and one table that fills. */
public final class RunsView implements Stage {
  private static final Words WORDS = Words.of(RunsView.class);

  /** How often what was done meanwhile is shown. */
  private static final Duration BEAT = Duration.millis(300);

  private final Desk desk;
  private final Supplier<Window> window;
  private final RunState state;
  private final RunSentence sentence;
  private final RunStrip strip = new RunStrip();
  private final RunTable table;
  private final FolderRecipe folderRecipe;
  private final BorderPane root = new BorderPane();
  private final Label told = new Label();
  private final Button first = new Button();
  private final Button stop = quiet("run-stop", "runs-view.stop");
  private final Button log = quiet("run-log", "runs-view.log");
  private final Button leave = quiet("run-leave-out", "runs-view.leave-out");
  private final Button back = quiet("run-take-back", "runs-view.take-back");
  private final Button password = quiet("run-password", "runs-view.password");
  private final Button both = quiet("run-keep-both", "runs-view.keep-both");
  private final Button over = quiet("run-overwrite", "runs-view.overwrite");
  private final Button open = quiet("run-open", "runs-view.open");
  private final TextField search = new TextField();
  private final ToggleGroup filters = new ToggleGroup();
  private final HBox queued = new HBox(10);
  private final Timeline beat = new Timeline(new KeyFrame(BEAT, e -> beat()));
  private RunLines.Filter filter = RunLines.Filter.ALL;

  public RunsView(Desk desk, Supplier<Window> window) {
    this.desk = desk;
    this.window = window;
    this.state =
        new RunState(
            Executors.newThreadPerTaskExecutor(
                Thread.ofPlatform().daemon().name("run-", 0).factory()),
            Platform::runLater);
    sentence = new RunSentence(state, desk, window);
    table = new RunTable(state);
    folderRecipe = new FolderRecipe(state, table, () -> desk.recipes().contents().all());
    root.setId("runs");
    root.getStyleClass().add("runs");
    root.setTop(top());
    root.setCenter(table);
    beat.setCycleCount(Timeline.INDEFINITE);
    state.draftProperty().addListener(o -> sentence.show());
    state.phaseProperty().addListener(o -> phase());
    state.hindranceProperty().addListener((o, was, is) -> is.ifPresent(this::hindered));
    state.changesProperty().addListener(o -> rows());
    table
        .getSelectionModel()
        .getSelectedItems()
        .addListener((javafx.beans.InvalidationListener) o -> choices());
    desk.waiting().changesProperty().addListener(o -> queue());
    desk.closing()
        .asksOf(() ->
            state.isAtWork() ? Optional.of(WORDS.say("runs-view.closing")) : Optional.empty());
    phase();
    queue();
    rows();
  }

  /** Registers what can be done here. */
  public static void register(Actions actions, Supplier<Optional<RunsView>> inSight) {
    actions.add(
        "run-first",
        "",
        () -> inSight.get().filter(v -> !v.first.isDisabled()).isPresent(),
        () -> inSight.get().ifPresent(v -> v.first.fire()));
    actions.add(
        "run-log",
        "",
        () -> inSight.get().filter(v -> !v.log.isDisabled()).isPresent(),
        () -> inSight.get().ifPresent(RunsView::saveLog));
  }

  private static Button quiet(String id, String words) {
    var b = new Button(WORDS.say(words));
    b.setId(id);
    b.getStyleClass().add("quiet-button");
    b.setMinWidth(Region.USE_PREF_SIZE);
    return b;
  }

  private Node top() {
    first.setId("run-first");
    first.getStyleClass().add("primary");
    first.setMinWidth(150);
    first.setOnAction(e -> next());
    stop.setOnAction(e -> state.stop());
    log.setOnAction(e -> saveLog());
    leave.setOnAction(e -> state.leaveOut(table.selected()));
    back.setOnAction(e -> state.takeBack(table.selected()));
    password.setOnAction(e -> askPassword());
    both.setOnAction(e -> state.clash(table.selected(), RunOrder.Clash.KEEP));
    over.setOnAction(e -> state.clash(table.selected(), RunOrder.Clash.OVERWRITE));
    open.setOnAction(e -> openResult());
    told.setId("run-told");
    told.setWrapText(true);
    told.setMinWidth(100);
    HBox.setHgrow(told, Priority.ALWAYS);
    told.setMaxWidth(Double.MAX_VALUE);
    var acts = new HBox(8, told, log, stop, first);
    acts.setAlignment(Pos.CENTER_LEFT);
    acts.setMinHeight(40);
    search.setId("run-search");
    search.setPromptText(WORDS.say("runs-view.search"));
    search.setAccessibleText(WORDS.say("runs-view.search"));
    search.setPrefWidth(190);
    search.textProperty().addListener(o -> table.show(filter, search.getText()));
    var gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    var bar = new HBox(6);
    bar.setAlignment(Pos.CENTER_LEFT);
    for (RunLines.Filter f : RunLines.Filter.values()) {
      bar.getChildren().add(toggle(f));
    }
    bar.getChildren().addAll(search, gap, folderRecipe, open, leave, back, password, both, over);
    queued.setAlignment(Pos.CENTER_LEFT);
    queued.setId("run-queue");
    var head = new VBox(10, sentence, queued, acts, strip, bar);
    head.getStyleClass().add("runs-top");
    return head;
  }

  private ToggleButton toggle(RunLines.Filter f) {
    var b = new ToggleButton();
    b.setId("run-show-" + f.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
    b.setUserData(f);
    b.setToggleGroup(filters);
    b.setMinWidth(Region.USE_PREF_SIZE);
    b.setSelected(f == filter);
    b.setOnAction(e -> {
      b.setSelected(true); // one of them is always shown
      filter = f;
      table.show(f, search.getText());
    });
    return b;
  }

  /** What is queued at Publish is published here too. */
  private void queue() {
    int n = desk.waiting().queue().all().size();
    queued.setVisible(n > 0);
    queued.setManaged(n > 0);
    if (n > 0) {
      var words = new Label(WORDS.count("runs-view.queued", n));
      var all = quiet("run-queue-publish", "runs-view.publish-queued");
      all.setOnAction(e -> desk.waiting().publishQueue());
      queued.getChildren().setAll(words, all);
    }
  }

  /** What the first button does now. */
  private void next() {
    switch (state.phase()) {
      case THOUGHT_OF, ENDED -> state.plan(false);
      case STOPPED -> state.plan(true);
      case PLANNED -> state.start();
      case AT_WORK -> state.pause();
      case PAUSED -> state.goOn();
      case PLANNING, STOPPING -> {}
    }
  }

  private void phase() {
    Phase p = state.phase();
    first.setText(
        WORDS.say(
            switch (p) {
              case THOUGHT_OF, PLANNING -> "runs-view.plan";
              case PLANNED -> "runs-view.start";
              case AT_WORK, STOPPING -> "runs-view.pause";
              case PAUSED -> "runs-view.go-on";
              case STOPPED -> "runs-view.resume";
              case ENDED -> "runs-view.plan-again";
            }));
    boolean folders = state.draft().source().isPresent() && state.draft().destination().isPresent();
    first.setDisable(p == Phase.PLANNING || p == Phase.STOPPING || !folders);
    stop.setDisable(!(p == Phase.PLANNING || p == Phase.AT_WORK || p == Phase.PAUSED));
    log.setDisable(!(p == Phase.ENDED || p == Phase.STOPPED));
    if (p == Phase.PLANNING || state.isAtWork()) {
      beat.play();
    } else {
      beat.stop();
    }
    job();
    sentence.show();
    tell();
    choices();
  }

  private Optional<Jobs.Job> job = Optional.empty();

  /** The foot of the window shows a run wherever the person is meanwhile. */
  private void job() {
    if (state.isAtWork() && job.isEmpty()) {
      job = Optional.of(desk.jobs().begin(WORDS.say("runs-view.job"), 0, state::stop));
    } else if (!state.isAtWork()) {
      job.ifPresent(Jobs.Job::end);
      job = Optional.empty();
    }
    state
        .totals()
        .ifPresent(t ->
            job.ifPresent(j ->
                j.progress(
                    WORDS.say("runs-view.job"), t.ended() / (double) Math.max(1, t.planned()))));
  }

  private void beat() {
    List<Integer> changed = state.update();
    if (!changed.isEmpty()) {
      if (filter == RunLines.Filter.ALL) {
        table.changed(changed);
      } else if (RunLines.count(state, filter) != filled) {
        filled = RunLines.count(state, filter);
        table.fill();
      }
      strip.show(state.rows(), ink());
      counts();
      choices();
      job();
    }
    tell();
  }

  /** How many rows there were of those that are shown when the table was last filled. */
  private int filled = -1;

  private void rows() {
    filled = RunLines.count(state, filter);
    table.fill();
    strip.show(state.rows(), ink());
    counts();
    choices();
    phaseOfFolders();
  }

  private static final Color INK = Color.web("#2B2723");
  private static final Color LIGHT_INK = Color.web("#EFE9DF");

  private Color ink() {
    return desk.memory().kept().dark() ? LIGHT_INK : INK;
  }

  /** The first button waits for both folders. */
  private void phaseOfFolders() {
    boolean folders = state.draft().source().isPresent() && state.draft().destination().isPresent();
    if (state.phase() == Phase.THOUGHT_OF) {
      first.setDisable(!folders);
    }
    tell();
  }

  private void counts() {
    filters
        .getToggles()
        .forEach(t -> {
          var f = (RunLines.Filter) t.getUserData();
          String name =
              WORDS.say(
                  switch (f) {
                    case ALL -> "runs-view.all";
                    case TO_DO -> "runs-view.to-do";
                    case DONE -> "runs-view.done";
                    case FAILED -> "runs-view.failed";
                    case LEFT_OUT -> "runs-view.left-out";
                  });
          ((ToggleButton) t)
              .setText(WORDS.say("runs-view.counted", name, RunLines.count(state, f)));
        });
  }

  private void choices() {
    folderRecipe.refresh();
    List<Row> some = table.selected();
    boolean planned = state.phase() == Phase.PLANNED;
    leave.setDisable(!planned || some.stream().noneMatch(r -> r.state() == Row.State.PLANNED));
    back.setDisable(!planned || some.stream().noneMatch(r -> r.why() == Row.Why.BY_PERSON));
    password.setDisable(!planned || some.stream().noneMatch(r -> r.why() == Row.Why.LOCKED));
    boolean taken = planned && some.stream().anyMatch(r -> r.why() == Row.Why.NAME_TAKEN);
    both.setDisable(!taken);
    over.setDisable(!taken);
    open.setDisable(
        some.size() != 1 || some.getFirst().results().stream().noneMatch(x -> x.bytes() > 0));
  }

  private void tell() {
    told.setText(
        switch (state.phase()) {
          case THOUGHT_OF ->
              state
                  .hindranceProperty()
                  .get()
                  .map(RunState.Hindrance::message)
                  .orElseGet(() ->
                      WORDS.say(
                          first.isDisabled() ? "runs-view.choose-folders" : "runs-view.ready"));
          case PLANNING -> WORDS.count("runs-view.planning", state.met());
          case PLANNED -> state.needed();
          case AT_WORK -> state.run().map(RunFigures::atWork).orElse("");
          case PAUSED -> state.run().map(RunFigures::paused).orElse("");
          case STOPPING -> WORDS.say("runs-view.stopping");
          case STOPPED ->
              state.run().flatMap(Run::stopped).orElseGet(() -> WORDS.say("runs-view.stopped"));
          case ENDED -> state.totals().map(t -> RunFigures.ended(t, state.merged())).orElse("");
        });
  }

  /** A run that was stopped before is gone on with where the person wants it. */
  private void hindered(RunState.Hindrance by) {
    if (by.kind() == RunProblem.Kind.UNFINISHED) {
      desk.noticeProperty()
          .set(
              Optional.of(
                  Notice.ask(
                      WORDS.say("runs-view.unfinished"),
                      Notice.Answer.of(WORDS.say("runs-view.resume"), () -> state.plan(true)))));
    }
  }

  private void askPassword() {
    List<Row> some = table.selected().stream().filter(r -> r.why() == Row.Why.LOCKED).toList();
    if (!some.isEmpty()) {
      desk.noticeProperty()
          .set(
              Optional.of(
                  new Notice(
                      WORDS.count("runs-view.ask-password", some.size(), some.getFirst().path()),
                      Notice.Weight.QUESTION,
                      List.of(
                          new Notice.Answer(
                              WORDS.say("runs-view.use-password"), p -> state.password(some, p))),
                      true)));
    }
  }

  private void openResult() {
    table.selected().stream()
        .findFirst()
        .flatMap(
            r -> r.results().stream().findFirst().flatMap(x -> state.run().map(n -> n.file(r, x))))
        .ifPresent(desk::takeIn);
  }

  private void saveLog() {
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("runs-view.log"));
    state
        .draft()
        .destination()
        .map(Path::toAbsolutePath)
        .map(Path::getParent)
        .map(Path::toFile)
        .filter(File::isDirectory)
        .ifPresent(chooser::setInitialDirectory);
    chooser.setInitialFileName(
        WORDS.say(
            "runs-view.log-name",
            state.draft().destination().map(Path::getFileName).orElse(Path.of("")),
            RunLog.extension()));
    Optional.ofNullable(chooser.showSaveDialog(window.get()))
        .map(File::toPath)
        .ifPresent(this::saveLog);
  }

  /** Saves the log into a file, with the values beside it. */
  public void saveLog(Path file) {
    try {
      String name = file.getFileName().toString();
      Path to = RunLog.isServed(file) ? file : file.resolveSibling(name + "." + RunLog.extension());
      state.saveLog(to);
      desk.tell(WORDS.say("runs-view.log-saved", to));
      desk.tray().published(List.of(to));
    } catch (WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
  }

  /** Chooses both folders, as the parts of the sentence do. */
  public void choose(Path source, Path destination) {
    state.draftProperty().set(state.draft().from(source).into(destination));
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public Node keyboard() {
    return state.rows().isEmpty() ? first.isDisabled() ? root.lookup("#run-source") : first : table;
  }

  @Override
  public void shown() {
    queue();
  }

  @Override
  public void close() {
    beat.stop();
    state.close();
  }
}
