package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.format.Intake;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontFace;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Files whose fonts say nothing, or nonsense, of which characters they show: made with PDFBox, then
 * robbed of their ToUnicode maps (ISO 32000-1 §9.10.3). The subsets that PDFBox embeds have no cmap
 * and no names, so that only the shapes of the letters are left.
 */
class RepairedTextTest {
  private static final String[] LINES = {
    "The harbour office keeps the berth plan and tells every holder by the",
    "first of March 2026 which berth is theirs, how long their lines may be,",
    "and where they may lay up ashore. Quick foxes jump over lazy brown dogs;",
    "AND THE QUAY IS CLOSED FROM JULY 15 TO MARCH 28, WITH A JIB CRANE FOR 94.",
  };

  @TempDir Path folder;

  private Path file(String font) throws IOException {
    Path file = folder.resolve("made.pdf");
    try (var pdf = new PDDocument()) {
      PDFont f = PDType0Font.load(pdf, FontFace.class.getResourceAsStream("fonts/" + font), true);
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        for (int k = 0; k < LINES.length; k++) {
          c.beginText();
          c.setFont(f, 11);
          c.newLineAtOffset(72, 700 - 14 * k);
          c.showText(LINES[k]);
          c.endText();
        }
      }
      pdf.save(file.toFile());
    }
    return file;
  }

  /** The file with another map; without one if there is none. */
  private TakenIn taken(Path made, UnaryOperator<String> map) throws IOException, ReadProblem {
    Path changed = folder.resolve("changed.pdf");
    try (PDDocument pdf = Loader.loadPDF(made.toFile())) {
      var resources = pdf.getPage(0).getResources();
      for (COSName n : resources.getFontNames()) {
        COSDictionary font = resources.getFont(n).getCOSObject();
        COSStream said = (COSStream) font.getDictionaryObject(COSName.TO_UNICODE);
        String was =
            new String(said.createInputStream().readAllBytes(), StandardCharsets.ISO_8859_1);
        String is = map.apply(was);
        if (is.isEmpty()) {
          font.removeItem(COSName.TO_UNICODE);
        } else {
          var stream =
              new PDStream(pdf, new ByteArrayInputStream(is.getBytes(StandardCharsets.ISO_8859_1)));
          font.setItem(COSName.TO_UNICODE, stream);
        }
      }
      pdf.save(changed.toFile());
    }
    return Intake.take(ReadRequest.of(changed));
  }

  private static String text(TakenIn t) {
    return t.document().paragraphs().stream()
        .map(Paragraph::text)
        .collect(Collectors.joining(" "))
        .strip();
  }

  /** A map whose every character is so much further on than it should be. */
  private static String shifted(String cmap, int by) {
    Matcher m =
        Pattern.compile(
                "(<[0-9A-Fa-f]{4}>\\s*(?:<[0-9A-Fa-f]{4}>\\s*)?)<([0-9A-Fa-f]{4})>(?=\\s*\\n)")
            .matcher(cmap);
    return m.replaceAll(
        r -> r.group(1) + "<%04X>".formatted(Integer.parseInt(r.group(2), 16) + by));
  }

  @Test
  void lettersAreToldByTheirShapesWhereNoMapTells() throws IOException, ReadProblem {
    for (String font :
        new String[] {
          "LiberationSerif-Regular.ttf", "LiberationSans-Bold.ttf", "Carlito-Italic.ttf"
        }) {
      TakenIn t = taken(file(font), was -> "");
      assertThat(text(t)).as(font).isEqualTo(String.join(" ", LINES));
      assertThat(t.findings())
          .as("said, since it is found and not read")
          .filteredOn(f -> f.kind() == Finding.Kind.CHARACTERS_UNKNOWN)
          .singleElement()
          .satisfies(f -> assertThat(f.severity()).isEqualTo(Finding.Severity.DOUBT));
    }
  }

  @Test
  void aMapThatSaysOtherLettersThanAreShownIsNotBelieved() throws IOException, ReadProblem {
    TakenIn t = taken(file("LiberationSerif-Regular.ttf"), was -> shifted(was, 2));
    assertThat(text(t)).isEqualTo(String.join(" ", LINES));
  }

  @Test
  void aMapThatIsRightIsBelieved() throws IOException, ReadProblem {
    TakenIn t = taken(file("Caladea-Regular.ttf"), was -> was);
    assertThat(text(t)).isEqualTo(String.join(" ", LINES));
    assertThat(t.findings()).noneMatch(f -> f.kind() == Finding.Kind.CHARACTERS_UNKNOWN);
  }

  @Test
  void charactersThatNoStandardGivesAreToldByTheirShapes() throws IOException, ReadProblem {
    TakenIn t = taken(file("LiberationSans-Regular.ttf"), was -> shifted(was, 0xE000));
    assertThat(text(t)).isEqualTo(String.join(" ", LINES));
  }
}
