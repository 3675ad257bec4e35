package decant.desktop.pinned;

import decant.desktop.page.PagesView;
import decant.desktop.shell.QuietButton;
import decant.model.Box;
import decant.pdf.amend.PageLine;
import decant.words.Words;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.text.Text;

/** The words of one line of a page, below it, to be changed. */
final class LineField {
  private static final Words WORDS = Words.of(LineField.class);
  private static final double LEAST = 320;
  private static final double MOST = 640;

  private final PagesView view;
  private final TextField text = new TextField();

  /** Text and not a label, so that the field is as high as all of its lines. */
  private final Text why = new Text();

  private final Button change =
      QuietButton.of("line-change", WORDS.say("line-field.change"), () -> choose(line()));
  private final Button away =
      QuietButton.of("line-away", WORDS.say("line-field.away"), () -> choose(""));
  private final PagePopup popup;
  private Consumer<String> chosen = t -> {};

  LineField(PagesView view) {
    this.view = view;
    text.setId("line-text");
    text.setAccessibleText(WORDS.say("line-field.text"));
    text.setOnAction(e -> choose(line()));
    why.setId("line-why");
    why.getStyleClass().add("line-why");
    Button leave = QuietButton.of("line-leave", WORDS.say("line-field.leave"), this::close);
    this.popup = new PagePopup(view, text, why, new HBox(8, change, away, leave));
  }

  private String line() {
    return text.getText();
  }

  /**
   * Opens below a line.
   *
   * @param page of the view, from 0
   * @param whenChosen takes what the line is to say; nothing to take it away
   */
  void open(int page, PageLine line, Consumer<String> whenChosen, Runnable whenClosed) {
    chosen = whenChosen;
    text.setText(line.text());
    busy(false);
    why.setText(WORDS.say("line-field.hint"));
    Box b = line.box();
    double width = Math.clamp(b.width() * view.scale() + 40, LEAST, MOST);
    text.setPrefWidth(width);
    why.setWrappingWidth(width);
    popup.open(page, b, whenClosed);
    text.requestFocus();
    text.selectAll();
  }

  private void choose(String t) {
    busy(true);
    chosen.accept(t);
  }

  private void busy(boolean now) {
    text.setDisable(now);
    change.setDisable(now);
    away.setDisable(now);
  }

  /** Says why a change was not made; it can be written otherwise. */
  void refuse(String reason) {
    busy(false);
    why.setText(reason);
    text.requestFocus();
  }

  void close() {
    popup.close();
  }
}
