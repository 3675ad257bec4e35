package decant.desktop.shell;

import decant.layout.Layout;
import decant.model.finding.Finding;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.beans.InvalidationListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.Duration;

/** The way to the tray, the counts of the document, and work in the background. */
final class FootBar extends HBox {
  private static final Words WORDS = Words.of(FootBar.class);

  private final Desk desk;
  private final Label pages = new Label();
  private final Label words = new Label();
  private final Button findings = new Button();
  private final Button fonts = new Button();
  private final Label hint = new Label(WORDS.say("foot-bar.hint"));
  private final Label backgroundText = new Label();
  private final ProgressBar progress = new ProgressBar();
  private final Button cancel = new Button(WORDS.say("foot-bar.cancel"));
  private final PauseTransition recount = new PauseTransition(Duration.millis(400));

  FootBar(Desk desk, Actions actions) {
    super(14);
    this.desk = desk;
    getStyleClass().add("foot-bar");
    Button tray = way(actions, "tray", "foot-tray");
    Button runs = way(actions, "runs", "foot-runs");
    Button outTray = way(actions, "out-tray", "foot-out-tray");
    words.setId("foot-words");
    pages.setId("foot-pages");
    findings.setId("foot-findings");
    fonts.setId("foot-fonts");
    findings.setOnAction(e -> show(Optional.empty()));
    fonts.setOnAction(e -> show(Optional.of(Finding.Kind.FONT_REPLACED)));
    hint.setId("foot-hint");
    progress.setPrefWidth(110);
    backgroundText.setId("foot-background");
    backgroundText.setTextOverrun(javafx.scene.control.OverrunStyle.CENTER_ELLIPSIS);
    backgroundText.setAlignment(Pos.CENTER_RIGHT);
    backgroundText.setMinWidth(60);
    HBox.setHgrow(backgroundText, Priority.ALWAYS);
    backgroundText.setMaxWidth(Double.MAX_VALUE);
    cancel.setId("foot-cancel");
    for (Button b : List.of(findings, fonts, cancel)) {
      b.getStyleClass().add("quiet-button");
      b.setMinWidth(USE_PREF_SIZE);
    }
    cancel.setOnAction(e -> desk.jobs().cancelShown());
    for (Region r : List.of(pages, words, hint)) {
      r.setMinWidth(USE_PREF_SIZE);
    }
    getChildren()
        .addAll(
            tray,
            runs,
            outTray,
            pages,
            words,
            findings,
            fonts,
            backgroundText,
            progress,
            cancel,
            hint);
    InvalidationListener changed = o -> count();
    desk.workProperty()
        .addListener((o, was, is) -> {
          was.ifPresent(w -> w.layoutProperty().removeListener(changed));
          was.ifPresent(w -> w.settledProperty().removeListener(changed));
          is.ifPresent(w -> w.layoutProperty().addListener(changed));
          is.ifPresent(w -> w.settledProperty().addListener(changed));
          count();
          countWords();
        });
    recount.setOnFinished(e -> countWords());
    desk.jobs().shownProperty().addListener(o -> background());
    count();
    countWords();
    background();
  }

  private static Button way(Actions actions, String action, String id) {
    var b = new Button(WORDS.say("foot-bar." + action));
    b.setId(id);
    b.getStyleClass().add("quiet-button");
    b.setMinWidth(USE_PREF_SIZE);
    b.setOnAction(e -> actions.require(action).perform());
    return b;
  }

  private void show(Optional<Finding.Kind> kind) {
    desk.work()
        .ifPresent(w -> {
          w.filterProperty().set(kind);
          desk.go(StageName.TAKE_IN);
        });
  }

  private void background() {
    Optional<Jobs.Job.State> job = desk.jobs().shownProperty().get();
    // Invisible things keep their room, so that nothing moves when work begins or ends.
    progress.setVisible(job.isPresent());
    cancel.setVisible(job.filter(Jobs.Job.State::stoppable).isPresent());
    backgroundText.setText(
        job.map(j ->
                j.more() == 0 ? j.label() : WORDS.count("foot-bar.and-more", j.more(), j.label()))
            .orElse(""));
    job.ifPresent(j -> progress.setProgress(j.share()));
  }

  private void count() {
    Optional<Layout> l = desk.work().map(Work::layout);
    pages.setText(
        l.map(x ->
                WORDS.count(
                    x.complete() ? "foot-bar.pages" : "foot-bar.pages-so-far", x.pages().size()))
            .orElse(""));
    recount.playFromStart(); // words are counted when typing rests
  }

  private void countWords() {
    Optional<Work> w = desk.work();
    words.setText(
        w.map(x -> WORDS.count("foot-bar.words", x.revision().document().words())).orElse(""));
    // One count, one list: replaced fonts are findings, and counted among them.
    List<Finding> open = w.map(Work::openFindings).orElse(List.of());
    long replaced = open.stream().filter(f -> f.kind() == Finding.Kind.FONT_REPLACED).count();
    findings.setText(w.isPresent() ? WORDS.count("foot-bar.findings", open.size()) : "");
    findings.setVisible(w.isPresent());
    fonts.setText(WORDS.count("foot-bar.fonts", replaced));
    fonts.setVisible(replaced > 0);
    fonts.setManaged(replaced > 0);
  }
}
