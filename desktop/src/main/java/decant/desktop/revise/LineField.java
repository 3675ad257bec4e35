package decant.desktop.revise;

import decant.desktop.page.PagesView;
import decant.model.Box;
import decant.pdf.amend.PageLine;
import decant.words.Words;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.stage.Popup;

/** The words of one line of a page, below it, to be changed. */
final class LineField {
  private static final Words WORDS = Words.of(LineField.class);
  private static final double LEAST = 320;
  private static final double MOST = 640;

  private final PagesView view;
  private final Popup popup = new Popup();
  private final TextField text = new TextField();

  /** Text and not a label, so that the field is as high as all of its lines. */
  private final Text why = new Text();

  private final Button change = new Button(WORDS.say("line-field.change"));
  private final Button away = new Button(WORDS.say("line-field.away"));
  private Consumer<String> chosen = t -> {};
  private Runnable closed = () -> {};

  LineField(PagesView view) {
    this.view = view;
    text.setId("line-text");
    text.setAccessibleText(WORDS.say("line-field.text"));
    text.setOnAction(e -> choose(text.getText()));
    change.setId("line-change");
    change.getStyleClass().add("quiet-button");
    change.setOnAction(e -> choose(text.getText()));
    away.setId("line-away");
    away.getStyleClass().add("quiet-button");
    away.setOnAction(e -> choose(""));
    var leave = new Button(WORDS.say("line-field.leave"));
    leave.getStyleClass().add("quiet-button");
    leave.setId("line-leave");
    leave.setOnAction(e -> close());
    why.setId("line-why");
    why.getStyleClass().add("line-why");
    var box = new VBox(7, text, why, new HBox(8, change, away, leave));
    box.getStyleClass().add("line-field");
    box.getStylesheets()
        .add(LineField.class.getResource("/decant/desktop/decant.css").toExternalForm());
    popup.getContent().add(box);
    popup.setAutoHide(true);
    popup.setHideOnEscape(true);
    popup.setOnHidden(e -> closed.run());
  }

  /**
   * Opens below a line.
   *
   * @param page of the view, from 0
   * @param whenChosen takes what the line is to say; nothing to take it away
   */
  void open(int page, PageLine line, Consumer<String> whenChosen, Runnable whenClosed) {
    chosen = whenChosen;
    closed = () -> {};
    popup.hide();
    closed = whenClosed;
    text.setText(line.text());
    busy(false);
    why.setText(WORDS.say("line-field.hint"));
    Box b = line.box();
    double width = Math.clamp(b.width() * view.scale() + 40, LEAST, MOST);
    text.setPrefWidth(width);
    why.setWrappingWidth(width);
    view.viewPoint(page, b.x(), b.bottom())
        .map(p -> view.localToScreen(p))
        .ifPresent(p -> {
          popup.show(view, p.getX() - 10, p.getY() + 6);
          text.requestFocus();
          text.selectAll();
        });
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
    popup.hide();
    view.requestFocus();
  }
}
