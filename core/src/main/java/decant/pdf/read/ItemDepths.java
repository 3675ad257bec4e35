package decant.pdf.read;

import java.util.ArrayList;
import java.util.List;

/** How deep list items are nested, by where their text begins. */
final class ItemDepths {
  private ItemDepths() {}

  static List<Found> of(List<Found> found) {
    var out = new ArrayList<Found>();
    var edges = new ArrayList<Double>();
    int page = -1;
    for (Found f : found) {
      if (f instanceof Found.Text t && t.kind() == Found.Kind.ITEM) {
        double x = indent(t);
        while (!edges.isEmpty() && edges.getLast() > x + 4) {
          edges.removeLast();
        }
        if (edges.isEmpty() || edges.getLast() < x - 4) {
          edges.add(x);
        }
        page = t.page();
        out.add(t.as(Found.Kind.ITEM, Math.min(9, edges.size())));
      } else {
        boolean inside =
            f instanceof Found.Text t
                && t.kind() == Found.Kind.PARAGRAPH
                && !edges.isEmpty()
                && indent(t) >= edges.getFirst() - 2;
        if (!inside) {
          edges.clear();
        }
        out.add(f);
      }
    }
    return out;
  }

  private static double indent(Found.Text t) {
    TextLine first = t.lines().getFirst();
    return Edges.of(first, t.left(), t.right()).start(first);
  }
}
