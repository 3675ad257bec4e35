package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.Path;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pages with a line or two, such as signs and labels. */
class ShortPagesTest {
  @TempDir Path folder;

  private Path file(int pages, String line, boolean pictured) throws IOException {
    Path file = folder.resolve("signs.pdf");
    try (PDDocument pdf = new PDDocument()) {
      for (int n = 1; n <= pages; n++) {
        var page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        try (var out = new PDPageContentStream(pdf, page)) {
          out.beginText();
          out.setFont(new PDType1Font(FontName.HELVETICA), 12);
          out.newLineAtOffset(72, 780);
          out.showText(line.replace("#", Integer.toString(n)));
          if (pictured) {
            out.newLineAtOffset(0, -200);
            out.showText("Mooring is for vessels of the pilots and of the port alone, word " + n);
          }
          out.endText();
        }
      }
      pdf.save(file.toFile());
    }
    return file;
  }

  /** What repeats, or counts, is a header only where something stands below it. */
  @ParameterizedTest
  @CsvSource({"6, Berth #", "3, Slip closed", "30, Potato #", "2, Page # of 2"})
  void whatStandsAloneOnItsPagesIsTheirText(int pages, String line) throws IOException {
    TakenIn t = Samples.taken(file(pages, line, false));
    Document d = t.document();
    assertThat(d.paragraphs()).extracting(Paragraph::text).hasSize(pages);
    for (int n = 1; n <= pages; n++) {
      assertThat(d.paragraphs().get(n - 1).text())
          .isEqualTo(line.replace("#", Integer.toString(n)));
    }
    assertThat(Samples.layout(d).pages()).hasSize(pages);
  }

  @ParameterizedTest
  @CsvSource({"6, Berth rules #"})
  void aboveOtherTextItIsAHeader(int pages, String line) throws IOException {
    Document d = Samples.taken(file(pages, line, true)).document();
    assertThat(d.paragraphs()).extracting(Paragraph::text).noneMatch(s -> s.startsWith("Berth"));
    assertThat(d.sections().getFirst().running()).isNotEmpty();
  }
}
