package decant.pdf.read.fonts;

import static org.assertj.core.api.Assertions.assertThat;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.text.FontName;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Weights by the names of OpenType's usWeightClass (OS/2 table), as makers of fonts use them. */
class WeightsTest {
  @ParameterizedTest
  @CsvSource({
    "Lato-Hairline,100",
    "Inter-ExtraLight,200",
    "Lato-LightItalic,300",
    "Lato-Regular,400",
    "Caladea,400",
    "Lato-Medium,500",
    "Inter-SemiBold,600",
    "Carlito-Bold,700",
    "Lato-Black,900"
  })
  void namesTellWeights(String name, int weight) {
    assertThat(FontName.weight(name)).isEqualTo(weight);
  }

  private static SourceFace face(String name, boolean bold) {
    return new SourceFace(name, FontName.of(name).family(), bold, false, true);
  }

  private static Map<SourceFace, SourceFace> found(SourceFace text, SourceFace other) {
    var glyphs = new ArrayList<Glyph>();
    for (int k = 0; k < 50; k++) {
      glyphs.add(Glyph.made("a", 70 + 6 * k, 100, 6, 10, k < 40 ? text : other, -1));
    }
    var page = ScannedPage.blank(0, 595, 842).only(glyphs);
    Map<SourceFace, SourceFace> out = Weights.standingOut(List.of(page));
    assertThat(Weights.in(out, page).glyphs()).hasSize(50);
    assertThat(Weights.in(out, page).glyphs().getLast().ink().face().bold())
        .isEqualTo(out.containsKey(other) || other.bold());
    return out;
  }

  @Test
  void mediumIsBoldBesideLight() {
    assertThat(found(face("Lato-Light", false), face("Lato-Medium", false)))
        .containsOnlyKeys(face("Lato-Medium", false));
  }

  @Test
  void oneStepIsNotAndNorIsAnotherFamilyNorOneThatSaysSo() {
    assertThat(found(face("Lato-Regular", false), face("Lato-Medium", false))).isEmpty();
    assertThat(found(face("Lato-Light", false), face("Inter-Medium", false))).isEmpty();
    assertThat(found(face("Lato-Light", false), face("Lato-Bold", true))).isEmpty();
  }
}
