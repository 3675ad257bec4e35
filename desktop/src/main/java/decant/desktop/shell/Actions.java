package decant.desktop.shell;

import decant.words.Words;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import org.jspecify.annotations.Nullable;

/**
 * The one registry of actions: buttons, shortcuts, the command field and tests all use these. Names
 * stand in this package's bundle: {@code action.ID}, and {@code action.ID.also} for what else
 * people call it.
 */
public final class Actions {
  private static final Words WORDS = Words.of(Actions.class);

  /** By their ids, in the order they were registered. */
  private final Map<String, Action> all = new LinkedHashMap<>();

  /** Registers an action. Shortcuts are in JavaFX's notation, apart by commas; empty for none. */
  public Action add(String id, String shortcuts, BooleanSupplier applies, Runnable run) {
    return add(id, shortcuts, Action.Scope.WINDOW, applies, run);
  }

  /** Registers an action on the pages: a field that is written in keeps its keys for itself. */
  public Action addOnPage(String id, String shortcuts, BooleanSupplier applies, Runnable run) {
    return add(id, shortcuts, Action.Scope.PAGE, applies, run);
  }

  private Action add(
      String id, String shortcuts, Action.Scope scope, BooleanSupplier applies, Runnable run) {
    if (find(id).isPresent()) {
      throw new IllegalArgumentException("there is an action " + id + " already");
    }
    var a =
        new Action(
            id,
            WORDS.say("action." + id),
            WORDS.has("action." + id + ".also") ? WORDS.say("action." + id + ".also") : "",
            Action.shortcuts(shortcuts),
            scope,
            applies,
            run);
    all.put(id, a);
    return a;
  }

  public List<Action> all() {
    return List.copyOf(all.values());
  }

  public Optional<Action> find(String id) {
    return Optional.ofNullable(all.get(id));
  }

  /** The action with an id. @throws IllegalArgumentException if there is none */
  public Action require(String id) {
    return find(id).orElseThrow(() -> new IllegalArgumentException("no action " + id));
  }

  /** What answers to some words: what can be done now first, and of that what fits best. */
  List<Action> matching(String words) {
    return all.values().stream()
        .filter(a -> a.distance(words) < 3)
        .sorted(
            Comparator.comparing((Action a) -> !a.applies().getAsBoolean())
                .thenComparing(a -> a.distance(words)))
        .toList();
  }

  /**
   * Performs the action whose shortcut a key event is, if there is one that applies.
   *
   * @param focus what has the keyboard
   */
  boolean handle(KeyEvent e, @Nullable Node focus) {
    boolean writing =
        focus instanceof TextInputControl || focus instanceof ComboBoxBase<?> c && c.isEditable();
    for (Action a : all.values()) {
      boolean meant =
          a.shortcuts().stream().anyMatch(s -> s.match(e))
              && !(writing && a.scope() == Action.Scope.PAGE);
      if (meant && a.applies().getAsBoolean()) {
        a.run().run();
        return true;
      }
    }
    return false;
  }
}
