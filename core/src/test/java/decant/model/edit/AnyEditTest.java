package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.layout.Layout;
import decant.layout.Layouter;
import decant.layout.Rich;
import decant.model.Document;
import decant.model.DocumentIndex;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.text.FontBook;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every command in long random sequences, over documents with everything in them. */
class AnyEditTest {
  private static final int STEPS = 10_000;

  private static void same(Document a, Document b, String when) {
    assertThat(a.sections()).as(when).isEqualTo(b.sections());
    assertThat(a.stories()).as(when).isEqualTo(b.stories());
    assertThat(a.lists()).as(when).isEqualTo(b.lists());
    assertThat(a.styles()).as(when).isEqualTo(b.styles());
    assertThat(a.attachments()).as(when).isEqualTo(b.attachments());
  }

  /** Where the nodes stand, as it was kept up through all changes, is as it is found anew. */
  private static void standsRight(Document d, String when) {
    DocumentIndex kept = d.index();
    DocumentIndex anew =
        Document.of(
                d.metadata(),
                d.styles(),
                d.lists(),
                d.sections(),
                d.stories(),
                d.media(),
                d.keptParts())
            .index();
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      NodeId id = p.id();
      assertThat(kept.container(d, id)).as(when).isEqualTo(anew.container(d, id)).isPresent();
      assertThat(kept.place(id)).as(when).isEqualTo(anew.place(id));
      assertThat(kept.story(d, id)).as(when).isEqualTo(anew.story(d, id));
      assertThat(kept.runningText(d, id)).as(when).isEqualTo(anew.runningText(d, id));
      assertThat(kept.orderAround(id)).as(when).isEqualTo(anew.orderAround(id)).contains(id);
      assertThat(kept.placeInOrder(id)).as(when).isEqualTo(anew.placeInOrder(id));
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void allIsUndoneAndRedoneAndTheCaretStandsSomewhere(long seed) {
    var random = new Random(seed);
    Document start = Rich.varied(seed, 30);
    Revision r = Revision.of(start);
    for (int k = 0; k < STEPS; k++) {
      try {
        r = AnyEdit.of(r, random);
      } catch (RuntimeException e) {
        throw new AssertionError("seed %d, step %d".formatted(seed, k), e);
      }
      assertThat(r.document().paragraph(r.selection().caret().paragraph()))
          .as("seed %d, step %d: the caret stands in a paragraph that is there", seed, k)
          .isPresent();
      int length = r.document().requireParagraph(r.selection().caret().paragraph()).length();
      assertThat(r.selection().caret().offset())
          .as("seed %d, step %d: within its paragraph", seed, k)
          .isBetween(0, length);
      if (k % 100 == 0) {
        standsRight(r.document(), "seed %d, step %d".formatted(seed, k));
      }
    }
    Document last = r.document();
    int undone = 0;
    for (; r.canUndo(); undone++) {
      r = r.undo();
    }
    same(r.document(), start, "seed " + seed + ", undone");
    for (; undone > 0; undone--) { // the walk may have ended with something undone
      r = r.redo();
    }
    same(r.document(), last, "seed " + seed + ", redone");
  }

  @ParameterizedTest
  @ValueSource(longs = {11, 12, 13, 14})
  void theLayoutOfWhatWasChangedIsThatOfTheWhole(long seed) {
    var random = new Random(seed);
    var layouter = new Layouter(FontBook.shipped());
    Revision r = Revision.of(Rich.varied(seed, 18));
    for (int k = 0; k < 150; k++) {
      r = AnyEdit.of(r, random);
      Layout changed = layouter.layout(r.document());
      if (k % 10 == 9) {
        Layout whole = new Layouter(FontBook.shipped()).layout(r.document());
        assertThat(Rich.shape(changed))
            .as("seed %d, step %d", seed, k)
            .isEqualTo(Rich.shape(whole));
      }
    }
  }
}
