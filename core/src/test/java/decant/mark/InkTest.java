package decant.mark;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.look.Colour;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class InkTest {
  private static final Colour BLUE = new Colour(0x1F2A66);

  private static String svg(Mark m) {
    return new String(m.picture().bytes(), StandardCharsets.UTF_8);
  }

  private static List<Double> widths(Mark m) {
    Matcher w = Pattern.compile("stroke-width=\"([0-9.]+)\"").matcher(svg(m));
    return w.results().map(r -> Double.valueOf(r.group(1))).toList();
  }

  /** The points that the curves go through. */
  private static List<double[]> through(Mark m) {
    var out = new ArrayList<double[]>();
    Matcher c =
        Pattern.compile("C\\S+ \\S+ \\S+ \\S+ ([-0-9.]+) ([-0-9.]+?)(?=[CM\"])").matcher(svg(m));
    c.results()
        .forEach(r ->
            out.add(new double[] {Double.parseDouble(r.group(1)), Double.parseDouble(r.group(2))}));
    return out;
  }

  private static double roughness(List<double[]> line) {
    double sum = 0;
    for (double[] p : line) {
      sum += Math.pow(p[1] - (100 + 20 * Math.sin(p[0] / 25)), 2);
    }
    return Math.sqrt(sum / line.size());
  }

  @Test
  void aTremorIsSmoothedAndTheEndsStay() {
    var random = new Random(7);
    var stroke = new ArrayList<Ink.Point>();
    var raw = new ArrayList<double[]>();
    for (int k = 0; k <= 60; k++) {
      double x = 5 * k;
      double off = k == 0 || k == 60 ? 0 : 1.2 * random.nextGaussian();
      double y = 100 + 20 * Math.sin(x / 25) + off;
      raw.add(new double[] {x, y});
      stroke.add(new Ink.Point(x, y, Ink.Point.UNKNOWN, 10L * k));
    }
    Mark m = Ink.drawn(List.of(stroke), BLUE, 3).orElseThrow();
    assertThat(through(m)).hasSizeGreaterThan(50);
    assertThat(roughness(through(m))).isLessThan(0.7 * roughness(raw));
    assertThat(through(m).getLast()[0]).isEqualTo(300);
    assertThat(svg(m)).contains("M0 100C").contains("#1F2A66");
  }

  @Test
  void whereAPenIsPressedTheLineIsThicker() {
    var light = new ArrayList<Ink.Point>();
    var heavy = new ArrayList<Ink.Point>();
    for (int k = 0; k < 20; k++) {
      light.add(new Ink.Point(4 * k, 10, 0.1, 5L * k));
      heavy.add(new Ink.Point(4 * k, 40, 0.9, 5L * k));
    }
    double thin = widths(Ink.drawn(List.of(light), BLUE, 3).orElseThrow()).getLast();
    double thick = widths(Ink.drawn(List.of(heavy), BLUE, 3).orElseThrow()).getLast();
    assertThat(thick).isGreaterThan(1.4 * thin);
  }

  @Test
  void withoutPressureAFastLineIsThinner() {
    var slow = new ArrayList<Ink.Point>();
    var fast = new ArrayList<Ink.Point>();
    for (int k = 0; k < 20; k++) {
      slow.add(new Ink.Point(4 * k, 10, Ink.Point.UNKNOWN, 40L * k));
      fast.add(new Ink.Point(4 * k, 10, Ink.Point.UNKNOWN, 2L * k));
    }
    assertThat(widths(Ink.drawn(List.of(fast), BLUE, 3).orElseThrow()).getLast())
        .isLessThan(widths(Ink.drawn(List.of(slow), BLUE, 3).orElseThrow()).getLast());
  }

  @Test
  void aTurnOnTheSpotStaysSharp() {
    var v = new ArrayList<Ink.Point>();
    for (int k = 0; k <= 10; k++) {
      v.add(new Ink.Point(10 * k, 100 - 10 * k, Ink.Point.UNKNOWN, 10L * k));
    }
    for (int k = 1; k <= 10; k++) {
      v.add(new Ink.Point(100 + k, 10 * k, Ink.Point.UNKNOWN, 100 + 10L * k));
    }
    Mark m = Ink.drawn(List.of(v), BLUE, 3).orElseThrow();
    assertThat(through(m)).anySatisfy(p -> assertThat(p).containsExactly(100, 0));
  }

  @Test
  void aFewQuickMovesKeepTheirShape() {
    var zigzag = new ArrayList<Ink.Point>();
    for (int k = 0; k < 8; k++) {
      zigzag.add(new Ink.Point(40 * k, k % 2 * 30, Ink.Point.UNKNOWN, 16L * k));
    }
    List<double[]> line = through(Ink.drawn(List.of(zigzag), BLUE, 3).orElseThrow());
    for (int k = 1; k < 7; k++) {
      assertThat(Math.abs(line.get(k - 1)[1] - k % 2 * 30)).isLessThan(2.1);
    }
  }

  @Test
  void aDotIsAMarkAndNothingIsNone() {
    var dot = new Ink.Point(50, 50, Ink.Point.UNKNOWN, 0);
    Mark m = Ink.drawn(List.of(List.of(dot)), BLUE, 4).orElseThrow();
    assertThat(m.width()).isCloseTo(m.height(), org.assertj.core.data.Offset.offset(0.1));
    assertThat(Ink.drawn(List.of(List.of()), BLUE, 4)).isEmpty();
  }
}
