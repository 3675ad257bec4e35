package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Block;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.ListDefinition;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class StructureEditsTest {
  private final Look bold = Look.of(TextTraits.BOLD, true);
  private final Paragraph title = Samples.runs("Winter storage", bold);
  private final Paragraph body = Samples.paragraph(Samples.PROSE);
  private final Paragraph second = Samples.runs("Cranes and cradles", bold);
  private final Paragraph rest = Samples.paragraph("They are let by the day.");
  private final Paragraph running = Samples.paragraph("Harbour office, page 3");
  private final Paragraph runningToo = Samples.paragraph("Harbour office, page 14");
  private final Document before = Samples.document(title, body, running, second, rest, runningToo);
  private Revision after = Revision.of(before);

  private Document mended(UnaryOperator<Revision> act) {
    after = act.apply(Revision.of(before));
    return after.document();
  }

  /** Whatever an act did is taken back in one go. */
  @AfterEach
  void everyActIsUndoneInOneGo() {
    if (after.canUndo()) {
      Revision back = after.undo();
      assertThat(back.document().sections()).isEqualTo(before.sections());
      assertThat(back.document().lists()).isEqualTo(before.lists());
      assertThat(back.document().styles()).isEqualTo(before.styles());
      assertThat(back.canUndo()).isFalse();
    }
  }

  private static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }

  private static List<Block> blocks(Document d) {
    return d.sections().getFirst().blocks();
  }

  @Test
  void paragraphsThatLookAlikeBecomeHeadingsTogether() {
    List<NodeId> alike = SimilarParagraphs.to(before, title.id());
    assertThat(alike).containsExactly(title.id(), second.id());
    Document d = mended(r -> StructureEdits.heading(r, alike, 2));
    assertThat(d.headingLevel(d.requireParagraph(title.id()))).isEqualTo(2);
    assertThat(d.headingLevel(d.requireParagraph(second.id()))).isEqualTo(2);
    assertThat(d.headingLevel(d.requireParagraph(rest.id()))).isZero();
    assertThat(d.requireParagraph(title.id()).inlines().getFirst().look())
        .as("the style says what the letters look like")
        .isEqualTo(Look.PLAIN);
  }

  @Test
  void longParagraphsInTheLookOfAHeadingAreNotLikeIt() {
    Paragraph loud = Samples.runs(Samples.PROSE.repeat(2), bold);
    Document d = Samples.document(title, loud, second);
    assertThat(SimilarParagraphs.to(d, title.id())).containsExactly(title.id(), second.id());
  }

  @Test
  void runningTextsAreDroppedWhateverTheirNumbers() {
    List<NodeId> all = SimilarParagraphs.saying(before, running.id());
    assertThat(all).containsExactly(running.id(), runningToo.id());
    Document d = mended(r -> StructureEdits.drop(r, all));
    assertThat(texts(d)).containsExactly(title.text(), body.text(), second.text(), rest.text());
  }

  @Test
  void theLastBlockIsNotDropped() {
    Document one = Samples.document(title);
    Revision r = StructureEdits.drop(Revision.of(one), List.of(title.id()));
    assertThat(r.document()).isSameAs(one);
  }

  @Test
  void marksThatWereTypedBecomeThoseOfAList() {
    Paragraph a = Samples.paragraph("(a) Show the pass");
    Paragraph b = Samples.paragraph("(b)  Pay the charge");
    Document d = Samples.document(body, a, b, rest);
    Revision r = StructureEdits.list(Revision.of(d), List.of(a.id(), b.id()));
    Document is = r.document();
    assertThat(texts(is)).contains("Show the pass", "Pay the charge");
    var membership = is.requireParagraph(a.id()).look().value(ParagraphTraits.LIST);
    assertThat(is.requireParagraph(b.id()).look().value(ParagraphTraits.LIST))
        .isEqualTo(membership);
    ListDefinition.Level level = is.lists().get(membership.list()).level(0);
    assertThat(level.pattern()).isEqualTo("(%1)");
    assertThat(level.format()).isEqualTo(ListDefinition.NumberFormat.LOWER_LETTER);
    assertThat(r.undo().document().sections()).isEqualTo(d.sections());
    assertThat(r.undo().document().lists()).isEqualTo(d.lists());
  }

  @Test
  void paragraphsWithoutMarksBecomeBullets() {
    Document d = mended(r -> StructureEdits.list(r, List.of(body.id(), rest.id())));
    var membership = d.requireParagraph(rest.id()).look().value(ParagraphTraits.LIST);
    assertThat(d.lists().get(membership.list()).level(0).format())
        .isEqualTo(ListDefinition.NumberFormat.BULLET);
    assertThat(d.requireParagraph(rest.id()).text()).isEqualTo(rest.text());
  }

  @Test
  void linesWithTabsAndGapsBecomeRows() {
    Paragraph a = Samples.paragraph("Berth\tLength\tCharge");
    Paragraph b = Samples.paragraph("4 east     8 m   85");
    Paragraph c = Samples.paragraph("9 west\t11 m");
    Document d = Samples.document(body, a, b, c, rest);
    Revision r = StructureEdits.table(Revision.of(d), List.of(c.id(), a.id(), b.id()));
    assertThat(blocks(r.document())).hasSize(3);
    Table t = (Table) blocks(r.document()).get(1);
    assertThat(t.rows())
        .extracting(row ->
            row.cells().stream().map(x -> ((Paragraph) x.blocks().getFirst()).text()).toList())
        .containsExactly(
            List.of("Berth", "Length", "Charge"),
            List.of("4 east", "8 m", "85"),
            List.of("9 west", "11 m", ""));
    Document lines = StructureEdits.lines(r, t.id()).document();
    Revision again =
        StructureEdits.table(
            Revision.of(lines),
            lines.paragraphs().stream()
                .filter(p -> p.text().contains("\t"))
                .map(Paragraph::id)
                .toList());
    assertThat(again.document().sections().getFirst().blocks())
        .as("rows with tabs are a table again")
        .anyMatch(z -> z instanceof Table x && x.rows().size() == t.rows().size());
    Document back = StructureEdits.text(r, t.id()).document();
    assertThat(texts(back)).contains("Berth", "9 west", "11 m");
    assertThat(blocks(back)).noneMatch(x -> x instanceof Table);
    assertThat(r.undo().document().sections()).isEqualTo(d.sections());
  }

  @Test
  void whatIsNoRowsStaysAsItIs() {
    Revision r = Revision.of(before);
    assertThat(StructureEdits.table(r, List.of(title.id(), body.id()))).as("no gaps").isSameAs(r);
    assertThat(StructureEdits.table(r, List.of(title.id(), rest.id())))
        .as("not together")
        .isSameAs(r);
    assertThat(StructureEdits.table(r, List.of())).isSameAs(r);
  }

  @Test
  void joiningPutsOneSpaceBetween() {
    assertThat(StructureEdits.canJoin(before, second.id())).isTrue();
    Document d = mended(r -> StructureEdits.join(r, second.id()));
    assertThat(texts(d)).contains("Cranes and cradles They are let by the day.");
    assertThat(StructureEdits.canJoin(before, runningToo.id())).as("nothing follows").isFalse();
  }

  @Test
  void splittingTakesTheSpaceAtTheCut() {
    int at = rest.text().indexOf("by the") + 1; // amid a word
    Document d = mended(r -> StructureEdits.split(r, new Position(rest.id(), at)));
    assertThat(texts(d)).containsSequence("They are let", "by the day.");
    Revision r = Revision.of(before);
    assertThat(StructureEdits.split(r, new Position(rest.id(), 0)))
        .as("nothing before")
        .isSameAs(r);
  }

  @Test
  void readingOrderIsSetByMovingBlocks() {
    Document d = mended(r -> StructureEdits.move(r, second.id(), true));
    assertThat(texts(d)).containsSequence(body.text(), second.text(), running.text());
    Revision r = Revision.of(before);
    assertThat(StructureEdits.move(r, title.id(), true)).as("already the first").isSameAs(r);
    assertThat(StructureEdits.move(r, runningToo.id(), false)).as("already the last").isSameAs(r);
  }

  @Test
  void whatIsSelectedStaysWithItsText() {
    Position caret = new Position(rest.id(), 5);
    Revision r = Revision.of(before).withSelection(Selection.at(caret));
    r = StructureEdits.drop(r, List.of(running.id()));
    assertThat(r.selection().caret()).isEqualTo(caret);
    r = StructureEdits.drop(r, List.of(rest.id()));
    assertThat(r.document().paragraph(r.selection().caret().paragraph())).isPresent();
  }
}
