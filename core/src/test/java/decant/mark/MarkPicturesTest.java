package decant.mark;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.model.look.Colour;
import decant.picture.VectorPicture;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.FlatteningPathIterator;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Marks that are typed, set, or taken from pictures. */
class MarkPicturesTest {
  private static final Colour INK = new Colour(0x20307A);

  private static BufferedImage painted(Mark m, int width) {
    int height = (int) Math.round(width * m.height() / m.width());
    var out = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = out.createGraphics();
    assertThat(VectorPicture.of(m.picture()).orElseThrow().draw(g, 0, 0, width, height)).isTrue();
    g.dispose();
    return out;
  }

  private static double share(BufferedImage image) {
    long n = 0;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        n += image.getRGB(x, y) >>> 24 > 127 ? 1 : 0;
      }
    }
    return (double) n / image.getWidth() / image.getHeight();
  }

  @Test
  void aNameIsTypedInEachFace() throws MarkProblem {
    for (ScriptFace f : ScriptFace.values()) {
      Mark m = f.typed("  Mara   Łęcka ", INK);
      assertThat(m.name()).isEqualTo("Mara Łęcka");
      assertThat(m.width()).isGreaterThan(2 * m.height());
      assertThat(share(painted(m, 600))).isBetween(0.05, 0.4);
      assertThat(painted(m, 600).getRGB(0, 0) >>> 24).isZero(); // its ground is clear
      assertThat(new String(m.picture().bytes(), StandardCharsets.UTF_8)).doesNotContain("<text");
    }
  }

  @Test
  void lettersThatAFaceDoesNotHaveAreTold() {
    assertThatThrownBy(() -> ScriptFace.GREAT_VIBES.typed("Mara 港", INK))
        .isInstanceOf(MarkProblem.class)
        .hasMessageContaining("港")
        .hasMessageContaining("Great Vibes");
    assertThatThrownBy(() -> ScriptFace.GREAT_VIBES.typed(" ", INK))
        .isInstanceOf(MarkProblem.class);
    assertThatThrownBy(() -> ScriptFace.GREAT_VIBES.typed("a".repeat(81), INK))
        .isInstanceOf(MarkProblem.class)
        .hasMessageContaining("80");
  }

  @Test
  void aStampHasItsLinesInAFrame() throws MarkProblem {
    Mark one = Stamp.of(List.of("RECEIVED"), INK);
    Mark two = Stamp.of(List.of("RECEIVED", "", "Harbour Office, 30 November 2026"), INK);
    assertThat(two.height()).isGreaterThan(one.height());
    BufferedImage image = painted(two, 500);
    assertThat(image.getRGB(250, 2) & 0xFFFFFF).isEqualTo(INK.rgb()); // the frame
    assertThat(share(image)).isBetween(0.08, 0.5);
    assertThat(one.kind()).isEqualTo(Mark.Kind.STAMP);
    assertThatThrownBy(() -> Stamp.of(List.of(" "), INK)).isInstanceOf(MarkProblem.class);
  }

  /** A signature with a pen on paper that is photographed in uneven light, with grain. */
  private static byte[] photograph(Path2D signature, Color... pens) throws IOException {
    int w = 900;
    int h = 500;
    var image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    var random = new Random(3);
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        int light = 235 - x / 9 - y / 12 + (int) (4 * random.nextGaussian());
        image.setRGB(x, y, light << 16 | light << 8 | Math.max(0, light - 12));
      }
    }
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setStroke(new BasicStroke(7, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
    for (int k = 0; k < pens.length; k++) {
      g.setColor(pens[k]);
      g.translate(0, 40 * k);
      g.draw(signature);
    }
    g.setColor(new Color(70, 70, 60));
    g.fillRect(40, 40, 2, 2); // dust
    g.dispose();
    var out = new ByteArrayOutputStream();
    ImageIO.write(image, "png", out);
    return out.toByteArray();
  }

  private static Path2D signature() {
    var s = new Path2D.Double();
    s.moveTo(200, 260);
    s.curveTo(260, 100, 320, 120, 300, 260);
    s.curveTo(290, 320, 420, 120, 460, 240);
    s.curveTo(480, 300, 600, 180, 700, 230);
    return s;
  }

  @Test
  void penIsToldFromUnevenPaper() throws Exception {
    Mark m = InkOnPaper.in(photograph(signature(), new Color(30, 40, 120)));
    assertThat(m.picture().type()).isEqualTo("image/svg+xml");
    var drawn = new Area(new BasicStroke(7, 1, 1).createStrokedShape(signature()));
    var box = drawn.getBounds2D();
    assertThat(m.width() / m.height()).isCloseTo(box.getWidth() / box.getHeight(), within(0.05));
    int width = (int) box.getWidth();
    BufferedImage is = painted(m, width);
    var was = new BufferedImage(is.getWidth(), is.getHeight(), BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = was.createGraphics();
    g.translate(-box.getX(), -box.getY());
    g.fill(drawn);
    g.dispose();
    long both = 0;
    long either = 0;
    for (int y = 0; y < is.getHeight(); y++) {
      for (int x = 0; x < is.getWidth(); x++) {
        boolean a = is.getRGB(x, y) >>> 24 > 127;
        boolean b = was.getRGB(x, y) >>> 24 > 127;
        both += a && b ? 1 : 0;
        either += a || b ? 1 : 0;
      }
    }
    assertThat((double) both / either).isGreaterThan(0.8);
    int colour = is.getRGB(0, is.getHeight() - 1);
    assertThat(colour >>> 24).isZero();
  }

  @Test
  void inkOfTwoColoursKeepsThem() throws Exception {
    Mark m = InkOnPaper.in(photograph(signature(), new Color(190, 20, 20), new Color(20, 40, 190)));
    assertThat(m.picture().type()).isEqualTo("image/png");
    BufferedImage is = ImageIO.read(new ByteArrayInputStream(m.picture().bytes()));
    assertThat(is.getRGB(0, is.getHeight() - 1) >>> 24).isZero();
    boolean red = false;
    boolean blue = false;
    for (int x = 0; x < is.getWidth(); x++) {
      for (int y = 0; y < is.getHeight(); y++) {
        int p = is.getRGB(x, y);
        if (p >>> 24 > 200) {
          red |= (p >> 16 & 0xFF) > 150 && (p & 0xFF) < 90;
          blue |= (p & 0xFF) > 150 && (p >> 16 & 0xFF) < 90;
        }
      }
    }
    assertThat(red).isTrue();
    assertThat(blue).isTrue();
  }

  @Test
  void pictureWithoutInkIsRefused() throws Exception {
    assertThatThrownBy(() -> InkOnPaper.in(photograph(new Path2D.Double())))
        .isInstanceOf(MarkProblem.class)
        .hasMessageContaining("ink");
    assertThatThrownBy(() -> InkOnPaper.in(new byte[] {1, 2, 3}))
        .isInstanceOf(MarkProblem.class)
        .hasMessageContaining("cannot be read");
  }

  /** The area of a disc and of a ring, by Archimedes. */
  @Test
  void outlinesLieWhereTheValueIsJustAtTheLevel() {
    int n = 200;
    float[] field = new float[n * n];
    var ring = new Area(new Ellipse2D.Double(20, 20, 160, 160));
    ring.subtract(new Area(new Ellipse2D.Double(70, 70, 60, 60)));
    var image = new BufferedImage(n, n, BufferedImage.TYPE_BYTE_GRAY);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setColor(Color.WHITE);
    g.fill(ring);
    g.dispose();
    for (int k = 0; k < field.length; k++) {
      field[k] = image.getRaster().getSample(k % n, k / n, 0) / 255f;
    }
    Path2D path = Contours.of(field, n, 0.5f);
    double expected = Math.PI * (80 * 80 - 30 * 30);
    assertThat(Math.abs(area(path))).isCloseTo(expected, within(0.01 * expected));
  }

  @Test
  void outlinesAreClosedAtTheEdge() {
    float[] all = new float[16];
    java.util.Arrays.fill(all, 1);
    assertThat(Math.abs(area(Contours.of(all, 4, 0.5f)))).isBetween(12.0, 17.0);
  }

  /** What loops surround, those the other way round taken away. */
  private static double area(Path2D path) {
    double out = 0;
    double[] at = new double[6];
    double sx = 0;
    double sy = 0;
    double x = 0;
    double y = 0;
    for (var p = new FlatteningPathIterator(path.getPathIterator(null), 0.1);
        !p.isDone();
        p.next()) {
      int kind = p.currentSegment(at);
      double nx = kind == PathIterator.SEG_CLOSE ? sx : at[0];
      double ny = kind == PathIterator.SEG_CLOSE ? sy : at[1];
      if (kind == PathIterator.SEG_MOVETO) {
        sx = nx;
        sy = ny;
      } else {
        out += (x * ny - nx * y) / 2;
      }
      x = nx;
      y = ny;
    }
    return out;
  }
}
