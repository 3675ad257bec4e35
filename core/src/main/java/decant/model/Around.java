package decant.model;

import java.util.ArrayList;
import java.util.List;

/**
 * A container around a block.
 *
 * @param at the place in it of the block, or of the table that holds it
 */
public record Around(Container container, int at) {
  /**
   * The containers around a block, from the outermost: a section, a note, then cells. None if there
   * is no such block.
   */
  public static List<Around> of(Document d, NodeId block) {
    int[] path = d.index().path(block);
    if (path == null) {
      return List.of();
    }
    var out = new ArrayList<Around>();
    for (int k = DocumentIndex.rootLength(path); k < path.length; k += 3) {
      out.add(new Around(d.containerAt(path, k), path[k]));
    }
    return out;
  }
}
