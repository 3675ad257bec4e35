package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.compare.Difference.Change;
import decant.compare.Difference.Kind;
import decant.io.Untouchable;
import decant.model.Block;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.publish.Publisher;
import decant.reading.ReadRequest;
import decant.work.Deadline;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationSquare;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What of files is only to be seen. */
class TakenApartTest {
  @TempDir Path folder;

  private static List<Block> blocks(Colour shade) {
    var all = new ArrayList<Block>();
    for (int k = 0; k < 60; k++) {
      all.add(Samples.paragraph("Berth " + k + " is let for one season, from spring to autumn."));
    }
    Look shaded = Look.of(ParagraphTraits.SHADING, shade);
    all.add(Paragraph.of(shaded, "Lines must be doubled when a gale is forecast."));
    return all;
  }

  private Path saved(String name, Colour shade) throws Exception {
    Path file = folder.resolve(name);
    Document d = Document.of(Samples.styles(), blocks(shade));
    Publisher.workingCopy(d, file, true, Untouchable.inputs(List.of()));
    return file;
  }

  private Path published(String name, Colour shade) throws Exception {
    Path file = folder.resolve(name);
    var layout = Samples.layout(Document.of(Samples.styles(), blocks(shade)));
    return Files.write(file, Samples.pdf(layout, Samples.choices(layout)));
  }

  private static List<Difference> compared(Path a, Path b) throws Exception {
    Deadline d = Deadline.in(Duration.ofMinutes(1));
    try (TakenApart x = TakenApart.of(ReadRequest.of(a), d);
        TakenApart y = TakenApart.of(ReadRequest.of(b), d)) {
      return Comparison.of(x, y);
    }
  }

  @Test
  void aBackgroundOfAnotherColourIsSeenInWhateverFormat() throws Exception {
    var grey = new Colour(0xDDDDDD);
    var dark = new Colour(0x555577);
    // Documents tell which paragraph it is behind; pages only show it.
    assertThat(compared(saved("a.docx", grey), saved("b.docx", dark)))
        .singleElement()
        .satisfies(d -> {
          assertThat(d.kind()).isEqualTo(Kind.LOOK);
          assertThat(d.b().orElseThrow().text()).startsWith("Lines must be doubled");
        });
    for (List<Path> pair :
        List.of(
            List.of(published("a.pdf", grey), published("b.pdf", dark)),
            List.of(saved("c.docx", grey), published("d.pdf", dark)))) {
      assertThat(compared(pair.get(0), pair.get(1)))
          .as(pair.toString())
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.DRAWING);
            assertThat(d.change()).isEqualTo(Change.CHANGED);
            assertThat(d.a().orElseThrow().page()).isEqualTo(2);
          });
    }
  }

  /** A page of a PDF, of these operators. */
  private Path page(String name, String operators, Consumer<PDPage> more) throws Exception {
    Path file = folder.resolve(name);
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      page.setResources(new PDResources());
      page.getResources().put(COSName.getPDFName("F"), new PDType1Font(FontName.HELVETICA));
      var content = new PDStream(pdf);
      try (OutputStream out = content.createOutputStream()) {
        out.write(operators.getBytes(StandardCharsets.US_ASCII));
      }
      page.setContents(content);
      more.accept(page);
      pdf.addPage(page);
      pdf.save(file.toFile());
    }
    return file;
  }

  private static final String TEXT =
      "BT /F 12 Tf 72 700 Td (Berths are let for one season, from spring to autumn.) Tj"
          + " 0 -40 Td (Lines must be doubled when a gale is forecast.) Tj ET";

  private List<String> told(Path a, Path b) throws Exception {
    return compared(a, b).stream()
        .map(d ->
            d.kind().code() + ' ' + d.change().code() + ' ' + d.b().or(d::a).orElseThrow().text())
        .map(String::strip)
        .toList();
  }

  /** What the same words of two PDFs show otherwise. */
  @Test
  void whereWordsStandOnPagesAndWhatIsPutOnThemIsSeen() throws Exception {
    Path was = page("was.pdf", TEXT + " 0.4 w 72 640 m 300 640 l S", p -> {});
    assertThat(told(was, page("same.pdf", TEXT + " 0.4 w 72 640 m 300 640 l S", p -> {})))
        .isEmpty();
    assertThat(told(was, page("no-line.pdf", TEXT, p -> {}))).containsExactly("drawing changed");
    assertThat(
            told(
                was,
                page(
                    "moved.pdf",
                    TEXT.replace("0 -40 Td", "30 -40 Td") + " 0.4 w 72 640 m 300 640 l S",
                    p -> {})))
        .containsExactly("drawing changed");
    assertThat(told(numbered("1.pdf", 1), numbered("9.pdf", 9)))
        .as("a number of a page is told, whatever it is taken for")
        .hasSize(1);
    assertThat(
            told(
                was,
                page(
                    "framed.pdf",
                    TEXT + " 0.4 w 72 640 m 300 640 l S",
                    p -> {
                      var square = new PDAnnotationSquare();
                      square.setRectangle(new PDRectangle(100, 300, 200, 100));
                      square.setColor(new PDColor(new float[] {1, 0, 0}, PDDeviceRGB.INSTANCE));
                      square.constructAppearances();
                      p.setAnnotations(List.of(square));
                    })))
        .isNotEmpty();
  }

  /** Pages that are numbered at their feet, from that number. */
  private Path numbered(String name, int first) throws Exception {
    Path file = folder.resolve(name);
    try (var all = new PDDocument()) {
      for (int k = 0; k < 6; k++) {
        String body = TEXT.replace("Berths", "Berths of pontoon " + (char) ('A' + k));
        String foot = " BT /F 9 Tf 280 34 Td (Page " + (k == 0 ? first : k + 1) + ") Tj ET";
        try (PDDocument one = Loader.loadPDF(page("one.pdf", body + foot, p -> {}).toFile())) {
          all.importPage(one.getPage(0));
          all.save(file.toFile());
        }
      }
    }
    return file;
  }

  @Test
  void aSheetOfAnotherSizeIsListed() throws Exception {
    Path was = page("upright.pdf", TEXT, p -> {});
    assertThat(told(was, page("turned.pdf", TEXT, p -> p.setRotation(90))))
        .containsExactly("page changed 842 \u00D7 595 pt");
  }

  @Test
  void aNumberOfAHeadingThatIsAWordOfItIsCompared() throws Exception {
    String heading = "BT /F 20 Tf 72 740 Td (1.1 Lengths of berths) Tj ET ";
    assertThat(
            told(
                page("1.pdf", heading + TEXT, p -> {}),
                page("7.pdf", heading.replace("1.1", "1.7") + TEXT, p -> {})))
        .containsExactly("text changed 1.7");
  }

  @Test
  void pagesThatLookTheSameHaveNoDifference() throws Exception {
    var grey = new Colour(0xDDDDDD);
    assertThat(compared(saved("a.docx", grey), published("a.pdf", grey))).isEmpty();
    assertThat(compared(published("a.pdf", grey), published("b.pdf", grey))).isEmpty();
  }
}
