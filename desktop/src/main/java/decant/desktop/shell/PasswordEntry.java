package decant.desktop.shell;

import decant.words.Words;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * A password to be: typed twice, or once where it can be seen, so that a slip of the fingers locks
 * nobody out.
 */
public final class PasswordEntry {
  private static final Words WORDS = Words.of(PasswordEntry.class);

  private final PasswordField hidden = new PasswordField();
  private final PasswordField again = new PasswordField();
  private final TextField seen = new TextField();
  private final ToggleButton show = new ToggleButton(WORDS.say("password-entry.show"));
  private final Label differs = new Label();
  private final VBox root = new VBox(4);
  private final Consumer<String> given;
  private boolean filling;

  /**
   * @param given told of the password once it is sure, and that there is none until then
   */
  public PasswordEntry(String id, String prompt, Consumer<String> given) {
    this.given = given;
    hidden.setId(id);
    again.setId(id + "-again");
    seen.setId(id + "-seen");
    show.setId(id + "-show");
    hidden.setPromptText(prompt);
    seen.setPromptText(prompt);
    hidden.setAccessibleText(prompt);
    seen.setAccessibleText(prompt);
    again.setPromptText(WORDS.say("password-entry.again"));
    again.setAccessibleText(WORDS.say("password-entry.again"));
    differs.getStyleClass().add("problem-text");
    differs.setId(id + "-differs");
    seen.setVisible(false);
    seen.textProperty().bindBidirectional(hidden.textProperty());
    hidden.textProperty().addListener(o -> changed());
    again.textProperty().addListener(o -> changed());
    show.setOnAction(e -> showing());
    var field = new StackPane(hidden, seen);
    HBox.setHgrow(field, Priority.ALWAYS);
    show.setMinWidth(HBox.USE_PREF_SIZE);
    var line = new HBox(5, field, show);
    line.setAlignment(Pos.CENTER_LEFT);
    root.getChildren().addAll(line, again, differs);
  }

  public VBox node() {
    return root;
  }

  private void showing() {
    boolean on = show.isSelected();
    seen.setVisible(on);
    hidden.setVisible(!on);
    again.setDisable(on);
    changed();
  }

  private void changed() {
    if (filling) {
      return;
    }
    boolean sure = show.isSelected() || hidden.getText().equals(again.getText());
    differs.setText(sure || again.getText().isEmpty() ? "" : WORDS.say("password-entry.differs"));
    given.accept(sure ? hidden.getText() : "");
  }

  /** Whether something is typed that is not sure yet. */
  public boolean isUnsure() {
    return !show.isSelected() && !hidden.getText().equals(again.getText());
  }

  public void setDisable(boolean off) {
    root.setDisable(off);
  }

  /** Shows that a password was given elsewhere, or that there is none any more. */
  public void show(String known) {
    boolean other = !known.isEmpty() && !hidden.getText().equals(known);
    if (other) {
      filling = true;
      hidden.setText(known);
      again.setText(known);
      filling = false;
    }
  }

  /** Puts the keyboard where the password is still to be typed. */
  public void requestFocus() {
    if (show.isSelected()) {
      seen.requestFocus();
    } else if (hidden.getText().isEmpty()) {
      hidden.requestFocus();
    } else {
      again.requestFocus();
    }
  }
}
