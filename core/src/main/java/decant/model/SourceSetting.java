package decant.model;

import decant.model.look.StyleSheet;
import java.util.Map;
import java.util.Optional;

/**
 * How a source had set a document: where its lines broke and stood. What has not been changed is
 * set alike, so that a document that is only published looks as it did. A change to a block ends it
 * for that block alone.
 *
 * @param styles those that the blocks were then in
 * @param blocks by their identity
 */
public record SourceSetting(StyleSheet styles, Map<NodeId, SetBlock> blocks) {
  public static final SourceSetting NONE =
      new SourceSetting(
          new StyleSheet(
              decant.model.look.Look.PLAIN, decant.model.look.Look.PLAIN, "", Map.of()),
          Map.of());

  public SourceSetting {
    blocks = Map.copyOf(blocks);
  }

  public Optional<SetBlock> block(NodeId id) {
    return Optional.ofNullable(blocks.get(id));
  }
}
