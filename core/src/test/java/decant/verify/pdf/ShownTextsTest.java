package decant.verify.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.pdf.Published;
import decant.pdf.choices.PdfChoices;
import decant.verify.Check;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The text of few pages, read in turn, and of many, read on two threads. */
class ShownTextsTest {
  @TempDir private Path folder;

  private static Layout pages(int count) {
    Layout l =
        Samples.layout(
            Samples.document(
                IntStream.range(0, count)
                    .mapToObj(k ->
                        Samples.paragraph("Buoy " + k)
                            .withLook(Look.of(ParagraphTraits.PAGE_BREAK_BEFORE, k > 0)))
                    .toArray(Block[]::new)));
    assertThat(l.pages()).hasSize(count);
    return l;
  }

  private static Check text(Path file, Layout l, PdfChoices c) {
    return PdfVerifier.verify(file, l, c).stream()
        .filter(x -> x.name().equals("Text"))
        .findFirst()
        .orElseThrow();
  }

  /** Wherever it stands, one empty page is found, and the first of several is named. */
  @ParameterizedTest
  @CsvSource({"3,1,2", "90,0,60", "90,44,89", "90,89,89"})
  void theFirstPageThatShowsAnotherTextIsNamed(int count, int first, int second)
      throws IOException {
    Layout l = pages(count);
    PdfChoices c = Samples.choices(l);
    Path file = Published.file(folder, l, c);
    assertThat(text(file, l, c).passed()).isTrue();
    Path other =
        Altered.changed(
            file,
            pdf -> {
              for (int k : new int[] {first, second}) {
                pdf.getPage(k).setContents(new org.apache.pdfbox.pdmodel.common.PDStream(pdf));
              }
            });
    Check unlike = text(other, l, c);
    assertThat(unlike.passed()).isFalse();
    assertThat(unlike.toString()).contains("page " + (first + 1));
  }

  /** A file that goes while it is read fails; nothing hangs or escapes. */
  @Test
  void aFileThatIsGoneFails() throws IOException {
    Layout l = pages(50);
    Path file = Published.file(folder, l, Samples.choices(l));
    Path gone = folder.resolve("gone.pdf");
    try (PDDocument pdf = Loader.loadPDF(Files.readAllBytes(file));
        ShownTexts texts = ShownTexts.begin(gone, "", 50, k -> true)) {
      assertThatThrownBy(() -> texts.all(pdf)).isInstanceOf(IOException.class);
    }
  }

  @Test
  void pagesThatAreNotAskedForAreNotRead() throws IOException {
    try (var pdf = new PDDocument();
        ShownTexts texts = ShownTexts.begin(folder.resolve("none.pdf"), "", 2, k -> false)) {
      pdf.addPage(new PDPage(PDRectangle.A4));
      assertThat(texts.all(pdf)).containsExactly("", "");
    }
  }
}
