package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.format.Intake;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.Recogniser;
import decant.reading.TakenIn;
import decant.reading.Tesseract;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages that are pictures: kept as such, and recognised where that is asked for. */
class ScannedPagesTest {
  @TempDir Path folder;

  /** The first pages of a demo file as a scanner would give them: pictures of 200 dots an inch. */
  private Path scanned(int pages) throws IOException {
    Path file = folder.resolve("scanned.pdf");
    try (PDDocument from = Loader.loadPDF(Samples.DEMO.resolve("Berth rules.pdf").toFile());
        var pdf = new PDDocument()) {
      for (int k = 0; k < pages; k++) {
        BufferedImage image = new PDFRenderer(from).renderImageWithDPI(k, 200, ImageType.GRAY);
        page(pdf, image);
      }
      pdf.save(file.toFile());
    }
    return file;
  }

  /** A page that is a white picture. */
  private Path blank() throws IOException {
    Path file = folder.resolve("blank.pdf");
    try (var pdf = new PDDocument()) {
      var image = new BufferedImage(1654, 2339, BufferedImage.TYPE_BYTE_GRAY);
      var g = image.createGraphics();
      g.setColor(java.awt.Color.WHITE);
      g.fillRect(0, 0, 1654, 2339);
      g.dispose();
      page(pdf, image);
      pdf.save(file.toFile());
    }
    return file;
  }

  private static void page(PDDocument pdf, BufferedImage image) throws IOException {
    var page = new PDPage(PDRectangle.A4);
    pdf.addPage(page);
    try (var c = new PDPageContentStream(pdf, page)) {
      c.drawImage(
          JPEGFactory.createFromImage(pdf, image, 0.8f),
          0,
          0,
          PDRectangle.A4.getWidth(),
          PDRectangle.A4.getHeight());
    }
  }

