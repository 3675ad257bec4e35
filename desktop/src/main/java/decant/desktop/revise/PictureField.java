package decant.desktop.revise;

import decant.desktop.page.PagesView;
import decant.model.Box;
import decant.words.Words;
import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.stage.FileChooser;
import javafx.stage.Popup;

/** What can be done with a picture of a page, below it. */
final class PictureField {
  private static final Words WORDS = Words.of(PictureField.class);
  private static final double WIDTH = 340;

  private final PagesView view;
  private final Popup popup = new Popup();
  private final Text why = new Text(WORDS.say("picture-field.hint"));
  private Runnable away = () -> {};
  private Consumer<Path> other = f -> {};
  private Runnable closed = () -> {};

  PictureField(PagesView view) {
    this.view = view;
    why.getStyleClass().add("line-why");
    why.setWrappingWidth(WIDTH);
    var box =
        new VBox(
            7,
            why,
            new HBox(
                8,
                act("picture-away", WORDS.say("picture-field.away"), () -> away.run()),
                act("picture-other", WORDS.say("picture-field.replace"), this::choose),
                act("picture-leave", WORDS.say("line-field.leave"), () -> {})));
    box.getStyleClass().add("line-field");
    box.getStylesheets()
        .add(PictureField.class.getResource("/decant/desktop/decant.css").toExternalForm());
    popup.getContent().add(box);
    popup.setAutoHide(true);
    popup.setHideOnEscape(true);
    popup.setOnHidden(e -> closed.run());
  }

  private Button act(String id, String name, Runnable run) {
    var b = new Button(name);
    b.setId(id);
    b.getStyleClass().add("quiet-button");
    b.setOnAction(e -> {
      popup.hide();
      view.requestFocus();
      run.run();
    });
    return b;
  }

  private void choose() {
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("picture-field.replace"));
    Optional.ofNullable(chooser.showOpenDialog(view.getScene().getWindow()))
        .map(File::toPath)
        .ifPresent(other);
  }

  /**
   * Opens below a picture.
   *
   * @param page of the view, from 0
   * @param takenAway told that it is to go
   * @param replaced takes the file of another picture
   */
  void open(int page, Box b, Runnable takenAway, Consumer<Path> replaced, Runnable whenClosed) {
    closed = () -> {};
    popup.hide();
    away = takenAway;
    other = replaced;
    closed = whenClosed;
    view.viewPoint(page, b.x(), b.bottom())
        .map(p -> view.localToScreen(p))
        .ifPresent(p -> popup.show(view, p.getX() - 10, p.getY() + 6));
  }
}
