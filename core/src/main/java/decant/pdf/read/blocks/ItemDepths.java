package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Edges;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

/** How deep list items are nested, by where their text begins. */
public final class ItemDepths {
  private ItemDepths() {}

  public static List<Detected> of(List<Detected> found) {
    var out = new ArrayList<Detected>();
    var edges = new ArrayList<Double>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t && t.kind() == Detected.Kind.ITEM) {
        double x = indent(t);
        while (!edges.isEmpty() && edges.getLast() > x + 4) {
          edges.removeLast();
        }
        if (edges.isEmpty() || edges.getLast() < x - 4) {
          edges.add(x);
        }
        out.add(t.as(Detected.Kind.ITEM, Math.min(9, edges.size())));
      } else {
        boolean inside =
            f instanceof Detected.Text t
                && t.kind() == Detected.Kind.PARAGRAPH
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

  private static double indent(Detected.Text t) {
    TextLine first = t.lines().getFirst();
    return Edges.of(first, t.left(), t.right()).start(first);
  }
}
