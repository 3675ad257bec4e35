package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Document;
import decant.model.finding.Finding;
import decant.model.look.EmbeddedFont;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.TextTraits;
import decant.office.docx.write.DocxWriter;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Documents whose embedded fonts are damaged, each in its own way by a seed: whatever comes in can
 * be laid out and published, and a font that cannot be used is told.
 */
class DamagedFontsTest {
  private static final String LINE = "The quay master keeps a list of vessels and their dues.";
  private static final String NAME = "Tidewater";
  private static final int SEEDS = 80;

  @TempDir Path folder;
  private byte[] whole;

  @BeforeEach
  void font() throws IOException {
    try (var in = FontFace.class.getResourceAsStream("fonts/Caladea-Regular.ttf")) {
      whole = in.readAllBytes();
    }
  }

  private TakenIn taken(byte[] font) throws IOException {
    Document d = Samples.document(Samples.runs(LINE, Look.of(TextTraits.FAMILY, NAME)));
    d =
        d.withStyles(
            d.styles()
                .withTypesetting(
                    d.styles()
                        .typesetting()
                        .withFonts(
                            List.of(
                                new EmbeddedFont(
                                    NAME, false, false, Media.of("font/ttf", font))))));
    Path file = folder.resolve("fonts.docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    }
    return Samples.taken(file);
  }

  private static byte[] damaged(byte[] whole, int seed) {
    var random = new Random(seed);
    byte[] out = whole.clone();
    // The directory of tables and the first of them matter most: half of the damage is there.
    for (int k = 0; k < 1 + seed % 12; k++) {
      int at = random.nextInt(random.nextBoolean() ? 4_000 : out.length);
      out[at] = (byte) random.nextInt(256);
    }
    return seed % 10 == 9 ? java.util.Arrays.copyOf(out, random.nextInt(out.length)) : out;
  }

  @Test
  void whateverIsDamagedInAFontTheDocumentIsPublished() throws IOException {
    var failed = new ArrayList<String>();
    int used = 0;
    for (int seed = 0; seed < SEEDS; seed++) {
      try {
        TakenIn t = taken(damaged(whole, seed));
        boolean told = t.findings().stream().anyMatch(f -> f.kind() == Finding.Kind.FONT_REPLACED);
        boolean brought = !t.document().styles().typesetting().fonts().isEmpty();
        used += brought ? 1 : 0;
        if (!brought && !told) {
          failed.add(seed + ": dropped without a word");
        }
        Layout l = new Layouter(FontBook.shipped()).layout(t.document());
        Path pdf = Published.file(folder, l, Samples.choices(l));
        List<Check> wrong =
            PdfVerifier.verify(pdf, l, Samples.choices(l)).stream()
                .filter(c -> !c.passed())
                .toList();
        if (!wrong.isEmpty()) {
          failed.add(seed + ": " + wrong);
        }
      } catch (RuntimeException | AssertionError | StackOverflowError e) {
        failed.add(seed + ": " + e);
      }
    }
    assertThat(failed).isEmpty();
    assertThat(used).as("fonts with harmless damage go on serving").isGreaterThan(SEEDS / 10);
  }

  @Test
  void aWholeFontIsUsed() throws IOException {
    TakenIn t = taken(whole);
    assertThat(t.document().styles().typesetting().fonts()).hasSize(1);
    assertThat(t.findings()).isEmpty();
  }
}
