package decant.desktop;

import decant.desktop.page.PagesView;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Frame;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;

/** The real window under a display, driven with real keys and a real pointer. */
final class Window implements AutoCloseable {
  private static final long PATIENCE = 60_000;
  private static boolean started;

  final Desk desk;
  final Frame frame;
  final Stage stage;
  private final Robot robot;
  private final AtomicInteger keysArrived = new AtomicInteger();
  private final AtomicInteger clicksArrived = new AtomicInteger();

  private Window(Desk desk, Frame frame, Stage stage, Robot robot) {
    this.desk = desk;
    this.frame = frame;
    this.stage = stage;
    this.robot = robot;
    stage.getScene().addEventFilter(KeyEvent.KEY_RELEASED, e -> keysArrived.incrementAndGet());
    stage
        .getScene()
        .addEventFilter(MouseEvent.MOUSE_RELEASED, e -> clicksArrived.incrementAndGet());
  }

  /** Opens the window with its memory in a folder of its own. */
  static Window open(Path state) {
    start();
    Window w =
        on(() -> {
          DecantApp.loadFonts();
          var stage = new Stage();
          var desk = new Desk(state);
          var frame = new Frame(desk, stage, f -> new StageViews(desk, f));
          frame.open(stage);
          stage.setX(0);
          stage.setY(0);
          stage.show();
          stage.toFront();
          return new Window(desk, frame, stage, new Robot());
        });
    w.until(() -> w.stage.isShowing() && w.stage.isFocused());
    return w;
  }

