package decant.desktop.shell;

import java.util.List;
import java.util.Locale;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import javafx.scene.input.KeyCombination;

/**
 * Something a person can do.
 *
 * @param id for tests
 * @param name as buttons and the command field show it
 * @param also what else people call it, by which the command field finds it too
 * @param shortcuts the first is the one that is shown
 * @param applies whether it can be done now
 */
public record Action(
    String id,
    String name,
    String also,
    List<KeyCombination> shortcuts,
    Scope scope,
    BooleanSupplier applies,
    Runnable run) {
  /** Where its shortcut works. */
  public enum Scope {
    /** Everywhere. */
    WINDOW,
    /** On the pages; a field that is written in keeps the keys for its own text. */
    PAGE
  }

  public Action {
    shortcuts = List.copyOf(shortcuts);
  }

  /** The notation of JavaFX, several apart by commas; empty for none. */
  static List<KeyCombination> shortcuts(String notation) {
    return Stream.of(notation.split(", ?"))
        .filter(s -> !s.isBlank())
        .map(KeyCombination::valueOf)
        .toList();
  }

  /** Its first shortcut as it is shown; empty if it has none. */
  public String keys() {
    return shortcuts.isEmpty() ? "" : shortcuts.getFirst().getDisplayText();
  }

  /** Does it, if it applies. */
  public void perform() {
    if (applies.getAsBoolean()) {
      run.run();
    }
  }

  /** How well it answers to words: 0 best, 3 not at all. Every word must be found. */
  int distance(String words) {
    String wanted = words.strip().toLowerCase(Locale.ROOT);
    String own = name.toLowerCase(Locale.ROOT);
    if (wanted.isEmpty() || own.startsWith(wanted)) {
      return 0;
    }
    if (own.contains(wanted)) {
      return 1;
    }
    String all = own + " " + also.toLowerCase(Locale.ROOT);
    return Stream.of(wanted.split("\\s+")).allMatch(all::contains) ? 2 : 3;
  }
}
