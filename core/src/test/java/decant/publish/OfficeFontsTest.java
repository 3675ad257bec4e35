package decant.publish;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.format.Intake;
import decant.model.Document;
import decant.model.look.EmbeddedFont;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.reading.ReadRequest;
import decant.recipe.FontsInside;
import decant.recipe.Output;
import decant.recipe.Recipe;
import java.nio.file.Path;
import java.util.List;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Fonts that go into editable documents. */
class OfficeFontsTest {
  @TempDir Path folder;

  private static Document document(String family) {
    return Samples.document(
        Samples.runs(
            "Berth ",
            Look.of(TextTraits.FAMILY, family),
            "7",
            Look.of(TextTraits.FAMILY, family).with(TextTraits.BOLD, true)));
  }

  private static OfficeFonts.Result in(Document d, String format, FontsInside how) {
    return OfficeFonts.in(d, office(format, how));
  }

  private static Output.Office office(String format, FontsInside how) {
    Format f = Formats.of(format).orElseThrow();
    return new Output.Office(f).with(how);
  }

  private static TrueTypeFont font(EmbeddedFont f) throws Exception {
    return new TTFParser().parse(new RandomAccessReadBuffer(f.file().bytes()));
  }

  private static EmbeddedFont put(Document d, boolean bold) {
    return d.styles().typesetting().fonts().stream()
        .filter(f -> f.family().equals("Carlito") && f.bold() == bold)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theCharactersThatAreUsedAndNoOthers() throws Exception {
    Document d = document("Carlito");
    OfficeFonts.Result r = in(d, "docx", FontsInside.USED);
    assertThat(r.put()).extracting(OfficeFonts.Put::name).contains("Carlito", "Carlito Bold");
    try (TrueTypeFont plain = font(put(r.document(), false))) {
      CmapLookup map = plain.getUnicodeCmapLookup();
      assertThat("Berth ".chars()).allMatch(c -> map.getGlyphId(c) != 0);
      assertThat("QZ7".chars()).allMatch(c -> map.getGlyphId(c) == 0);
      assertThat(plain.getName()).isNotNull();
    }
    try (TrueTypeFont bold = font(put(r.document(), true))) {
      assertThat(bold.getUnicodeCmapLookup().getGlyphId('7')).isNotZero();
      assertThat(bold.getUnicodeCmapLookup().getGlyphId('B')).isZero();
    }
  }

  @Test
  void theWholeFontIsTheFileItself() throws Exception {
    OfficeFonts.Result whole = in(document("Carlito"), "docx", FontsInside.WHOLE);
    OfficeFonts.Result used = in(document("Carlito"), "docx", FontsInside.USED);
    try (TrueTypeFont f = font(put(whole.document(), false))) {
      assertThat(f.getUnicodeCmapLookup().getGlyphId('Q')).isNotZero();
    }
    long a = whole.put().stream().mapToLong(OfficeFonts.Put::bytes).sum();
    long b = used.put().stream().mapToLong(OfficeFonts.Put::bytes).sum();
    assertThat(a).isGreaterThan(10 * b);
  }

  @Test
  void whatIsNotHereIsToldAndStaysOut() {
    OfficeFonts.Result r = in(document("Quay Grotesk"), "docx", FontsInside.WHOLE);
    assertThat(r.put()).extracting(OfficeFonts.Put::name).noneMatch(n -> n.startsWith("Quay"));
    assertThat(r.leftOut()).anyMatch(s -> s.contains("Quay Grotesk"));
  }

  @Test
  void noneIsAskedForAndNoRoomIsThere() {
    Document d = document("Carlito");
    assertThat(in(d, "docx", FontsInside.NONE).document()).isSameAs(d);
    assertThat(in(d, "rtf", FontsInside.WHOLE).document()).isSameAs(d);
  }

  /** A font that came inside stays as it came, and is not put in twice. */
  @Test
  void aFontThatCameInsideStays() {
    Document first = in(document("Carlito"), "docx", FontsInside.USED).document();
    OfficeFonts.Result again = in(first, "docx", FontsInside.WHOLE);
    assertThat(again.put()).extracting(OfficeFonts.Put::name).doesNotContain("Carlito");
    assertThat(put(again.document(), false)).isEqualTo(put(first, false));
  }

  @ParameterizedTest
  @CsvSource({"docx, USED", "docx, WHOLE", "odt, USED", "odt, WHOLE"})
  void theyGoThroughFiles(String format, FontsInside how) throws Exception {
    Document d = document("Carlito");
    Receipt r =
        Samples.publish(
            Samples.layout(d),
            new Recipe("Fonts", "", List.of(office(format, how))),
            folder,
            folder.resolve("rules.x"),
            (name, done) -> {});
    assertThat(r.verified()).isTrue();
    Document in = Intake.take(ReadRequest.of(r.files().getFirst().file())).document();
    assertThat(in.styles().typesetting().fonts())
        .extracting(f -> f.family() + f.bold())
        .contains("Carlitofalse", "Carlitotrue");
    assertThat(put(in, true).file().bytes())
        .isEqualTo(put(in(d, format, how).document(), true).file().bytes());
  }
}
