package decant.desktop.shell;

import javafx.scene.control.Button;

/** A button that stands back. */
public final class QuietButton {
  private QuietButton() {}

  /**
   * @param id by which it is found
   */
  public static Button of(String id, String label, Runnable act) {
    var b = new Button(label);
    b.setId(id);
    b.getStyleClass().add("quiet-button");
    b.setOnAction(e -> act.run());
    return b;
  }
}
