package decant.model.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class LookTest {
  @Test
  void looksWithEqualTraitsAreEqual() {
    Look a = Look.of(TextTraits.BOLD, true).with(TextTraits.SIZE, 12.5);
    Look b = Look.of(TextTraits.SIZE, 12.5).with(TextTraits.BOLD, true);
    assertThat(a).isEqualTo(b).hasSameHashCodeAs(b);
    assertThat(a).isNotEqualTo(b.with(TextTraits.SIZE, 12.0));
    assertThat(a.without(TextTraits.SIZE).without(TextTraits.BOLD)).isEqualTo(Look.PLAIN);
  }

  @Test
  void whatIsSetGoesOverWhatIsBelow() {
    Look over =
        Look.of(TextTraits.BOLD, false)
            .over(Look.of(TextTraits.BOLD, true).with(TextTraits.ITALIC, true));
    assertThat(over.value(TextTraits.BOLD)).isFalse();
    assertThat(over.value(TextTraits.ITALIC)).isTrue();
    assertThat(over.get(TextTraits.SIZE)).isEmpty();
    assertThat(over.value(TextTraits.SIZE)).isEqualTo(TextTraits.SIZE.initial());
  }

  @Test
  void stylesCascadeFromTheRootAndCyclesEnd() {
    var a =
        new NamedStyle(
            "a",
            "a",
            NamedStyle.Kind.PARAGRAPH,
            Optional.of("b"),
            Look.PLAIN,
            Look.of(TextTraits.BOLD, true),
            List.of());
    var b =
        new NamedStyle(
            "b",
            "b",
            NamedStyle.Kind.PARAGRAPH,
            Optional.of("a"),
            Look.PLAIN,
            Look.of(TextTraits.BOLD, false).with(TextTraits.SIZE, 20.0),
            List.of());
    var sheet =
        new StyleSheet(Look.PLAIN, Look.of(TextTraits.SIZE, 9.0), "", Map.of("a", a, "b", b));
    Look base = sheet.textBase(Look.of(ParagraphTraits.STYLE, "a"));
    assertThat(base.value(TextTraits.BOLD)).isTrue();
    assertThat(base.value(TextTraits.SIZE)).isEqualTo(20.0);
    assertThat(sheet.textBase(Look.PLAIN).value(TextTraits.SIZE)).isEqualTo(9.0);
  }
}
