package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TableEditsTest {
  private static Revision revision(String[]... rows) {
    return Revision.of(
        Samples.document(
            Samples.paragraph("before"), Samples.table(rows), Samples.paragraph("after")));
  }

  private static Table table(Revision r) {
    return r.document().sections().getFirst().blocks().stream()
        .filter(b -> b instanceof Table)
        .map(b -> (Table) b)
        .findFirst()
        .orElseThrow();
  }

  private static Position in(Revision r, int row, int cell) {
    Cell c = table(r).rows().get(row).cells().get(cell);
    return new Position(c.blocks().getFirst().id(), 0);
  }

  private static Revision at(Revision r, int row, int cell) {
    return r.withSelection(Selection.at(in(r, row, cell)));
  }

  private static Revision from(Revision r, int row, int cell, int toRow, int toCell) {
    return r.withSelection(new Selection(in(r, row, cell), in(r, toRow, toCell)));
  }

  private static List<List<String>> texts(Revision r) {
    return table(r).rows().stream()
        .map(row -> row.cells().stream().map(CellEdits::text).toList())
        .toList();
  }

  private static Revision berths() {
    return revision(
        new String[] {"Berth", "Metres"}, new String[] {"A1", "6"}, new String[] {"A2", "11"});
  }

  @Test
  void tabGoesThroughCellsAndAddsARowAtTheEnd() {
    Revision r = at(berths(), 0, 0);
    r = TableEdits.go(r, 1);
    assertThat(Range.of(r.document(), r.selection()).text(r.document())).isEqualTo("Metres");
    r = TableEdits.go(at(r, 2, 1), 1);
    assertThat(texts(r)).hasSize(4).last().isEqualTo(List.of("", ""));
    r = Commands.insert(r, "A3");
    assertThat(texts(r).getLast()).containsExactly("A3", "");
    assertThat(TableEdits.go(at(r, 0, 0), -1).selection()).isEqualTo(at(r, 0, 0).selection());
    assertThat(texts(r.undo().undo())).hasSize(3);
  }

  @Test
  void rowsAndColumnsArePutInAndTakenOut() {
    Revision r = TableEdits.insertRows(at(berths(), 1, 0), false);
    assertThat(texts(r)).extracting(List::getFirst).containsExactly("Berth", "", "A1", "A2");
    r = TableEdits.insertColumns(at(berths(), 0, 0), true);
    assertThat(texts(r).getFirst()).containsExactly("Berth", "", "Metres");
    assertThat(table(r).columns()).hasSize(3);
    r = TableEdits.insertRows(from(berths(), 1, 0, 2, 0), true);
    assertThat(texts(r)).as("as many as are selected").hasSize(5);
    r = TableEdits.deleteRows(from(berths(), 0, 0, 1, 1));
    assertThat(texts(r)).containsExactly(List.of("A2", "11"));
    r = TableEdits.deleteColumns(at(berths(), 0, 0));
    assertThat(texts(r)).containsExactly(List.of("Metres"), List.of("6"), List.of("11"));
    assertThat(table(r).columns()).hasSize(1);
    Revision none = TableEdits.deleteRows(from(berths(), 0, 0, 2, 1));
    assertThat(none.document().paragraphs())
        .extracting(p -> p.text())
        .containsExactly("before", "after");
    assertThat(Commands.insert(none, "x").document().paragraphs()).as("typing goes on").hasSize(2);
  }

  @Test
  void cellsAreMergedAndSplitWithoutLosingText() {
    Revision r = TableEdits.merge(from(berths(), 1, 0, 2, 1));
    Cell one = table(r).rows().get(1).cells().getFirst();
    assertThat(one.columnSpan()).isEqualTo(2);
    assertThat(one.rowSpan()).isEqualTo(2);
    assertThat(CellEdits.text(one)).isEqualTo("A1 6 A2 11");
    assertThat(TableEdits.canSplit(r)).isTrue();
    Revision split = TableEdits.split(r);
    assertThat(texts(split))
        .containsExactly(List.of("Berth", "Metres"), List.of("A1 6 A2 11", ""), List.of("", ""));
    assertThat(texts(split.undo().undo())).isEqualTo(texts(berths()));
  }

  @Test
  void aRowWithinAMergedCellMakesThatLonger() {
    Revision merged = TableEdits.merge(from(berths(), 1, 0, 2, 0));
    Revision r = TableEdits.insertRows(at(merged, 1, 1), true);
    assertThat(table(r).rows().get(1).cells().getFirst().rowSpan()).isEqualTo(3);
    assertThat(table(r).rows().get(2).cells()).hasSize(1);
    Revision less = TableEdits.deleteRows(at(r, 2, 0));
    assertThat(table(less).rows().get(1).cells().getFirst().rowSpan()).isEqualTo(2);
    Revision first = TableEdits.deleteRows(at(merged, 1, 1));
    assertThat(texts(first)).as("deletes what the merged cell covers").isNotEmpty();
  }

  @Test
  void theHeadIsRepeatedAndStaysOnTopWhenRowsAreSorted() {
    Revision r = TableEdits.toggleHeader(at(berths(), 0, 0));
    assertThat(table(r).rows().getFirst().look().value(TableTraits.HEADER_ROW)).isTrue();
    r = CellEdits.sort(at(r, 1, 1), true);
    assertThat(texts(r)).extracting(List::getLast).containsExactly("Metres", "11", "6");
    r = CellEdits.sort(at(r, 1, 1), false);
    assertThat(texts(r)).extracting(List::getLast).containsExactly("Metres", "6", "11");
    assertThat(
            table(TableEdits.insertRows(at(r, 0, 0), true))
                .rows()
                .get(1)
                .look()
                .value(TableTraits.HEADER_ROW))
        .as("a row below the head is none")
        .isFalse();
    r = TableEdits.toggleHeader(at(r, 0, 0));
    assertThat(table(r).rows().getFirst().look().value(TableTraits.HEADER_ROW)).isFalse();
  }

  @Test
  void aColumnIsSummedAsItsAmountsAreWritten() {
    assertThat(Amounts.sum(List.of("Charge", "1,200.50", "99.50", ""))).contains("1,300.00");
    assertThat(Amounts.sum(List.of("1.200,50 €", "0,50 €"))).contains("1.201,00");
    assertThat(Amounts.sum(List.of("17 542", "458"))).contains("18 000");
    assertThat(Amounts.sum(List.of("−3", "1"))).contains("−2");
    assertThat(Amounts.sum(List.of("17,542", "32,000"))).contains("49,542");
    assertThat(Amounts.sum(List.of("0.1", "0.2")))
        .as("as decimals, not as doubles")
        .contains("0.3");
    assertThat(Amounts.sum(List.of("Berth", "to 4 May 2026"))).isEmpty();
    Revision r = TableEdits.go(at(berths(), 2, 1), 1);
    r = CellEdits.putSum(TableEdits.go(r, 1));
    assertThat(texts(r).getLast()).containsExactly("", "17");
  }

  @Test
  void cellsThatWereCopiedFillThoseFromTheCaretOn() {
    var sheet = decant.clip.TabbedText.table("B1\t7\nB2\t8\nB3\t9", Samples.styles()).orElseThrow();
    Revision r = CellEdits.fill(at(berths(), 1, 0), sheet).orElseThrow();
    assertThat(texts(r))
        .containsExactly(
            List.of("Berth", "Metres"), List.of("B1", "7"), List.of("B2", "8"), List.of("B3", "9"));
    assertThat(texts(r.undo())).isEqualTo(texts(berths()));
    assertThat(CellEdits.fill(Revision.of(Samples.document(Samples.paragraph("x"))), sheet))
        .isEmpty();
  }

  @Test
  void fromCellToCellARectangleIsSelected() {
    Revision r =
        revision(
            new String[] {"a", "b", "c"},
            new String[] {"d", "e", "f"},
            new String[] {"g", "h", "i"});
    Revision two = from(r, 1, 1, 0, 0);
    assertThat(Range.of(two.document(), two.selection()).parts(two.document()))
        .extracting(p -> p.paragraph().text())
        .containsExactly("a", "b", "d", "e");
    Revision bold = Commands.toggle(two, "Bold", decant.model.look.TextTraits.BOLD);
    assertThat(bold.document().paragraphs())
        .filteredOn(p -> p.lookAt(1).value(decant.model.look.TextTraits.BOLD))
        .extracting(p -> p.text())
        .containsExactly("a", "b", "d", "e");
    assertThat(texts(Commands.deleteBackward(two)))
        .as("what is deleted is what is shown as selected, and what is copied")
        .containsExactly(List.of("", "", "c"), List.of("", "", "f"), List.of("g", "h", "i"));
    Fragment copied = Copying.of(two.document(), two.selection()).orElseThrow();
    assertThat(decant.clip.TabbedText.of(copied)).isEqualTo("a\tb\nd\te");
  }

  /** Every field of a table is covered by one cell, whatever is done to its rows and columns. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void whateverIsDoneEveryFieldIsCoveredOnce(long seed) {
    var random = new Random(seed);
    Revision first = berths();
    Revision r = first;
    for (int k = 0; k < 60; k++) {
      List<Cell> cells = new ArrayList<>();
      table(r).rows().forEach(row -> cells.addAll(row.cells()));
      NodeId a = cells.get(random.nextInt(cells.size())).blocks().getFirst().id();
      NodeId b = cells.get(random.nextInt(cells.size())).blocks().getFirst().id();
      r = r.withSelection(new Selection(new Position(a, 0), new Position(b, 0)));
      Revision next =
          switch (random.nextInt(6)) {
            case 0 -> TableEdits.insertRows(r, random.nextBoolean());
            case 1 -> TableEdits.insertColumns(r, random.nextBoolean());
            case 2 -> TableEdits.deleteRows(r);
            case 3 -> TableEdits.deleteColumns(r);
            case 4 -> TableEdits.merge(r);
            default -> TableEdits.split(r);
          };
      boolean gone =
          next.document().sections().getFirst().blocks().stream()
              .noneMatch(x -> x instanceof Table);
      if (gone || table(next).rows().size() > 12 || Grid.of(table(next)).columns() > 12) {
        continue;
      }
      r = next;
      Grid g = Grid.of(table(r));
      for (int row = 0; row < g.rows(); row++) {
        for (int column = 0; column < g.columns(); column++) {
          int y = row;
          int x = column;
          assertThat(g.spots().stream().filter(s -> s.covers(y, x)).count())
              .as("seed %d, step %d, row %d, column %d", seed, k, row, column)
              .isEqualTo(1);
        }
      }
      assertThat(g.spots()).allMatch(s -> s.lastRow() < g.rows());
      assertThat(table(r).columns()).hasSize(g.columns());
    }
    while (r.canUndo()) {
      r = r.undo();
    }
    assertThat(r.document().sections()).isEqualTo(first.document().sections());
  }
}
