package decant.desktop.mark;

import decant.mark.Ink;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;

/**
 * A field to draw in with the pointer. Pens tell JavaFX no pressure, so that speed stands for it.
 */
final class InkPad extends StackPane {
  private static final Words WORDS = Words.of(InkPad.class);
  private static final double WIDTH = 620;
  private static final double HEIGHT = 220;
  private static final double BASE = 0.72;
  private static final double MARGIN = 30;
  private static final long NANOS = 1_000_000;

  /** How thick the line is, in pixels. */
  static final double PEN = 3;

  private final Canvas canvas = new Canvas(WIDTH, HEIGHT);
  private final List<List<Ink.Point>> strokes = new ArrayList<>();
  private final Runnable changed;
  private Color ink = Color.BLACK;

  /**
   * @param changed told when a stroke ends
   */
  InkPad(Runnable changed) {
    this.changed = changed;
    canvas.setId("mark-pad");
    canvas.setAccessibleText(WORDS.say("ink-pad.field"));
    getChildren().add(canvas);
    getStyleClass().add("ink-pad");
    setMaxSize(WIDTH, HEIGHT);
    canvas.setOnMousePressed(this::pressed);
    canvas.setOnMouseDragged(this::dragged);
    canvas.setOnMouseReleased(this::released);
    paint();
  }

  List<List<Ink.Point>> strokes() {
    return strokes;
  }

  void clear() {
    strokes.clear();
    paint();
    changed.run();
  }

  void setInk(Color colour) {
    ink = colour;
    paint();
  }

  private void pressed(MouseEvent e) {
    if (e.getButton() == MouseButton.PRIMARY) {
      strokes.add(new ArrayList<>());
      add(e);
    }
  }

  private void dragged(MouseEvent e) {
    if (e.isPrimaryButtonDown() && !strokes.isEmpty()) {
      add(e);
    }
  }

  private void released(MouseEvent e) {
    if (e.getButton() == MouseButton.PRIMARY && !strokes.isEmpty()) {
      changed.run();
    }
  }

  private void add(MouseEvent e) {
    List<Ink.Point> s = strokes.getLast();
    s.add(new Ink.Point(e.getX(), e.getY(), Ink.Point.UNKNOWN, System.nanoTime() / NANOS));
    line(canvas.getGraphicsContext2D(), s, Math.max(0, s.size() - 2));
  }

  private void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, WIDTH, HEIGHT);
    g.setStroke(Color.web("#CFC7B9"));
    g.setLineWidth(1);
    g.strokeLine(MARGIN, HEIGHT * BASE, WIDTH - MARGIN, HEIGHT * BASE);
    strokes.forEach(s -> line(g, s, 0));
  }

  private void line(GraphicsContext g, List<Ink.Point> s, int from) {
    g.setStroke(ink);
    g.setLineWidth(PEN);
    g.setLineCap(StrokeLineCap.ROUND);
    g.setLineJoin(StrokeLineJoin.ROUND);
    for (int k = from; k < s.size(); k++) {
      Ink.Point a = s.get(Math.max(from, k - 1));
      Ink.Point b = s.get(k);
      g.strokeLine(a.x(), a.y(), b.x(), b.y());
    }
  }
}
