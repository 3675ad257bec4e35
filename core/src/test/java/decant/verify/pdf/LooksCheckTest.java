package decant.verify.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.pdf.Published;
import decant.pdf.choices.PdfChoices;
import decant.picture.Png;
import decant.verify.Check;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Pages with pictures, few that are painted in turn and many that are painted beside. */
class LooksCheckTest {
  @TempDir private Path folder;

  private static Layout pages(int count) throws IOException {
    var image = new BufferedImage(80, 60, BufferedImage.TYPE_INT_RGB);
    image.createGraphics().fillRect(0, 0, 40, 60);
    Media m = Png.of(image);
    var blocks = new ArrayList<Block>();
    for (int k = 0; k < count; k++) {
      blocks.add(
          Samples.paragraph("Buoy " + k)
              .withLook(Look.of(ParagraphTraits.PAGE_BREAK_BEFORE, k > 0)));
      blocks.add(Published.picture(m, 160, 120, "A buoy"));
    }
    Layout l = Samples.layout(Samples.document(m, blocks.toArray(Block[]::new)));
    assertThat(l.pages()).hasSize(count);
    return l;
  }

  private static Check looks(Path file, Layout l, PdfChoices c) {
    return PdfVerifier.verify(file, l, c).stream()
        .filter(x -> x.name().equals("Looks"))
        .findFirst()
        .orElseThrow();
  }

  @ParameterizedTest
  @ValueSource(ints = {2, 12})
  void aPageThatLooksOtherwiseIsNamed(int count) throws IOException {
    Layout l = pages(count);
    PdfChoices c = Samples.choices(l);
    Path file = Published.file(folder, l, c);
    Check alike = looks(file, l, c);
    assertThat(alike.passed()).isTrue();
    assertThat(alike.toString()).contains(count + " pages");
    Path other =
        Altered.changed(
            file,
            pdf -> {
              try (var out =
                  new PDPageContentStream(
                      pdf, pdf.getPage(count - 1), AppendMode.APPEND, true, true)) {
                out.setNonStrokingColor(1f, 0f, 0f);
                out.addRect(300, 100, 120, 120);
                out.fill();
              }
            });
    Check unlike = looks(other, l, c);
    assertThat(unlike.passed()).isFalse();
    assertThat(unlike.toString()).contains("page " + count);
  }

  /** Half a point of black, which no mean of a field shows, is gone from a page. */
  @Test
  void aThinLineThatIsLostIsNamed() throws IOException {
    Rules line = Rules.around(Rule.single(0.5, Colour.BLACK));
    Layout l =
        Samples.layout(
            Samples.document(
                Samples.paragraph("Notice.").withLook(Look.of(ParagraphTraits.RULES, line))));
    PdfChoices c = Samples.choices(l);
    Path file = Published.file(folder, l, c);
    assertThat(looks(file, l, c).passed()).isTrue();
    Path without =
        Altered.changed(
            file,
            pdf -> {
              var page = pdf.getPage(0);
              float middle = page.getMediaBox().getWidth() / 2;
              try (var out = new PDPageContentStream(pdf, page, AppendMode.APPEND, true, true)) {
                out.setNonStrokingColor(1f, 1f, 1f);
                out.addRect(middle, 0, middle, page.getMediaBox().getHeight());
                out.fill();
              }
            });
    assertThat(looks(without, l, c).passed()).isFalse();
  }

  /** A file that goes while its pages are painted fails; nothing hangs or escapes. */
  @Test
  void aFileThatIsGoneFails() throws IOException {
    Layout l = pages(12);
    PdfChoices c = Samples.choices(l);
    Path file = Published.file(folder, l, c);
    var drawn = List.of(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11);
    Path gone = folder.resolve("gone.pdf");
    try (PDDocument pdf = org.apache.pdfbox.Loader.loadPDF(Files.readAllBytes(file));
        LooksCheck looks =
            LooksCheck.begin(gone, "", l, c, new LooksCheck.Seen(drawn, List.of()))) {
      org.assertj.core.api.Assertions.assertThatThrownBy(() -> looks.check(pdf))
          .isInstanceOf(IOException.class);
    }
  }
}
