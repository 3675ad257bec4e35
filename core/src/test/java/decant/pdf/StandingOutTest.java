package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.ITALIC;
import static decant.pdf.DrawnPdf.PROSE;
import static decant.pdf.FoundTables.textsOutside;
import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Outline;
import decant.reading.ReadProblem;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Titles and headings that stand out by little: by their slant, or beside other text. */
class StandingOutTest {
  @TempDir Path folder;

  private static List<String> headings(Document d) {
    return Outline.headings(d).stream().map(h -> h.text()).toList();
  }

  /** As far from the paragraph above as from the one below, in the size of the text. */
  @Test
  void slantedLinesThatStandApartAreHeadings() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    for (String title :
        List.of("1. Winter storage", "2. Mooring charges", "3. Lines and fenders")) {
      pdf.text(ITALIC, 10, 72, y + 14, title);
      y = pdf.prose(72, y + 40, 450, PROSE);
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(headings(d))
        .containsExactly("1. Winter storage", "2. Mooring charges", "3. Lines and fenders");
  }

  @Test
  void slantedLinesAboveSingleSentencesAreHeadingsToo() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    List<String> titles = List.of("Opening hours", "Lost keys", "Showers", "The boat lift");
    for (String title : titles) {
      pdf.text(ITALIC, 10, 72, y + 20, title);
      pdf.text(72, y + 40, "It is open at seven, and closed on Sundays.");
      y += 40;
    }
    assertThat(headings(pdf.takenIn(folder).document())).containsExactlyElementsOf(titles);
  }

  @Test
  void slantedHeadingsMayEndWithAFullStopAboveParagraphs() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    List<String> titles = List.of("Use of the quay.", "Power ashore.", "Winter storage.");
    for (String title : titles) {
      pdf.text(ITALIC, 10, 72, y + 20, title);
      y = pdf.prose(72, y + 40, 450, PROSE);
    }
    assertThat(headings(pdf.takenIn(folder).document())).containsExactlyElementsOf(titles);
  }

  /** Sayings and their meaning: each stands alone, as its meaning does. */
  @Test
  void slantedSentencesAboveSentencesAreNoHeadings() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    for (String saying : List.of("Low water waits.", "Ropes remember.", "Tar dries slowly.")) {
      pdf.text(ITALIC, 10, 72, y + 20, saying);
      pdf.text(72, y + 40, "So they say on the mole.");
      y += 40;
    }
    assertThat(headings(pdf.takenIn(folder).document())).isEmpty();
  }

  @Test
  void oneSlantedLineIsNot() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    pdf.text(ITALIC, 10, 72, y + 14, "Edda Kettle, harbour master");
    pdf.prose(72, y + 40, 450, PROSE);
    Document d = pdf.takenIn(folder).document();
    assertThat(headings(d)).isEmpty();
    assertThat(textsOutside(d)).contains("Edda Kettle, harbour master");
  }

  /** A title that nearly fills its column, with a heading of the next one on its baseline. */
  @Test
  void aTitleEndsWhereOtherTextBeginsBesideIt() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String title = "The quays and all that";
    double left = 300 - DrawnPdf.width(BOLD, 18, title);
    pdf.text(BOLD, 18, left, 90, title);
    pdf.text(BOLD, 18, left, 112, "lies along them");
    pdf.prose(left, 140, 300 - left - 4, PROSE.repeat(3));
    pdf.text(BOLD, 12, 311, 90, "Charges for the season");
    pdf.prose(311, 110, 180, PROSE.repeat(3));
    Document d = pdf.takenIn(folder).document();
    assertThat(headings(d))
        .containsExactly("The quays and all that lies along them", "Charges for the season");
  }

  /** Minutes: a title with short lines below it, and headings that end with a full stop. */
  @Test
  void headingsMayEndWithAFullStop() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 18, 72, 90, "Minutes of the berth meeting");
    String[] lines = {"Date 4 May 2026", "Place The net loft", "Chair Edda Kettle", "Present"};
    double y = 106;
    for (String l : lines) {
      pdf.text(72, y, l);
      y += 16;
    }
    List<String> titles =
        List.of("The inner quay.", "Power ashore.", "Winter storage.", "The crane.", "Next year.");
    for (String title : titles) {
      pdf.text(BOLD, 12, 72, y + 14, title);
      y = pdf.prose(72, y + 32, 450, PROSE.substring(0, 250));
    }
    assertThat(headings(pdf.takenIn(folder).document()))
        .startsWith("Minutes of the berth meeting")
        .containsAll(titles)
        .hasSize(6);
  }

  /** Bold sentences here and there are no headings, whatever they end with. */
  @Test
  void boldSentencesAreNotHeadings() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = 90;
    for (int k = 0; k < 3; k++) {
      y = pdf.prose(72, y, 450, PROSE) + 10;
      pdf.text(BOLD, 10, 72, y, "Bring the key back.");
      pdf.text(BOLD, 10, 72, y + 12, "The office is closed on Sundays. Ring the bell.");
      y += 30;
    }
    assertThat(headings(pdf.takenIn(folder).document())).isEmpty();
  }

  @Test
  void sectionsAreBelowChaptersThatLookTheSame() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = 90;
    for (String title :
        List.of("Chapter 1 Berths", "1.1 The inner quay", "Chapter 2 Charges", "2.1 Visitors")) {
      pdf.text(BOLD, 12, 72, y, title);
      y = pdf.prose(72, y + 18, 450, PROSE) + 20;
    }
    assertThat(Outline.headings(pdf.takenIn(folder).document()).stream().map(h -> h.level()))
        .containsExactly(1, 2, 1, 2);
  }

  /** A little more than between lines, below the end of a sentence, and nothing else to tell. */
  @Test
  void aParagraphMayBeginAfterLittleMoreThanALine() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String full = "Whoever moves a vessel without asking pays for the berth.";
    double width = DrawnPdf.width(DrawnPdf.PLAIN, 10, full);
    double y = pdf.prose(72, 90, width, PROSE);
    pdf.text(72, y, full);
    pdf.text(72, y + 15.6, "Decision: the key stays in the office");
    pdf.prose(72, y + 40, width, PROSE);
    assertThat(textsOutside(pdf.takenIn(folder).document()))
        .contains("Decision: the key stays in the office");
  }
}
