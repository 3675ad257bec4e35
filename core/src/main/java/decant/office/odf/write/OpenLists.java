package decant.office.odf.write;

import decant.model.Document;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** Items as lists in lists (ODF 1.3 part 3, §5.3). */
final class OpenLists {
  private static final int UNSET = Integer.MIN_VALUE;
  private static final int LEVELS = 9;

  /** The lists of a text that count on from one another, as readers of the format count them. */
  static final class Chains {
    private final Map<String, Chain> ofSeries = new HashMap<>();
  }

  private static final class Chain {
    String last = "";
    final int[] numbers = new int[LEVELS];

    Chain() {
      Arrays.fill(numbers, UNSET);
    }
  }

  private final Document document;
  private final Xml x;
  private final OdtWriter.Part part;
  private final OdtWriter file;
  private final Chains chains;
  private String list = "";
  private Chain chain = new Chain();
  private int depth = -1;
  private boolean reopened;

  OpenLists(Document document, Xml x, OdtWriter.Part part, OdtWriter file, Chains chains) {
    this.document = document;
    this.x = x;
    this.part = part;
    this.file = file;
    this.chains = chains;
  }

  /**
   * An item begins; what is open of other lists ends.
   *
   * @param number of the item on its level
   */
  void item(ListMembership m, int number) {
    ListDefinition l = document.lists().get(m.list());
    if (l == null) {
      close();
      return;
    }
    int wanted = Math.clamp(m.depth(), 0, Math.min(LEVELS, l.levels().size()) - 1);
    if (!m.list().equals(list)) {
      close();
      list = m.list();
    }
    if (wanted <= depth) {
      while (depth > wanted) {
        up();
      }
      x.close("text:list-item");
    } else {
      while (depth < wanted) {
        down(l);
        if (depth < wanted) {
          x.open("text:list-item");
        }
      }
    }
    x.open("text:list-item", "text:start-value", begins(l.level(wanted), wanted, number));
  }

  /** The number to be said, where readers would come to another one by themselves. */
  private String begins(ListDefinition.Level level, int at, int number) {
    int[] n = chain.numbers;
    n[at] = n[at] == UNSET ? Math.max(1, level.start()) : n[at] + 1;
    Arrays.fill(n, at + 1, LEVELS, UNSET);
    boolean said = level.ordered() && (n[at] != number || reopened && at > 0);
    reopened = false;
    n[at] = number;
    return said && number >= 0 ? Integer.toString(number) : "";
  }

  private void down(ListDefinition l) {
    depth++;
    if (depth > 0) {
      x.open("text:list");
      return;
    }
    String style = ListStylesWriter.name(l);
    if (!part.styles().hasList(style)) {
      part.styles().list(style, part.listStyles().element(l));
    }
    chain = chains.ofSeries.computeIfAbsent(l.series(), k -> new Chain());
    reopened = !chain.last.isEmpty();
    String name = file.listName();
    x.open("text:list", "xml:id", name, "text:style-name", style, "text:continue-list", chain.last);
    chain.last = name;
  }

  private void up() {
    x.close("text:list-item").close("text:list");
    depth--;
  }

  /** Ends what is open. */
  void close() {
    while (depth >= 0) {
      up();
    }
    list = "";
  }
}
