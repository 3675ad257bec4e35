package decant.pdf.read.scan;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Box;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

class PictureAreasTest {
  private static final double SCALE = 2;

  /** A page of 300 by 400 points on paper that is not quite white, with its grain. */
  private static BufferedImage page(Consumer<Graphics2D> drawing) {
    var image = new BufferedImage(600, 800, BufferedImage.TYPE_INT_RGB);
    var random = new Random(7);
    for (int y = 0; y < 800; y++) {
      for (int x = 0; x < 600; x++) {
        int light = 240 + random.nextInt(5);
        image.setRGB(x, y, light << 16 | light << 8 | light);
      }
    }
    Graphics2D g = image.createGraphics();
    g.scale(SCALE, SCALE);
    drawing.accept(g);
    g.dispose();
    return image;
  }

  @Test
  void emptyPaperHasNoPictures() {
    assertThat(PictureAreas.of(page(g -> {}), SCALE, List.of())).isEmpty();
  }

  @Test
  void aTintedPictureIsFoundWhole() {
    BufferedImage page =
        page(g -> {
          g.setColor(new Color(222, 222, 222));
          g.fillRect(60, 60, 150, 100);
          g.setColor(Color.DARK_GRAY);
          g.fillRect(90, 90, 30, 50);
        });
    assertThat(PictureAreas.of(page, SCALE, List.of()))
        .singleElement()
        .satisfies(b -> {
          assertThat(b.x()).isBetween(54.0, 60.0);
          assertThat(b.right()).isBetween(210.0, 216.0);
          assertThat(b.y()).isBetween(54.0, 60.0);
          assertThat(b.bottom()).isBetween(160.0, 166.0);
        });
  }

  @Test
  void wordsAndThinRulesAreNoPictures() {
    BufferedImage page =
        page(g -> {
          g.setColor(Color.BLACK);
          for (int line = 0; line < 10; line++) {
            g.fillRect(40, 100 + line * 14, 200, 8);
          }
          g.fillRect(40, 300, 220, 1);
          g.fillRect(0, 0, 8, 400); // the shadow at the edge
        });
    List<Box> words =
        java.util.stream.IntStream.range(0, 10)
            .mapToObj(k -> new Box(40, 100 + k * 14, 200, 8))
            .toList();
    assertThat(PictureAreas.of(page, SCALE, words)).isEmpty();
  }

  @Test
  void partsOfADrawingThatDoNotTouchAreOnePicture() {
    BufferedImage page =
        page(g -> {
          g.setColor(Color.BLACK);
          for (int k = 0; k < 6; k++) {
            g.fillRect(60 + k * 20, 100, 12, 80);
          }
        });
    assertThat(PictureAreas.of(page, SCALE, List.of())).hasSize(1);
  }
}
