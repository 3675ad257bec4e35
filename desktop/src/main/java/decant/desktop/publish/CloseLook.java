package decant.desktop.publish;

import decant.desktop.page.SmallPicture;
import decant.preview.StoredPicture;
import decant.recipe.Output;
import decant.words.Words;
import java.awt.image.BufferedImage;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * One spot of a picture as it came and as it will be in the file, both magnified. The spot follows
 * the pointer over the whole picture below.
 */
final class CloseLook {
  private static final Words WORDS = Words.of(CloseLook.class);

  private static final int MAGNIFIED = 4;
  private static final double SPOT = 360;

  private static final ExecutorService STORING =
      Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "pictures");
        t.setDaemon(true);
        return t;
      });

  private final BorderPane root = new BorderPane();
  private final ImageView before = spot();
  private final ImageView after = spot();
  private final ImageView whole = new ImageView();
  private final Label title = new Label();
  private final Label storedAs = new Label(WORDS.say("close-look.as-it-will-be"));
  private double atX = 0.5;
  private double atY = 0.5;

  CloseLook(Runnable back) {
    root.getStyleClass().add("pages");
    title.getStyleClass().add("side-title");
    var close = new Button(WORDS.say("close-look.back-to-the-pages"));
    close.setId("picture-back");
    close.setOnAction(e -> back.run());
    var space = new StackPane();
    HBox.setHgrow(space, Priority.ALWAYS);
    var head = new HBox(10, title, space, close);
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    head.getStyleClass().add("pair-title");
    var pair =
        new HBox(
            14,
            new VBox(4, new Label(WORDS.say("close-look.as-it-came")), before),
            new VBox(4, storedAs, after));
    pair.setAlignment(javafx.geometry.Pos.CENTER);
    whole.setPreserveRatio(true);
    whole.setFitHeight(170);
    whole.setFitWidth(500);
    whole.setId("picture-whole");
    whole.setOnMouseMoved(e -> move(e.getX(), e.getY()));
    whole.setOnMouseDragged(e -> move(e.getX(), e.getY()));
    var hint = new Label(WORDS.say("close-look.move-over-the-picture-to"));
    hint.getStyleClass().add("quiet");
    var below = new VBox(6, whole, hint);
    below.setAlignment(javafx.geometry.Pos.CENTER);
    below.setPadding(new javafx.geometry.Insets(10));
    root.setTop(head);
    root.setCenter(pair);
    root.setBottom(below);
  }

  private static ImageView spot() {
    var v = new ImageView();
    v.setFitWidth(SPOT);
    v.setFitHeight(SPOT);
    v.setSmooth(false);
    return v;
  }

  Node node() {
    return root;
  }

  void show(PictureList.Shown p, Output.Pdf o) {
    title.setText(WORDS.say("close-look.times-as-large", p.name(), MAGNIFIED));
    STORING.execute(() -> {
      Optional<StoredPicture> s =
          StoredPicture.of(
              p.media(),
              p.width(),
              p.height(),
              o.settings().compression(),
              o.settings().conformance());
      Platform.runLater(() -> s.ifPresent(this::shown));
    });
  }

  private void shown(StoredPicture s) {
    set(before, s.before());
    set(after, s.after());
    whole.setImage(before.getImage());
    storedAs.setText(WORDS.say("close-look.as-it-will-be-2", s.how()));
    place();
  }

  private static void set(ImageView view, BufferedImage i) {
    view.setImage(SmallPicture.image(i));
  }

  private void move(double x, double y) {
    var b = whole.getLayoutBounds();
    atX = Math.clamp(x / b.getWidth(), 0, 1);
    atY = Math.clamp(y / b.getHeight(), 0, 1);
    place();
  }

  private void place() {
    if (before.getImage() == null || after.getImage() == null) {
      return;
    }
    double w = before.getImage().getWidth();
    double h = before.getImage().getHeight();
    double side = Math.min(SPOT / MAGNIFIED, Math.min(w, h));
    double x = Math.clamp(atX * w - side / 2, 0, w - side);
    double y = Math.clamp(atY * h - side / 2, 0, h - side);
    before.setViewport(new Rectangle2D(x, y, side, side));
    double sx = after.getImage().getWidth() / w;
    double sy = after.getImage().getHeight() / h;
    after.setViewport(new Rectangle2D(x * sx, y * sy, side * sx, side * sy));
  }
}
