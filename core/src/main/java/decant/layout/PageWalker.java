package decant.layout;

import decant.model.Block;
import decant.model.Box;
import decant.model.Colour;
import decant.model.Link;
import java.util.List;

/** Visits what stands on a page, each thing with its place, in the order it is painted and read. */
public final class PageWalker {
  /** Takes what stands on a page. Places are in points from the page's top left corner. */
  public interface Sink {
    /**
     * Glyphs whose line's baseline is at {@code y}; the run's own x and rise are still to be added.
     */
    void glyphs(Item.GlyphRun run, double x, double y);

    void fill(Box box, Colour colour);

    void picture(Item.PictureBox picture, Box box);

    default void link(Link link, Box box) {}

    /** The start of a line of a paragraph. */
    default void line(ParagraphLayout paragraph, Line line, double x, double top) {}

    /**
     * What follows belongs to a block, until {@link #end}. Blocks nest: a table holds its cells'
     * blocks.
     */
    default void begin(Block block, Role role) {}

    default void end() {}
  }

  /** What part of a page things belong to. */
  public enum Role {
    BODY,
    RUNNING,
    /** Header rows of a table on a page that it continues on. */
    REPEATED
  }

  private final Sink sink;

  private PageWalker(Sink sink) {
    this.sink = sink;
  }

  /** Visits the running texts of a page, then its body. */
  public static void walk(Layout layout, Page page, Sink sink) {
    var walker = new PageWalker(sink);
    walker.fragments(layout.running(page), 0, 0, Role.RUNNING);
    walker.fragments(page.body(), 0, 0, Role.BODY);
  }

  private void fragments(List<Fragment> fragments, double dx, double dy, Role role) {
    for (Fragment f : fragments) {
      sink.begin(f.source(), role);
      switch (f) {
        case Fragment.Lines l -> lines(l, dx + l.x(), dy + l.y());
        case Fragment.Rows r -> rows(r, dx + r.x(), dy + r.y(), role);
      }
      sink.end();
    }
  }

  private void lines(Fragment.Lines l, double x, double y) {
    double shift = l.layout().lines().get(l.from()).top();
    Colour shading = l.layout().style().shading();
    if (!shading.equals(Colour.WHITE)) {
      ParagraphStyle s = l.layout().style();
      double left = s.rightToLeft() ? s.indentEnd() : s.indentStart();
      sink.fill(
          new Box(x + left, y, l.layout().width() - s.indentStart() - s.indentEnd(), l.height()),
          shading);
    }
    for (int k = l.from(); k < l.to(); k++) {
      Line line = l.layout().lines().get(k);
      double top = y + line.top() - shift;
      sink.line(l.layout(), line, x, top);
      double baseline = top + line.baseline();
      for (Item item : line.items()) {
        switch (item) {
          case Item.GlyphRun r -> {
            sink.glyphs(r, x, baseline);
            r.link()
                .ifPresent(
                    link -> sink.link(link, new Box(x + r.x(), top, r.width(), line.height())));
          }
          case Item.Fill f ->
              sink.fill(new Box(x + f.x(), baseline - f.top(), f.width(), f.height()), f.colour());
          case Item.PictureBox p ->
              sink.picture(p, new Box(x + p.x(), baseline - p.height(), p.width(), p.height()));
        }
      }
    }
  }

  private void rows(Fragment.Rows r, double x, double y, Role role) {
    double top = y;
    if (r.repeatHeader()) {
      for (int k = 0; k < r.layout().headerRows(); k++) {
        row(r.layout().rows().get(k), x, top, Role.REPEATED);
        top += r.layout().rows().get(k).height();
      }
    }
    for (int k = r.from(); k < r.to(); k++) {
      row(r.layout().rows().get(k), x, top, role);
      top += r.layout().rows().get(k).height();
    }
  }

  private void row(TableLayout.Row row, double x, double y, Role role) {
    for (TableLayout.CellBox c : row.cells()) {
      var box = new Box(x + c.x(), y, c.width(), c.height());
      if (!c.shading().equals(Colour.WHITE)) {
        sink.fill(box, c.shading());
      }
      fragments(c.content(), box.x(), box.y(), role);
      rules(box, c.ruleWidth(), c.ruleColour());
    }
  }

  private void rules(Box b, double w, Colour colour) {
    if (w <= 0) {
      return;
    }
    double h = w / 2;
    sink.fill(new Box(b.x() - h, b.y() - h, b.width() + w, w), colour);
    sink.fill(new Box(b.x() - h, b.bottom() - h, b.width() + w, w), colour);
    sink.fill(new Box(b.x() - h, b.y() + h, w, b.height() - w), colour);
    sink.fill(new Box(b.right() - h, b.y() + h, w, b.height() - w), colour);
  }
}
