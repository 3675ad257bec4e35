package decant.desktop.shell;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** Shows a notice and its answers. */
final class NoticeBar extends HBox {
  private final Desk desk;

  NoticeBar(Desk desk) {
    super(10);
    this.desk = desk;
    setId("notice");
    getStyleClass().add("notice");
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
    HBox.setHgrow(text, Priority.ALWAYS);
    text.setMaxWidth(Double.MAX_VALUE);
    getChildren().addAll(sign, text);
    var field = new PasswordField();
    if (notice.asksPassword()) {
      field.setPromptText("Password");
      field.setId("notice-password");
      field.setOnAction(e -> notice.answers().getFirst().withText().accept(field.getText()));
      getChildren().add(field);
      javafx.application.Platform.runLater(field::requestFocus);
    }
    boolean first = true;
    for (Notice.Answer a : notice.answers()) {
      var b = new Button(a.label());
      b.setMinWidth(USE_PREF_SIZE);
      if (first) {
        b.getStyleClass().add("primary");
      }
      first = false;
      b.setOnAction(e -> a.withText().accept(field.getText()));
      getChildren().add(b);
    }
    if (notice.answers().isEmpty()) {
      var close = new Button("Dismiss");
      close.getStyleClass().add("plain");
      close.setMinWidth(USE_PREF_SIZE);
      close.setOnAction(e -> desk.dismiss());
      getChildren().add(close);
    }
  }
}
