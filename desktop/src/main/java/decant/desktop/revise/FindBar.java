package decant.desktop.revise;

import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Range;
import decant.model.edit.Search;
import decant.model.edit.Search.Query;
import decant.pin.AmendedPages;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.util.Duration;

/** Finds and replaces text. */
final class FindBar extends HBox {
  private static final Words WORDS = Words.of(FindBar.class);

  private final Work work;
  private final Runnable reveal;
  private final Runnable back;
  private final TextField find = new TextField();
  private final TextField replace = new TextField();
  private final CheckBox matchCase = new CheckBox(WORDS.say("find-bar.match-case"));
  private final Label says = new Label();
  private final PauseTransition rest = new PauseTransition(Duration.millis(120));

  FindBar(Work work, Runnable reveal, Runnable back) {
    super(8);
    this.work = work;
    this.reveal = reveal;
    this.back = back;
    getStyleClass().add("find-bar");
    setAlignment(Pos.CENTER_LEFT);
    find.setPromptText(WORDS.say("find-bar.find"));
    find.setId("find-text");
    replace.setPromptText(WORDS.say("find-bar.replace-with"));
    replace.setId("find-replace");
    says.getStyleClass().add("quiet");
    says.setId("find-says");
    // The places of a long document are not counted between two letters.
    rest.setOnFinished(e -> count());
    find.textProperty().addListener(o -> rest.playFromStart());
    matchCase.selectedProperty().addListener(o -> count());
    find.setOnAction(e -> next());
    var next = button(WORDS.say("find-bar.next"), "find-next", this::next);
    var previous = button(WORDS.say("find-bar.previous"), "find-previous", this::previous);
    var one = button(WORDS.say("find-bar.replace"), "find-one", this::replaceOne);
    var all = button(WORDS.say("find-bar.replace-all"), "find-all", this::replaceAll);
    var close = button(WORDS.say("find-bar.close"), "find-close", this::close);
    close.getStyleClass().add("quiet-button");
    setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ESCAPE) {
        close();
        e.consume();
      }
    });
    getChildren().addAll(find, previous, next, replace, one, all, matchCase, says, close);
    setVisible(false);
    setManaged(false);
  }

  private static Button button(String label, String id, Runnable run) {
    var b = new Button(label);
    b.setId(id);
    b.setMinWidth(USE_PREF_SIZE);
    b.setOnAction(e -> run.run());
    return b;
  }

  /** Shows the bar; selected text of one line becomes what is looked for. */
  void open() {
    setVisible(true);
    setManaged(true);
    Selection s = work.revision().selection();
    if (!s.isCaret() && s.anchor().paragraph().equals(s.caret().paragraph())) {
      find.setText(Range.of(work.revision().document(), s).text(work.revision().document()));
    }
    find.requestFocus();
    find.selectAll();
    count();
  }

  private void close() {
    setVisible(false);
    setManaged(false);
    back.run();
  }

  private Query query() {
    return new Query(find.getText(), matchCase.isSelected());
  }

  private void count() {
    if (find.getText().isEmpty()) {
      says.setText("");
      return;
    }
    int n = Search.all(work.revision().document(), query()).size();
    says.setText(n == 0 ? WORDS.say("find-bar.not-found") : WORDS.count("find-bar.places", n));
  }

  private void next() {
    var from = Range.of(work.revision().document(), work.revision().selection()).end();
    go(Search.next(work.revision().document(), query(), from));
  }

  private void previous() {
    var from = Range.of(work.revision().document(), work.revision().selection()).start();
    go(Search.previous(work.revision().document(), query(), from));
  }

  private void go(Optional<Selection> found) {
    found.ifPresent(s -> {
      work.select(s);
      reveal.run();
    });
    count();
  }

  /** Replaces what is selected if it is a match, and goes to the next one. */
  private void replaceOne() {
    Selection now = work.revision().selection();
    List<Selection> all = Search.all(work.revision().document(), query());
    boolean pinned = work.revision().document().isPinned(now.caret().paragraph());
    if (all.contains(now) && !pinned) {
      String with = replace.getText();
      work.apply(r -> with.isEmpty() ? Commands.deleteBackward(r) : Commands.insert(r, with));
    }
    next();
  }

  private void replaceAll() {
    Document before = work.revision().document();
    int all = Search.all(before, query()).size();
    int n = Search.changeable(before, query()).size();
    if (n > 0) {
      work.apply(r -> Search.replaceAll(r, query(), replace.getText()));
    }
    if (all > n && query().matchCase()) {
      onPinnedPages(all, n);
    } else {
      replaced(all, n);
    }
  }

  /** Pages that stay as they were are changed beside what goes on. */
  private void onPinnedPages(int all, int done) {
    Document now = work.revision().document();
    String words = query().text();
    String with = replace.getText();
    says.setText(WORDS.say("find-bar.replacing"));
    Thread.ofVirtual()
        .start(() -> {
          try {
            AmendedPages.Replaced found = AmendedPages.replaced(now, words, with);
            Platform.runLater(() -> {
              boolean same = work.revision().document() == now;
              if (same) {
                work.apply(r -> AmendedPages.replaced(r, found));
              }
              replaced(all, done + (same ? found.replaced() : 0));
            });
          } catch (ReadProblem | RuntimeException | StackOverflowError e) {
            String id = Faults.note("replacing on pages that stay", e);
            Platform.runLater(() -> says.setText(WORDS.say("find-bar.fault", done, id)));
          }
        });
  }

  private void replaced(int all, int done) {
    String left = all > done ? " " + WORDS.count("find-bar.left", all - done) : "";
    says.setText(
        all == 0 ? WORDS.say("find-bar.not-found") : WORDS.count("find-bar.replaced", done) + left);
  }
}
