package decant.model;

import decant.model.look.Look;
import java.util.List;

/** A cell, with how many grid columns and rows it covers (at least one of each). */
public record Cell(NodeId id, int columnSpan, int rowSpan, Look look, List<Block> blocks)
    implements Container {
  public Cell {
    if (columnSpan < 1 || rowSpan < 1) {
      throw new IllegalArgumentException("a cell covers at least one column and one row");
    }
    blocks = List.copyOf(blocks);
  }

  @Override
  public Cell withBlocks(List<Block> others) {
    return new Cell(id, columnSpan, rowSpan, look, others);
  }
}
