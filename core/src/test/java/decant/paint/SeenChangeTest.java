package decant.paint;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Box;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What of two paintings is seen to differ, and what is only smoothed otherwise. */
class SeenChangeTest {
  private static BufferedImage painted(Consumer<Graphics2D> ink) {
    var image = new BufferedImage(300, 200, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, 300, 200);
    g.setColor(Color.BLACK);
    ink.accept(g);
    g.dispose();
    return image;
  }

  private static BufferedImage rule(double y, double width, Color colour) {
    return painted(g -> {
      g.setColor(colour);
      g.fill(new Rectangle2D.Double(20, y, 260, width));
    });
  }

  private static Optional<Box> seen(BufferedImage a, BufferedImage b) {
    Optional<Box> found = SeenChange.between(a, b, 1, true);
    assertThat(SeenChange.between(b, a, 1, true).isPresent()).isEqualTo(found.isPresent());
    return found;
  }

  @ParameterizedTest
  @CsvSource({"0.3,000000", "0.5,000000", "0.5,808080", "1,B0B0B0"})
  void aThinLineThatIsGoneIsSeenWhereItStood(double width, String colour) {
    BufferedImage line = rule(100.3, width, new Color(Integer.parseInt(colour, 16)));
    assertThat(seen(line, painted(g -> {})))
        .hasValueSatisfying(b -> assertThat(b.y()).isBetween(84.0, 101.0));
  }

  /** Where two programs paint, lines of half a point of black are told, and hardly fainter ones. */
  @Test
  void aLineThatIsGoneIsSeenInWhatAnotherProgramPaints() {
    BufferedImage none = painted(g -> {});
    assertThat(SeenChange.between(rule(100.3, 0.5, Color.BLACK), none, 1, false)).isPresent();
    assertThat(SeenChange.between(rule(100, 1, Color.GRAY), none, 1, false)).isPresent();
  }

  @Test
  void aLineThatFallsElsewhereBetweenPixelsIsTheSame() {
    for (double off = 0.1; off < 1; off += 0.2) {
      assertThat(seen(rule(100, 0.6, Color.BLACK), rule(100 + off, 0.6, Color.BLACK))).isEmpty();
    }
  }

  @Test
  void aLineOfAnotherColourOrWidthOrPlaceIsSeen() {
    BufferedImage line = rule(100, 1, Color.BLACK);
    assertThat(seen(line, rule(100, 1, Color.RED))).isPresent();
    assertThat(seen(line, rule(100, 3, Color.BLACK))).isPresent();
    assertThat(seen(line, rule(105, 1, Color.BLACK))).isPresent();
  }

  private static BufferedImage text(float x, float y) {
    return painted(g -> g.drawString("Lines must be doubled", x, y));
  }

  @Test
  void textThatStandsElsewhereIsSeenAndAHairsBreadthIsNot() {
    assertThat(seen(text(40, 100), text(40.3f, 100.3f))).isEmpty();
    assertThat(seen(text(40, 100), text(46, 100))).isPresent();
    assertThat(seen(text(40, 100), text(40, 105))).isPresent();
  }

  /** Noise as a stronger compression makes it. */
  @Test
  void aPictureThatIsALittleCoarserIsTheSame() {
    BufferedImage picture =
        painted(g -> {
          for (int k = 0; k < 130; k++) {
            g.setColor(new Color(90 + k % 90, 140, 200 - k));
            g.fillRect(20 + 2 * k, 20, 2, 160);
          }
        });
    var noisy = painted(g -> g.drawImage(picture, 0, 0, null));
    var random = new Random(7);
    for (int k = 0; k < 20_000; k++) {
      int x = 20 + random.nextInt(260);
      int y = 20 + random.nextInt(160);
      int off = random.nextInt(13) - 6;
      Color c = new Color(picture.getRGB(x, y));
      noisy.setRGB(
          x,
          y,
          new Color(c.getRed() + off, c.getGreen() + off, Math.clamp(c.getBlue() + off, 0, 255))
              .getRGB());
    }
    assertThat(seen(picture, noisy)).isEmpty();
  }

  @Test
  void pagesOfOtherSizesDiffer() {
    assertThat(
            SeenChange.between(
                painted(g -> {}), new BufferedImage(200, 300, BufferedImage.TYPE_INT_RGB), 1, true))
        .isPresent();
  }

  @Test
  void aPaintingIsMadeSmallerByTheMeansOfItsPixels() {
    var image = new BufferedImage(5, 4, BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, 0xFF0000);
    image.setRGB(1, 1, 0x0000FF);
    image.setRGB(2, 2, 0x00FF00);
    BufferedImage small = Downscaled.by(2, image);
    assertThat(small.getWidth()).isEqualTo(2);
    assertThat(small.getHeight()).isEqualTo(2);
    assertThat(small.getRGB(0, 0) & 0xFFFFFF).isEqualTo(0x3F003F);
    assertThat(small.getRGB(1, 1) & 0xFFFFFF).isEqualTo(0x003F00);
    assertThat(small.getRGB(1, 0) & 0xFFFFFF).isZero();
  }
}
