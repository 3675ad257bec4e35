package decant.pdf.read.document;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Box;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Rule;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Ruling;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** How amounts and words stand in the columns of tables that were found. */
class CellAlignmentsTest {
  private static final SourceFace FACE = new SourceFace("Body", "Body", false, false, true);

  /** A text of ten points whose letters are five points wide. */
  private static TextLine line(String text, double x, double baseline) {
    var glyphs = new ArrayList<Glyph>();
    for (int k = 0; k < text.length(); k++) {
      glyphs.add(Glyph.made(text.substring(k, k + 1), x + 5 * k, baseline, 5, 10, FACE, -1));
    }
    return new TextLine(0, glyphs, new Box(x, baseline - 8, 5 * text.length(), 10), baseline, 10);
  }

  /** One column of a hundred points, each text as far from its left edge as is said. */
  private static List<Alignment> column(boolean ruled, Object... textsAndPlaces) {
    var rows = new ArrayList<List<Detected.DetectedCell>>();
    for (int k = 0; k < textsAndPlaces.length; k += 2) {
      TextLine l =
          line((String) textsAndPlaces[k], (Integer) textsAndPlaces[k + 1], 100 + 12.0 * k);
      rows.add(List.of(new Detected.DetectedCell(1, 1, List.of(l), false)));
    }
    Rule rule = Rule.single(0.5, Colour.BLACK);
    Ruling ruling =
        ruled
            ? new Ruling(
                Optional.of(rule),
                Optional.empty(),
                Optional.of(rule),
                Optional.of(rule),
                Optional.of(rule),
                Optional.of(rule))
            : Ruling.NONE;
    var g = new Detected.Grid(0, new Box(0, 90, 100, 200), List.of(100.0), rows, ruling);
    int[][] at = new int[rows.size()][1];
    var alignments = new CellAlignments(g, at);
    return rows.stream().map(r -> alignments.of(r.getFirst())).toList();
  }

  @Test
  void amountsThatEndAtOnePlaceStandAtTheRight() {
    assertThat(column(false, "8.00", 75, "110.50", 65, "1,300.00", 55)).containsOnly(Alignment.END);
  }

  @Test
  void wordsThatBeginAtOnePlaceStandAtTheLeft() {
    assertThat(column(false, "up to 6 m", 4, "6 m", 4, "over 15 m", 4))
        .containsOnly(Alignment.START);
  }

  @Test
  void textsWhoseMiddlesAreOneStandInTheMiddle() {
    assertThat(column(false, "yes", 42, "never", 37, "sometimes", 27))
        .containsOnly(Alignment.CENTRE);
  }

  @Test
  void ofTextsAsWideAsOneAnotherTheColumnTells() {
    assertThat(column(true, "210", 81, "305", 81, "400", 81)).containsOnly(Alignment.END);
    assertThat(column(true, "210", 4, "305", 4, "400", 4)).containsOnly(Alignment.START);
    assertThat(column(true, "210", 42, "305", 42, "400", 42)).containsOnly(Alignment.CENTRE);
    assertThat(column(false, "210", 81, "305", 81, "400", 81))
        .as("without lines nothing tells where the column is")
        .containsOnly(Alignment.START);
  }

  @Test
  void aTextThatStandsElsewhereIsLeftOut() {
    assertThat(column(false, "8.00", 75, "110.50", 65, "free", 4, "1,300.00", 55, "2.50", 75))
        .containsExactly(
            Alignment.END, Alignment.END, Alignment.START, Alignment.END, Alignment.END);
  }

  @Test
  void twoTextsTellNothing() {
    assertThat(column(false, "8.00", 75, "110.50", 65)).containsOnly(Alignment.START);
  }

  /** The charges of the demo are set right-aligned below left-aligned heads (demo/make.py). */
  @Test
  void theChargesOfTheDemoComeInAsTheyWereSet() {
    var d = Samples.taken(Samples.DEMO.resolve("Berth rules.pdf")).document();
    Table charges =
        d.sections().stream()
            .flatMap(s -> s.blocks().stream())
            .filter(b -> b instanceof Table)
            .map(b -> (Table) b)
            .findFirst()
            .orElseThrow();
    for (int r = 0; r < charges.rows().size(); r++) {
      for (int c = 0; c < charges.rows().get(r).cells().size(); c++) {
        Paragraph p = (Paragraph) charges.rows().get(r).cells().get(c).blocks().getFirst();
        assertThat(p.look().value(ParagraphTraits.ALIGNMENT))
            .as(p.text())
            .isEqualTo(r > 0 && c > 0 ? Alignment.END : Alignment.START);
      }
    }
  }
}
