package decant.desktop.runs;

import decant.model.Metadata;
import decant.run.Merging;
import decant.run.Patterns;
import decant.run.RunOrder;
import decant.words.Words;
import java.io.File;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.regex.PatternSyntaxException;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.Window;

/**
 * What is rarely asked of a run: some names and days only, particulars, templates, one PDF of all.
 */
final class RunMore extends FlowPane {
  private static final Words WORDS = Words.of(RunMore.class);

  private final RunState state;
  private final Supplier<Window> window;
  private final TextField like = field("run-like", "run-more.like");
  private final TextField unlike = field("run-unlike", "run-more.unlike");
  private final TextField since = field("run-since", "run-more.since");
  private final TextField author = field("run-author", "run-more.author");
  private final TextField subject = field("run-subject", "run-more.subject");
  private final TextField keywords = field("run-keywords", "run-more.keywords");
  private final CheckBox times = new CheckBox(WORDS.say("run-more.keep-times"));
  private final CheckBox merged = new CheckBox(WORDS.say("run-more.merged"));
  private final Button templates = new Button();
  private final Label wrong = new Label();

  RunMore(RunState state, Supplier<Window> window) {
    super(12, 8);
    this.state = state;
    this.window = window;
    setId("run-more-panel");
    times.setId("run-keep-times");
    merged.setId("run-merged");
    templates.setId("run-templates");
    templates.getStyleClass().add("quiet-button");
    templates.setOnAction(e -> chooseTemplates());
    wrong.getStyleClass().add("problem-text");
    wrong.setId("run-more-wrong");
    for (TextField f : List.of(like, unlike, since, author, subject, keywords)) {
      f.setOnAction(e -> take());
      f.focusedProperty()
          .addListener((o, was, is) -> {
            if (!is) {
              take();
            }
          });
    }
    times.setOnAction(e -> take());
    merged.setOnAction(e -> take());
    getChildren()
        .addAll(
            named("run-more.like", like),
            named("run-more.unlike", unlike),
            named("run-more.since", since),
            named("run-more.author", author),
            named("run-more.subject", subject),
            named("run-more.keywords", keywords),
            times,
            merged,
            templates,
            wrong);
    show();
  }

  private static TextField field(String id, String words) {
    var f = new TextField();
    f.setId(id);
    f.setPrefWidth(130);
    f.setAccessibleText(WORDS.say(words));
    return f;
  }

  private static HBox named(String words, TextField f) {
    var line = new HBox(6, new Label(WORDS.say(words)), f);
    line.setAlignment(Pos.CENTER_LEFT);
    return line;
  }

  /** Takes over what is written, if it can be understood, and says what cannot. */
  private void take() {
    RunDraft.More was = state.draft().more();
    wrong.setText("");
    try {
      Optional<LocalDate> day =
          since.getText().isBlank()
              ? Optional.empty()
              : Optional.of(LocalDate.parse(since.getText().strip()));
      set(
          new RunDraft.More(
              new Patterns(patterns(like), patterns(unlike)),
              day,
              was.recipes(),
              new Metadata("", said(subject), said(author), said(keywords), ""),
              times.isSelected(),
              merged.isSelected(),
              was.templates()));
    } catch (PatternSyntaxException e) {
      wrong.setText(WORDS.say("run-more.no-pattern", e.getPattern()));
    } catch (DateTimeException e) {
      wrong.setText(WORDS.say("run-more.no-date"));
    }
  }

  private static String said(TextField f) {
    return f.getText().strip();
  }

  private void set(RunDraft.More more) {
    if (!more.equals(state.draft().more())) {
      state.draftProperty().set(state.draft().with(more));
    }
  }

  private static List<String> patterns(TextField f) {
    return Stream.of(f.getText().split("[,;]"))
        .map(String::strip)
        .filter(s -> !s.isEmpty())
        .toList();
  }

  /** One folder that templates come from, then another for what is made of them. */
  private void chooseTemplates() {
    RunDraft.More was = state.draft().more();
    Optional<RunOrder.Templates> chosen =
        was.templates().isPresent()
            ? Optional.empty()
            : folder("run-more.templates-from")
                .flatMap(from ->
                    folder("run-more.templates-into").map(to -> new RunOrder.Templates(from, to)));
    set(
        new RunDraft.More(
            was.patterns(),
            was.since(),
            was.recipes(),
            was.particulars(),
            was.keepTimes(),
            was.merged(),
            chosen));
  }

  private Optional<Path> folder(String title) {
    var chooser = new DirectoryChooser();
    chooser.setTitle(WORDS.say(title));
    return Optional.ofNullable(chooser.showDialog(window.get())).map(File::toPath);
  }

  /** Says what the draft is now. */
  void show() {
    RunDraft d = state.draft();
    merged.setDisable(!Merging.isServed(d.recipe()));
    templates.setText(
        d.more()
            .templates()
            .map(t ->
                WORDS.say(
                    "run-more.templates", t.source().getFileName(), t.destination().getFileName()))
            .orElseGet(() -> WORDS.say("run-more.templates-with-others")));
  }

  /** What is asked for besides the usual, in a word or two. */
  static String told(RunDraft.More m) {
    int n =
        (m.patterns().equals(Patterns.ALL) ? 0 : 1)
            + (m.since().isPresent() ? 1 : 0)
            + (m.particulars().equals(Metadata.NONE) ? 0 : 1)
            + (m.keepTimes() ? 1 : 0)
            + (m.merged() ? 1 : 0)
            + (m.templates().isPresent() ? 1 : 0);
    return n == 0 ? WORDS.say("run-more.more") : WORDS.count("run-more.some", n);
  }
}
