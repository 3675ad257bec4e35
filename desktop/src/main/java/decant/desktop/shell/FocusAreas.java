package decant.desktop.shell;

import java.util.List;
import java.util.Optional;
import java.util.WeakHashMap;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.Parent;
import org.jspecify.annotations.Nullable;

/** The areas of the window that F6 goes round, each with where the keyboard was in it last. */
final class FocusAreas {
  private final Supplier<List<Node>> areas;
  private final WeakHashMap<Node, Node> last = new WeakHashMap<>();

  /**
   * @param areas from the head of the window to its foot, as they are now
   */
  FocusAreas(Supplier<List<Node>> areas) {
    this.areas = areas;
  }

  /** Moves the keyboard to the next area that can have it, or to the one before. */
  void go(@Nullable Node focus, int by) {
    List<Node> all = areas.get();
    int now = -1;
    for (int k = 0; k < all.size(); k++) {
      if (focus != null && holds(all.get(k), focus)) {
        now = k;
        last.put(all.get(k), focus);
      }
    }
    for (int hop = 1; hop <= all.size(); hop++) {
      Node area = all.get(Math.floorMod(now + by * hop, all.size()));
      Optional<Node> to =
          Optional.ofNullable(last.get(area))
              .filter(n -> holds(area, n) && reachable(n))
              .or(() -> first(area));
      if (to.isPresent()) {
        to.get().requestFocus();
        return;
      }
    }
  }

  private static boolean holds(Node area, Node n) {
    for (Node up = n; up != null; up = up.getParent()) {
      if (up == area) {
        return true;
      }
    }
    return false;
  }

  private static boolean reachable(Node n) {
    for (Node up = n; up != null; up = up.getParent()) {
      if (!up.isVisible()) {
        return false;
      }
    }
    return n.isFocusTraversable() && !n.isDisabled() && n.getScene() != null;
  }

  /** The first thing in an area that can have the keyboard. */
  static Optional<Node> first(Node area) {
    if (!area.isVisible() || area.isDisabled()) {
      return Optional.empty();
    }
    if (area.isFocusTraversable()) {
      return Optional.of(area);
    }
    return area instanceof Parent p
        ? p.getChildrenUnmodifiable().stream().flatMap(c -> first(c).stream()).findFirst()
        : Optional.empty();
  }
}
