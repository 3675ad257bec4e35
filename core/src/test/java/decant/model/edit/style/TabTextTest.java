package decant.model.edit.style;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.model.look.Colour;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Rule;
import decant.model.look.Rules;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class TabTextTest {
  private static final TabText WORDS = new TabText(List.of("left", "centre", "right", "decimal"));
  private static final double MM = 72 / 25.4;

  @Test
  void stopsAreWrittenAsTheyAreRead() {
    String text = "40; 80 centre; 120,5 decimal; 160 right .";
    List<TabStop> stops = WORDS.read(text).orElseThrow();
    assertThat(stops)
        .extracting(TabStop::kind)
        .containsExactly(
            TabStop.Kind.LEFT, TabStop.Kind.CENTRE, TabStop.Kind.DECIMAL, TabStop.Kind.RIGHT);
    assertThat(stops.get(3).leader()).isEqualTo(TabStop.Leader.DOT);
    assertThat(stops.get(1).at()).isCloseTo(80 * MM, within(1e-9));
    assertThat(WORDS.write(stops)).isEqualTo("40; 80 centre; 120.5 decimal; 160 right .");
    assertThat(WORDS.read("160 r; 40")).isEqualTo(WORDS.read("40 left; 160 right"));
    assertThat(WORDS.read(" ")).contains(List.of());
  }

  @ParameterizedTest
  @ValueSource(strings = {"forty", "40 sideways", "40 right . x", "NaN", "1e9", "40 80"})
  void whatIsNoStopIsNotUnderstood(String text) {
    assertThat(WORDS.read(text)).isEmpty();
  }

  @Test
  void stopsOfTheStyleThatAreNotWantedAreTakenAway() {
    List<TabStop> now = WORDS.read("40; 80").orElseThrow();
    List<TabStop> said = TabText.said(WORDS.read("80 right").orElseThrow(), now);
    assertThat(said)
        .extracting(TabStop::kind)
        .containsExactly(TabStop.Kind.CLEAR, TabStop.Kind.RIGHT);
    assertThat(WORDS.write(said)).isEqualTo("80 right");
  }

  @ParameterizedTest
  @EnumSource(Sides.class)
  void sidesAreThoseThatWereChosen(Sides s) {
    Rule line = new Rule(Rule.Kind.DOTTED, 2, Colour.parse("C00000"), 4);
    Rules drawn = s.drawn(line);
    assertThat(Sides.of(drawn)).isEqualTo(s);
    assertThat(drawn.isDrawn()).isEqualTo(s != Sides.NONE);
    if (s != Sides.NONE) {
      assertThat(Sides.line(drawn)).isEqualTo(line);
    }
    Rules styled = drawn.over(Rules.around(Rule.single(1, Colour.BLACK)));
    assertThat(Sides.of(styled)).as("over a style that has them all around").isEqualTo(s);
  }
}
