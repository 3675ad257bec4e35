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
}
