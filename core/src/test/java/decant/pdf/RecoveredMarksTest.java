package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.ITALIC;
import static decant.pdf.DrawnPdf.PROSE;
import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Intake;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a page shows by drawing and by look alone: marks of items, headings, stamps. */
class RecoveredMarksTest {
  @TempDir Path folder;

  private static List<String> items(Document d) {
    return d.paragraphs().stream()
        .filter(p -> p.look().get(ParagraphTraits.LIST).isPresent())
        .map(Paragraph::text)
        .toList();
  }

  private static List<String> headings(Document d) {
    return Outline.headings(d).stream().map(e -> e.level() + " " + e.text()).toList();
  }

  @Test
  void whateverSignBeginsLinesMarksItems() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    for (String s : new String[] {"Lines", "Fenders", "Lights"}) {
      y += 14;
      pdf.text(80, y, "»").text(94, y, s + " are looked over each spring");
    }
    pdf.prose(72, y + 30, 450, PROSE);
    assertThat(items(pdf.takenIn(folder).document()))
        .containsExactly(
            "Lines are looked over each spring",
            "Fenders are looked over each spring",
            "Lights are looked over each spring");
  }

  /** An asterisk begins an item, or the first of two notes; a dagger tells which. */
  @Test
  void asterisksBesideDaggersBeginNotes() throws IOException, ReadProblem {
    assertThat(items(marked("* The crane is out of use", "† So is the slip").document())).isEmpty();
    assertThat(items(marked("* Lines", "* Fenders", "* Lamps", "† Not on Sundays").document()))
        .contains("Lines", "Fenders");
  }

  private TakenIn marked(String... lines) throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE) + 20;
    for (String l : lines) {
      pdf.text(72, y, l);
      y += 20;
    }
    return pdf.takenIn(folder);
  }

  @Test
  void marksThatAreDrawnMakeItemsToo() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    for (String s : new String[] {"Lines", "Fenders", "Lights"}) {
      y += 14;
      pdf.filled(Color.BLACK, 80, y - 4, 3, 3).text(90, y, s + " are looked over each spring");
    }
    pdf.prose(72, y + 30, 450, PROSE);
    TakenIn t = pdf.takenIn(folder);
    assertThat(items(t.document())).hasSize(3).allMatch(x -> x.endsWith("each spring"));
    assertThat(t.document().paragraphs().stream().flatMap(p -> p.inlines().stream()))
        .as("the mark is not drawn once more")
        .noneMatch(i -> i instanceof Inline.Shape);
  }

  @Test
  void oneSmallSquareIsNoMarkOfAList() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    pdf.filled(Color.BLACK, 80, y + 10, 3, 3).text(90, y + 14, "Lines are looked over");
    pdf.prose(72, y + 40, 450, PROSE);
    assertThat(items(pdf.takenIn(folder).document())).isEmpty();
  }

  @Test
  void italicLinesAboveTextAreHeadings() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.text(BOLD, 16, 72, 80, "Berth rules").prose(72, 110, 450, PROSE);
    for (String s : new String[] {"Lines and fenders", "Lights on the mole"}) {
      pdf.text(ITALIC, 10, 72, y + 14, s);
      y = pdf.prose(72, y + 29, 450, PROSE);
    }
    assertThat(headings(pdf.takenIn(folder).document()))
        .containsExactly("1 Berth rules", "2 Lines and fenders", "2 Lights on the mole");
  }

  @Test
  void labelsAndTitlesOfChaptersAreOneHeadingBelowTheTitle() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 20, 72, 120, "The book of the harbour").prose(72, 160, 450, PROSE);
    for (String s : new String[] {"Moorings", "Storage", "Charges"}) {
      pdf.page();
      pdf.text(BOLD, 12, 72, 90, "Chapter " + "ABC".charAt("MSC".indexOf(s.charAt(0))))
          .text(BOLD, 24, 72, 122, s)
          .prose(72, 160, 450, PROSE.repeat(2));
    }
    assertThat(headings(pdf.takenIn(folder).document()))
        .containsExactly(
            "1 The book of the harbour",
            "2 Chapter A Moorings",
            "2 Chapter B Storage",
            "2 Chapter C Charges");
  }

  /** With their labels such titles have three lines, as paragraphs of text have. */
  @Test
  void titlesOfChaptersOnTwoLinesAreHeadings() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 30, 72, 120, "The book of the harbour").prose(72, 160, 450, PROSE);
    for (int k = 1; k <= 9; k++) {
      pdf.page();
      pdf.text(BOLD, 20, 72, 90, "Chapter " + k)
          .text(BOLD, 24, 72, 122, "Moorings and berths of the " + "east".repeat(k % 2 + 1))
          .text(BOLD, 24, 72, 150, "basin in the year " + (2020 + k))
          .prose(72, 190, 450, PROSE.repeat(2));
    }
    List<String> found = headings(pdf.takenIn(folder).document());
    assertThat(found).hasSize(10);
    assertThat(found.getLast())
        .isEqualTo("2 Chapter 9 Moorings and berths of the easteast basin in the year 2029");
  }

  @Test
  void aStampIsReadAndStaysTurned() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 16, 72, 90, "Notice of works").prose(72, 120, 450, PROSE.repeat(3));
    pdf.turned(12, BOLD, 10, 420, 70, "RECEIVED").turned(12, BOLD, 10, 417, 83, "4 May 2026");
    TakenIn t = pdf.takenIn(folder);
    List<Story> boxes =
        t.document().stories().values().stream().filter(s -> s.kind() == Story.Kind.BOX).toList();
    assertThat(boxes).hasSize(1);
    assertThat(((Paragraph) boxes.getFirst().blocks().getFirst()).text())
        .isEqualTo("RECEIVED\n4 May 2026");
    Inline.Shape shape =
        t.document().paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i instanceof Inline.Shape)
            .map(i -> (Inline.Shape) i)
            .findFirst()
            .orElseThrow();
    assertThat(shape.rotation()).isCloseTo(12, org.assertj.core.api.Assertions.within(0.1));
    assertThat(t.document().paragraphs().stream().map(Paragraph::text))
        .as("it does not stand among the lines of the text")
        .anyMatch(x -> x.startsWith("Notice of works"))
        .noneMatch(x -> x.contains("RECEIVED"));
    assertThat(t.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
  }

  /** What is stamped over every page is part of pages, and of those that come to be too. */
  @Test
  void aWatermarkOfEveryPageIsPartOfTheHeader() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int page = 0; page < 3; page++) {
      if (page > 0) {
        pdf.page();
      }
      pdf.turned(-40, BOLD, 70, 150, 560, "SPECIMEN");
      pdf.prose(
          72, 90, 450, "Page " + (char) ('a' + page) + ". " + PROSE.repeat(page == 2 ? 3 : 9));
    }
    TakenIn t = pdf.takenIn(folder);
    Document d = t.document();
    assertThat(t.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
    assertThat(d.stories().values())
        .filteredOn(s -> s.kind() == Story.Kind.BOX)
        .singleElement()
        .satisfies(
            s -> assertThat(((Paragraph) s.blocks().getFirst()).text()).isEqualTo("SPECIMEN"));
    Layout as = Samples.layout(d);
    assertThat(as.pages()).hasSize(3);
    assertThat(marked(as)).isEqualTo(3);
    Paragraph last = d.paragraphs().getLast();
    Document longer =
        d.withParagraphs(
            Map.of(
                last.id(),
                last.withInlines(List.of(new Inline.Text(PROSE.repeat(40), Look.PLAIN)))));
    Layout more = Samples.layout(longer);
    assertThat(more.pages().size()).isGreaterThan(3);
    assertThat(marked(more)).as("on the pages that came to be, too").isEqualTo(more.pages().size());
  }

  /** Sections of other columns have headers of their own. */
  @Test
  void aWatermarkStandsOverColumnsToo() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int page = 0; page < 3; page++) {
      if (page > 0) {
        pdf.page();
      }
      pdf.turned(-40, BOLD, 70, 150, 560, "SPECIMEN");
      if (page == 0) {
        pdf.prose(72, 90, 450, PROSE.repeat(9));
      } else {
        pdf.prose(72, 90, 215, "Left " + page + ". " + PROSE.repeat(6));
        pdf.prose(307, 90, 215, "Right " + page + ". " + PROSE.repeat(6));
      }
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(d.sections().size()).isGreaterThan(1);
    Layout l = Samples.layout(d);
    assertThat(l.pages()).hasSize(3);
    assertThat(marked(l)).isEqualTo(3);
  }

  /** On how many pages it stands that are published. */
  private static long marked(Layout l) throws IOException {
    long n = 0;
    try (PDDocument pdf = Loader.loadPDF(Samples.pdf(l, Samples.choices(l)))) {
      for (int p = 1; p <= pdf.getNumberOfPages(); p++) {
        var stripper = new PDFTextStripper();
        stripper.setStartPage(p);
        stripper.setEndPage(p);
        n += stripper.getText(pdf).replaceAll("\\s", "").contains("SPECIMEN") ? 1 : 0;
      }
    }
    return n;
  }

  @Test
  void lettersThatAreSpacedOutAreWords() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double x = 72;
    for (char c : "Winter".toCharArray()) {
      pdf.text(BOLD, 14, x, 90, Character.toString(c));
      x += DrawnPdf.width(BOLD, 14, Character.toString(c)) + 4;
    }
    x += 9;
    for (char c : "storage".toCharArray()) {
      pdf.text(BOLD, 14, x, 90, Character.toString(c));
      x += DrawnPdf.width(BOLD, 14, Character.toString(c)) + 4;
    }
    pdf.prose(72, 120, 450, PROSE);
    assertThat(pdf.takenIn(folder).document().paragraphs().getFirst().text())
        .isEqualTo("Winter storage");
  }

  @Test
  void spacesThatOnlyMoveThePenPartNoWords() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    pdf.text(72, y + 20, "1" + " ".repeat(60)).text(84.7, y + 20, "Fenders on both sides");
    pdf.prose(72, y + 50, 450, PROSE);
    assertThat(pdf.takenIn(folder).document().paragraphs().stream().map(Paragraph::text))
        .anyMatch(t -> t.contains("Fenders on both sides"));
  }

  @Test
  void firstPagesCanBeReadAlone() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int k = 1; k < 6; k++) {
      pdf.text(BOLD, 16, 72, 80, "Quay " + k).prose(72, 110, 450, PROSE);
      if (k < 5) {
        pdf.page();
      }
    }
    Path file = pdf.saved(folder);
    assertThat(Intake.take(ReadRequest.of(file)).origin().pages()).isEqualTo(5);
    TakenIn first = Intake.take(ReadRequest.of(file).onlyFirst(2));
    assertThat(first.origin().pages()).isEqualTo(2);
    assertThat(first.document().paragraphs().stream().map(Paragraph::text))
        .contains("Quay 1", "Quay 2")
        .doesNotContain("Quay 3");
  }

  @Test
  void theHeadingOfABoxStandsInTheBox() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.text(BOLD, 16, 72, 80, "Berth rules").prose(72, 110, 450, PROSE);
    pdf.filled(new Color(0xF4F0E4), 66, y + 6, 462, 74)
        .text(BOLD, 12, 76, y + 24, "Please note")
        .prose(76, y + 42, 440, PROSE.substring(0, 180));
    pdf.prose(72, y + 110, 450, PROSE);
    Document d = pdf.takenIn(folder).document();
    assertThat(
            d.paragraphs().stream()
                .filter(p -> p.look().value(ParagraphTraits.SHADING).rgb() == 0xF4F0E4)
                .map(p -> p.text().substring(0, 11)))
        .as("or else the box of the text below is painted over its heading")
        .containsExactly("Please note", "The harbour");
  }
}
