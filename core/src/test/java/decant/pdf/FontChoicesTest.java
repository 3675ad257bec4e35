package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.look.EmbeddedFont;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.paint.PagePainter;
import decant.paint.Pixels;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.FontEmbedding;
import decant.pdf.choices.FontEmbedding.Embedding;
import decant.pdf.choices.FontEmbedding.FontChoice;
import decant.pdf.choices.FontEmbedding.Substitute;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import decant.text.FontBook;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** How fonts are embedded, by what poppler's pdffonts and pdftotext see. */
class FontChoicesTest {
  @TempDir Path folder;

  private static final String TEXT = "Efficient office, fjord: berths are let by the week.";

  private final Layout layout = Samples.layout(Samples.document(Samples.paragraph(TEXT)));

  private static PdfChoices as(Layout l, Embedding e) {
    return Samples.choices(l).with(new FontEmbedding(e, Map.of()));
  }

  private static String fonts(Path file) {
    return Tool.run("pdffonts", file.toString()).output();
  }

  private void reads(Path file) {
    assertThat(Tool.run("pdftotext", "-enc", "UTF-8", file.toString(), "-").output())
        .contains(TEXT);
  }

  private static void verified(Path file, Layout l, PdfChoices c) {
    assertThat(PdfVerifier.verify(file, l, c))
        .allSatisfy(x -> assertThat(x.passed()).as(x.name() + ": " + x.detail()).isTrue());
  }

  @Test
  void theUsedCharactersAreAFractionOfTheWhole() throws IOException {
    Path file = Published.file(folder, layout, as(layout, Embedding.USED));
    long used = Files.size(file);
    assertThat(fonts(file))
        .containsPattern("[A-Z]{6}\\+LiberationSerif\\s+CID TrueType\\s+Identity-H\\s+yes yes yes");
    reads(file);
    verified(file, layout, as(layout, Embedding.USED));
    Path whole = Published.file(folder, layout, as(layout, Embedding.WHOLE));
    assertThat(fonts(whole))
        .containsPattern("(?m)^LiberationSerif\\s+CID TrueType\\s+Identity-H\\s+yes no  yes");
    assertThat(Files.size(whole)).isGreaterThan(used * 10);
    reads(whole);
    verified(whole, layout, as(layout, Embedding.WHOLE));
  }

  @ParameterizedTest
  @CsvSource({
    "SAME_NAME, LiberationSerif, TrueType",
    "HELVETICA, Helvetica, Type 1",
    "TIMES, Times-Roman, Type 1",
    "COURIER, Courier, Type 1"
  })
  void aFontLeftOutNamesItsSubstituteAndStaysReadable(Substitute s, String name, String kind)
      throws IOException {
    PdfChoices c =
        Samples.choices(layout)
            .with(
                new FontEmbedding(
                    Embedding.USED,
                    Map.of("Liberation Serif", new FontChoice(Embedding.LEFT_OUT, s))));
    Path file = Published.file(folder, layout, c);
    assertThat(fonts(file)).containsPattern("(?m)^" + name + "\\s+" + kind + "\\s+.*no  no  yes");
    assertThat(Files.size(file)).isLessThan(5_000);
    reads(file);
    verified(file, layout, c);
  }

  /** OpenType OS/2 fsType, on a font whose licence bits are set by the test. */
  @ParameterizedTest
  @CsvSource({
    "0x0000, USED",
    "0x0002, LEFT_OUT",
    "0x0004, USED",
    "0x0008, USED",
    "0x0100, WHOLE",
    "0x0108, WHOLE",
    "0x0200, LEFT_OUT",
    "0x000A, USED"
  })
  void licencesAreKept(String bits, Embedding wanted) throws IOException {
    Layout l = inFont(licensed(Integer.decode(bits)), "ttf");
    PdfChoices c = as(l, Embedding.LICENSED);
    Path file = Published.file(folder, l, c);
    String seen = fonts(file);
    switch (wanted) {
      case USED -> assertThat(seen).containsPattern("[A-Z]{6}\\+HarbourType .*yes yes yes");
      case WHOLE -> assertThat(seen).containsPattern("(?m)^HarbourType .*yes no  yes");
      default -> assertThat(seen).containsPattern("(?m)^HarbourType .*no  no  yes");
    }
    reads(file);
    verified(file, l, c);
  }

