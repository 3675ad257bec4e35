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

  /**
   * What blocks of a document follow from.
   *
   * @param values what is known of the pages
   * @param after an earlier version of the document, of which what is the same is taken over
   */
  public static Context of(
      Document d, Flow flow, Styles styles, FieldValues values, @Nullable Succession after) {
    Flow.Shared shared = after == null ? Flow.Shared.NOTHING : after.shared(flow);
    Map<NodeId, String> labels =
        after != null && after.sameLabels(d, flow, shared, styles)
            ? after.known().labels
            : ListLabels.of(d, styles);
    Map<NodeId, String> notes =
        after != null && after.sameNotes(d, flow, shared)
            ? after.known().fields.notes()
            : NoteLabels.of(d, flow);
    return new Context(labels, d.stories(), values.withNotes(notes));
  }

  /** Whether every block that is the same in both comes out the same, as far as can be seen. */
  public boolean isLike(Context other) {
    return labels == other.labels && stories == other.stories && fields.isLike(other.fields);
  }

  /** What the running texts of a document follow from: they stand in no list. */
  public Context ofRunningTexts(Document d) {
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
