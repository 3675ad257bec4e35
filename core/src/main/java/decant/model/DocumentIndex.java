package decant.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Where the nodes of a document stand, as paths of child numbers from the root. A path is {@code
 * FLOW, section, block}, {@code NOTES, note, block} or {@code RUNNING, section, place, block}, and
 * {@code row, cell, block} more for each table around the block. Valid for every version of the
 * document that has the same blocks in the same places.
 */
public final class DocumentIndex {
  static final int FLOW = 0;
  static final int NOTES = 1;
  static final int RUNNING = 2;

  private final Map<NodeId, int[]> blocks = new HashMap<>();
  private final Map<NodeId, int[]> containers = new HashMap<>();
  private final Map<NodeId, Integer> ordinals = new HashMap<>();
  private final List<NodeId> order = new ArrayList<>();

  private DocumentIndex() {}

  static DocumentIndex of(Document d) {
    var index = new DocumentIndex();
    for (int s = 0; s < d.sections().size(); s++) {
      Section section = d.sections().get(s);
      index.add(section, new int[] {FLOW, s}, true);
      for (Map.Entry<Section.Running, Story> e : section.running().entrySet()) {
        index.add(e.getValue(), new int[] {RUNNING, s, e.getKey().ordinal()}, false);
      }
    }
    int n = 0;
    for (Story note : d.stories().values()) {
      index.add(note, new int[] {NOTES, n++}, false);
    }
    return index;
  }

  static int rootLength(int[] path) {
    return path[0] == RUNNING ? 3 : 2;
  }

  private void add(Container c, int[] path, boolean flow) {
    containers.put(c.id(), path);
    List<Block> list = c.blocks();
    for (int b = 0; b < list.size(); b++) {
      int[] at = extend(path, b);
      Block block = list.get(b);
      blocks.put(block.id(), at);
      switch (block) {
        case Paragraph p -> {
          if (flow) {
            ordinals.put(p.id(), order.size());
            order.add(p.id());
          }
        }
        case Table t -> {
          for (int r = 0; r < t.rows().size(); r++) {
            List<Cell> cells = t.rows().get(r).cells();
            for (int k = 0; k < cells.size(); k++) {
              add(cells.get(k), extend(at, r, k), flow);
            }
          }
        }
        case KeptBlock k -> {}
      }
    }
  }

  private static int[] extend(int[] path, int... more) {
    int[] out = java.util.Arrays.copyOf(path, path.length + more.length);
    System.arraycopy(more, 0, out, path.length, more.length);
    return out;
  }

  int @Nullable [] path(NodeId block) {
    return blocks.get(block);
  }

  int @Nullable [] containerPath(NodeId container) {
    return containers.get(container);
  }

  /** The place of a block among its siblings, if the block is known. */
  public Optional<Integer> place(NodeId block) {
    return Optional.ofNullable(blocks.get(block)).map(p -> p[p.length - 1]);
  }

  /** The container that a block stands in. */
  public Optional<NodeId> container(Document d, NodeId block) {
    int[] path = blocks.get(block);
    if (path == null) {
      return Optional.empty();
    }
    // The container's path is the block's without its last number.
    Container c =
        switch (path[0]) {
          case FLOW -> d.sections().get(path[1]);
          case NOTES -> new ArrayList<>(d.stories().values()).get(path[1]);
          default ->
              Optional.ofNullable(
                      d.sections().get(path[1]).running().get(Section.Running.values()[path[2]]))
                  .orElseThrow();
        };
    for (int k = rootLength(path); k < path.length - 1; k += 3) {
      c = ((Table) c.blocks().get(path[k])).rows().get(path[k + 1]).cells().get(path[k + 2]);
    }
    return Optional.of(c.id());
  }

  /** The note or the text of a shape that a block stands in, if it stands in one. */
  public Optional<NodeId> story(Document d, NodeId block) {
    int[] path = blocks.get(block);
    return path == null || path[0] != NOTES
        ? Optional.empty()
        : d.stories().keySet().stream().skip(path[1]).findFirst();
  }

  /** Section number and place in it of the top-level block that a block of the flow stands in. */
  public Optional<TopLevel> topLevel(NodeId block) {
    int[] path = blocks.get(block);
    return path == null || path[0] != FLOW
        ? Optional.empty()
        : Optional.of(new TopLevel(path[1], path[2]));
  }

  /** A place among the blocks of a section. */
  public record TopLevel(int section, int block) {}

  /** How many paragraphs of the flow come before this one; empty outside the flow. */
  public Optional<Integer> ordinal(NodeId paragraph) {
    return Optional.ofNullable(ordinals.get(paragraph));
  }

  /** The paragraphs of the flow in reading order. */
  public List<NodeId> order() {
    return java.util.Collections.unmodifiableList(order);
  }
}
