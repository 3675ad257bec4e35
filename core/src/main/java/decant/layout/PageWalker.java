package decant.layout;

import decant.layout.item.Drawn;
import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.item.Line;
import decant.layout.item.Meaning;
import decant.layout.item.TableLayout;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Inline.Geometry;
import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.publication.PageSink;
import decant.publication.PageSink.Role;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Visits what stands on a page, each thing with its place, in the order it is painted and read. */
final class PageWalker {
  private final PageSink sink;
  private final RuleLines lines;

  private PageWalker(PageSink sink) {
    this.sink = sink;
    this.lines = new RuleLines(sink);
  }

  /** Visits the paper, the running texts of a page, then its body and its notes. */
  static void walk(Layout layout, Page page, PageSink sink) {
    var walker = new PageWalker(sink);
    var paper = new Box(0, 0, page.setup().width(), page.setup().height());
    if (!page.setup().background().equals(Colour.WHITE)) {
      sink.fill(paper, page.setup().background());
    }
    walker.all(layout.running(page), Role.RUNNING);
    walker.lines.pageBorders(page.setup());
    walker.all(page.body(), Role.BODY);
    for (Box rule : page.columnRules()) {
      sink.fill(rule, Colour.BLACK);
    }
    page.notes()
        .ifPresent(n -> {
          n.separator().ifPresent(line -> sink.fill(line, Colour.BLACK));
          walker.all(n.content(), Role.NOTE);
        });
  }

  private void all(List<Fragment> fragments, Role role) {
    fragments(fragments, 0, 0, role);
  }

  /** What is behind the text comes first, what is before it last. */
  private void fragments(List<Fragment> fragments, double dx, double dy, Role role) {
    for (Fragment f : fragments) {
      if (f instanceof Fragment.Floated p && p.behind()) {
        floated(p, dx, dy, role);
      }
    }
    Fragment above = null;
    for (int k = 0; k < fragments.size(); k++) {
      Fragment f = fragments.get(k);
      Fragment below = k + 1 < fragments.size() ? fragments.get(k + 1) : null;
      switch (f) {
        case Fragment.Floated p -> {}
        case Fragment.Lines l -> {
          sink.begin(f.source().id(), role);
          lines(l, above, below, dx, dy, role);
          sink.end();
          above = f;
        }
        case Fragment.Rows r -> {
          sink.begin(f.source().id(), role);
          rows(r, dx + r.x(), dy + r.y(), role);
          sink.end();
          above = f;
        }
      }
    }
    for (Fragment f : fragments) {
      if (f instanceof Fragment.Floated p && !p.behind()) {
        floated(p, dx, dy, role);
      }
    }
  }

  private void floated(Fragment.Floated p, double dx, double dy, Role role) {
    sink.begin(p.source().id(), role);
    switch (p.object()) {
      case Item.PictureBox pic ->
          picture(pic, new Box(dx + p.x(), dy + p.y(), pic.width(), pic.height()));
      case Item.ShapeBox s -> shape(s, dx + p.x(), dy + p.y(), role);
      case Item.GlyphRun r -> {}
      case Item.Fill f -> {}
    }
    sink.end();
  }

  private void meaning(Item.GlyphRun r, Box box) {
    Meaning m = r.meaning();
    m.link()
        .ifPresent(l -> {
          sink.link(l, box);
          m.frame().ifPresent(c -> sink.linkFrame(c, box));
        });
    m.field().ifPresent(b -> sink.field(b, r, box));
    m.comments().forEach(n -> sink.comment(n, box));
  }

  private void lines(
      Fragment.Lines l,
      @Nullable Fragment above,
      @Nullable Fragment below,
      double dx,
      double dy,
      Role role) {
    double x = dx + l.x();
    double y = dy + l.y();
    double shift = l.layout().lines().get(l.from()).top();
    lines.around(l, above, below, x, y);
    for (int k = l.from(); k < l.to(); k++) {
      Line line = l.layout().lines().get(k);
      double top = y + line.top() - shift;
      double baseline = top + line.baseline();
      for (Item item : line.items()) {
        switch (item) {
          case Item.GlyphRun r -> {
            sink.glyphs(r, x, baseline);
            if (r.meaning() != Meaning.NONE) {
              meaning(r, new Box(x + r.x(), top, r.width(), line.height()));
            }
          }
          case Item.Fill f ->
              lines.across(
                  new Box(x + f.x(), baseline - f.top(), f.width(), f.height()),
                  f.colour(),
                  f.pattern());
          case Item.PictureBox p ->
              picture(p, new Box(x + p.x(), baseline - p.height(), p.width(), p.height()));
          case Item.ShapeBox s -> shape(s, x + s.x(), baseline - s.shape().height(), role);
        }
      }
    }
  }

  private void picture(Item.PictureBox p, Box box) {
    boolean turned = turn(p.rotation(), box);
    sink.picture(p, box);
    turnBack(turned);
  }

  private boolean turn(double degrees, Box box) {
    if (degrees == 0) {
      return false;
    }
    sink.turn(degrees, box.x() + box.width() / 2, box.y() + box.height() / 2);
    return true;
  }

  private void turnBack(boolean turned) {
    if (turned) {
      sink.turnBack();
    }
  }

  private void shape(Item.ShapeBox s, double x, double y, Role role) {
    Drawn d = s.shape();
    var box = new Box(x, y, d.shape().width(), d.height());
    boolean turned = turn(d.shape().rotation(), box);
    if (d.shape().drawing().geometry() == Geometry.RECTANGLE) {
      d.shape().drawing().fill().ifPresent(c -> sink.fill(box, c));
      d.shape().drawing().outline().filter(Rule::isDrawn).ifPresent(r -> lines.frame(box, r));
    } else {
      sink.shape(
          d.shape().drawing().geometry(),
          box,
          d.shape().drawing().fill(),
          d.shape().drawing().outline());
    }
    fragments(d.content(), x, y, role);
    turnBack(turned);
  }

  private void rows(Fragment.Rows r, double x, double y, Role role) {
    double top = y;
    if (r.repeatHeader()) {
      cells(r.layout().placed(0, r.layout().headerRows()), x, top, Role.REPEATED);
      top += r.layout().height(0, r.layout().headerRows());
    }
    cells(r.layout().placed(r.from(), r.to()), x, top, role);
  }

  private void cells(List<TableLayout.Placed> cells, double x, double y, Role role) {
    for (TableLayout.Placed p : cells) {
      if (!p.cell().shading().equals(Colour.WHITE)) {
        sink.fill(boxOf(p, x, y), p.cell().shading());
      }
    }
    for (TableLayout.Placed p : cells) {
      Box box = boxOf(p, x, y);
      fragments(p.content(), box.x(), box.y(), role);
      lines.edges(box, p.cell().edges());
    }
  }

  private static Box boxOf(TableLayout.Placed p, double x, double y) {
    return new Box(x + p.cell().x(), y + p.y(), p.cell().width(), p.height());
  }
}