  private static synchronized void start() {
    if (!started) {
      started = true;
      var ready = new CountDownLatch(1);
      Platform.startup(ready::countDown);
      Platform.setImplicitExit(false);
      try {
        if (!ready.await(30, TimeUnit.SECONDS)) {
          throw new IllegalStateException("no display: run under Xvfb");
        }
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
  }

  /** Runs something on the interface thread and gives its result. */
  static <T> T on(Supplier<T> task) {
    if (Platform.isFxApplicationThread()) {
      return task.get();
    }
    var result = new CompletableFuture<T>();
    Platform.runLater(() -> {
      try {
        result.complete(task.get());
      } catch (Throwable t) {
        result.completeExceptionally(t);
      }
    });
    return result.orTimeout(60, TimeUnit.SECONDS).join();
  }

  static void run(Runnable task) {
    on(() -> {
      task.run();
      return true;
    });
  }

  /** Waits until something holds, as seen on the interface thread. */
  void until(BooleanSupplier holds) {
    long end = System.currentTimeMillis() + PATIENCE;
    while (!on(holds::getAsBoolean)) {
      if (System.currentTimeMillis() > end) {
        throw new AssertionError(
            "waited in vain; notice: "
                + on(() -> desk.noticeProperty().get().map(n -> n.message()).orElse("none")));
      }
      try {
        Thread.sleep(15);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
  }

  /** Drops a file on the window and waits until it is taken in. */
  Work takeIn(Path file) {
    run(() -> frame.dropped(List.of(file.toFile())));
    until(() -> desk.work().filter(w -> w.source().equals(file.toAbsolutePath())).isPresent());
    until(() -> desk.work().get().layout().complete());
    return on(() -> desk.work().get());
  }

  Work work() {
    return on(() -> desk.work().orElseThrow());
  }

  void go(StageName step) {
    click("#stage-" + step.name().toLowerCase(java.util.Locale.ROOT));
    until(() -> desk.stepProperty().get() == step);
  }

  <T extends Node> T find(String selector, Class<T> type) {
    return on(() ->
        type.cast(
            Optional.ofNullable(stage.getScene().lookup(selector))
                .orElseThrow(() -> new AssertionError("no " + selector))));
  }

  boolean has(String selector) {
    return on(() -> stage.getScene().lookup(selector) != null);
  }

  void click(String selector) {
    click(find(selector, Node.class));
  }

  void clickLabelled(String label) {
    Node n =
        on(() ->
            stage.getScene().getRoot().lookupAll(".button").stream()
                .filter(b -> b instanceof Labeled l && l.getText().equals(label) && b.isVisible())
                .findFirst()
                .orElseThrow(() -> new AssertionError("no button “" + label + "”")));
    click(n);
  }

  void click(Node n) {
    run(() -> reveal(n));
    Bounds b = restingPlace(n);
    clickAt(b.getCenterX(), b.getCenterY(), 1);
  }

  /** Scrolls to a node of a side that is longer than the window, as a person would. */
  private static void reveal(Node n) {
    for (Node up = n.getParent(); up != null; up = up.getParent()) {
      if (up instanceof ScrollPane scroll) {
        Node content = scroll.getContent();
        double y = content.sceneToLocal(n.localToScene(n.getBoundsInLocal())).getCenterY();
        double seen = scroll.getViewportBounds().getHeight();
        double all = content.getBoundsInLocal().getHeight();
        double top = scroll.getVvalue() * Math.max(0, all - seen);
        if (all > seen && (y < top + 20 || y > top + seen - 20)) {
          scroll.setVvalue(Math.clamp((y - seen / 2) / (all - seen), 0, 1));
        }
      }
    }
  }

  /** Where a node stands on the screen once it has been laid out and no longer moves. */
  private Bounds restingPlace(Node n) {
    Bounds[] last = new Bounds[1];
    int[] still = {0};
    until(() -> {
      Bounds now = n.localToScreen(n.getBoundsInLocal());
      boolean shown = now != null && now.getWidth() > 1 && now.getHeight() > 1;
      // Panels at the side fill a moment after a change, and move what is below.
      still[0] = shown && now.equals(last[0]) ? still[0] + 1 : 0;
      last[0] = now;
      return still[0] >= 8;
    });
    return last[0];
  }

  void clickAt(double x, double y, int times) {
    int before = clicksArrived.get();
    for (int k = 0; k < times; k++) {
      run(() -> {
        robot.mouseMove(x, y);
        robot.mouseClick(MouseButton.PRIMARY);
      });
    }
    arrived(clicksArrived, before + times);
  }

  /** Clicks a place on a page, counted in points from its top left corner. */
  void clickPage(int page, double x, double y, int times) {
    clickPage("#pages", page, x, y, times);
  }

  /** Clicks a place on a page of a view of pages. */
  void clickPage(String pages, int page, double x, double y, int times) {
    PagesView view = find(pages, PagesView.class);
    Point2D at = on(() -> view.localToScreen(view.viewPoint(page, x, y).orElseThrow()));
    clickAt(at.getX(), at.getY(), times);
  }

  /** Presses the button at one place of a page, moves to another, and lets go. */
  void drag(String pages, int page, double x1, double y1, double x2, double y2) {
    PagesView view = find(pages, PagesView.class);
    Point2D from = on(() -> view.localToScreen(view.viewPoint(page, x1, y1).orElseThrow()));
    Point2D to = on(() -> view.localToScreen(view.viewPoint(page, x2, y2).orElseThrow()));
    drag(from, to);
  }

  /** The same between places on the screen. */
  void drag(Point2D from, Point2D to) {
    int before = clicksArrived.get();
    run(() -> {
      robot.mouseMove(from);
      robot.mousePress(MouseButton.PRIMARY);
    });
    for (int k = 1; k <= 6; k++) {
      double share = k / 6.0;
      run(() -> robot.mouseMove(from.interpolate(to, share)));
      settle();
    }
    run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    arrived(clicksArrived, before + 1);
  }

  void press(KeyCode... keys) {
    int before = keysArrived.get();
    run(() -> {
      for (KeyCode k : keys) {
        robot.keyPress(k);
      }
      for (int k = keys.length - 1; k >= 0; k--) {
        robot.keyRelease(keys[k]);
      }
    });
    arrived(keysArrived, before + keys.length);
  }

  /**
   * Waits until events have come back from the display, then for what they set off. Events that a
   * popup takes are not seen here, so the wait ends after two seconds.
   */
  private void arrived(AtomicInteger counter, int wanted) {
    long end = System.currentTimeMillis() + 2_000;
    while (counter.get() < wanted && System.currentTimeMillis() < end) {
      try {
        Thread.sleep(4);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
    settle();
  }

  /** Types plain letters, digits and spaces with real keys. */
  void type(String text) {
    int before = keysArrived.get();
    int wanted = text.length() + (int) text.chars().filter(Character::isUpperCase).count();
    for (char c : text.toCharArray()) {
      run(() -> {
        boolean shift = Character.isUpperCase(c);
        KeyCode code =
            c == ' '
                ? KeyCode.SPACE
                : c == '-'
                    ? KeyCode.MINUS
                    : c == ','
                        ? KeyCode.COMMA
                        : c == '.'
                            ? KeyCode.PERIOD
                            : KeyCode.getKeyCode(String.valueOf(Character.toUpperCase(c)));
        if (shift) {
          robot.keyPress(KeyCode.SHIFT);
        }
        robot.keyType(code);
        if (shift) {
          robot.keyRelease(KeyCode.SHIFT);
        }
      });
    }
    arrived(keysArrived, before + wanted);
  }

  /**
   * Types into a field. Where the display's input method is still waking up the first keys can be
   * lost; then they are typed again.
   */
  void fill(String selector, String text) {
    for (int k = 0; k < 5; k++) {
      TextField field = find(selector, TextField.class);
      click(field);
      if (on(field::getText).isEmpty() || k > 0) {
        run(field::clear);
      }
      type(text);
      if (on(field::getText).equals(text)) {
        return;
      }
    }
    throw new AssertionError("“" + text + "” could not be typed into " + selector);
  }

  /** Lets key and pointer events that are on their way arrive. */
  void settle() {
    for (int k = 0; k < 4; k++) {
      try {
        Thread.sleep(12);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
      run(() -> {});
    }
  }

  /** Saves what the screen shows of the window. */
  void picture(Path to) throws IOException {
    settle();
    var image = on(() -> robot.getScreenCapture(null, 0, 0, 1280, 800, false));
    int w = (int) image.getWidth();
    int h = (int) image.getHeight();
    var pixels = new java.awt.image.BufferedImage(w, h, java.awt.image.BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        pixels.setRGB(x, y, image.getPixelReader().getArgb(x, y));
      }
    }
    File file = to.toFile();
    javax.imageio.ImageIO.write(pixels, "png", file);
  }

  @Override
  public void close() {
    run(() -> {
      stage.close();
      desk.close();
      stage.setScene(null);
    });
  }
}
