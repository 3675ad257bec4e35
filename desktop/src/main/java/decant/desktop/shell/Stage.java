package decant.desktop.shell;

import javafx.scene.Node;

/** What the frame shows in its middle: a stage of the document in work, or the tray. */
public interface Stage {
  Node node();

  /** What has the keyboard when it comes into sight. */
  Node keyboard();

  /** Called whenever it comes into sight. */
  default void shown() {}

  /** What is listened to is let go when another document is taken in. */
  default void close() {}
}
