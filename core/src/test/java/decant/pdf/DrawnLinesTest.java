package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Lines come in as wide, in the colour and with the dashes that they were drawn with. */
class DrawnLinesTest {
  private static final Colour QUAY = new Colour(0x1F5A7A);
  private static final Color QUAY_INK = new Color(0x1F5A7A);

  @TempDir Path folder;

  private List<Block> blocks(DrawnPdf pdf) throws IOException, ReadProblem {
    Document d = pdf.takenIn(folder).document();
    return d.sections().getFirst().blocks();
  }

  private static Table table(List<Block> blocks) {
    return blocks.stream()
        .filter(Table.class::isInstance)
        .map(Table.class::cast)
        .findFirst()
        .orElseThrow();
  }

  private static void cells(DrawnPdf pdf) {
    for (int row = 0; row < 4; row++) {
      pdf.text(74, 114 + row * 20, "Berth " + (char) ('A' + row));
      pdf.text(174, 114 + row * 20, (6 + row) + " m");
    }
  }

  @Test
  void theLinesOfAGridKeepTheirWidthsAndColours() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    cells(pdf);
    pdf.stroke(0.25, QUAY_INK);
    for (int row = 1; row < 4; row++) {
      pdf.line(70, 100 + row * 20, 270, 100 + row * 20);
    }
    pdf.line(170, 100, 170, 180);
    pdf.stroke(1.5, Color.BLACK).framed(70, 100, 200, 80);
    Table t = table(blocks(pdf));
    Rules rules = t.look().value(TableTraits.RULES);
    assertThat(rules.top()).contains(Rule.single(1.5, Colour.BLACK));
    assertThat(rules.bottom()).contains(Rule.single(1.5, Colour.BLACK));
    assertThat(rules.start()).contains(Rule.single(1.5, Colour.BLACK));
    assertThat(rules.insideAcross()).contains(Rule.single(0.25, QUAY));
    assertThat(rules.insideDown()).contains(Rule.single(0.25, QUAY));
  }

  @Test
  void theLinesOfARegisterWithoutAGridAreToldApart() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    cells(pdf);
    pdf.filled(Color.BLACK, 70, 99, 200, 2); // a thin rectangle is a line too
    pdf.stroke(0.75, QUAY_INK).line(70, 120, 270, 120);
    pdf.stroke(0, Color.BLACK).line(70, 180, 270, 180);
    Table t = table(blocks(pdf));
    Rules rules = t.look().value(TableTraits.RULES);
    assertThat(rules.top()).contains(Rule.single(2, Colour.BLACK));
    assertThat(rules.insideAcross()).isEmpty();
    assertThat(rules.bottom().orElseThrow().width())
        .as("0 is the thinnest line that shows: ISO 32000-1 §8.4.3.2")
        .isCloseTo(0.25, within(0.01));
    Rules header = t.rows().getFirst().cells().getFirst().look().value(TableTraits.RULES);
    assertThat(header.bottom()).contains(Rule.single(0.75, QUAY));
  }

  @Test
  void aFrameAroundAParagraphKeepsItsDashes() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(70, 100, 400, DrawnPdf.PROSE) + 30;
    double end = pdf.prose(80, y, 380, DrawnPdf.PROSE);
    pdf.stroke(1.25, QUAY_INK, 6, 3).framed(70, y - 18, 400, end - y + 12);
    Rules rules =
        blocks(pdf).stream()
            .filter(Paragraph.class::isInstance)
            .map(b -> ((Paragraph) b).look().value(ParagraphTraits.RULES))
            .filter(Rules::isDrawn)
            .findFirst()
            .orElseThrow();
    Rule top = rules.top().orElseThrow();
    assertThat(top.kind()).isEqualTo(Rule.Kind.DASHED);
    assertThat(top.width()).isCloseTo(1.25, within(0.01));
    assertThat(top.colour()).isEqualTo(QUAY);
  }

  @Test
  void aLineAcrossThePageIsAsThickAsItWas() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(70, 100, 400, DrawnPdf.PROSE);
    pdf.stroke(3, QUAY_INK).line(70, 300, 470, 300);
    pdf.prose(70, 340, 400, DrawnPdf.PROSE);
    List<Block> blocks = blocks(pdf);
    List<Inline.Shape> shapes =
        blocks.stream()
            .filter(Paragraph.class::isInstance)
            .flatMap(b -> ((Paragraph) b).inlines().stream())
            .filter(Inline.Shape.class::isInstance)
            .map(Inline.Shape.class::cast)
            .toList();
    List<Rule> below =
        blocks.stream()
            .filter(Paragraph.class::isInstance)
            .flatMap(b -> ((Paragraph) b).look().value(ParagraphTraits.RULES).bottom().stream())
            .toList();
    assertThat(shapes).hasSize(1);
    assertThat(below).isEmpty();
    assertThat(shapes.getFirst().height()).isCloseTo(3, within(0.1));
    assertThat(shapes.getFirst().drawing().fill()).contains(QUAY);
  }

  /** Some programs raise marks by nearly a line: above their word, and before their note. */
  @Test
  void marksOfNotesMayStandOverTheLine() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(70, 100, 440, DrawnPdf.PROSE.repeat(3)) + 8;
    String line = "The gauge stands at the east stairs.";
    pdf.text(70, y, line);
    pdf.text(DrawnPdf.PLAIN, 6.5, 70 + DrawnPdf.width(DrawnPdf.PLAIN, 10, line), y - 9, "1");
    pdf.stroke(0.4, Color.BLACK).line(70, 738, 190, 738);
    pdf.text(DrawnPdf.PLAIN, 6, 70, 747, "1");
    pdf.text(DrawnPdf.PLAIN, 8, 75.5, 754, "It was set anew after the dredging.");
    Document d = pdf.takenIn(folder).document();
    List<Story> notes =
        d.stories().values().stream().filter(s -> s.kind() == Story.Kind.FOOTNOTE).toList();
    assertThat(notes).hasSize(1);
    assertThat(notes.getFirst().toString()).contains("It was set anew after the dredging.");
  }

  private Optional<Box> aboveNotes(boolean ruled) throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(70, 100, 440, DrawnPdf.PROSE.repeat(3));
    String line = "The gauge stands at the east stairs.";
    pdf.text(70, y, line);
    pdf.text(DrawnPdf.PLAIN, 6.5, 70 + DrawnPdf.width(DrawnPdf.PLAIN, 10, line), y - 3.6, "1");
    if (ruled) {
      pdf.stroke(0.4, Color.BLACK).line(70, 741, 190, 741);
    }
    pdf.text(DrawnPdf.PLAIN, 5.5, 70, 750.5, "1");
    pdf.text(DrawnPdf.PLAIN, 8, 75, 753, "It was set anew after the dredging of the inner basin.");
    Document d = pdf.takenIn(folder).document();
    assertThat(d.stories().values()).anyMatch(s -> s.kind() == Story.Kind.FOOTNOTE);
    return Samples.layout(d).pages().getFirst().notes().orElseThrow().separator();
  }

  @Test
  void theLineAboveNotesStandsWhereItWasDrawn() throws IOException, ReadProblem {
    Box line = aboveNotes(true).orElseThrow();
    assertThat(line.y() + line.height() / 2).isCloseTo(741, within(0.3));
    assertThat(line.width()).isCloseTo(120, within(0.3));
    assertThat(line.height()).isCloseTo(0.4, within(0.05));
  }

  @Test
  void whereNoLineWasDrawnAboveNotesThereIsNone() throws IOException, ReadProblem {
    assertThat(aboveNotes(false)).isEmpty();
  }
}
