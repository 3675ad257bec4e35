package decant.pin;

import decant.model.Box;
import decant.model.NodeId;
import decant.model.SetBlock;
import decant.reading.TakenIn;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** Where blocks stand on the pages of their source that are pinned. */
final class PlacesOnPages {
  /** Of a line of usual size, points above and below its baseline. */
  static final double LINE = 10;

  static final double BELOW = 3;

  private final Map<Integer, Map<NodeId, Box>> places = new HashMap<>();

  PlacesOnPages(TakenIn.Origin origin, Set<Integer> pages) {
    origin
        .places()
        .forEach((id, at) -> {
          if (pages.contains(at.page())) {
            put(at.page(), id, at.box());
          }
        });
  }

  private void put(int page, NodeId id, Box box) {
    places.computeIfAbsent(page, k -> new HashMap<>()).put(id, box);
  }

  /**
   * A piece of a block that goes on on a page: it stands where that one's lines of the page do.
   *
   * @param edge where the text of the page begins
   */
  void piece(NodeId piece, SetBlock whole, int page, double edge) {
    whole.lines().stream()
        .filter(l -> l.page() == page && l.xs().length > 0)
        .map(l -> {
          double left = edge + l.left() + l.xs()[0];
          double right = edge + l.left() + l.ends()[l.ends().length - 1];
          double x = Math.min(left, right);
          return new Box(x, l.baseline() - LINE, Math.abs(right - left), LINE + BELOW);
        })
        .reduce(Box::union)
        .ifPresent(box -> put(page, piece, box));
  }

  Map<NodeId, Box> on(int page) {
    return places.getOrDefault(page, Map.of());
  }
}
