package decant.desktop.shell;

import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCombination;

/**
 * Something a person can do.
 *
 * @param id for tests
 * @param name as buttons and the command field show it
 * @param applies whether it can be done now
 */
public record Action(
    String id,
    String name,
    Optional<KeyCombination> shortcut,
    BooleanSupplier applies,
    Runnable run) {
  static Action of(String id, String name, String shortcut, BooleanSupplier applies, Runnable run) {
    return new Action(
        id,
        name,
        shortcut.isEmpty() ? Optional.empty() : Optional.of(KeyCombination.valueOf(shortcut)),
        applies,
        run);
  }

  /** Does it, if it applies. */
  public void perform() {
    if (applies.getAsBoolean()) {
      run.run();
    }
  }
}
