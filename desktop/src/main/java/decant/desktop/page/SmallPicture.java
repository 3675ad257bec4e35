package decant.desktop.page;

import java.awt.image.BufferedImage;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** Shows small pictures that are made in the background. */
public final class SmallPicture {
  private static final ExecutorService DRAWING =
      Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "small pictures");
        t.setDaemon(true);
        return t;
      });

  private SmallPicture() {}

  public static void show(Supplier<Optional<BufferedImage>> make, ImageView in) {
    DRAWING.execute(
        () -> make.get().ifPresent(i -> Platform.runLater(() -> in.setImage(image(i)))));
  }

  public static WritableImage image(BufferedImage i) {
    int w = i.getWidth();
    int h = i.getHeight();
    var out = new WritableImage(w, h);
    int[] argb = i.getRGB(0, 0, w, h, null, 0, w);
    out.getPixelWriter().setPixels(0, 0, w, h, PixelFormat.getIntArgbInstance(), argb, 0, w);
    return out;
  }
}
