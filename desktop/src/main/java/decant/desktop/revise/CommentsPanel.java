package decant.desktop.revise;

import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.Paragraph;
import decant.model.edit.Commenting;
import decant.model.edit.Revision;
import decant.model.look.Comment;
import decant.words.Words;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What was noted where the caret stands, and a line to note something about the selection. */
final class CommentsPanel extends VBox {
  private static final Words WORDS = Words.of(CommentsPanel.class);

  private final Work work;
  private final Runnable back;
  private final VBox here = new VBox(6);
  private final TextField field = new TextField();
  private final Button note = new Button(WORDS.say("comments-panel.add"));
  private final HBox line = new HBox(6, field, note);
  private List<Comment> shown = List.of();

  CommentsPanel(Work work, InSight inSight, Runnable back) {
    super(6);
    this.work = work;
    this.back = back;
    here.setId("remarks");
    field.setId("remark-text");
    field.setPromptText(WORDS.say("comments-panel.prompt"));
    HBox.setHgrow(field, Priority.ALWAYS);
    note.setId("remark-add");
    note.setOnAction(e -> add());
    field.setOnAction(e -> add());
    getChildren().addAll(line, here);
    inSight.atRest(work.revisionProperty(), this::refresh);
    refresh();
  }

  private void add() {
    String words = field.getText().strip();
    if (words.isEmpty() || work.revision().selection().isCaret()) {
      return;
    }
    var comment =
        new Comment(
            "n" + UUID.randomUUID(),
            System.getProperty("user.name", ""),
            Instant.now().truncatedTo(ChronoUnit.SECONDS).toString(),
            words,
            false);
    work.apply(r -> Commenting.add(r, comment));
    field.clear();
    back.run();
  }

  private void refresh() {
    Revision r = work.revision();
    boolean selected = !r.selection().isCaret();
    line.setDisable(!selected); // its room stays, so that nothing below it moves
    Paragraph p = r.document().paragraph(r.selection().caret().paragraph()).orElse(null);
    List<Comment> now = p == null ? List.of() : Commenting.at(p, r.selection().caret().offset());
    if (now.equals(shown)) {
      return;
    }
    shown = now;
    here.getChildren().clear();
    for (Comment comment : now) {
      here.getChildren().add(card(comment));
    }
  }

  private VBox card(Comment comment) {
    var words = new Label(comment.text());
    words.setWrapText(true);
    words.setMinHeight(USE_PREF_SIZE);
    String day = comment.date().length() >= 10 ? comment.date().substring(0, 10) : "";
    String who =
        comment.author().isEmpty() ? WORDS.say("comments-panel.comment") : comment.author();
    var by = new Label(day.isEmpty() ? who : who + ", " + day);
    by.getStyleClass().add("quiet");
    var settle = new Button(WORDS.say("comments-panel.done"));
    settle.getStyleClass().add("quiet-button");
    settle.setId("remark-settle");
    settle.setVisible(!comment.kept());
    settle.setManaged(!comment.kept());
    settle.setOnAction(e -> {
      work.apply(r -> Commenting.settle(r, comment));
      back.run();
    });
    HBox.setHgrow(by, Priority.ALWAYS);
    by.setMaxWidth(Double.MAX_VALUE);
    return new VBox(2, new HBox(6, by, settle), words);
  }
}
