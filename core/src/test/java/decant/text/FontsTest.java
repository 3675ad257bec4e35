package decant.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FontsTest {
  private final FontBook book = FontBook.shipped();

  @ParameterizedTest
  @CsvSource({
    "Arial, Liberation Sans, SAME_METRICS",
    "Times New Roman, Liberation Serif, SAME_METRICS",
    "Courier New, Liberation Mono, SAME_METRICS",
    "Calibri, Carlito, SAME_METRICS",
    "Cambria, Caladea, SAME_METRICS",
    "carlito, Carlito, SAME",
    "Garamond, Liberation Serif, FALLBACK",
    "Consolas, Liberation Mono, FALLBACK",
    "Verdana, DejaVu Sans, FALLBACK",
    "Calibri Light, Carlito, FALLBACK"
  })
  void askedForFontsAreServedWithAReason(String asked, String served, FontBook.Reason reason) {
    FontBook.Served s = book.serve(asked, true, false);
    assertThat(s.face().family()).isEqualTo(served);
    assertThat(s.face().bold()).isTrue();
    assertThat(s.reason()).isEqualTo(reason);
  }

  @ParameterizedTest
  @ValueSource(strings = {"Liberation Serif", "Carlito", "Noto Sans Hebrew", "DejaVu Sans"})
  void tablesAgreeWithASecondReader(String family) throws IOException {
    FontFace face = book.serve(family, false, false).face();
    try (TrueTypeFont other =
        new TTFParser().parse(new RandomAccessReadBuffer(new ByteArrayInputStream(face.bytes())))) {
      assertThat(face.unitsPerEm()).isEqualTo(other.getUnitsPerEm());
      assertThat(face.tables().embedding()).isEqualTo(other.getOS2Windows().getFsType());
      assertThat(face.tables().italicAngle()).isEqualTo(other.getPostScript().getItalicAngle());
    }
  }

  @Test
  void charactersThatAFaceLacksAreShownByAnother() {
    FontFace serif = book.serve("Times New Roman", false, false).face();
    assertThat(book.stepIn(serif, 'ש').family()).isEqualTo("Noto Serif Hebrew");
    assertThat(book.stepIn(serif, 'ع').family()).isEqualTo("Noto Naskh Arabic");
    assertThat(book.stepIn(serif, 'ก').family()).isEqualTo("Noto Serif Thai");
    assertThat(book.stepIn(book.serve("Arial", true, false).face(), 'क').toString())
        .isEqualTo("Noto Sans Devanagari Bold");
    assertThat(book.stepIn(serif, 0x2713).covers(0x2713)).isTrue();
  }

  @Test
  void kerningAndAdvancesAreTheFontsOwn() throws IOException {
    FontFace face = book.serve("Liberation Serif", false, false).face();
    var shaper = new JdkShaper();
    Glyphs pair = shaper.shape(face, "AV", false, Joins.ALL);
    float apart =
        shaper.shape(face, "A", false, Joins.ALL).width()
            + shaper.shape(face, "V", false, Joins.ALL).width();
    assertThat(pair.width()).as("A and V move together").isLessThan(apart);
    try (TrueTypeFont other =
        new TTFParser().parse(new RandomAccessReadBuffer(new ByteArrayInputStream(face.bytes())))) {
      assertThat(shaper.shape(face, "A", false, Joins.ALL).width())
          .isEqualTo(other.getAdvanceWidth(pair.ids()[0]));
    }
  }

  @Test
  void complexScriptsJoinAndKeepTheirClusters() {
    FontFace arabic = book.stepIn(book.serve("Times New Roman", false, false).face(), 'ع');
    var shaper = new JdkShaper();
    Glyphs lamAlef = shaper.shape(arabic, "\u0644\u0627", true, Joins.ALL);
    long ink =
        java.util.stream.IntStream.range(0, lamAlef.ids().length)
            .filter(k -> lamAlef.ids()[k] != 3)
            .count();
    assertThat(ink).as("lam and alef form one ligature").isLessThanOrEqualTo(2);
    Glyphs joined = shaper.shape(arabic, "\u0628\u0628\u0628", true, Joins.ALL);
    assertThat(joined.ids()).as("initial, medial and final forms differ").doesNotHaveDuplicates();
    assertThat(joined.clusters()[0]).as("visual order: the last letter stands first").isEqualTo(2);
  }

  @Test
  void whatIsNoFontIsRefused() {
    assertThatThrownBy(() -> FontTables.read(new byte[] {0, 1, 0, 0, 0, 9, 1, 2}))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
