package decant.desktop.page;

import decant.layout.Layout;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.paint.Color;
import javafx.scene.paint.CycleMethod;
import javafx.scene.paint.LinearGradient;
import javafx.scene.paint.Stop;
import javafx.scene.shape.Rectangle;

/** Shows that a page is pinned: a faint hatch over it, and a line at its top that says why. */
public final class PinnedMark {
  private static final Words WORDS = Words.of(PinnedMark.class);

  /** Faint enough to read and to judge colours through. */
  private static final LinearGradient HATCH =
      new LinearGradient(
          0,
          0,
          7,
          7,
          false,
          CycleMethod.REPEAT,
          new Stop(0, Color.color(0.17, 0.15, 0.12, 0.055)),
          new Stop(0.14, Color.color(0.17, 0.15, 0.12, 0.055)),
          new Stop(0.15, Color.TRANSPARENT),
          new Stop(1, Color.TRANSPARENT));

  private PinnedMark() {}

  /** What is drawn over a page, from 0; nothing if it flows. */
  public static List<Node> over(Layout layout, int page, double scale) {
    return over(layout, page, scale, "pinned-mark.why");
  }

  /** The same where its lines can be changed. */
  static List<Node> overLines(Layout layout, int page, double scale) {
    return over(layout, page, scale, "pinned-mark.lines");
  }

  private static List<Node> over(Layout layout, int page, double scale, String says) {
    var out = new ArrayList<Node>();
    if (page < layout.pages().size()) {
      var p = layout.pages().get(page);
      layout
          .pinned(p)
          .ifPresent(x -> {
            var hatch = new Rectangle(p.width() * scale, p.height() * scale, HATCH);
            hatch.setMouseTransparent(true);
            var why = new Label(WORDS.say(says, x.why()));
            why.getStyleClass().add("pinned-why");
            why.setMouseTransparent(true);
            why.setMaxWidth(p.width() * scale);
            why.setWrapText(true);
            why.setLayoutY(2);
            out.add(hatch);
            out.add(why);
          });
    }
    return out;
  }
}
