package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

/** How much of the ink of two pages stands in the same places. */
class InkGridTest {
  private static InkGrid page(Consumer<Graphics2D> drawing) {
    var image = new BufferedImage(331, 468, BufferedImage.TYPE_INT_RGB); // A4 at 40 dots an inch
    Graphics2D g = image.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, 331, 468);
    g.setColor(Color.BLACK);
    drawing.accept(g);
    g.dispose();
    return InkGrid.of(image);
  }

  private static InkGrid lines(int from, int count, int dx) {
    return page(g -> {
      for (int k = 0; k < count; k++) {
        g.fillRect(40 + dx, from + 8 * k, 250, 3);
      }
    });
  }

  @Test
  void theSamePageIsWhollyAlikeAndAnEmptyOneToo() {
    assertThat(lines(40, 40, 0).alike(lines(40, 40, 0))).isEqualTo(1);
    assertThat(page(g -> {}).alike(page(g -> {}))).isEqualTo(1);
    assertThat(page(g -> {}).total()).isZero();
  }

  @Test
  void whatIsGoneCountsByItsInk() {
    assertThat(lines(40, 40, 0).alike(lines(40, 20, 0))).isBetween(0.49, 0.51);
    assertThat(lines(40, 40, 0).alike(page(g -> {}))).isZero();
  }

  @Test
  void aPageThatIsShiftedAsAWholeByLittleIsAlike() {
    assertThat(lines(40, 40, 0).alike(lines(43, 40, 3))).isGreaterThan(0.95);
    assertThat(lines(40, 20, 0).alike(lines(240, 20, 0))).isLessThan(0.3);
  }

  @Test
  void coloursCount() {
    InkGrid red =
        page(g -> {
          g.setColor(Color.RED);
          g.fillRect(40, 40, 200, 200);
        });
    InkGrid blue =
        page(g -> {
          g.setColor(Color.BLUE);
          g.fillRect(40, 40, 200, 200);
        });
    assertThat(red.alike(red)).isEqualTo(1);
    assertThat(red.alike(blue)).isLessThan(0.4);
  }

  private static InkGrid box(Color colour) {
    return page(g -> {
      g.setColor(colour);
      g.fillRect(40, 40, 120, 90);
    });
  }

  /** A blot of black in place of a colour has lost no ink, and is seen all the same. */
  @Test
  void anAreaOfAnotherColourIsTold() {
    for (Color other : List.of(Color.BLACK, Color.BLUE, new Color(255, 160, 160))) {
      assertThat(box(Color.RED).beside(box(other)).recoloured(0.01))
          .as(other.toString())
          .singleElement()
          .satisfies(a -> assertThat(a.box().width()).isBetween(150.0, 260.0));
    }
    assertThat(box(Color.RED).beside(box(Color.RED)).recoloured(0.01)).isEmpty();
    assertThat(box(Color.RED).beside(box(new Color(240, 20, 20))).recoloured(0.01))
        .as("another reader of the same colour")
        .isEmpty();
  }

  @Test
  void whatIsNewOnThePageIsToldToo() {
    assertThat(lines(300, 10, 0).beside(page(g -> g.fillRect(40, 40, 120, 90))).recoloured(0.01))
        .isNotEmpty();
  }

  @Test
  void textThatSlipsByALineHasNoOtherColour() {
    assertThat(lines(40, 40, 0).beside(lines(46, 40, 4)).recoloured(0.01)).isEmpty();
  }

  /** Other kinds of pictures than the painters make are read alike. */
  @Test
  void greyAndTransparentPicturesAreRead() {
    var grey = new BufferedImage(100, 100, BufferedImage.TYPE_BYTE_GRAY);
    Graphics2D g = grey.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, 100, 100);
    g.setColor(Color.BLACK);
    g.fillRect(10, 10, 30, 30);
    assertThat(InkGrid.of(grey).total()).isEqualTo(30L * 30 * 765);
  }

  @Test
  void aPartThatIsGoneHasItsPlaceAndItsShare() {
    InkGrid was = lines(40, 40, 0);
    InkGrid is =
        page(g -> {
          for (int k = 0; k < 40; k++) {
            if (k < 10 || k >= 20) {
              g.fillRect(40, 40 + 8 * k, 250, 3);
            }
          }
        });
    assertThat(was.beside(was).gone(0.01)).isEmpty();
    List<GoneInk.Area> gone = was.beside(is).gone(0.01);
    assertThat(gone).hasSize(1);
    GoneInk.Area a = gone.getFirst();
    // A quarter of the lines, but for those near the ones that stayed.
    assertThat(a.share()).isBetween(0.1, 0.25);
    assertThat(a.box().y() * 40 / 72).isBetween(120.0, 150.0);
    assertThat(a.box().bottom() * 40 / 72).isBetween(170.0, 200.0);
    assertThat(is.beside(was).gone(0.01)).as("nothing of what stayed").isEmpty();
  }

  @Test
  void aLineThatSlipsIsNotGone() {
    assertThat(lines(40, 1, 0).beside(lines(50, 1, 4)).gone(0.01)).isEmpty();
    assertThat(lines(40, 1, 0).beside(lines(90, 1, 0)).gone(0.01)).hasSize(1);
  }

  @Test
  void aPartThatIsPaleIsGoneAsOneThatIsBlack() {
    InkGrid was =
        page(g -> {
          g.setColor(new Color(225, 225, 225));
          g.fillRect(40, 200, 200, 100);
        });
    assertThat(was.beside(page(g -> {})).gone(0.01)).hasSize(1);
  }
}
