package decant.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
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
  private final Map<Root, List<NodeId>> orders = new LinkedHashMap<>();

  /**
   * A text that is read from its beginning to its end: the flow of all sections, one note or
   * shape's text, or one running text. What is selected lies in one of them.
   */
  private record Root(int kind, int first, int second) {
    static final Root OF_FLOW = new Root(FLOW, 0, 0);

    static Root of(int[] path) {
      return path[0] == FLOW
          ? OF_FLOW
          : new Root(path[0], path[1], path[0] == RUNNING ? path[2] : 0);
    }
  }

  private DocumentIndex() {}

  static DocumentIndex of(Document d) {
    var index = new DocumentIndex();
    index.orders.put(Root.OF_FLOW, new ArrayList<>());
    for (int s = 0; s < d.sections().size(); s++) {
      Section section = d.sections().get(s);
      index.add(section, new int[] {FLOW, s});
      for (Map.Entry<Section.Running, Story> e : section.running().entrySet()) {
        index.add(e.getValue(), new int[] {RUNNING, s, e.getKey().ordinal()});
      }
    }
    int n = 0;
    for (Story note : d.stories().values()) {
      index.add(note, new int[] {NOTES, n++});
    }
    return index;
  }

  static int rootLength(int[] path) {
    return path[0] == RUNNING ? 3 : 2;
  }

  private void add(Container c, int[] path) {
    containers.put(c.id(), path);
    List<Block> list = c.blocks();
    for (int b = 0; b < list.size(); b++) {
      int[] at = extend(path, b);
      Block block = list.get(b);
      blocks.put(block.id(), at);
      switch (block) {
        case Paragraph p -> {
          List<NodeId> order = orders.computeIfAbsent(Root.of(at), r -> new ArrayList<>());
          ordinals.put(p.id(), order.size());
          order.add(p.id());
        }
        case Table t -> {
          for (int r = 0; r < t.rows().size(); r++) {
            List<Cell> cells = t.rows().get(r).cells();
            for (int k = 0; k < cells.size(); k++) {
              add(cells.get(k), extend(at, r, k));
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

  /** The header or footer that a block stands in, if it stands in one. */
  public Optional<NodeId> runningText(Document d, NodeId block) {
    int[] path = blocks.get(block);
    return path == null || path[0] != RUNNING
        ? Optional.empty()
        : Optional.ofNullable(
                d.sections().get(path[1]).running().get(Section.Running.values()[path[2]]))
            .map(Story::id);
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
    int[] p = path(paragraph);
    return p != null && p[0] == FLOW ? placeInOrder(paragraph) : Optional.empty();
  }

  /** How many paragraphs of the same text come before this one. */
  public Optional<Integer> placeInOrder(NodeId paragraph) {
    return Optional.ofNullable(ordinals.get(paragraph));
  }

  /** The paragraphs of the flow in reading order. */
  public List<NodeId> order() {
    return java.util.Collections.unmodifiableList(orders.get(Root.OF_FLOW));
  }

  /**
   * The paragraphs, in reading order, of the text that one stands in: the flow, a note, the text of
   * a shape, a header or footer. Empty if it is not known.
   */
  public List<NodeId> orderAround(NodeId paragraph) {
    int[] path = blocks.get(paragraph);
    return path == null
        ? List.of()
        : java.util.Collections.unmodifiableList(orders.getOrDefault(Root.of(path), List.of()));
  }

  /** Whether two paragraphs stand in the same text, so that one can be selected up to the other. */
  public boolean sameText(NodeId a, NodeId b) {
    int[] pa = blocks.get(a);
    int[] pb = blocks.get(b);
    return pa != null && pb != null && Root.of(pa).equals(Root.of(pb));
  }

  /** Which of two paragraphs comes first: the flow, then notes and shapes, then running texts. */
  public int compare(NodeId a, NodeId b) {
    int[] pa = blocks.get(a);
    int[] pb = blocks.get(b);
    if (pa == null || pb == null) {
      return Boolean.compare(pa == null, pb == null);
    }
    return sameText(a, b)
        ? Integer.compare(ordinals.getOrDefault(a, 0), ordinals.getOrDefault(b, 0))
        : java.util.Arrays.compare(pa, pb);
  }
}
