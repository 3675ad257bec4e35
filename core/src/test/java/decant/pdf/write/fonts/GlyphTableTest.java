package decant.pdf.write.fonts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class GlyphTableTest {
  @Test
  void pairsAreNumberedAsAMapWouldNumberThem() {
    var random = new Random(9);
    var table = new GlyphTable();
    Map<List<Object>, Integer> reference = new LinkedHashMap<>();
    String[] texts = {"", "a", "\u0000", "\uFFFF", "ffi", "\u0915\u094D", "b"};
    for (int k = 0; k < 20_000; k++) {
      int glyph = random.nextInt(3000) - 1;
      String text = texts[random.nextInt(texts.length)];
      int wanted = reference.computeIfAbsent(List.of(glyph, text), p -> reference.size());
      assertThat(table.add(glyph, text)).isEqualTo(wanted);
    }
    assertThat(table.size()).isEqualTo(reference.size());
    var keys = new ArrayList<>(reference.keySet());
    for (int n = 0; n < table.size(); n++) {
      assertThat(List.of(table.glyph(n), table.text(n))).isEqualTo(keys.get(n));
      assertThat(table.find(table.glyph(n), table.text(n))).isEqualTo(n);
    }
    assertThat(table.find(5000, "a")).isNegative();
    assertThat(table.find(1, "never")).isNegative();
  }
}
