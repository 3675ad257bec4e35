package decant.pdf.read.fonts;

import static org.assertj.core.api.Assertions.assertThat;

import decant.pdf.read.page.SourceFace;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.Joins;
import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import org.junit.jupiter.api.Test;

class GlyphShapeTest {
  private static Shape outline(String family, boolean bold, String letter) {
    FontFace face = FontBook.shipped().serve(family, bold, false).face();
    Font font = face.unitFont(Joins.NONE);
    double em = font.getSize2D();
    return AffineTransform.getScaleInstance(1 / em, -1 / em)
        .createTransformedShape(
            font.createGlyphVector(new FontRenderContext(null, true, true), letter).getOutline());
  }

  private static GlyphShape shape(String family, boolean bold, String letter) {
    return GlyphShape.of(outline(family, bold, letter)).orElseThrow();
  }

  @Test
  void aLetterIsMoreLikeItselfInAnotherFaceThanLikeAnotherLetter() {
    for (String letter : "abdeghkmpqrstwyABDEGHKMNPQRSTWXYZ23456789".split("")) {
      GlyphShape serif = shape("Liberation Serif", false, letter);
      GlyphShape heavy = shape("Liberation Serif", true, letter);
      assertThat(serif.unlike(serif, 1)).isZero();
      assertThat(serif.unlike(heavy, 1)).as(letter).isLessThan(0.3);
      String other = letter.equals("M") ? "i" : "M";
      assertThat(serif.unlike(shape("Liberation Serif", false, other), 1))
          .as("%s and %s", letter, other)
          .isGreaterThan(serif.unlike(heavy, 1));
    }
  }

  @Test
  void proportionsTellLettersOfOneOutlineApart() {
    GlyphShape o = shape("Liberation Sans", false, "o");
    assertThat(o.unlike(shape("Liberation Sans", false, "O"), 1)).isGreaterThan(0.1);
    GlyphShape comma = shape("Liberation Sans", false, ",");
    assertThat(comma.unlike(shape("Liberation Sans", false, "’"), 1))
        .as("the same form, on the line and above it")
        .isGreaterThan(0.3);
  }

  @Test
  void whatIsFurtherOffThanTheLimitIsNotMeasured() {
    GlyphShape a = shape("Liberation Sans", false, "a");
    assertThat(a.unlike(shape("Liberation Sans", false, "W"), 0.05)).isEqualTo(1);
  }

  @Test
  void nothingIsAShapeWithoutInk() {
    assertThat(GlyphShape.of(new Path2D.Double())).isEmpty();
    assertThat(GlyphShape.of(new Rectangle2D.Double(0, 0, 9, 1))).as("too large").isEmpty();
  }

  @Test
  void theFrameOfAMissingLetterAndABlockAreNoLetters() {
    var frame = new Area(new Rectangle2D.Double(0, 0, 0.5, 0.7));
    frame.subtract(new Area(new Rectangle2D.Double(0.04, 0.04, 0.42, 0.62)));
    assertThat(GlyphShape.of(frame).orElseThrow().isBlank()).isTrue();
    assertThat(GlyphShape.of(new Rectangle2D.Double(0, 0, 0.5, 0.7)).orElseThrow().isBlank())
        .isTrue();
    for (String letter : "lIUDOHL0".split("")) {
      assertThat(shape("Liberation Sans", true, letter).isBlank()).as(letter).isFalse();
    }
  }

  @Test
  void everyLetterOfAKnownFaceIsTold() {
    for (String letter : "etaoinshrdcumwfgypbvkjxqzTANSHRDLCUMWFGYPBVKJXQZ23456789".split("")) {
      assertThat(KnownShapes.shipped().character(shape("Carlito", false, letter)))
          .as(letter)
          .contains(letter);
    }
  }

  @Test
  void aLetterThatIsSaidToBeAnotherIsFoundOut() {
    var plain = new SourceFace("x", "Liberation Serif", false, false, true);
    GlyphShape m = shape("Liberation Serif", false, "m");
    assertThat(KnownShapes.shipped().isLike(m, "m", plain)).contains(true);
    assertThat(KnownShapes.shipped().isLike(m, "t", plain)).contains(false);
    var star = new Path2D.Double();
    for (int k = 0; k < 5; k++) {
      double a = Math.PI * (0.5 + 0.8 * k);
      if (k == 0) {
        star.moveTo(0.4 + 0.4 * Math.cos(a), 0.4 + 0.4 * Math.sin(a));
      } else {
        star.lineTo(0.4 + 0.4 * Math.cos(a), 0.4 + 0.4 * Math.sin(a));
      }
    }
    star.closePath();
    assertThat(KnownShapes.shipped().isLike(GlyphShape.of(star).orElseThrow(), "m", plain))
        .as("like no letter: nothing is said")
        .isEmpty();
  }
}