  /** A collection of one font, whose tables stand after the head of the collection. */
  @Test
  void theFirstFontOfACollectionServes() throws IOException {
    byte[] font = licensed(0);
    ByteBuffer b = ByteBuffer.allocate(16 + font.length);
    b.putInt(0x74746366).putInt(0x00010000).putInt(1).putInt(16).put(font);
    int tables = ByteBuffer.wrap(font).getShort(4);
    for (int k = 0; k < tables; k++) {
      int at = 16 + 12 + 16 * k + 8;
      b.putInt(at, b.getInt(at) + 16);
    }
    Layout l = inFont(b.array(), "collection");
    PdfChoices c = as(l, Embedding.USED);
    Path file = Published.file(folder, l, c);
    assertThat(fonts(file)).containsPattern("[A-Z]{6}\\+HarbourType .*yes yes yes");
    reads(file);
    verified(file, l, c);
    byte[] cut = java.util.Arrays.copyOf(b.array(), 900);
    assertThat(fonts(Published.file(folder, inFont(cut, "collection"), c)))
        .as("a damaged one is passed over")
        .doesNotContain("HarbourType");
  }

  private static byte[] licensed(int fsType) throws IOException {
    byte[] font;
    try (InputStream in = FontBook.class.getResourceAsStream("fonts/LiberationSerif-Regular.ttf")) {
      font = in.readAllBytes();
    }
    ByteBuffer b = ByteBuffer.wrap(font);
    int tables = b.getShort(4);
    for (int k = 0; k < tables; k++) {
      if (b.getInt(12 + 16 * k) == 0x4F532F32) { // OS/2
        b.putShort(b.getInt(12 + 16 * k + 8) + 8, (short) fsType);
      }
    }
    return font;
  }

  private static Layout inFont(byte[] font, String type) {
    var sheet = Samples.styles();
    sheet =
        sheet.withTypesetting(
            Typesetting.PLAIN.withFonts(
                List.of(
                    new EmbeddedFont(
                        "Harbour Type", false, false, Media.of("font/" + type, font)))));
    Paragraph p = Samples.runs(TEXT, Look.of(TextTraits.FAMILY, "Harbour Type"));
    return new Layouter(FontBook.shipped()).layout(Document.of(sheet, List.of(p)));
  }

  /**
   * Outlines in CFF, from a free font that ./check installs where it may: the published page is the
   * painted one.
   */
  @ParameterizedTest
  @ValueSource(strings = {"USED", "WHOLE"})
  void compactOutlinesAreTakenOver(Embedding how) throws IOException {
    Path otf = Path.of("/usr/share/fonts/opentype/freefont/FreeSerif.otf");
    Tool.needs(Files.exists(otf), "FreeSerif");
    Layout l = inFont(Files.readAllBytes(otf), "otf");
    PdfChoices c = as(l, how);
    Path file = Published.file(folder, l, c);
    assertThat(fonts(file))
        .containsPattern("HarbourType\\s+CID Type 0C\\s+\\S+\\s+yes (yes|no ) yes");
    if (how == Embedding.USED) {
      assertThat(Files.size(file)).isLessThan(Files.size(otf) / 5);
    }
    reads(file);
    verified(file, l, c);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      assertThat(
              Pixels.difference(
                  new PagePainter().paint(l, l.pages().getFirst(), 2),
                  new PDFRenderer(pdf).renderImage(0, 2, ImageType.RGB)))
          .isLessThan(0.004);
    }
    Conformance archive =
        new Conformance(Conformance.Standard.A2B, false, true, Version.V1_7, Enclosures.DEFAULT);
    verified(Published.file(folder, l, c.with(archive)), l, c.with(archive));
  }
}
