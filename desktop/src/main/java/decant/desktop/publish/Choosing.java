package decant.desktop.publish;

import java.util.function.Consumer;
import java.util.function.Function;
import javafx.collections.FXCollections;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;

/** Controls that choices are made with. They tell of what a person does, not of what is shown. */
final class Choosing {
  private Choosing() {}

  /** One of several values, by their labels. */
  static <T> ComboBox<T> oneOf(
      String id, T[] values, Function<T, String> label, Consumer<T> chosen) {
    ComboBox<T> box = new ComboBox<>(FXCollections.observableArrayList(values));
    box.setId(id);
    box.setMaxWidth(Double.MAX_VALUE);
    box.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(T v) {
            return v == null ? "" : label.apply(v);
          }

          @Override
          public T fromString(String s) {
            throw new UnsupportedOperationException("it is chosen, not written");
          }
        });
    box.valueProperty()
        .addListener((o, was, now) -> {
          if (now != null) {
            chosen.accept(now);
          }
        });
    return box;
  }

  static CheckBox yesNo(String id, String words, Consumer<Boolean> chosen) {
    var box = new CheckBox(words);
    box.setId(id);
    box.setWrapText(true);
    box.selectedProperty().addListener((o, was, now) -> chosen.accept(now));
    return box;
  }

  static TextField text(String id, String prompt, Consumer<String> written) {
    var field = new TextField();
    field.setId(id);
    field.setPromptText(prompt);
    field.textProperty().addListener((o, was, now) -> written.accept(now));
    return field;
  }

  /** Shows a text that is not being written in just now. */
  static void show(TextField field, String text) {
    if (!field.getText().equals(text)) {
      field.setText(text);
    }
  }

  static Label quiet(String text) {
    var l = new Label(text);
    l.getStyleClass().add("quiet");
    l.setWrapText(true);
    return l;
  }

  /** A control with what it is for before it. */
  static Node line(String words, Region control) {
    var l = new Label(words);
    l.setMinWidth(104);
    l.setPrefWidth(104);
    l.setWrapText(true);
    l.setLabelFor(control);
    HBox.setHgrow(control, Priority.ALWAYS);
    control.setMaxWidth(Double.MAX_VALUE);
    var box = new HBox(6, l, control);
    box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return box;
  }

  /** Scrolls so that something is in sight. */
  static void reveal(ScrollPane scroll, Node n) {
    scroll.layout();
    double all = scroll.getContent().getBoundsInLocal().getHeight();
    double seen = scroll.getViewportBounds().getHeight();
    double y = scroll.getContent().sceneToLocal(n.localToScene(n.getBoundsInLocal())).getMinY();
    scroll.setVvalue(all <= seen ? 0 : Math.clamp(y / (all - seen), 0, 1));
  }
}
