package decant.desktop.pinned;

import decant.blanks.Blank;
import decant.desktop.page.PagesView;
import decant.desktop.shell.QuietButton;
import decant.model.Box;
import decant.model.look.FormField;
import decant.words.Words;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;

/** What is filled into a field of a page that stays, below it. */
final class BlankField {
  private static final Words WORDS = Words.of(BlankField.class);
  private static final double LEAST = 260;
  private static final double MOST = 560;

  private final PagesView view;
  private final VBox holder = new VBox();

  /** Text and not a label, so that the field is as high as all of its lines. */
  private final Text why = new Text();

  private final PagePopup popup;
  private Supplier<String> value = () -> "";
  private Consumer<String> chosen = v -> {};
  private IntConsumer go = by -> {};
  private Optional<Blank> blank = Optional.empty();

  BlankField(PagesView view) {
    this.view = view;
    why.setId("blank-why");
    why.getStyleClass().add("line-why");
    Button fill = QuietButton.of("blank-fill", WORDS.say("blank-field.fill"), () -> choose(0));
    Button leave = QuietButton.of("blank-leave", WORDS.say("blank-field.leave"), this::close);
    this.popup = new PagePopup(view, holder, why, new HBox(8, fill, leave));
    popup.keys(this::key);
  }

  private void key(KeyEvent e) {
    boolean lines = blank.filter(b -> b.kind() == FormField.Kind.LINES).isPresent();
    if (e.getCode() == KeyCode.TAB) {
      e.consume();
      choose(e.isShiftDown() ? -1 : 1);
    } else if (e.getCode() == KeyCode.ENTER && (!lines || e.isShortcutDown())) {
      e.consume();
      choose(0);
    }
  }

  /**
   * Opens below a field.
   *
   * @param page of the view, from 0
   * @param whenChosen takes what is filled in, if that changed
   * @param whenGone takes which field is next: 1, or -1 for the one before
   */
  void open(
      int page,
      Box place,
      Blank b,
      Consumer<String> whenChosen,
      IntConsumer whenGone,
      Runnable whenClosed) {
    blank = Optional.of(b);
    chosen = whenChosen;
    go = whenGone;
    Control control = control(b);
    control.setId("blank-value");
    control.setAccessibleText(b.name());
    double width = Math.clamp(place.width() * view.scale() + 40, LEAST, MOST);
    control.setPrefWidth(width);
    why.setWrappingWidth(width);
    why.setText(WORDS.say("blank-field.hint", b.name()));
    holder.getChildren().setAll(control);
    popup.open(page, place, whenClosed);
    Platform.runLater(control::requestFocus);
  }

  private Control control(Blank b) {
    return switch (b.kind()) {
      case LINES -> {
        var area = new TextArea(b.value());
        area.setPrefRowCount(3);
        value = area::getText;
        yield area;
      }
      case CHOICE, CHOICE_OR_TEXT -> {
        var box = new ComboBox<String>();
        box.getItems().setAll(b.options());
        box.setEditable(b.kind() == FormField.Kind.CHOICE_OR_TEXT);
        box.setValue(b.value());
        value =
            () ->
                box.isEditable()
                    ? box.getEditor().getText()
                    : Optional.ofNullable(box.getValue()).orElse("");
        yield box;
      }
      case TEXT, TICK, ONE_OF -> {
        var field = new TextField(b.value());
        value = field::getText;
        field.selectAll();
        yield field;
      }
    };
  }

  private void choose(int by) {
    Blank b = blank.orElseThrow();
    String now = value.get();
    Optional<String> problem = b.problem(now);
    if (problem.isPresent()) {
      why.setText(problem.get());
      return;
    }
    if (!now.equals(b.value())) {
      chosen.accept(now);
    }
    if (by == 0) {
      close();
    } else {
      go.accept(by);
    }
  }

  void close() {
    popup.close();
  }
}
