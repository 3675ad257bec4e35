package decant.office.odf.write;

import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.pending.Pending;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The changes that stand around what is being written. One that goes on over the end of a paragraph
 * has made the paragraph too.
 */
final class OpenChanges {
  private final Regions regions;
  private final Map<Kept, String> open = new LinkedHashMap<>();

  OpenChanges(Regions regions) {
    this.regions = regions;
  }

  private static List<Kept> of(Look look) {
    return look.value(TextTraits.KEPT).stream()
        .filter(k -> Regions.holds(k) && !Pending.isTakenAway(k))
        .toList();
  }

  /** Before something of a look: others end, its own begin. */
  void at(Xml x, Look look) {
    List<Kept> now = look.value(TextTraits.KEPT).isEmpty() ? List.of() : of(look);
    if (now.isEmpty() && open.isEmpty()) {
      return;
    }
    end(x, now);
    for (Kept k : now) {
      if (!open.containsKey(k)) {
        regions
            .tell(k)
            .ifPresent(name -> {
              x.empty("text:change-start", "text:change-id", name);
              open.put(k, name);
            });
      }
    }
  }

  /** Before text ends that no change goes on from. */
  void end(Xml x) {
    end(x, List.of());
  }

  private void end(Xml x, List<Kept> goOn) {
    for (Map.Entry<Kept, String> e : new ArrayList<>(open.entrySet())) {
      if (!goOn.contains(e.getKey())) {
        x.empty("text:change-end", "text:change-id", e.getValue());
        open.remove(e.getKey());
      }
    }
  }
}
