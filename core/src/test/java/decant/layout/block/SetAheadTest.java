package decant.layout.block;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.layout.Places;
import decant.layout.item.BlockLayout;
import decant.layout.item.Item;
import decant.layout.item.ParagraphLayout;
import decant.layout.label.Context;
import decant.layout.label.FieldValues;
import decant.layout.label.Flow;
import decant.layout.label.Styles;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.SourceSetting;
import decant.model.Table;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.text.FontBook;
import decant.text.JdkShaper;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;

/** Blocks that are set by several threads make the pages that one thread makes. */
class SetAheadTest {
  private static final List<Block> BLOCKS = blocks();

  private static List<Block> blocks() {
    var out = new ArrayList<Block>();
    for (int k = 0; k < 720; k++) {
      String text = "Berth %d is let by the week, from the first tide to the last. ".formatted(k);
      Look look =
          k % 3 == 0 ? Look.of(ParagraphTraits.LIST, new ListMembership("r", 0)) : Look.PLAIN;
      out.add(
          k % 17 == 5
              ? table(text)
              : Paragraph.of(look, "")
                  .withInlines(
                      List.of(
                          new Inline.Text("Berth ", Look.of(TextTraits.BOLD, true)),
                          new Inline.Text(text.repeat(1 + k % 9), Look.PLAIN))));
    }
    return out;
  }

  private static Table table(String text) {
    var cells =
        List.of(
            new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(Paragraph.of(Look.PLAIN, text))),
            new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(Paragraph.of(Look.PLAIN, "12"))));
    return new Table(
        NodeId.fresh(),
        Look.PLAIN,
        List.of(200.0, 80.0),
        List.of(new Table.Row(Look.PLAIN, cells)));
  }

  private static final Section WIDE = section(PageSetup.A4);
  private static final Section NARROW =
      section(PageSetup.A4.withSize(PageSetup.A4.width() / 2, PageSetup.A4.height()));

  private static Section section(PageSetup page) {
    return new Section(NodeId.fresh(), page, Section.Start.NEW_PAGE, Map.of(), List.of());
  }

  private static Document first(int blocks) {
    List<Block> some = BLOCKS.subList(0, blocks);
    int half = Math.min(blocks, 360);
    return Document.of(
        Metadata.NONE,
        Samples.styles(),
        Map.of("r", ListDefinition.marked("r", "1.")),
        List.of(
            WIDE.withBlocks(some.subList(0, half)), NARROW.withBlocks(some.subList(half, blocks))),
        Map.of(),
        Map.of(),
        List.of());
  }

  private static List<String> pages(Layout l) {
    return l.pages().stream()
        .map(p ->
            p.number()
                + ": "
                + Places.lines(p).stream()
                    .map(x -> x.x() + " " + x.top() + " " + items(x.line().items()))
                    .toList())
        .toList();
  }

  private static String items(List<Item> items) {
    var b = new StringBuilder();
    for (Item i : items) {
      if (i instanceof Item.GlyphRun r) {
        b.append(r.x())
            .append(r.shown())
            .append(Arrays.toString(r.placed().glyphs()))
            .append(Arrays.toString(r.placed().xs()));
      }
    }
    return b.toString();
  }

  @RepeatedTest(5)
  void makesTheSamePagesInOneGoAsBitByBit() {
    var patient = new Layouter(FontBook.shipped());
    Layout bitByBit = patient.layout(first(100));
    for (int k = 150; k <= BLOCKS.size(); k += 30) {
      bitByBit = patient.layout(first(k));
    }
    Layout atOnce = new Layouter(FontBook.shipped()).layout(first(BLOCKS.size()));
    assertThat(atOnce.pages().size()).isGreaterThan(60);
    assertThat(pages(atOnce)).isEqualTo(pages(bitByBit));
  }

  @Test
  void takesOverWhatAnotherHasSet() {
    Document d = first(BLOCKS.size());
    Flow flow = Flow.of(d, null);
    var styles = new Styles(d.styles(), d.lists(), FontBook.shipped());
    Context context = Context.of(d, flow, styles, FieldValues.NONE, null);
    var mine = new BlockLayouter(styles, new JdkShaper(), SourceSetting.NONE);
    mine.use(context);
    var plain = mine.alike(context);
    List<Block> some = BLOCKS.subList(0, 30);
    mine.take(mine.alike(context).share(some, 300, 0));
    for (Block b : some) {
      assertThat(mine.knows(b)).isTrue();
      BlockLayout taken = mine.set(b, 300);
      assertThat(mine.set(b, 300)).as("not set again").isSameAs(taken);
      assertThat(mine.isOfWholeBlock(taken)).isTrue();
      if (taken instanceof ParagraphLayout p && plain.set(b, 300) instanceof ParagraphLayout q) {
        assertThat(p.lines().stream().map(l -> items(l.items())).toList())
            .isEqualTo(q.lines().stream().map(l -> items(l.items())).toList());
      }
    }
    // At another width it is set again, not taken.
    assertThat(mine.set(some.get(8), 200).height())
        .isGreaterThan(plain.set(some.get(8), 300).height());
  }
}
