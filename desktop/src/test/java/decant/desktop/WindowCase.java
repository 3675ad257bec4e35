package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.page.PagesView;
import decant.desktop.shell.Notice;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.Selection;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.stage.Popup;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** A test in the real window, with a folder of its own. */
abstract class WindowCase {
  static final Path DEMO = Path.of("..", "demo").toAbsolutePath().normalize();

  @TempDir Path folder;
  Window window;

  @BeforeEach
  void open() {
    window = Window.open(folder.resolve("state"));
  }

  @AfterEach
  void close() {
    window.close();
  }

  Path copy(String name) {
    try {
      return Files.copy(DEMO.resolve(name), folder.resolve(name));
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  Work revise(String name) {
    Work work = window.takeIn(copy(name));
    window.go(StageName.REVISE);
    settled();
    return work;
  }

  /** Waits until all pages in sight are painted. */
  void settled() {
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
  }

  /** Gives a field something, as by Enter. */
  void give(String field, String text) {
    Window.run(() -> {
      TextField f = window.find(field, TextField.class);
      f.setText(text);
      f.getOnAction().handle(null);
    });
    window.settle();
  }

  Document document(Work w) {
    return Window.on(() -> w.revision().document());
  }

  String notice() {
    return Window.on(() -> window.desk.noticeProperty().get().map(Notice::message).orElse(""));
  }

  void caret(Work w, NodeId paragraph, int offset) {
    Window.run(() -> w.select(Selection.at(new Position(paragraph, offset))));
    Window.run(() -> window.stage.getScene().lookup("#pages").requestFocus());
  }

  @SuppressWarnings("unchecked")
  ComboBox<String> combo(String selector) {
    return (ComboBox<String>) window.stage.getScene().lookup(selector);
  }

  @SuppressWarnings("unchecked")
  ListView<Object> list(String selector) {
    return (ListView<Object>) window.stage.getScene().lookup(selector);
  }

  void fire(String button) {
    Window.run(() -> window.find(button, ButtonBase.class).fire());
    window.settle();
  }

  /** Chooses something from the menu beside the recipe. */
  void recipeAct(String id) {
    Window.run(() ->
        window.find("#recipe-acts", MenuButton.class).getItems().stream()
            .filter(i -> id.equals(i.getId()))
            .findFirst()
            .orElseThrow(() -> new AssertionError("no " + id))
            .fire());
    window.settle();
  }

  @SuppressWarnings("unchecked")
  <T> void choose(String box, T value) {
    Window.run(() -> window.find(box, ComboBox.class).setValue(value));
    window.settle();
  }

  Work.Draft draft(Work work) {
    return Window.on(() -> work.draftProperty().get());
  }

  /** Publishes what is in work into a folder of its own, verified. @return the file */
  Path published(Work work, String stem) throws IOException {
    Path out = Files.createDirectories(folder.resolve("published as " + stem));
    window.go(StageName.PUBLISH);
    Window.run(() -> work.draftProperty().set(work.draftProperty().get().to(out, stem)));
    window.settle();
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified()))
        .as(() -> work.receiptProperty().get().toString())
        .isTrue();
    return out.resolve(stem + ".pdf");
  }

  /** What a small window over the pages holds. */
  static <T extends Node> Optional<T> inPopup(String id, Class<T> type) {
    return javafx.stage.Window.getWindows().stream()
        .filter(w -> w instanceof Popup && w.isShowing())
        .map(w -> w.getScene().lookup(id))
        .filter(type::isInstance)
        .map(type::cast)
        .findFirst();
  }
}
