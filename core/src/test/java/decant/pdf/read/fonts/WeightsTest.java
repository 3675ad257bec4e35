package decant.pdf.read.fonts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.text.FontName;
import decant.text.OutlineFont;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
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
    Map<SourceFace, SourceFace> out = Weights.standingOut(List.of(page), new FileFonts());
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
  void mediumIsBoldBesideRegularWhereNothingIsHeavier() {
    assertThat(found(face("Lato-Regular", false), face("Lato-Medium", false)))
        .containsOnlyKeys(face("Lato-Medium", false));
  }

  @Test
  void oneStepIsNotAndNorIsAnotherFamilyNorOneThatSaysSo() {
    assertThat(found(face("Lato-Light", false), face("Lato-Regular", false))).isEmpty();
    assertThat(found(face("Lato-Light", false), face("Inter-Medium", false))).isEmpty();
    assertThat(found(face("Lato-Light", false), face("Lato-Bold", true))).isEmpty();
  }

  private static OutlineFont.Letter letter(Shape outline) {
    return new OutlineFont.Letter(outline, 300);
  }

  /** A straight stroke, of a height of 700, as the letters l and I are made of. */
  private static Strokes strokes(double thick, double lean) {
    Shape outline =
        AffineTransform.getShearInstance(lean, 0)
            .createTransformedShape(new Rectangle2D.Double(40, 0, thick, 700));
    return Strokes.of(Map.of("l", letter(outline), "I", letter(outline), "o", letter(outline)))
        .orElseThrow();
  }

  @Test
  void strokesAreMeasuredByTheHeightOfTheLetter() {
    assertThat(strokes(70, 0).thick()).containsOnlyKeys("l", "I");
    assertThat(strokes(70, 0).usual()).isCloseTo(0.1, within(0.01));
    assertThat(strokes(70, 0).lean()).isCloseTo(0, within(0.01));
    assertThat(strokes(126, 0.2).usual()).isCloseTo(0.18, within(0.01));
    assertThat(strokes(126, 0.2).lean()).isCloseTo(0.2, within(0.02));
    assertThat(strokes(126, 0).times(strokes(70, 0)).orElseThrow()).isCloseTo(1.8, within(0.2));
    assertThat(Strokes.of(Map.of("o", letter(new Rectangle2D.Double(0, 0, 70, 700))))).isEmpty();
  }
}
