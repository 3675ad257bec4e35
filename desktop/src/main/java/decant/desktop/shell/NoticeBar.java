package decant.desktop.shell;

import decant.words.Words;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Shows a notice and its answers, over the foot of the stage so that nothing below it moves. */
final class NoticeBar extends HBox {
  private static final Words WORDS = Words.of(NoticeBar.class);

  private final Desk desk;

  NoticeBar(Desk desk) {
    super(10);
    this.desk = desk;
    setId("notice");
    getStyleClass().add("notice");
    setMaxHeight(USE_PREF_SIZE);
    desk.noticeProperty().addListener(o -> refresh());
    refresh();
  }

  private void refresh() {
    Optional<Notice> n = desk.noticeProperty().get();
    setVisible(n.isPresent());
    setManaged(n.isPresent());
    getChildren().clear();
    getStyleClass().removeAll("information", "question", "problem");
    if (n.isEmpty()) {
      return;
    }
    Notice notice = n.get();
    getStyleClass().add(notice.weight().name().toLowerCase(java.util.Locale.ROOT));
    var sign =
        new Label(
            switch (notice.weight()) {
              case INFORMATION -> "✓";
              case QUESTION -> "?";
              case PROBLEM -> "!";
            });
    sign.getStyleClass().add("notice-sign");
    var text = new Label(notice.message());
    text.setWrapText(true);
    text.setId("notice-text");
    text.setMinHeight(USE_PREF_SIZE);
    text.setMaxWidth(Double.MAX_VALUE);
    var acts = new FlowPane(8, 6);
    var field = new PasswordField();
    if (notice.asksPassword()) {
      field.setPromptText(WORDS.say("notice-bar.password"));
      field.setAccessibleText(WORDS.say("notice-bar.password"));
      field.setId("notice-password");
      field.setOnAction(e -> notice.answers().getFirst().withText().accept(field.getText()));
      acts.getChildren().add(field);
    }
    for (Notice.Answer a : notice.answers()) {
      var b = new Button(a.label());
      if (acts.getChildren().isEmpty() || notice.asksPassword() && acts.getChildren().size() == 1) {
        b.getStyleClass().add("primary");
      }
      b.setOnAction(e -> a.withText().accept(field.getText()));
      acts.getChildren().add(b);
    }
    var column = new VBox(8, text);
    HBox.setHgrow(column, Priority.ALWAYS);
    getChildren().addAll(sign, column);
    if (notice.answers().isEmpty()) {
      var close = new Button(WORDS.say("notice-bar.close"));
      close.getStyleClass().add("quiet-button");
      close.setMinWidth(USE_PREF_SIZE);
      close.setOnAction(e -> desk.dismiss());
      getChildren().add(close);
    } else {
      column.getChildren().add(acts);
      // A question is answered with the keyboard at once.
      Platform.runLater(
          () -> (notice.asksPassword() ? field : acts.getChildren().getFirst()).requestFocus());
    }
  }
}
