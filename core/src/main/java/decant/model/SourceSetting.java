package decant.model;

import decant.model.look.Look;
import decant.model.look.StyleSheet;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How a source had set a document: where its lines broke and stood. What has not been changed is
 * set alike, so that a document that is only published looks as it did. A change to a block ends it
 * for that block alone.
 *
 * @param styles those that the blocks were then in
 * @param blocks by their identity, the texts of running included
 * @param running what stood above and below the text
 */
public record SourceSetting(StyleSheet styles, Map<NodeId, SetBlock> blocks, Running running) {
  public static final SourceSetting NONE =
      new SourceSetting(
          new StyleSheet(Look.PLAIN, Look.PLAIN, "", Map.of()), Map.of(), Running.NONE);

  /**
   * The headers and footers of a source, line by line.
   *
   * @param pages how many pages it has
   * @param lines for each page, from 0, its lines, of which each is in {@link #blocks}
   * @param stories what the document has in their stead, by identity
   * @param noteRules for each page the line above its notes, where one was drawn
   */
  public record Running(
      int pages,
      Map<Integer, List<Paragraph>> lines,
      Map<NodeId, Story> stories,
      Map<Integer, Box> noteRules) {
    public static final Running NONE = new Running(0, Map.of(), Map.of(), Map.of());

    public Running {
      lines = Map.copyOf(lines);
      stories = Map.copyOf(stories);
      noteRules = Map.copyOf(noteRules);
    }

    /** Whether a section has what the document had when it was taken in. */
    public boolean unchanged(Section s) {
      return s.running().values().stream().allMatch(r -> stories.get(r.id()) == r);
    }
  }

  public SourceSetting {
    blocks = Map.copyOf(blocks);
  }

  public Optional<SetBlock> block(NodeId id) {
    return Optional.ofNullable(blocks.get(id));
  }
}
