package decant.desktop.page;

import decant.layout.CaretPlace;
import decant.layout.Places;
import decant.model.Box;
import javafx.scene.Node;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/** What is drawn over the text of a page while it is revised: caret, selection, comments. */
final class PageMarks {
  private PageMarks() {}

  /** Places of a line that are selected; at its whole end the break is too. */
  record Span(int from, int to, boolean wholeEnd) {}

  static Node noted(Box b, double scale) {
    double y = b.bottom() * scale;
    var line = new Line(b.x() * scale, y, b.right() * scale, y);
    line.getStyleClass().add("noted-text");
    return line;
  }

  static Node caret(CaretPlace c, double scale) {
    var r = new Rectangle(c.x() * scale - 0.75, c.top() * scale, 1.5, c.height() * scale);
    r.getStyleClass().add("caret");
    return r;
  }

  static Node marked(Places.PlacedLine l, Span s, double scale) {
    double x1 = l.x() + Places.xOf(l, s.from());
    double x2 = l.x() + Places.xOf(l, s.to());
    if (s.to() == l.line().to() && l.line() != l.paragraph().lines().getLast()) {
      // The line's end, not the start of the next line that the place also is.
      x2 =
          l.x()
              + l.line().items().stream()
                  .mapToDouble(i -> i.x() + i.width())
                  .max()
                  .orElse(x2 - l.x());
    }
    double extra = s.wholeEnd() ? 4 : 0;
    var r =
        new Rectangle(
            Math.min(x1, x2) * scale,
            l.top() * scale,
            (Math.abs(x2 - x1) + extra) * scale,
            l.line().height() * scale);
    r.getStyleClass().add("selected-text");
    return r;
  }
}
