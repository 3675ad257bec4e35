package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.ITALIC;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Placement;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What stands beside and over the text: notes in the margin, stamps, pictures, clause numbers. */
class RecoveredMarginsTest {
  @TempDir Path folder;

  private Document read(DrawnPdf pdf) throws IOException, ReadProblem {
    return pdf.takenIn(folder).document();
  }

  private static List<String> texts(Document d) {
    return d.sections().stream()
        .flatMap(s -> s.blocks().stream())
        .filter((Block b) -> b instanceof Paragraph)
        .map(b -> ((Paragraph) b).text().replace("\uFFFC", ""))
        .toList();
  }

  private static String start(String text) {
    return text.substring(0, Math.min(20, text.length()));
  }

  @Test
  void aNoteInTheMarginStandsBeforeTheParagraphItIsBeside() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(180, 100, 330, "First of all. " + PROSE.repeat(2)) + 8;
    pdf.text(ITALIC, 8, 70, y + 2, "The chain at the head");
    pdf.text(ITALIC, 8, 70, y + 12, "of the pontoon is");
    pdf.text(ITALIC, 8, 70, y + 22, "locked at dusk.");
    y = pdf.prose(180, y, 330, "Second of all. " + PROSE.repeat(3)) + 8;
    pdf.prose(180, y, 330, "Third of all. " + PROSE.repeat(2));
    assertThat(texts(read(pdf)))
        .extracting(RecoveredMarginsTest::start)
        .containsExactly(
            "First of all. The ha",
            "The chain at the hea",
            "Second of all. The h",
            "Third of all. The ha");
  }

  @Test
  void whatStandsOnTheLinesOfTheTextIsAColumnAndNoNote() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(70, 100, 440, PROSE.repeat(2)) + 20;
    for (String berth : List.of("Alder", "Birch", "Cedar", "Dogwood", "Elder", "Fir")) {
      pdf.text(70, y, berth);
      pdf.prose(180, y, 330, PROSE.substring(0, 100) + PROSE.substring(0, 60));
      y += 36;
    }
    Document d = read(pdf);
    boolean table =
        d.sections().getFirst().blocks().stream()
            .anyMatch(b -> b instanceof Table t && t.rows().size() == 6);
    boolean together =
        texts(d).stream().anyMatch(t -> t.startsWith("Alder") && t.contains("harbour office"));
    assertThat(table || together).as("a name stays with what is said of it").isTrue();
  }

  @Test
  void aStampOverTextIsABoxOfItsOwn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 16, 70, 100, "Notice to all holders");
    pdf.prose(70, 124, 440, PROSE.repeat(3));
    pdf.stroke(1.5, Color.RED).framed(380, 84, 120, 64);
    pdf.ink(Color.RED);
    pdf.text(PLAIN, 9, 390, 100, "RECEIVED");
    pdf.text(PLAIN, 9, 390, 114, "2 May");
    pdf.text(PLAIN, 9, 390, 128, "Number 912");
    pdf.ink(Color.BLACK);
    Document d = read(pdf);
    assertThat(texts(d).getFirst()).isEqualTo("Notice to all holders");
    assertThat(texts(d).get(1)).startsWith("The harbour office keeps").doesNotContain("912");
    List<String> boxes =
        d.stories().values().stream()
            .filter(s -> s.kind() == Story.Kind.BOX)
            .map(s -> ((Paragraph) s.blocks().getFirst()).text())
            .toList();
    assertThat(boxes).containsExactly("RECEIVED\n2 May\nNumber 912");
    Inline.Shape box =
        d.paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(Inline.Shape.class::isInstance)
            .map(Inline.Shape.class::cast)
            .filter(s -> s.content().story().isPresent())
            .findFirst()
            .orElseThrow();
    var at = (Placement.Floating) box.placement();
    assertThat(at.down().offset()).isCloseTo(92, within(3.0));
    assertThat(box.rotation()).isZero();
  }

  @Test
  void framesBesideEachOtherAreReadOneAfterTheOther() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(70, 90, 440, PROSE) + 20;
    pdf.framed(70, y, 200, 60).framed(310, y, 200, 60);
    pdf.prose(80, y + 16, 180, "Payers by the third of March have a tenth off all that is let.");
    pdf.prose(320, y + 16, 180, "Those who come later wait until the list is read out in April.");
    pdf.prose(70, y + 100, 440, "Below. " + PROSE);
    assertThat(texts(read(pdf)))
        .satisfiesExactly(
            t -> assertThat(t).startsWith("The harbour"),
            t -> assertThat(t).startsWith("Payers by").endsWith("all that is let."),
            t -> assertThat(t).startsWith("Those who").endsWith("read out in April."),
            t -> assertThat(t).startsWith("Below."));
  }

  @Test
  void boxesOfAFormAreReadRowByRow() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(70, 90, 440, PROSE) + 20;
    for (int row = 0; row < 3; row++) {
      for (int c = 0; c < 2; c++) {
        pdf.framed(70 + 240 * c, y + 40 * row, 200, 28);
        pdf.text(76 + 240 * c, y + 40 * row + 17, "Answer " + (char) ('A' + 2 * row + c));
      }
    }
    pdf.prose(70, y + 160, 440, "Below. " + PROSE);
    String all = String.join(" ", texts(read(pdf)).subList(1, 7));
    assertThat(all).isEqualTo("Answer A Answer B Answer C Answer D Answer E Answer F");
  }

  /** Lines between columns of prose do not make cells of them. */
  @Test
  void columnsWithALineBetweenThemAreNoTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.line(70, 90, 510, 90).line(70, 400, 510, 400).line(70, 720, 510, 720);
    pdf.line(290, 90, 290, 720);
    pdf.prose(70, 110, 205, PROSE.repeat(3));
    pdf.prose(70, 420, 205, PROSE.repeat(3));
    pdf.prose(305, 110, 205, PROSE.repeat(3));
    pdf.prose(305, 420, 205, PROSE.repeat(3));
    Document d = read(pdf);
    assertThat(d.sections().getFirst().blocks()).noneMatch(Table.class::isInstance);
  }

  @Test
  void aTableWithLinesOnItsInsideAloneIsATable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(70, 90, 440, PROSE) + 20;
    pdf.line(150, y, 150, y + 80);
    for (int row = 0; row < 4; row++) {
      if (row > 0) {
        pdf.line(70, y + 20 * row, 400, y + 20 * row);
      }
      pdf.text(74, y + 20 * row + 14, "berth " + (char) ('a' + row));
      pdf.text(156, y + 20 * row + 14, "is let for the season");
    }
    Table t =
        (Table)
            read(pdf).sections().getFirst().blocks().stream()
                .filter(Table.class::isInstance)
                .findFirst()
                .orElseThrow();
    assertThat(t.rows()).hasSize(4).allMatch(r -> r.cells().size() == 2);
    assertThat(t.columns().getFirst()).isCloseTo(80, within(1.0));
    Rules rules = t.look().value(TableTraits.RULES);
    assertThat(rules.insideDown()).isPresent();
    assertThat(rules.insideAcross()).isPresent();
    assertThat(rules.top()).as("no line was drawn there").isEmpty();
    assertThat(rules.start()).as("nor there").isEmpty();
  }

  @Test
  void aFrameAroundWordsOfTheTextIsNoStamp() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double end = pdf.prose(70, 124, 440, PROSE.repeat(2) + "Ends.");
    pdf.framed(60, end - 22, 60, 14);
    Document d = read(pdf);
    assertThat(texts(d)).hasSize(1);
    assertThat(texts(d).getFirst()).endsWith("Ends.");
  }

  @Test
  void aParagraphGoesOnBelowThePictureBesideIt() throws IOException, ReadProblem {
    var picture = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
    picture.setRGB(3, 3, 0xFFFFFF);
    var pdf = new DrawnPdf();
    pdf.prose(70, 80, 440, PROSE.repeat(2));
    // Lines stand farther apart than is usual.
    String[] words = PROSE.repeat(3).strip().split(" ");
    double y = 160;
    int k = 0;
    while (k < words.length) {
      double width = y < 240 ? 260 : 440;
      var line = new StringBuilder();
      while (k < words.length && DrawnPdf.width(PLAIN, 10, line + " " + words[k]) < width) {
        line.append(line.isEmpty() ? "" : " ").append(words[k++]);
      }
      pdf.text(70, y, line.toString());
      y += 15.6;
    }
    pdf.picture(picture, 350, 150, 160, 84);
    assertThat(texts(read(pdf)).stream().filter(t -> t.length() > 10)).hasSize(2);
  }

  @Test
  void eachNumberedClauseIsAParagraphOfItsOwn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(70, 100, 440, PROSE.repeat(2));
    pdf.text(70, 200, "4.1");
    pdf.text(100, 200, "Fenders hang on both sides, and lines are doubled in a gale that comes.");
    pdf.text(70, 212, "4.2");
    pdf.text(
        100, 212, "Whoever moves a vessel without asking pays for the berth they take and for");
    pdf.text(100, 224, "the one they leave.");
    pdf.text(70, 236, "4.3");
    pdf.text(100, 236, "Gear left on the quay is cleared away.");
    assertThat(texts(read(pdf)).subList(1, 4))
        .extracting(t -> t.replace('\t', ' '))
        .satisfiesExactly(
            t -> assertThat(t).startsWith("4.1 Fenders").endsWith("comes."),
            t -> assertThat(t).startsWith("4.2 Whoever").endsWith("for the one they leave."),
            t -> assertThat(t).startsWith("4.3 Gear"));
  }

  @Test
  void accentsJoinTheirLettersAndQuotationMarksDoNot() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double x = 70 + DrawnPdf.width(PLAIN, 10, "The M");
    double e = DrawnPdf.width(PLAIN, 10, "e");
    double accent = DrawnPdf.width(PLAIN, 10, "\u00B4");
    pdf.text(70, 100, "The M");
    pdf.text(x + (e - accent) / 2, 100, "\u00B4");
    pdf.text(x, 100, "e");
    pdf.text(x + e, 100, "lusine berths at noon, and its `frozen\u00B4 lines are kept.");
    assertThat(texts(read(pdf)))
        .containsExactly("The M\u00E9lusine berths at noon, and its `frozen\u00B4 lines are kept.");
  }

  /**
   * Signs without a width are set letter by letter, a little off the line and beside their letter.
   */
  @Test
  void signsThatTakeNoRoomAreReadWithTheirLetters() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    PDFont font = pdf.font("NotoSansDevanagari-Regular.ttf");
    double x = 70;
    for (String sign :
        "\u092F\u0939\u093E\u0901 \u092A\u093E\u090F\u0901 \u0928\u0947\u091F".split("")) {
      double wide = DrawnPdf.width(font, 12, sign);
      boolean bare = wide < 0.05;
      pdf.text(font, 12, bare ? x + 0.4 : x, bare ? 99.3 : 100, sign);
      x += wide;
    }
    assertThat(texts(read(pdf)))
        .containsExactly("\u092F\u0939\u093E\u0901 \u092A\u093E\u090F\u0901 \u0928\u0947\u091F");
  }
}
