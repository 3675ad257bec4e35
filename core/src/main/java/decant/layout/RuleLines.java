package decant.layout;

import decant.layout.item.Fragment;
import decant.layout.item.Item.Fill.Pattern;
import decant.layout.item.ParagraphStyle;
import decant.layout.item.TableLayout;
import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.publication.PageSink;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Draws rules of all kinds as filled boxes, alike for every sink. */
record RuleLines(PageSink sink) {
  /** The background of a paragraph's lines and the rules around them. */
  void around(
      Fragment.Lines l, @Nullable Fragment above, @Nullable Fragment below, double x, double y) {
    ParagraphStyle s = l.layout().style();
    boolean shaded = !s.area().shading().equals(Colour.WHITE);
    if (!shaded && !s.area().rules().isDrawn()) {
      return;
    }
    double hanging = Math.min(0, s.indents().firstLine());
    double start = s.indents().start() + hanging;
    double left = x + (s.lines().rightToLeft() ? s.indents().end() : start);
    double width = l.layout().width() - start - s.indents().end();
    boolean joinsAbove = joins(above, l) && l.from() == 0;
    boolean joinsBelow = below != null && joins(l, below);
    double top = joinsAbove && above != null ? y - (l.y() - above.bottom()) : y;
    double bottom = y + l.height();
    double padLeft = space(s.area().rules().start());
    double padRight = space(s.area().rules().end());
    double padTop = joinsAbove ? 0 : space(s.area().rules().top());
    double padBottom = joinsBelow ? 0 : space(s.area().rules().bottom());
    if (shaded) {
      sink.fill(
          new Box(
              left - padLeft,
              top - padTop,
              width + padLeft + padRight,
              bottom - top + padTop + padBottom),
          s.area().shading());
    }
    if (!s.area().rules().isDrawn()) {
      return;
    }
    var box =
        new Box(
            left - padLeft,
            top - padTop,
            width + padLeft + padRight,
            bottom - top + padTop + padBottom);
    boolean first = l.from() == 0;
    boolean last = l.to() == l.layout().lines().size();
    if (joinsAbove) {
      s.area()
          .rules()
          .insideAcross()
          .filter(Rule::isDrawn)
          .ifPresent(r -> horizontal(box.x(), top + (y - top) / 2, box.width(), r));
    } else if (first) {
      s.area()
          .rules()
          .top()
          .filter(Rule::isDrawn)
          .ifPresent(r -> horizontal(box.x(), box.y() - r.extent() / 2, box.width(), r));
    }
    if (last && !joinsBelow) {
      s.area()
          .rules()
          .bottom()
          .filter(Rule::isDrawn)
          .ifPresent(r -> horizontal(box.x(), box.bottom() + r.extent() / 2, box.width(), r));
    }
    s.area()
        .rules()
        .start()
        .filter(Rule::isDrawn)
        .ifPresent(r -> vertical(box.x() - r.extent() / 2, box.y(), box.height(), r));
    s.area()
        .rules()
        .end()
        .filter(Rule::isDrawn)
        .ifPresent(r -> vertical(box.right() + r.extent() / 2, box.y(), box.height(), r));
  }

  private static double space(Optional<Rule> r) {
    return r.filter(Rule::isDrawn).map(Rule::space).orElse(0.0);
  }

  private static boolean joins(@Nullable Fragment a, Fragment b) {
    if (!(a instanceof Fragment.Lines x) || !(b instanceof Fragment.Lines y)) {
      return false;
    }
    ParagraphStyle s = x.layout().style();
    ParagraphStyle t = y.layout().style();
    boolean follows = b.y() >= a.bottom() - 0.1 && Math.abs(a.x() - b.x()) < 0.1;
    boolean sameShade =
        s.area().shading().equals(t.area().shading())
            && !s.area().rules().isDrawn()
            && !t.area().rules().isDrawn()
            && s.indents().start() == t.indents().start()
            && s.indents().end() == t.indents().end();
    return follows && (s.sharesRules(t) || sameShade);
  }

