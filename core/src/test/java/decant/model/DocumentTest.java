package decant.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.List;
import org.junit.jupiter.api.Test;

class DocumentTest {
  private final Paragraph inner = Samples.paragraph("inner");
  private final Table nested =
      new Table(
          NodeId.fresh(),
          Look.PLAIN,
          List.of(50.0),
          List.of(
              new Table.Row(
                  Look.PLAIN,
                  List.of(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(inner))))));
  private final Cell outer =
      new Cell(
          NodeId.fresh(),
          1,
          1,
          Look.PLAIN,
          List.of(Samples.paragraph("before"), nested, Samples.paragraph("after")));
  private final Table table =
      new Table(
          NodeId.fresh(),
          Look.PLAIN,
          List.of(100.0),
          List.of(new Table.Row(Look.PLAIN, List.of(outer))));
  private final Document d =
      Samples.document(Samples.paragraph("first"), table, Samples.paragraph("last"));

  @Test
  void paragraphsAreFoundWhereverTheyAreNested() {
    assertThat(d.paragraph(inner.id())).contains(inner);
    assertThat(d.paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("first", "before", "inner", "after", "last");
    assertThat(d.index().ordinal(inner.id())).contains(2);
    assertThat(d.index().topLevel(inner.id())).contains(new DocumentIndex.TopLevel(0, 1));
    assertThat(d.index().container(d, nested.id())).contains(outer.id());
  }

  @Test
  void changingANestedParagraphSharesTheRest() {
    Document changed =
        d.withParagraph(inner.withInlines(List.of(new Inline.Text("INNER", Look.PLAIN))));
    assertThat(changed.requireParagraph(inner.id()).text()).isEqualTo("INNER");
    assertThat(d.requireParagraph(inner.id()).text()).isEqualTo("inner");
    assertThat(changed.sections().getFirst().blocks().getFirst())
        .isSameAs(d.sections().getFirst().blocks().getFirst());
    assertThat(changed.index()).as("text changes leave the index").isSameAs(d.index());
  }

  @Test
  void blocksOfACellCanBeReplaced() {
    Document changed = d.withBlocks(outer.id(), 1, 2, List.of());
    assertThat(changed.paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("first", "before", "after", "last");
    assertThat(changed.paragraph(inner.id())).isEmpty();
    assertThatThrownBy(() -> changed.requireParagraph(inner.id()))
        .hasMessageContaining("no paragraph");
  }

  @Test
  void mergedCellsPushTheCellsBelowThemAside() {
    Cell tall = new Cell(NodeId.fresh(), 1, 2, Look.PLAIN, List.of(Samples.paragraph("a")));
    Cell wide = new Cell(NodeId.fresh(), 2, 1, Look.PLAIN, List.of(Samples.paragraph("b")));
    Cell c = new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(Samples.paragraph("c")));
    Cell e = new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(Samples.paragraph("e")));
    var t =
        new Table(
            NodeId.fresh(),
            Look.PLAIN,
            List.of(10.0, 10.0, 10.0),
            List.of(
                new Table.Row(Look.PLAIN, List.of(tall, wide)),
                new Table.Row(Look.PLAIN, List.of(c, e))));
    assertThat(t.cellColumns()).isDeepEqualTo(new int[][] {{0, 1}, {1, 2}});
  }

  @Test
  void neighbouringTextsInOneLookAreOne() {
    Paragraph p =
        Samples.runs("a", Look.PLAIN, "b", Look.PLAIN, "c", Look.of(TextTraits.BOLD, true));
    assertThat(p.inlines()).hasSize(2);
    assertThat(p.slice(1, 3))
        .containsExactly(
            new Inline.Text("b", Look.PLAIN), new Inline.Text("c", Look.of(TextTraits.BOLD, true)));
  }

  @Test
  void outlineNestsByLevelAndSkippedLevelsStillNest() {
    Document o =
        Samples.document(
            Samples.heading(1, "A"),
            Samples.heading(3, "A.x"),
            Samples.heading(2, "A.y"),
            Samples.heading(1, "B"),
            Samples.heading(1, " "));
    List<Outline.Entry> tree = Outline.of(Outline.headings(o));
    assertThat(tree).extracting(Outline.Entry::text).containsExactly("A", "B");
    assertThat(tree.getFirst().children())
        .extracting(Outline.Entry::text)
        .containsExactly("A.x", "A.y");
  }
}
