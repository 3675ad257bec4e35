package decant.pdf.read.lines;

import decant.pdf.read.detected.Detected;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * How far the text of like pages reaches to the left and to the right. What little stands beyond
 * all else, a number in the margin or a line that ran over, does not widen it.
 *
 * @param left from the left edge of the page, in points
 * @param right from the left edge of the page, in points
 */
public record TextArea(double left, double right) {
  private record Edge(double at, int lines) {}

  public static TextArea of(List<Detected> blocks, double pageWidth) {
    TextArea all = edges(blocks, pageWidth);
    List<Detected> texts = blocks.stream().filter(f -> !(f instanceof Detected.Grid)).toList();
    if (texts.isEmpty() || texts.size() == blocks.size()) {
      return all;
    }
    // A table commonly hangs out by the padding of its cells, so that its text is even with that
    // around it.
    TextArea text = edges(texts, pageWidth);
    double left = text.left - all.left < LineThresholds.TextArea.LITTLE ? text.left : all.left;
    double right = all.right - text.right < LineThresholds.TextArea.LITTLE ? text.right : all.right;
    return new TextArea(left, right);
  }

  private static TextArea edges(List<Detected> blocks, double pageWidth) {
    var lefts = new ArrayList<Edge>();
    var rights = new ArrayList<Edge>();
    int all = 0;
    for (Detected f : blocks) {
      int lines =
          switch (f) {
            case Detected.Text t -> t.lines().size();
            case Detected.Grid g -> g.rows().size();
            case Detected.Figure p -> 1;
          };
      all += lines;
      lefts.add(new Edge(f.box().x(), lines));
      rights.add(new Edge(-f.box().right(), lines));
    }
    int few = (int) (all * LineThresholds.TextArea.OUTLIERS);
    return all == 0
        ? new TextArea(pageWidth, 0)
        : new TextArea(edge(lefts, few), -edge(rights, few));
  }

  /** The lowest edge but for those of a few lines that stand well before it. */
  private static double edge(List<Edge> edges, int few) {
    edges.sort(Comparator.comparingDouble(Edge::at));
    int beyond = 0;
    for (Edge e : edges) {
      beyond += e.lines();
      if (beyond > few) {
        double first = edges.getFirst().at();
        return e.at() - first < LineThresholds.TextArea.LITTLE ? first : e.at();
      }
    }
    return edges.getFirst().at();
  }
}
