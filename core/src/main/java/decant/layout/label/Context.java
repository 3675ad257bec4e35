package decant.layout.label;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.walk.Walk;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * What the look of a block follows from besides the block: the labels of lists, the values of
 * fields and marks, the texts of shapes and notes.
 */
public record Context(Map<NodeId, String> labels, Map<NodeId, Story> stories, FieldValues fields) {
  public static final Context NONE = new Context(Map.of(), Map.of(), FieldValues.NONE);

  public static Context of(Document d, Flow flow, Styles styles, FieldValues before) {
    return new Context(
        ListLabels.of(d, styles), d.stories(), before.withNotes(NoteLabels.of(d, flow)));
  }

  /** What the running texts of a document follow from: they stand in no list. */
  public Context of(Document d) {
    return new Context(Map.of(), d.stories(), fields);
  }

  /** Whether a block that is the same in both comes out the same. */
  public boolean agrees(Context other, Block b, BlockFacts facts) {
    return facts.plain() && labels.isEmpty() && other.labels.isEmpty()
        || comesOutAlike(other, b, null);
  }

  /**
   * @param within the story that the block stands in, whose own mark it may show
   */
  private boolean comesOutAlike(Context other, Block b, @Nullable NodeId within) {
    // Asked of every block at every key, most of which are paragraphs.
    return b instanceof Paragraph only
        ? agrees(other, only, within)
        : Walk.paragraphs(List.of(b)).stream().allMatch(p -> agrees(other, p, within));
  }

  private boolean agrees(Context other, Paragraph p, @Nullable NodeId within) {
    if (!Objects.equals(labels.get(p.id()), other.labels.get(p.id()))) {
      return false;
    }
    for (Inline i : p.inlines()) {
      boolean same =
          switch (i) {
            case Inline.Text t -> true;
            case Inline.Picture pic -> true;
            case Inline.KeptInline kept -> true;
            case Inline.Field f -> fields.show(f).equals(other.fields.show(f));
            case Inline.NoteMark m ->
                fields.show(m).equals(other.fields.show(m))
                    && (m.note().equals(within) || sameStory(other, m.note()));
            case Inline.Shape s ->
                s.content().story().isEmpty() || sameStory(other, s.content().story().get());
          };
      if (!same) {
        return false;
      }
    }
    return true;
  }

  private boolean sameStory(Context other, NodeId id) {
    Story own = stories.get(id);
    if (own != other.stories.get(id)) {
      return false;
    }
    // The story itself is the same; what it shows may not be.
    return own == null
        || own.blocks().stream().allMatch(b -> isPlain(b) || comesOutAlike(other, b, id));
  }

  private static boolean isPlain(Block b) {
    return !holds(b, i -> !(i instanceof Inline.Text) && !(i instanceof Inline.NoteMark));
  }

  /** Whether an inline of a kind stands in a block, or in a table's cells. */
  public static boolean holds(Block b, Predicate<Inline> kind) {
    return Walk.paragraphs(List.of(b)).stream().anyMatch(p -> p.inlines().stream().anyMatch(kind));
  }
}
