package decant.desktop.pinned;

import decant.desktop.page.PagesView;
import decant.desktop.shell.QuietButton;
import decant.model.Box;
import decant.words.Words;
import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.event.EventHandler;
import javafx.scene.control.Button;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.text.Text;
import javafx.stage.FileChooser;

/** What can be done with a picture of a page, below it. */
final class PictureField {
  private static final Words WORDS = Words.of(PictureField.class);
  private static final double WIDTH = 340;

  private final PagesView view;
  private final PagePopup popup;
  private Runnable away = () -> {};
  private Consumer<Path> other = f -> {};

  PictureField(PagesView view) {
    this.view = view;
    var why = new Text(WORDS.say("picture-field.hint"));
    why.getStyleClass().add("line-why");
    why.setWrappingWidth(WIDTH);
    this.popup =
        new PagePopup(
            view,
            why,
            new HBox(
                8,
                closing("picture-leave", WORDS.say("line-field.leave"), () -> {}),
                closing("picture-away", WORDS.say("picture-field.away"), () -> away.run()),
                closing("picture-other", WORDS.say("picture-field.replace"), this::choose)));
  }

  /** What keys do before they are the buttons'. */
  void keys(EventHandler<KeyEvent> handler) {
    popup.keys(handler);
  }

  private Button closing(String id, String name, Runnable run) {
    return QuietButton.of(
        id,
        name,
        () -> {
          close();
          run.run();
        });
  }

  void close() {
    popup.close();
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
  void open(int page, Box place, Runnable takenAway, Consumer<Path> replaced, Runnable whenClosed) {
    away = takenAway;
    other = replaced;
    popup.open(page, place, whenClosed);
  }
}
