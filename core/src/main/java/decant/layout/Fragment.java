package decant.layout;

import decant.model.Block;

/** A part of a block layout with its place, from the top left of what it stands in. */
public sealed interface Fragment {
  double x();

  double y();

  Block source();

  double height();

  default double bottom() {
    return y() + height();
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
      return layout.height(from, to) + (repeatHeader ? layout.height(0, layout.headerRows()) : 0);
    }
  }
}
