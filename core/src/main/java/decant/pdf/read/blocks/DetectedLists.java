package decant.pdf.read.blocks;

import decant.model.look.ListDefinition;
import decant.model.look.Markers;
import decant.pdf.read.detected.Detected;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The list definitions that found items belong to: one for bullets, one for each run of numbers.
 */
public final class DetectedLists {
  private static final String BULLETS = "bullets";

  private final Map<String, ListDefinition> lists = new LinkedHashMap<>();

  public Map<String, ListDefinition> definitions() {
    return lists;
  }

  /** The id of the list that an item belongs to. */
  public String idFor(Detected.Text t) {
    String list = Markers.isBullet(t.marker()) ? BULLETS : numbered(t);
    lists.computeIfAbsent(list, id -> ListDefinition.marked(id, t.marker()));
    return list;
  }

  private String lastNumbered = "";
  private int numberedLists;

  /** Numbering that begins at one begins a list of its own. */
  private String numbered(Detected.Text t) {
    String bare = t.marker().replaceAll("[().]", "");
    boolean begins =
        t.level() <= 1 && (bare.equals("1") || bare.equalsIgnoreCase("a") || bare.equals("i"));
    if (begins || lastNumbered.isEmpty()) {
      lastNumbered = "numbers" + ++numberedLists;
    }
    return lastNumbered;
  }
}
