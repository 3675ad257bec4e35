package decant.model;

import java.util.List;

/** What holds blocks. */
public sealed interface Container permits Section, Cell, Story {
  NodeId id();

  List<Block> blocks();

  /** The same container, with the same identity, holding other blocks. */
  Container withBlocks(List<Block> blocks);
}
