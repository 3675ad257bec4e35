package decant.desktop.publish;

import decant.pdf.choices.Type.Substitute;
import decant.publish.FontReport;
import decant.publish.SubstituteSample;
import java.awt.image.BufferedImage;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Platform;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** Draws what a recipient without a font sees, in the background. */
final class FontSample {
  private static final ExecutorService DRAWING =
      Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "font samples");
        t.setDaemon(true);
        return t;
      });

  private FontSample() {}

  static void show(FontReport.Row row, Substitute s, ImageView in) {
    DRAWING.execute(() -> {
      Optional<BufferedImage> drawn = SubstituteSample.of(row.face(), row.sample(), s);
      drawn.ifPresent(i -> Platform.runLater(() -> in.setImage(image(i))));
    });
  }

  static WritableImage image(BufferedImage i) {
    int w = i.getWidth();
    int h = i.getHeight();
    var out = new WritableImage(w, h);
    int[] argb = i.getRGB(0, 0, w, h, null, 0, w);
    out.getPixelWriter().setPixels(0, 0, w, h, PixelFormat.getIntArgbInstance(), argb, 0, w);
    return out;
  }
}
