package decant.model.edit.section;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.format.Intake;
import decant.layout.Layout;
import decant.layout.Places;
import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.edit.Revision;
import decant.model.look.ListDefinition.NumberFormat;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Paper, margins, columns and the numbers of pages. */
class PageEditsTest {
  private static Section section(Section.Start start, int paragraphs) {
    var blocks = new ArrayList<Block>();
    for (int k = 0; k < paragraphs; k++) {
      blocks.add(Samples.paragraph(Samples.PROSE));
    }
    return new Section(NodeId.fresh(), PageSetup.A4, start, Map.of(), blocks);
  }

  private static Document parts(Section... all) {
    return Samples.document(Samples.paragraph("x")).withSections(List.of(all));
  }

  private static Revision at(Document d, int section, int block, int offset) {
    NodeId id = d.sections().get(section).blocks().get(block).id();
    return Revision.of(d).withSelection(Selection.at(new Position(id, offset)));
  }

  /** Sizes in millimetres by ISO 216, and in inches: 8.5 by 11, 8.5 by 14. */
  @ParameterizedTest
  @CsvSource({"A4,210,297", "A5,148,210", "A3,297,420", "LETTER,215.9,279.4", "LEGAL,215.9,355.6"})
  void papersHaveTheirSizes(Paper p, double width, double height) {
    assertThat(p.width() * 25.4 / 72).isCloseTo(width, within(0.2));
    assertThat(p.height() * 25.4 / 72).isCloseTo(height, within(0.2));
    assertThat(Paper.of(PageSetup.A4.withSize(p.height(), p.width()))).contains(p);
    assertThat(Paper.of(PageSetup.A4.withSize(500, 500))).isEmpty();
  }

  @Test
  void otherPaperIsThatOfThePagesAtTheCaretOrOfAll() {
    Document d =
        parts(
            section(Section.Start.NEW_PAGE, 3),
            section(Section.Start.CONTINUOUS, 3),
            section(Section.Start.NEW_PAGE, 3));
    Revision r = at(d, 1, 0, 4);
    assertThat(PageEdits.here(r).parts()).isEqualTo(2);
    assertThat(PageEdits.here(r).section()).isSameAs(d.sections().getFirst());
    Revision sideways = PageEdits.size(r, false, 841.89, 595.28);
    assertThat(sideways.document().sections())
        .as("sections on the same pages go along, others do not")
        .extracting(s -> s.page().width())
        .containsExactly(841.89, 841.89, 595.28);
    assertThat(sideways.selection()).isEqualTo(r.selection());
    assertThat(PageEdits.size(r, true, 841.89, 595.28).document().sections())
        .allMatch(s -> s.page().width() == 841.89);
    assertThat(sideways.undo().document().sections()).isEqualTo(d.sections());
    Revision columns = PageEdits.columns(r, false, Columns.equal(2, 20, true));
    assertThat(columns.document().sections())
        .extracting(s -> s.page().columns().count())
        .containsExactly(1, 2, 1);
  }

  @Test
  void marginsLeaveRoomForText() {
    Document d = parts(section(Section.Start.NEW_PAGE, 2));
    Revision r =
        PageEdits.margins(
            Revision.of(d), false, m -> new PageSetup.Margins(5000, -9, 5000, 5000, 9, 9));
    PageSetup p = r.document().sections().getFirst().page();
    assertThat(p.textWidth()).isGreaterThanOrEqualTo(72);
    assertThat(p.margins().left() + p.margins().right() + 72).isCloseTo(p.width(), within(0.01));
    assertThat(p.margins().top() + p.margins().bottom() + 72).isCloseTo(p.height(), within(0.01));
    assertThat(Samples.layout(r.document()).pages()).isNotEmpty();
  }

  @Test
  void numbersBeginAndAreWrittenOtherwise() {
    Document d = parts(section(Section.Start.NEW_PAGE, 2), section(Section.Start.NEW_PAGE, 2));
    Revision r =
        PageEdits.numbers(
            at(d, 1, 0, 0), false, new PageNumbers(Optional.of(7), NumberFormat.LOWER_ROMAN));
    Layout l = Samples.layout(r.document());
    assertThat(l.pages().get(0).shown()).isEqualTo(1);
    assertThat(l.pages().get(1).shown()).isEqualTo(7);
    assertThat(l.pages().get(1).numbering()).isEqualTo(NumberFormat.LOWER_ROMAN);
    var from3 = new PageNumbers(Optional.of(3), NumberFormat.DECIMAL);
    assertThat(Samples.layout(PageEdits.numbers(r, true, from3).document()).pages())
        .as("of the whole document only the first is said, the others go on")
        .extracting(p -> p.shown())
        .containsExactly(3, 4);
  }

  @Test
  void aPartIsBegunAndJoinedAgain() {
    Document d = parts(section(Section.Start.NEW_PAGE, 5));
    Revision r = PageEdits.begin(at(d, 0, 2, 10));
    assertThat(r.document().sections())
        .extracting(s -> s.blocks().size())
        .as("the paragraph is cut at the caret")
        .containsExactly(3, 3);
    assertThat(r.document().index().topLevel(r.selection().caret().paragraph()))
        .hasValueSatisfying(t -> {
          assertThat(t.section()).isEqualTo(1);
          assertThat(t.block()).isZero();
        });
    assertThat(Samples.layout(r.document()).pages()).hasSize(2);
    assertThat(PageEdits.begin(r).document()).as("one begins here").isSameAs(r.document());
    Revision sideways = PageEdits.size(r, false, 841.89, 595.28);
    assertThat(Samples.layout(sideways.document()).pages())
        .extracting(p -> p.setup().width())
        .containsExactly(595.28, 841.89);
    Revision joined = PageEdits.join(sideways);
    assertThat(joined.document().sections()).hasSize(1);
    assertThat(joined.document().sections().getFirst().page()).isEqualTo(PageSetup.A4);
    assertThat(joined.selection()).isEqualTo(sideways.selection());
    assertThat(PageEdits.canJoin(joined)).isFalse();
    Revision back = joined.undo().undo().undo();
    assertThat(back.document().sections()).isEqualTo(d.sections());
  }

  /** What a PDF had set is set anew where the paper is another, and found again by undoing. */
  @Test
  void textOfAPdfTakesTheRoomItIsGiven() throws ReadProblem {
    Document d = Intake.take(ReadRequest.of(Samples.DEMO.resolve("Berth rules.pdf"))).document();
    Revision r =
        PageEdits.margins(
            Revision.of(d),
            true,
            m -> new PageSetup.Margins(m.top(), 150, m.bottom(), 150, m.header(), m.footer()));
    Layout narrow = Samples.layout(r.document());
    assertThat(narrow.pages()).hasSizeGreaterThan(Samples.layout(d).pages().size());
    assertThat(narrow.pages())
        .allSatisfy(p ->
            assertThat(Places.lines(p.body()))
                .filteredOn(x -> x.paragraph().source().text().length() > 200)
                .allMatch(x -> x.right() < p.setup().width() - 149));
    assertThat(r.undo().document().setting()).isSameAs(d.setting());
  }
}
