package decant.clip;

import decant.model.look.ListDefinition;
import java.util.ArrayList;
import org.jsoup.nodes.Element;

/** Lists of a page. */
final class HtmlLists {
  private HtmlLists() {}

  /**
   * A list as an element has it.
   *
   * @param start the number of its first item, in digits
   */
  static ListDefinition of(String id, Element e, String start) {
    if (!e.normalName().equals("ol")) {
      return ListDefinition.marked(id, "•");
    }
    String mark =
        switch (e.attr("type")) {
          case "a" -> "a.";
          case "A" -> "A.";
          case "i" -> "i.";
          case "I" -> "I.";
          default -> "1.";
        };
    return numbered(ListDefinition.marked(id, mark), e, Integer.parseInt(start));
  }

  /** Inner levels counted as the inner lists are. */
  private static ListDefinition numbered(ListDefinition d, Element e, int start) {
    var levels = new ArrayList<>(d.levels());
    levels.set(0, d.level(0).from(start));
    Element inner = e.selectFirst("ol > li ol, ol > li ul");
    if (inner != null && inner.normalName().equals("ul")) {
      ListDefinition bullets = ListDefinition.marked(d.id(), "•");
      for (int k = 1; k < levels.size(); k++) {
        levels.set(k, bullets.level(k));
      }
    }
    return new ListDefinition(d.id(), levels);
  }
}
