package decant.desktop.pinned;

import decant.desktop.page.InkChoice;
import decant.desktop.page.PagesView;
import decant.desktop.shell.QuietButton;
import decant.model.Box;
import decant.pdf.amend.TextSpot;
import decant.pin.PageTexts;
import decant.text.FontBook;
import decant.words.Words;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.text.Text;

/** What is to be put on a page, and how it looks, below where it will stand. */
final class TextPutField {
  private static final Words WORDS = Words.of(TextPutField.class);
  private static final double WIDTH = 420;
  private static final double LEAST = 3;
  private static final double MOST = 300;

  private final TextArea text = new TextArea();
  private final ComboBox<String> family = new ComboBox<>();
  private final TextField size = new TextField();
  private final ToggleButton bold = new ToggleButton(WORDS.say("text-put-field.bold"));
  private final ToggleButton italic = new ToggleButton(WORDS.say("text-put-field.italic"));
  private final InkChoice ink = new InkChoice("put-ink-", InkChoice.usual(), c -> {});

  /** Text and not a label, so that the field is as high as all of its lines. */
  private final Text why = new Text();

  private final Button put =
      QuietButton.of("text-put", WORDS.say("text-put-field.put"), this::choose);
  private final PagePopup popup;
  private Consumer<String> chosen = t -> {};

  TextPutField(PagesView view) {
    text.setId("text-put-text");
    text.setAccessibleText(WORDS.say("text-put-field.text"));
    text.setPrefRowCount(2);
    text.setPrefWidth(WIDTH);
    family.setId("text-put-family");
    family.setAccessibleText(WORDS.say("text-put-field.family"));
    family.getItems().setAll(FontBook.shipped().families());
    size.setId("text-put-size");
    size.setAccessibleText(WORDS.say("text-put-field.size"));
    size.setPrefColumnCount(4);
    bold.setId("text-put-bold");
    italic.setId("text-put-italic");
    why.getStyleClass().add("line-why");
    why.setId("text-put-why");
    why.setWrappingWidth(WIDTH);
    Button leave = QuietButton.of("text-put-leave", WORDS.say("text-put-field.leave"), this::close);
    this.popup =
        new PagePopup(
            view, text, new HBox(6, family, size, bold, italic), ink, why, new HBox(8, put, leave));
    popup.keys(this::key);
  }

  private void key(KeyEvent e) {
    if (e.getCode() == KeyCode.ENTER && e.isShortcutDown()) {
      e.consume();
      choose();
    }
  }

  /**
   * Opens below a place.
   *
   * @param page of the view, from 0
   * @param like how the text looks unless something else is chosen
   * @param whenChosen takes the text
   */
  void open(int page, Box place, TextSpot like, Consumer<String> whenChosen, Runnable whenClosed) {
    chosen = whenChosen;
    text.clear();
    family.setValue(PageTexts.served(like.family()));
    size.setText(plain(like.size()));
    bold.setSelected(like.bold());
    italic.setSelected(like.italic());
    busy(false);
    why.setText(WORDS.say("text-put-field.hint"));
    popup.open(page, place, whenClosed);
    text.requestFocus();
  }

  private static String plain(double size) {
    return size == Math.rint(size) ? String.valueOf((long) size) : String.valueOf(size);
  }

  /** A place with the looks that are chosen. */
  TextSpot spot(TextSpot at) {
    return new TextSpot(
        at.x(),
        at.baseline(),
        family.getValue(),
        bold.isSelected(),
        italic.isSelected(),
        size(at.size()),
        ink.chosen());
  }

  private double size(double usual) {
    try {
      double d = Double.parseDouble(size.getText().strip().replace(',', '.'));
      return d >= LEAST && d <= MOST ? d : usual;
    } catch (NumberFormatException e) {
      return usual;
    }
  }

  private void choose() {
    if (size(-1) < 0) {
      refuse(WORDS.say("text-put-field.no-size", size.getText(), (int) LEAST, (int) MOST));
      size.requestFocus();
      return;
    }
    busy(true);
    chosen.accept(text.getText());
  }

  private void busy(boolean now) {
    text.setDisable(now);
    put.setDisable(now);
  }

  /** Says why it was not put there; it can be written otherwise. */
  void refuse(String reason) {
    busy(false);
    why.setText(reason);
    text.requestFocus();
  }

  void close() {
    popup.close();
  }
}
