package decant.model;

import java.util.List;
import java.util.Optional;

/**
 * Blocks that stand outside the flow: a note, a header, a footer, the text in a shape.
 *
 * @param label what a note is called by, if that is not told by counting
 */
public record Story(NodeId id, Kind kind, List<Block> blocks, Optional<String> label)
    implements Container {
  /** What a story is for. */
  public enum Kind {
    /** A header or footer. */
    RUNNING,
    /** Stands at the foot of the page that its mark is on. */
    FOOTNOTE,
    /** Stands after the last section. */
    ENDNOTE,
    /** Stands in a shape. */
    BOX;

    public boolean isNote() {
      return this == FOOTNOTE || this == ENDNOTE;
    }
  }

  public Story(NodeId id, Kind kind, List<Block> blocks) {
    this(id, kind, blocks, Optional.empty());
  }

  /** This note, called by a label of its own. */
  public Story labelled(String own) {
    return new Story(id, kind, blocks, Optional.of(own));
  }

  public Story {
    blocks = BlockList.of(blocks);
  }

  @Override
  public Story withBlocks(List<Block> others) {
    return new Story(id, kind, others, label);
  }
}