  void pageBorders(decant.model.PageSetup p) {
    if (!p.borders().rules().isDrawn()) {
      return;
    }
    double top = space(p.borders().rules().top());
    double right = space(p.borders().rules().end());
    double bottom = space(p.borders().rules().bottom());
    double left = space(p.borders().rules().start());
    Box box =
        p.borders().fromEdge()
            ? new Box(left, top, p.width() - left - right, p.height() - top - bottom)
            : new Box(
                p.margins().left() - left,
                p.margins().top() - top,
                p.textWidth() + left + right,
                p.textHeight() + top + bottom);
    p.borders()
        .rules()
        .top()
        .filter(Rule::isDrawn)
        .ifPresent(r -> horizontal(box.x(), box.y(), box.width(), r));
    p.borders()
        .rules()
        .bottom()
        .filter(Rule::isDrawn)
        .ifPresent(r -> horizontal(box.x(), box.bottom(), box.width(), r));
    p.borders()
        .rules()
        .start()
        .filter(Rule::isDrawn)
        .ifPresent(r -> vertical(box.x(), box.y(), box.height(), r));
    p.borders()
        .rules()
        .end()
        .filter(Rule::isDrawn)
        .ifPresent(r -> vertical(box.right(), box.y(), box.height(), r));
  }

  void frame(Box b, Rule r) {
    horizontal(b.x(), b.y(), b.width(), r);
    horizontal(b.x(), b.bottom(), b.width(), r);
    vertical(b.x(), b.y(), b.height(), r);
    vertical(b.right(), b.y(), b.height(), r);
  }

  void edges(Box b, TableLayout.Edges e) {
    if (e.top().isDrawn()) {
      horizontal(b.x(), b.y(), b.width(), e.top());
    }
    if (e.bottom().isDrawn()) {
      horizontal(b.x(), b.bottom(), b.width(), e.bottom());
    }
    if (e.left().isDrawn()) {
      vertical(b.x(), b.y(), b.height(), e.left());
    }
    if (e.right().isDrawn()) {
      vertical(b.right(), b.y(), b.height(), e.right());
    }
  }

  /** A rule from left to right around a height; it reaches over the corners. */
  private void horizontal(double x, double y, double length, Rule r) {
    double h = r.extent() / 2;
    switch (r.kind()) {
      case SINGLE -> sink.fill(new Box(x - h, y - h, length + 2 * h, r.width()), r.colour());
      case DOUBLE -> {
        sink.fill(new Box(x - h, y - h, length + 2 * h, r.width()), r.colour());
        sink.fill(new Box(x - h, y + h - r.width(), length + 2 * h, r.width()), r.colour());
      }
      case DOTTED -> across(new Box(x, y - h, length, r.width()), r.colour(), Pattern.DOTTED);
      case DASHED -> across(new Box(x, y - h, length, r.width()), r.colour(), Pattern.DASHED);
    }
  }

  private void vertical(double x, double y, double length, Rule r) {
    double h = r.extent() / 2;
    switch (r.kind()) {
      case SINGLE -> sink.fill(new Box(x - h, y, r.width(), length), r.colour());
      case DOUBLE -> {
        sink.fill(new Box(x - h, y, r.width(), length), r.colour());
        sink.fill(new Box(x + h - r.width(), y, r.width(), length), r.colour());
      }
      case DOTTED, DASHED -> {
        double on = r.kind() == Rule.Kind.DOTTED ? r.width() : 4 * r.width();
        double step = r.kind() == Rule.Kind.DOTTED ? 2 * on : on + 2 * r.width();
        for (double at = 0; at < length; at += step) {
          sink.fill(new Box(x - h, y + at, r.width(), Math.min(on, length - at)), r.colour());
        }
      }
    }
  }

  /** A line or area along a width, in its pattern. */
  void across(Box b, Colour colour, Pattern pattern) {
    double w = b.height();
    switch (pattern) {
      case SOLID -> sink.fill(b, colour);
      case DOTTED, DASHED -> {
        double on = pattern == Pattern.DOTTED ? w : 4 * w;
        double step = pattern == Pattern.DOTTED ? 2 * w : 6 * w;
        for (double at = 0; at < b.width(); at += step) {
          sink.fill(new Box(b.x() + at, b.y(), Math.min(on, b.width() - at), w), colour);
        }
      }
      case WAVE -> {
        double step = Math.max(0.4, w / 2);
        for (double at = 0; at < b.width(); at += step) {
          double up = Math.sin(at / (1.2 * w)) * w;
          sink.fill(new Box(b.x() + at, b.y() + up, Math.min(step, b.width() - at), w), colour);
        }
      }
    }
  }
}
