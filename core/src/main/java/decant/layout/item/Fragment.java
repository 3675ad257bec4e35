package decant.layout.item;

import decant.model.Block;
import decant.model.Paragraph;
import java.util.List;

/** Something on a page with its place, from the top left of what it stands in. */
public sealed interface Fragment {
  double x();

  double y();

  Block source();

  double height();

  /** This fragment further to the right and down. */
  Fragment moved(double dx, double dy);

  default double bottom() {
    return y() + height();
  }

  /** Where the lowest of some ends, without what stands beside the flow; 0 if there are none. */
  static double lowest(List<Fragment> fragments) {
    double lowest = 0;
    for (Fragment f : fragments) {
      if (!(f instanceof Floated)) {
        lowest = Math.max(lowest, f.bottom());
      }
    }
    return lowest;
  }

  /** Some lines of a paragraph; {@code y} is the top of the first. */
  record Lines(ParagraphLayout layout, int from, int to, double x, double y) implements Fragment {
    @Override
    public Block source() {
      return layout.source();
    }

    @Override
    public double height() {
      return layout.height(from, to);
    }

    @Override
    public Lines moved(double dx, double dy) {
      return new Lines(layout, from, to, x + dx, y + dy);
    }
  }

  /** Some rows of a table, after its header rows where they are repeated. */
  record Rows(TableLayout layout, int from, int to, boolean repeatHeader, double x, double y)
      implements Fragment {
    @Override
    public Block source() {
      return layout.source();
    }

    @Override
    public double height() {
      return layout.height(from, to) + headHeight();
    }

    /** The height of the header rows that are repeated above; 0 if none are. */
    public double headHeight() {
      return repeatHeader ? layout.height(0, layout.headerRows()) : 0;
    }

    @Override
    public Rows moved(double dx, double dy) {
      return new Rows(layout, from, to, repeatHeader, x + dx, y + dy);
    }
  }

  /**
   * A picture or shape beside the flow.
   *
   * @param source the paragraph that it is anchored to
   * @param object a {@link Item.PictureBox} or {@link Item.ShapeBox}
   * @param behind whether it is painted before the text
   * @param takesRoom whether text keeps clear of it
   */
  record Floated(
      Paragraph source,
      Item object,
      double x,
      double y,
      double height,
      boolean behind,
      boolean takesRoom)
      implements Fragment {
    @Override
    public Floated moved(double dx, double dy) {
      return new Floated(source, object, x + dx, y + dy, height, behind, takesRoom);
    }
  }
}
