package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Rich;
import decant.layout.label.ListLabels;
import decant.model.Block;
import decant.model.Document;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.edit.AnyEdit;
import decant.model.edit.CommandsTest;
import decant.model.edit.ListEdits;
import decant.model.edit.Revision;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.BiFunction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Saved at some moment of revising, a working copy is taken in again as what it was. */
class EditedAndSavedTest extends MadeDocx {
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
  void aWorkingCopyIsTakenInAgainAsItWas(long seed) throws java.io.IOException {
    comesBack(seed, Samples.varied(seed, 10), 60, CommandsTest::randomEdit);
  }

  /** Saved four times, each after so many more edits. */
  private void comesBack(
      long seed, Document start, int edits, BiFunction<Revision, Random, Revision> edit)
      throws java.io.IOException {
    var random = new Random(seed);
    Revision r = Revision.of(start);
    for (int round = 0; round < 4; round++) {
      for (int k = 0; k < edits; k++) {
        r = edit.apply(r, random);
      }
      Document d = r.document();
      Document back = again(d);
      assertThat(shown(back)).as("seed %d, round %d", seed, round).isEqualTo(shown(d));
    }
  }

  /** With every command, in notes, headers and shapes too. */
  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23, 24, 25, 26, 27, 28, 29, 30})
  void whateverWasDoneItIsTakenInAgainAsItWas(long seed) throws java.io.IOException {
    comesBack(seed, Rich.varied(seed, 18), 80, AnyEdit::of);
  }

  /** The document as it is read on the page: labels, texts, headings, looks, and tables. */
  private static List<String> shown(Document d) {
    var out = new ArrayList<String>();
    Map<NodeId, String> labels = ListLabels.of(d);
    d.sections().forEach(s -> blocks(d, s.blocks(), labels, out));
    return out;
  }

  private static void blocks(
      Document d, List<Block> blocks, Map<NodeId, String> labels, List<String> out) {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> out.add(paragraph(d, p, labels));
        case Table t -> {
          out.add("table");
          for (Table.Row row : t.rows()) {
            out.add("row");
            row.cells()
                .forEach(c -> {
                  out.add("cell " + c.columnSpan() + "x" + c.rowSpan());
                  blocks(d, c.blocks(), labels, out);
                });
          }
        }
        case KeptBlock k -> out.add("kept");
      }
    }
  }

  private static String paragraph(Document d, Paragraph p, Map<NodeId, String> labels) {
    var b = new StringBuilder();
    b.append(labels.getOrDefault(p.id(), "")).append('|');
    b.append(ListEdits.item(d, p).map(m -> m.depth()).orElse(-1)).append('|');
    b.append(d.headingLevel(p)).append('|');
    b.append(
        Math.round(
            d.styles()
                .paragraphLook(p.look(), decant.model.look.Look.PLAIN, d.lists())
                .value(ParagraphTraits.INDENT_START)));
    b.append('|');
    var base = d.styles().textBase(p.look());
    p.inlines()
        .forEach(i -> {
          boolean bold = d.styles().textLook(base, i.look()).value(TextTraits.BOLD);
          b.append(bold ? "*" + text(i) + "*" : text(i));
        });
    return b.toString().replace("**", "");
  }

  private static String text(decant.model.Inline i) {
    return i instanceof decant.model.Inline.Text t ? t.text() : "\uFFFC";
  }
}
