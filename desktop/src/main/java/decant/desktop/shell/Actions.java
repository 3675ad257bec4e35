package decant.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyEvent;

/** The one registry of actions: buttons, shortcuts, the command field and tests all use these. */
public final class Actions {
  private final List<Action> all = new ArrayList<>();

  /** Registers an action. The shortcut is in JavaFX's notation; empty for none. */
  public Action add(
      String id, String name, String shortcut, BooleanSupplier applies, Runnable run) {
    if (find(id).isPresent()) {
      throw new IllegalArgumentException("there is an action " + id + " already");
    }
    Action a = Action.of(id, name, shortcut, applies, run);
    all.add(a);
    return a;
  }

  public List<Action> all() {
    return List.copyOf(all);
  }

  public Optional<Action> find(String id) {
    return all.stream().filter(a -> a.id().equals(id)).findFirst();
  }

  /** The action with an id. @throws IllegalArgumentException if there is none */
  public Action require(String id) {
    return find(id).orElseThrow(() -> new IllegalArgumentException("no action " + id));
  }

  /** Performs the action whose shortcut a key event is, if there is one that applies. */
  boolean handle(KeyEvent e) {
    for (Action a : all) {
      if (a.shortcut().isPresent() && a.shortcut().get().match(e) && a.applies().getAsBoolean()) {
        a.run().run();
        return true;
      }
    }
    return false;
  }
}
