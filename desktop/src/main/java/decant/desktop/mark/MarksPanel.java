package decant.desktop.mark;

import decant.desktop.page.SmallPicture;
import decant.desktop.shell.Desk;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Notice;
import decant.desktop.shell.QuietButton;
import decant.desktop.shell.Work;
import decant.io.WriteProblem;
import decant.mark.Mark;
import decant.mark.MarkProblem;
import decant.mark.MarkShelf;
import decant.recipe.PageRange;
import decant.words.Words;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The marks that are kept: what they look like, and placing them on pages. */
public final class MarksPanel extends ScrollPane {
  private static final Words WORDS = Words.of(MarksPanel.class);
  private static final int SHOWN = 120;
  private static final double HIGHEST = 44;

  private final Desk desk;
  private final Work work;
  private final MarkPlacing placing;
  private final VBox rows = new VBox(12);
  private final TextField pages = new TextField();
  private final Label says = new Label();

  /** Those that were opened, so that a passphrase is asked for once. */
  private final Map<Path, Mark> open = new HashMap<>();

  /**
   * @param make leads to where a mark is made
   */
  public MarksPanel(Desk desk, Work work, MarkPlacing placing, InSight inSight, Runnable make) {
    this.desk = desk;
    this.work = work;
    this.placing = placing;
    setId("marks-panel");
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setFitToWidth(true);
    getStyleClass().add("side-part");
    var fresh = QuietButton.of("mark-new", WORDS.say("marks-panel.make"), make);
    pages.setId("mark-pages");
    pages.setPromptText(WORDS.say("marks-panel.this-page"));
    pages.setAccessibleText(WORDS.say("marks-panel.pages"));
    says.setId("marks-says");
    says.setWrapText(true);
    says.getStyleClass().add("quiet");
    says.managedProperty().bind(says.textProperty().isNotEmpty());
    var on = new VBox(3, new Label(WORDS.say("marks-panel.pages")), pages);
    setContent(new VBox(12, fresh, on, says, rows));
    inSight.on(placing.activeProperty(), this::tell);
    sceneProperty()
        .addListener((o, was, is) -> {
          if (is != null) {
            fill(); // others may have been made beside another document
          }
        });
    fill();
  }

  /** Reads the shelf again. */
  public void fill() {
    MarkShelf.Contents has = desk.marks().contents();
    rows.getChildren().clear();
    if (has.marks().isEmpty()) {
      rows.getChildren().add(label(WORDS.say("marks-panel.none")));
    }
    has.marks().forEach(k -> rows.getChildren().add(row(k)));
    has.unread().forEach(u -> rows.getChildren().add(label(u)));
    tell();
  }

  private static Label label(String text) {
    var l = new Label(text);
    l.setWrapText(true);
    l.getStyleClass().add("quiet");
    return l;
  }

  private VBox row(MarkShelf.Kept k) {
    int n = rows.getChildren().size();
    var name = new Label(k.name());
    var what =
        label(
            k.locked()
                ? WORDS.say("marks-panel.locked", MarkWords.kind(k.kind()))
                : MarkWords.kind(k.kind()));
    var acts = new FlowPane(6, 6);
    var row = new VBox(4);
    var place =
        QuietButton.of("mark-place-" + n, WORDS.say("marks-panel.place"), () -> place(k, row));
    var away = QuietButton.of("mark-away-" + n, WORDS.say("marks-panel.away"), () -> {});
    away.setOnAction(e -> {
      if (away.getUserData() == null) {
        away.setUserData(true); // what goes from the shelf does not come back
        away.setText(WORDS.say("marks-panel.really"));
      } else {
        forget(k);
      }
    });
    acts.getChildren().addAll(place, away);
    row.getChildren().addAll(new HBox(8, picture(k), new VBox(2, name, what)), acts);
    return row;
  }

  /** What it looks like; of a locked one only once it is open. */
  private StackPane picture(MarkShelf.Kept k) {
    var view = new ImageView();
    view.setPreserveRatio(true);
    view.setFitWidth(SHOWN);
    view.setFitHeight(HIGHEST);
    var paper = new StackPane(view);
    paper.getStyleClass().add("ink-paper");
    paper.setMinSize(SHOWN + 8, HIGHEST + 8);
    Mark known = open.get(k.file());
    if (known != null) {
      SmallPicture.show(() -> known.painted(2 * SHOWN), view);
    } else if (!k.locked()) {
      SmallPicture.show(
          () -> {
            try {
              return desk.marks().open(k, Optional.empty()).painted(2 * SHOWN);
            } catch (MarkProblem e) {
              return Optional.empty(); // told when it is to be placed
            }
          },
          view);
    }
    return paper;
  }

  private void place(MarkShelf.Kept k, VBox row) {
    Mark known = open.get(k.file());
    if (known != null) {
      place(known);
    } else if (k.locked()) {
      ask(row, passphrase -> open(k, Optional.of(passphrase.toCharArray())));
    } else {
      open(k, Optional.empty());
    }
  }

  /** Asks for a passphrase below a mark. */
  private void ask(VBox row, Consumer<String> given) {
    if (row.getChildren().size() > 2) {
      return;
    }
    var field = new PasswordField();
    field.setId("mark-unlock");
    field.setPromptText(WORDS.say("marks-panel.passphrase"));
    field.setAccessibleText(WORDS.say("marks-panel.passphrase"));
    field.setOnAction(e -> given.accept(field.getText()));
    row.getChildren().add(field);
    field.requestFocus();
  }

  private void open(MarkShelf.Kept k, Optional<char[]> passphrase) {
    Thread.ofVirtual()
        .start(() -> {
          try {
            Mark m = desk.marks().open(k, passphrase);
            Platform.runLater(() -> {
              open.put(k.file(), m);
              if (k.locked()) {
                fill();
              }
              place(m);
            });
          } catch (MarkProblem e) {
            Platform.runLater(() -> says.setText(e.getMessage()));
          }
        });
  }

  private void place(Mark m) {
    Optional<List<Integer>> on = Optional.empty();
    if (!pages.getText().isBlank()) {
      try {
        on = Optional.of(new PageRange(pages.getText()).select(work.layout().pages().size()));
      } catch (PageRange.Problem e) {
        says.setText(e.getMessage());
        return;
      }
    }
    placing.begin(m, on);
  }

  private void tell() {
    says.setText(placing.activeProperty().get() ? WORDS.say("marks-panel.click") : "");
  }

  private void forget(MarkShelf.Kept k) {
    try {
      desk.marks().forget(k);
      open.remove(k.file());
      desk.tell(WORDS.say("marks-panel.gone", k.name()));
    } catch (WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
    fill();
  }
}
