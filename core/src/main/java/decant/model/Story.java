package decant.model;

import java.util.List;

/** Blocks that stand outside the flow: a note, a header, a footer. */
public record Story(NodeId id, List<Block> blocks) implements Container {
  public Story {
    blocks = List.copyOf(blocks);
  }

  @Override
  public Story withBlocks(List<Block> others) {
    return new Story(id, others);
  }
}
