package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.compare.Difference.Kind;
import decant.compare.Difference.Side;
import decant.model.look.Media;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * What may be taken off a list of differences since pages have it in their own way, and what not.
 */
class OnPagesTest {
  private static final Edition DOCUMENT =
      new Edition(false, 2, List.of(), List.of(), List.of(), Map.of(), List.of());

  private static Edition pages(String type, String alt) {
    var image = new Piece.Image(1, Media.of(type, new byte[] {1}), 100, 80, alt, Optional.empty());
    return new Edition(true, 2, List.of(image), List.of(), List.of(), Map.of(), List.of());
  }

  private static List<Difference> left(Edition pages, Difference... found) {
    var out = new ArrayList<>(List.of(found));
    new OnPages(out).dropWhatIsThere(DOCUMENT, pages);
    return out;
  }

  private static Difference gone(int page, String text) {
    return Difference.removed(Kind.TEXT, new Side(page, text));
  }

  private static Difference come(int page, String text) {
    return Difference.added(Kind.TEXT, new Side(page, text));
  }

  @Test
  void textThatADrawingHoldsIsThere() {
    Edition pages = pages("application/pdf", "Crane at the slip Fuel berth");
    assertThat(left(pages, gone(1, "Crane at the slip"))).isEmpty();
    assertThat(left(pages, gone(1, "Cran"), gone(2, "Fuel berth"), gone(1, "Winter store")))
        .hasSize(3);
  }

  /** What someone said of a photograph is not written in it. */
  @Test
  void textThatIsOnlySaidOfAPictureIsGone() {
    assertThat(left(pages("image/png", "Crane at the slip"), gone(1, "Crane at the slip")))
        .hasSize(1);
  }

  @Test
  void wordsThatAreBrokenOtherwiseAreThereOnTheSamePage() {
    Edition pages = pages("image/png", "");
    assertThat(left(pages, gone(1, "Harbour office"), come(1, "Har bour of fice"))).isEmpty();
    assertThat(left(pages, gone(1, "Harbour office"), come(1, "Harbour officer"))).hasSize(2);
    assertThat(left(pages, gone(1, "Harbour office"), come(9, "Har bour of fice"))).hasSize(2);
  }
}
