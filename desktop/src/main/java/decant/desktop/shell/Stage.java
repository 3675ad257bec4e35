package decant.desktop.shell;

import javafx.scene.Node;

/** What the frame shows in its middle: a stage of the document in work, or the tray. */
public interface Stage {
  Node node();

  /** What has the keyboard when it comes into sight. */
  Node keyboard();

  /** Called whenever it comes into sight. */
  default void shown() {}

  /** Called when another stage takes its place: it does no work until it is shown again. */
  default void hidden() {}

  /** What is held is let go when another document is taken in. */
  default void close() {}
}
