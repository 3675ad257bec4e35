package decant.pdf.write.fonts;

import static org.assertj.core.api.Assertions.assertThat;

import decant.pdf.choices.Conformance;
import decant.pdf.choices.FontEmbedding.Embedding;
import decant.pdf.choices.FontEmbedding.FontChoice;
import decant.pdf.choices.FontEmbedding.Substitute;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.Joins;
import java.awt.font.FontRenderContext;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.junit.jupiter.api.Test;

/** A face that is taken apart once serves every file as if it were taken apart for that alone. */
class ParsedFontTest {
  private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);
  private static final List<FontFace> FACES =
      List.of(
          FontBook.shipped().serve("Liberation Serif", false, false).face(),
          FontBook.shipped().serve("Carlito", true, false).face());

  /** The program of a subset that differs with a number. */
  private static byte[] program(int number) {
    FontFace face = FACES.get(number % FACES.size());
    var used = new GlyphTable();
    for (int c = 'A'; c < 'A' + 5 + number % 20; c++) {
      String s = Character.toString(c);
      used.add(face.unitFont(Joins.NONE).createGlyphVector(EXACT, s).getGlyphCode(0), s);
    }
    try {
      COSDictionary d =
          FontInFile.of(
                  face,
                  used,
                  "F",
                  new FontChoice(Embedding.USED, Substitute.SAME_NAME),
                  Conformance.DEFAULT,
                  6)
              .dictionaries()
              .get("F");
      COSDictionary cid =
          (COSDictionary) ((COSArray) d.getItem(COSName.DESCENDANT_FONTS)).getObject(0);
      COSStream s = cid.getCOSDictionary(COSName.FONT_DESC).getCOSStream(COSName.FONT_FILE2);
      try (var in = s.createInputStream()) {
        return in.readAllBytes();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  void isTheSameForAllThreads() {
    List<byte[]> inTurn = IntStream.range(0, 60).mapToObj(ParsedFontTest::program).toList();
    List<byte[]> together =
        IntStream.range(0, 60).parallel().mapToObj(ParsedFontTest::program).toList();
    for (int k = 0; k < inTurn.size(); k++) {
      assertThat(together.get(k)).as("subset " + k).isEqualTo(inTurn.get(k)).isNotEmpty();
    }
    assertThat(inTurn.get(0)).isNotEqualTo(inTurn.get(2));
  }

  @Test
  void isTakenApartOnce() throws IOException {
    assertThat(ParsedFont.of(FACES.getFirst())).isSameAs(ParsedFont.of(FACES.getFirst()));
    assertThat(ParsedFont.of(FACES.getFirst())).isNotSameAs(ParsedFont.of(FACES.getLast()));
    assertThat(ParsedFont.of(FACES.getFirst()).width(ParsedFont.of(FACES.getFirst()).blank()))
        .isEqualTo(250); // of a space, as the font's own table of widths has it
  }
}
