package decant.pdf.read;

import decant.model.ListDefinition;
import decant.model.Look;
import decant.model.ParagraphTraits;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The list definitions that found items belong to: one for bullets, one for each run of numbers.
 */
final class FoundLists {
  private static final String BULLETS = "bullets";

  private final Map<String, ListDefinition> lists = new LinkedHashMap<>();

  Map<String, ListDefinition> definitions() {
    return lists;
  }

  /** The id of the list that an item belongs to. */
  String idFor(Found.Text t) {
    String list = Markers.isBullet(t.marker()) ? BULLETS : numbered(t);
    lists.computeIfAbsent(list, id -> definition(id, t));
    return list;
  }

  private String lastNumbered = "";
  private int numberedLists;

  /** Numbering that begins at one begins a list of its own. */
  private String numbered(Found.Text t) {
    String bare = t.marker().replaceAll("[().]", "");
    boolean begins =
        t.level() <= 1 && (bare.equals("1") || bare.equalsIgnoreCase("a") || bare.equals("i"));
    if (begins || lastNumbered.isEmpty()) {
      lastNumbered = "numbers" + ++numberedLists;
    }
    return lastNumbered;
  }

  private static ListDefinition definition(String id, Found.Text t) {
    var levels = new ArrayList<ListDefinition.Level>();
    for (int k = 0; k < 9; k++) {
      Look indents =
          Look.of(ParagraphTraits.INDENT_START, 18.0 * (k + 1))
              .with(ParagraphTraits.FIRST_LINE, -18.0);
      String sign = "%" + (k + 1);
      if (id.equals(BULLETS)) {
        String bullet =
            k == 0 && t.marker().matches("[•▪◦–—‣●○■]") ? t.marker() : k % 2 == 0 ? "•" : "–";
        levels.add(
            new ListDefinition.Level(
                ListDefinition.NumberFormat.BULLET, bullet, 1, indents, Look.PLAIN));
      } else {
        String bare = t.marker().replaceAll("[().]", "");
        String pattern = t.marker().replace(bare, sign);
        levels.add(
            new ListDefinition.Level(format(bare, k), pattern, start(bare), indents, Look.PLAIN));
      }
    }
    return new ListDefinition(id, levels);
  }

  private static int start(String bare) {
    return bare.matches("\\d{1,3}") ? Math.max(1, Integer.parseInt(bare)) : 1;
  }

  private static ListDefinition.NumberFormat format(String bare, int depth) {
    if (depth > 0) {
      return depth % 2 == 1
          ? ListDefinition.NumberFormat.LOWER_LETTER
          : ListDefinition.NumberFormat.LOWER_ROMAN;
    }
    if (bare.matches("\\d+")) {
      return ListDefinition.NumberFormat.DECIMAL;
    }
    if (bare.matches("[ivx]+")) {
      return ListDefinition.NumberFormat.LOWER_ROMAN;
    }
    return bare.equals(bare.toUpperCase(java.util.Locale.ROOT))
        ? ListDefinition.NumberFormat.UPPER_LETTER
        : ListDefinition.NumberFormat.LOWER_LETTER;
  }
}
