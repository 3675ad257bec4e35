package decant.pdf.read.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.SourceFace;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One text for several glyphs, and what it must not do to them. */
class ReplacedTextTest {
  private static final SourceFace FACE = new SourceFace("Serif", "Serif", false, false, true);

  private final List<Glyph> page = new ArrayList<>();

  private void shown(String letters) {
    for (int c : letters.codePoints().toArray()) {
      double x = page.isEmpty() ? 90 : page.getLast().right();
      page.add(Glyph.made(Character.toString(c), x, 100, 6, 11, FACE, -1));
    }
  }

  private void replaced(String by, String letters) {
    var r = new ReplacedText(by);
    for (int c : letters.codePoints().toArray()) {
      shown(Character.toString(c));
      r.last(page);
    }
    r.settle();
  }

  private String text() {
    return String.join("", page.stream().map(Glyph::text).toList());
  }

  @Test
  void aLigatureIsItsLettersAsWideAsItWas() {
    shown("o");
    replaced("ffi", "\uFB03");
    shown("ce");
    assertThat(text()).isEqualTo("office");
    assertThat(page.get(1).width()).isEqualTo(6);
  }

  @Test
  void lettersDrawnInPartsAreOne() {
    replaced("é", "e´");
    shown("t");
    assertThat(text()).isEqualTo("ét");
    assertThat(page.getFirst().right()).isEqualTo(page.get(1).x(), within(1e-9));
  }

  @Test
  void aHyphenThatStandsForNothingGoes() {
    shown("har");
    replaced("", "-");
    assertThat(text()).isEqualTo("har");
  }

  @Test
  void aTextThatSaysFarMoreThanIsSeenIsNotPutInItsPlace() {
    replaced("protect <", "⟨");
    shown("berth");
    replaced("protect >", "⟩");
    assertThat(text()).isEqualTo("⟨berth⟩");
  }

  @Test
  void signsThatNobodyKnowsAreWhatTheTextSays() {
    replaced("telephone", Character.toString(0xF0042));
    assertThat(text()).isEqualTo("telephone");
  }
}
