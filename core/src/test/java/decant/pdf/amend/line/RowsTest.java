package decant.pdf.amend.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lines of pages that are written by hand, in Courier (F), whose letters are 0.6 wide. */
class RowsTest {
  private static List<Row> rows(String content) {
    try (PDDocument pdf = new PDDocument()) {
      var page = new PDPage();
      var resources = new PDResources();
      resources.put(COSName.F, new PDType1Font(FontName.COURIER));
      page.setResources(resources);
      var s = new PDStream(pdf);
      try (var out = s.createOutputStream()) {
        out.write(content.getBytes(StandardCharsets.ISO_8859_1));
      }
      page.setContents(s);
      pdf.addPage(page);
      return Rows.of(PageLetters.of(page, new FontsOfFile()).letters());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String text(Row r) {
    return r.letters().stream().map(l -> l.text).collect(Collectors.joining());
  }

  private static List<String> texts(String content) {
    return rows(content).stream().map(RowsTest::text).toList();
  }

  @Test
  void columnsAreLinesOfTheirOwn() {
    assertThat(
            texts(
                "BT /F 10 Tf 50 700 Td (North) Tj 200 0 Td (South) Tj ET"
                    + " BT /F 10 Tf 50 688 Td (One) Tj 200 0 Td (Two) Tj ET"))
        .containsExactly("North", "South", "One", "Two");
  }

  @Test
  void raisedAndLoweredLettersBelongToTheirLine() {
    assertThat(
            texts(
                "BT /F 10 Tf 50 700 Td (Note) Tj /F 6 Tf 4 Ts (1) Tj /F 10 Tf 0 Ts ( and H) Tj"
                    + " -2 Ts (2) Tj 0 Ts (O) Tj ET BT /F 10 Tf 50 688 Td (Below) Tj ET"))
        .containsExactly("Note1 and H2O", "Below");
  }

  @Test
  void linesAreReadAlongTheirOwnDirection() {
    List<Row> all =
        rows(
            "BT /F 10 Tf 50 700 Td (Level) Tj ET BT /F 10 Tf 0 1 -1 0 300 300 Tm (Up) Tj ET"
                + " BT /F 10 Tf -1 0 0 -1 400 400 Tm (Over) Tj ET");
    assertThat(all).extracting(RowsTest::text).containsExactlyInAnyOrder("Level", "Up", "Over");
    assertThat(all)
        .extracting(r -> Math.round(Math.toDegrees(r.angle())))
        .containsExactlyInAnyOrder(0L, 90L, 180L);
  }

  @Test
  void lettersShownAgainAreNoneMore() {
    List<Row> all =
        rows(
            "BT /F 10 Tf 50 700 Td (Bold) Tj ET BT /F 10 Tf 50.4 700 Td (Bold) Tj ET"
                + " BT /F 10 Tf 50 699.8 Td (Bold) Tj ET");
    assertThat(all).extracting(RowsTest::text).containsExactly("Bold");
    assertThat(all.getFirst().again()).allMatch(a -> a.size() == 2);
  }

  @ParameterizedTest
  @CsvSource({
    "(a b) Tj, 2", // a space
    "[(a) -600 (b)] TJ, 2", // a gap of 0.6
    "[(a) -40 (b)] TJ, 1", // one that only looks even
    "(a) Tj 12 0 Td (b) Tj, 2",
    "(a) Tj 6 0 Td (b) Tj, 1"
  })
  void gapsPartWords(String shown, int words) {
    Row r = rows("BT /F 10 Tf 50 700 Td " + shown + " ET").getFirst();
    assertThat(r.gaps() + 1).isEqualTo(words);
    assertThat(Search.in(List.of(r), "ab")).hasSize(words == 1 ? 1 : 0);
    assertThat(Search.in(List.of(r), "a b")).hasSize(words == 1 ? 0 : 1);
  }

  @Test
  void wordsOverTheEndOfALineGoOnInTheirColumn() {
    List<Row> all =
        rows(
            "BT /F 10 Tf 12 TL 50 700 Td (the harbour) Tj T* (office is) Tj ET"
                + " BT /F 10 Tf 12 TL 250 700 Td (the mooring) Tj T* (charge is) Tj ET");
    assertThat(Search.in(all, "harbour office")).hasSize(1);
    assertThat(Search.in(all, "mooring charge")).hasSize(1);
    assertThat(Search.in(all, "harbour the")).isEmpty();
    assertThat(Search.in(all, "harbour charge")).isEmpty();
  }

  @Test
  void placesDoNotReachIntoOneAnother() {
    assertThat(Search.in(rows("BT /F 10 Tf 50 700 Td (in in in in) Tj ET"), "in in")).hasSize(2);
  }

  /** Spacing of letters and words moves what follows, and is no part of a letter's own width. */
  @Test
  void spacingIsNoPartOfALetter() {
    Row r = rows("BT /F 10 Tf 2 Tc 5 Tw 50 700 Td (ab c) Tj ET").getFirst();
    assertThat(r.letters().get(1).u).isCloseTo(50 + 6 + 2, within(1e-4));
    assertThat(r.letters().get(3).u).isCloseTo(50 + 3 * (6 + 2) + 5, within(1e-4));
    assertThat(r.letters().get(0).right()).isCloseTo(56, within(1e-4));
  }

  @Test
  void aFloodOfPiecesIsNoText() {
    var b = new StringBuilder("BT /F 10 Tf ");
    for (int k = 0; k < 7000; k++) {
      b.append("1 0 0 1 %d %d Tm (x) Tj ".formatted(k * 37 % 600, k * 53 % 800));
    }
    assertThat(rows(b.append("ET").toString())).isEmpty();
  }
}
