package decant.preview;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.Document;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.pdf.Published;
import decant.pdf.choices.FontEmbedding.Substitute;
import decant.pdf.choices.PdfChoices;
import decant.recipe.Output;
import decant.text.FontBook;
import decant.text.FontFace;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.junit.jupiter.api.Test;

/** What is said of fonts beforehand is true of the file that is made. */
class FontReportTest {
  private static final FontBook BOOK = FontBook.shipped();

  private static List<FontReport.Row> report(Layout l) {
    return FontReport.of(l, IntStream.range(0, l.pages().size()).boxed().toList());
  }

  private static Look family(String name) {
    return Look.of(TextTraits.FAMILY, name);
  }

  /** PDFBox finds the same fonts in the file, no more and no fewer. */
  @Test
  void theFontsAreThoseOfTheFile() throws IOException {
    Layout l = Samples.layout(Published.everything());
    Set<String> told = new LinkedHashSet<>();
    report(l).forEach(r -> told.add(plain(r.face().postScriptName())));
    Set<String> found = new LinkedHashSet<>();
    try (PDDocument pdf = Loader.loadPDF(Samples.pdf(l, Samples.choices(l)))) {
      for (PDPage p : pdf.getPages()) {
        for (COSName n : p.getResources().getFontNames()) {
          found.add(plain(p.getResources().getFont(n).getName()));
        }
      }
    }
    assertThat(told).containsExactlyInAnyOrderElementsOf(found);
  }

  private static String plain(String name) {
    return name.replaceFirst("^[A-Z]{6}\\+", "");
  }

  @Test
  void eachReasonIsToldBesideWhatWasAskedFor() {
    Document d =
        Samples.document(
            Samples.runs(
                "own ",
                family("Liberation Serif"),
                "alike ",
                family("Times New Roman"),
                "unknown",
                family("Saltmarsh Display")));
    List<FontReport.Row> rows = report(Samples.layout(d));
    var reasons =
        rows.stream()
            .flatMap(r -> r.asked().entrySet().stream())
            .collect(Collectors.toMap(e -> e.getKey(), e -> e.getValue(), (a, b) -> a));
    assertThat(reasons).containsKeys("Liberation Serif", "Times New Roman", "Saltmarsh Display");
    assertThat(
            Set.of(
                reasons.get("Liberation Serif"),
                reasons.get("Times New Roman"),
                reasons.get("Saltmarsh Display")))
        .as("three reasons, each another")
        .hasSize(3);
  }

  @Test
  void charactersAreCountedOnceAndTheSampleIsShort() {
    Document d = Samples.document(Samples.paragraph("abba abba"), Samples.paragraph("cab"));
    assertThat(report(Samples.layout(d)))
        .singleElement()
        .satisfies(r -> {
          assertThat(r.characters()).isEqualTo(4); // a, b, c and the blank
          assertThat(r.sample()).startsWith("abba");
          assertThat(r.wholeBytes()).isEqualTo(r.face().bytes().length);
        });
  }

  @Test
  void onlyThePagesThatAreChosenCount() {
    List<Block> blocks = new ArrayList<>();
    blocks.add(Samples.paragraph(Samples.PROSE.repeat(80)));
    blocks.add(Samples.runs("mono", family("Liberation Mono")));
    Layout l = Samples.layout(Samples.document(blocks.toArray(Block[]::new)));
    int last = l.pages().size() - 1;
    assertThat(last).isPositive();
    assertThat(FontReport.of(l, List.of(0)))
        .extracting(r -> r.face().family())
        .doesNotContain("Liberation Mono");
    assertThat(FontReport.of(l, List.of(last)))
        .extracting(r -> r.face().family())
        .contains("Liberation Mono");
  }

  /** A recipient without the font sees another one, and the sample shows which. */
  @Test
  void substitutesLookUnlikeEachOther() {
    FontFace face = BOOK.serve("Liberation Serif", false, false).face();
    List<BufferedImage> shown = new ArrayList<>();
    for (Substitute s : Substitute.values()) {
      SubstituteSample.of(face, "Berth 14, four metres", s).ifPresent(shown::add);
    }
    assertThat(shown).hasSize(Substitute.values().length);
    assertThat(shown).allMatch(i -> ink(i) > 50);
    assertThat(shown.stream().map(FontReportTest::ink).distinct().count()).isGreaterThan(1);
    assertThat(SubstituteSample.of(face, "  ", Substitute.values()[0])).isEmpty();
  }

  private static int ink(BufferedImage i) {
    int n = 0;
    for (int y = 0; y < i.getHeight(); y++) {
      for (int x = 0; x < i.getWidth(); x++) {
        n += (i.getRGB(x, y) & 0xFF) < 128 ? 1 : 0;
      }
    }
    return n;
  }

  /** What is lacking for a standard is told, and only where the standard asks for it. */
  @Test
  void whatIsLackingIsTold() {
    Layout l = Samples.layout(Published.everything());
    var file = java.nio.file.Path.of("rules.docx");
    var archive =
        decant.pdf.choices.Conformance.DEFAULT.with(decant.pdf.choices.Conformance.Standard.A2A);
    assertThat(Readiness.of(Output.Pdf.DEFAULT, l, file)).isEmpty();
    assertThat(Readiness.of(Output.Pdf.DEFAULT.with(archive), l, file)).isEmpty();
    assertThat(Readiness.of(Output.Pdf.DEFAULT.with(archive.withAccessible(true)), l, file))
        .singleElement()
        .isInstanceOf(Readiness.Lack.Description.class)
        .satisfies(x -> assertThat(x.message()).contains("2")); // the second of three pictures
    Layout bare = Samples.layout(Samples.document(Samples.paragraph("Berths are numbered.")));
    assertThat(Readiness.of(Output.Pdf.DEFAULT.with(archive.withAccessible(true)), bare, file))
        .hasSize(2)
        .anyMatch(x -> x instanceof Readiness.Lack.Title && x.message().contains("rules"))
        .anyMatch(x -> x instanceof Readiness.Lack.Language);
    PdfChoices c = Samples.choices(bare);
    assertThat(c.metadata().title()).isEmpty();
  }
}
