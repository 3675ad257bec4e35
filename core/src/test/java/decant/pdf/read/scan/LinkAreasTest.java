package decant.pdf.read.scan;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Box;
import decant.model.look.Link;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LinkAreasTest {
  private record Known(Box box, Link link) {}

  /** As going through all of them one by one finds it, whatever their sizes. */
  @Test
  void theFirstAreaThatHoldsAPlaceCounts() {
    for (long seed = 1; seed <= 20; seed++) {
      var random = new Random(seed);
      var areas = new LinkAreas();
      List<Known> known = new ArrayList<>();
      for (int k = 0; k < 300; k++) {
        double large = random.nextInt(10) == 0 ? 900 : 60;
        var box =
            new Box(
                random.nextDouble() * 700 - 50,
                random.nextDouble() * 900 - 50,
                random.nextDouble() * large,
                random.nextDouble() * large);
        Link link = new Link.External("https://quay.example/" + k);
        areas.add(box, link, Optional.empty());
        known.add(new Known(box, link));
      }
      for (int k = 0; k < 2000; k++) {
        double x = random.nextDouble() * 700 - 50;
        double y = random.nextDouble() * 900 - 50;
        Optional<Link> first =
            known.stream().filter(a -> a.box().contains(x, y)).map(Known::link).findFirst();
        assertThat(areas.at(x, y).map(LinkAreas.Area::link))
            .as(seed + ": " + x + ", " + y)
            .isEqualTo(first);
      }
    }
  }

  @Test
  void areasOfNoSensibleSizeComeToAnEnd() {
    var areas = new LinkAreas();
    Link link = new Link.External("https://quay.example/");
    areas.add(new Box(-1e300, -1e300, 2e300, 2e300), link, Optional.empty());
    areas.add(new Box(Double.NaN, 0, Double.NaN, 10), link, Optional.empty());
    areas.add(new Box(0, 0, Double.POSITIVE_INFINITY, 1), link, Optional.empty());
    assertThat(areas.at(100, 100).map(LinkAreas.Area::link)).contains(link);
    assertThat(areas.size()).isEqualTo(3);
  }
}
