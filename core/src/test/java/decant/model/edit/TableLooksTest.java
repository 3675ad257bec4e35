package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.PlacedTable;
import decant.layout.item.Fragment;
import decant.layout.item.TableLayout;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import java.util.List;
import org.junit.jupiter.api.Test;

class TableLooksTest {
  private static final Rule THICK = Rule.single(2, Colour.parse("7B1E3A"));

  private static Revision sample() {
    Table t =
        Samples.table(
            new String[] {"Berth", "Charge"},
            new String[] {"1", "12.00"},
            new String[] {"2", "14.50"});
    var ruled = new Table(t.id(), TableTraits.RULED, t.columns(), t.rows());
    return Revision.of(Samples.document(Samples.paragraph("Charges"), ruled));
  }

  private static Table table(Revision r) {
    return (Table) r.document().sections().getFirst().blocks().get(1);
  }

  private static Cell cell(Revision r, int row, int column) {
    return table(r).rows().get(row).cells().get(column);
  }

  private static Revision select(Revision r, int r1, int c1, int r2, int c2) {
    return r.withSelection(
        new Selection(
            new Position(cell(r, r1, c1).blocks().getFirst().id(), 0),
            new Position(cell(r, r2, c2).blocks().getFirst().id(), 0)));
  }

  private static TableLayout laidOut(Document d) {
    return Samples.layout(d).pages().getFirst().body().stream()
        .filter(f -> f instanceof Fragment.Rows)
        .map(f -> ((Fragment.Rows) f).layout())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theSelectedCellsAreShadedAndNoOthersAndStaySelected() {
    Revision r = select(sample(), 0, 0, 0, 1);
    Colour grey = Colour.parse("DDDDDD");
    Revision shaded = TableLooks.shade(r, grey);
    assertThat(cell(shaded, 0, 0).look().value(TableTraits.SHADING)).isEqualTo(grey);
    assertThat(cell(shaded, 0, 1).look().value(TableTraits.SHADING)).isEqualTo(grey);
    assertThat(cell(shaded, 1, 0).look().sets(TableTraits.SHADING)).isFalse();
    assertThat(shaded.selection()).isEqualTo(r.selection());
    assertThat(table(shaded.undo())).isEqualTo(table(r));
  }

  /** What is drawn, by the layout: the neighbours' own lines do not come through. */
  @Test
  void linesAroundAndBetweenAreDrawnAsTheyAreAskedFor() {
    Revision r = select(sample(), 1, 0, 2, 1);
    TableLayout around = laidOut(TableLooks.rule(r, TableLooks.Which.AROUND, THICK).document());
    TableLayout.CellBox first = around.rows().get(1).cells().getFirst();
    assertThat(first.edges().top().width()).isEqualTo(2);
    assertThat(first.edges().left().width()).isEqualTo(2);
    assertThat(first.edges().right().width()).as("between, as it was").isEqualTo(0.5);
    assertThat(around.rows().getFirst().cells().getFirst().edges().top().width()).isEqualTo(0.5);
    Revision none = TableLooks.rule(r, TableLooks.Which.ALL, Rule.NONE);
    TableLayout bare = laidOut(none.document());
    assertThat(bare.rows().get(1).cells().getFirst().edges().top().isDrawn()).isFalse();
    assertThat(bare.rows().get(1).cells().getFirst().edges().right().isDrawn()).isFalse();
    assertThat(bare.rows().getFirst().cells().getFirst().edges().bottom().isDrawn()).isFalse();
    assertThat(bare.rows().getFirst().cells().getFirst().edges().top().isDrawn()).isTrue();
  }

  @Test
  void columnsAreAsWideAsTheyAreMade() {
    Revision r = select(sample(), 0, 0, 0, 0);
    Revision wide = TableLooks.columns(r, table(r).id(), List.of(60.0, 210.0));
    Layout l = Samples.layout(wide.document());
    PlacedTable placed = PlacedTable.of(l.pages().getFirst(), table(r).id()).orElseThrow();
    assertThat(placed.edges()).hasSize(3);
    assertThat(placed.edges().get(1) - placed.edges().get(0)).isEqualTo(60, within(0.6));
    assertThat(placed.edges().get(2) - placed.edges().get(1)).isEqualTo(210, within(0.6));
    assertThat(placed.cells()).hasSize(6);
    assertThat(placed.cells().getFirst().cell()).isEqualTo(cell(wide, 0, 0).id());
    assertThat(TableLooks.columns(r, table(r).id(), List.of(60.0))).isSameAs(r);
    Revision narrow = TableLooks.columns(r, table(r).id(), List.of(-5.0, 210.0));
    assertThat(table(narrow).columns().getFirst()).isPositive();
  }

  @Test
  void marginsAndPlacesAreThoseOfTheTable() {
    Revision r = select(sample(), 0, 0, 0, 0);
    double before = laidOut(r.document()).height();
    Revision padded = TableLooks.padding(r, 10, 6);
    assertThat(laidOut(padded.document()).height()).isEqualTo(before + 3 * 12, within(0.5));
    Revision bottom = TableLooks.align(padded, VerticalAlignment.BOTTOM);
    assertThat(cell(bottom, 0, 0).look().value(TableTraits.VERTICAL_ALIGNMENT))
        .isEqualTo(VerticalAlignment.BOTTOM);
    Revision centred = TableLooks.place(padded, ParagraphTraits.Alignment.CENTRE);
    assertThat(table(centred).look().value(TableTraits.ALIGNMENT))
        .isEqualTo(ParagraphTraits.Alignment.CENTRE);
    Revision outside =
        r.withSelection(Selection.at(new Position(r.document().paragraphs().getFirst().id(), 0)));
    assertThat(TableLooks.padding(outside, 1, 1)).isSameAs(outside);
  }
}