  private static String text(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).collect(Collectors.joining(" "));
  }

  private static long pictures(Document d) {
    return d.paragraphs().stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Picture)
        .count();
  }

  @Test
  void aPageThatIsAPictureStaysOneUnlessItsTextIsAskedFor() throws IOException, ReadProblem {
    TakenIn t = Intake.take(ReadRequest.of(scanned(1)));
    assertThat(pictures(t.document())).isEqualTo(1);
    assertThat(t.findings())
        .anySatisfy(f -> {
          assertThat(f.kind()).isEqualTo(Finding.Kind.SCANNED_PAGE);
          assertThat(f.message()).contains("kept as a picture");
        });
  }

  /** Two lines of words in the picture's pixels, the second larger, one word unsure. */
  private static final class Given implements Recogniser {
    private final List<Word> words;

    Given(Word... words) {
      this.words = List.of(words);
    }

    @Override
    public List<Word> words(BufferedImage page, int dots, BooleanSupplier cancelled) {
      return words;
    }

    @Override
    public String language() {
      return "English";
    }
  }

  private static Recogniser.Word word(String text, int x, int y, int height, int line, int sure) {
    return new Recogniser.Word(text, x, y, text.length() * height / 2, height, line, sure);
  }

  @Test
  void recognisedWordsBecomeTextAndTheUnsureOnesAreNamed() throws IOException, ReadProblem {
    var given =
        new Given(
            word("Berth", 300, 300, 60, 0, 95),
            word("Lines", 300, 500, 32, 1, 95),
            word("are", 420, 509, 21, 1, 96),
            word("doubled", 500, 500, 32, 1, 40),
            word("||", 900, 500, 32, 1, 4));
    TakenIn t = Intake.take(ReadRequest.of(blank()).withRecogniser(given));
    assertThat(pictures(t.document())).as("the text stands in the picture's place").isZero();
    assertThat(text(t.document())).contains("Berth", "Lines are doubled").doesNotContain("|");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.TEXT_RECOGNISED)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.message()).contains("recognised as English", "“doubled”");
          assertThat(f.source().orElseThrow().box().x()).isBetween(119.0, 121.0);
        });
  }

  /** The third page of the demo file begins with a plan; all below it is text. */
  @Test
  void aPictureAmongTheTextOfAScanIsKept() throws IOException, ReadProblem {
    Path file = scanned(3);
    var words = new ArrayList<Recogniser.Word>();
    for (int line = 0; line < 60; line++) {
      words.add(new Recogniser.Word("line", 250, 1150 + line * 40, 2000, 44, line, 95));
    }
    TakenIn t =
        Intake.take(
            ReadRequest.of(file).withRecogniser(new Given(words.toArray(Recogniser.Word[]::new))));
    List<Inline.Picture> kept =
        t.document().paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i instanceof Inline.Picture)
            .map(i -> (Inline.Picture) i)
            .toList();
    assertThat(kept)
        .anySatisfy(p -> {
          assertThat(p.width()).isBetween(415.0, 440.0);
          assertThat(p.height()).isBetween(190.0, 215.0);
        });
  }

  @Test
  void aPictureWithAWordInItStaysAPicture() throws IOException, ReadProblem {
    TakenIn t =
        Intake.take(
            ReadRequest.of(scanned(1)).withRecogniser(new Given(word("Quay", 9, 9, 30, 0, 90))));
    assertThat(pictures(t.document())).isEqualTo(1);
    assertThat(text(t.document())).doesNotContain("Quay");
  }

  @Test
  void aRecogniserThatFailsLosesNothing() throws IOException, ReadProblem {
    Recogniser fails =
        new Recogniser() {
          @Override
          public List<Word> words(BufferedImage page, int dots, BooleanSupplier cancelled)
              throws IOException {
            throw new IOException("The language is not there.");
          }

          @Override
          public String language() {
            return "English";
          }
        };
    TakenIn t = Intake.take(ReadRequest.of(scanned(1)).withRecogniser(fails));
    assertThat(pictures(t.document())).isEqualTo(1);
    assertThat(t.findings()).anyMatch(f -> f.message().endsWith("The language is not there."));
  }

  @Test
  void recognitionIsBrokenOffWhenReadingIsCancelled() throws IOException {
    var asked = new AtomicInteger();
    ReadRequest request =
        ReadRequest.of(scanned(3))
            .withRecogniser(new Given())
            .watched((done, all) -> {}, () -> asked.incrementAndGet() > 5);
    try {
      Intake.take(request);
      throw new AssertionError("it should have been cancelled");
    } catch (ReadProblem e) {
      assertThat(e.kind()).isEqualTo(ReadProblem.Kind.CANCELLED);
    }
  }

  /**
   * Against the program itself, where it is installed: the words of the file that the pictures were
   * made from, and its headings.
   */
  @Test
  void tesseractReadsWhatWasScanned() throws IOException, ReadProblem {
    Optional<Path> program = Tesseract.installed();
    Tool.needs(program.isPresent(), "Tesseract");
    Tool.needs(Tesseract.languages(program.get()).contains("eng"), "English for Tesseract");
    TakenIn t =
        Intake.take(ReadRequest.of(scanned(2)).withRecogniser(Tesseract.of(program.get(), "eng")));
    Document source = Samples.demo("Berth rules.pdf").document();
    List<String> meant = new ArrayList<>();
    int pages = 0;
    for (String w : text(source).split("\\W+")) {
      if (pages++ < 500) {
        meant.add(w);
      }
    }
    Set<String> said = new HashSet<>(Arrays.asList(text(t.document()).split("\\W+")));
    long known = meant.stream().filter(said::contains).count();
    assertThat(known / (double) meant.size()).as("words").isGreaterThan(0.97);
    List<String> headings =
        Outline.headings(t.document()).stream().map(Outline.Heading::text).toList();
    assertThat(headings).contains("1 Purpose and scope");
  }
}
