package decant.desktop.runs;

import decant.run.Row;
import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;

/**
 * The whole run at a glance: a stroke for each file in the order of the plan, told by how much ink
 * it has and where it stands, not by its colour. What is to do is thin and light, what is done
 * full, what is left out stays below, and what failed reaches above the others.
 */
final class RunStrip extends Region {
  private static final double HEIGHT = 26;
  private static final double TOP = 6;

  private final Canvas canvas = new Canvas(10, HEIGHT);
  private List<Row> rows = List.of();
  private Color ink = Color.BLACK;

  RunStrip() {
    setId("run-strip");
    getChildren().add(canvas);
    setMinHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    setMaxHeight(HEIGHT);
    widthProperty()
        .addListener(o -> {
          canvas.setWidth(getWidth());
          draw();
        });
  }

  void show(List<Row> all, Color colour) {
    rows = all;
    ink = colour;
    draw();
  }

  private void draw() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    double width = canvas.getWidth();
    g.clearRect(0, 0, width, HEIGHT);
    if (rows.isEmpty() || width < 1) {
      return;
    }
    int strokes = (int) Math.min(rows.size(), Math.floor(width));
    double step = width / strokes;
    for (int k = 0; k < strokes; k++) {
      int from = (int) ((long) k * rows.size() / strokes);
      int to = Math.max(from + 1, (int) ((long) (k + 1) * rows.size() / strokes));
      stroke(g, k * step, step < 3 ? step : step - Math.min(3, step / 4), from, to);
    }
  }

  /** One stroke for some files: each state in its place, as dark as it has a share of them. */
  private void stroke(GraphicsContext g, double x, double w, int from, int to) {
    int done = 0;
    int failed = 0;
    int left = 0;
    int begun = 0;
    for (int k = from; k < to; k++) {
      switch (rows.get(k).state()) {
        case DONE -> done++;
        case FAILED -> failed++;
        case LEFT_OUT -> left++;
        case AT_WORK -> begun++;
        case PLANNED -> {}
      }
    }
    double n = to - from;
    double full = HEIGHT - TOP;
    g.setFill(ink.deriveColor(0, 1, 1, 0.14));
    g.fillRect(x, TOP, w, full);
    if (left > 0) {
      g.setFill(ink.deriveColor(0, 1, 1, 0.2 + 0.3 * left / n));
      g.fillRect(x, HEIGHT - full / 4, w, full / 4);
    }
    if (done > 0) {
      g.setFill(ink.deriveColor(0, 1, 1, 0.3 + 0.55 * done / n));
      g.fillRect(x, TOP, w, full);
    }
    if (begun > 0) {
      g.setFill(ink.deriveColor(0, 1, 1, 0.6));
      g.fillRect(x, TOP + full / 2, w, full / 2);
    }
    if (failed > 0) {
      g.setFill(ink);
      g.fillRect(x, 0, w, HEIGHT);
    }
  }
}
