package decant.model;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.RandomAccess;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * The blocks of a section or a story: a list that is never changed, in stretches. A version of it
 * with other blocks in one place shares all stretches but the one they fall in, and with them what
 * is known of a stretch: where the nodes in it stand, what headings it has. So a change costs the
 * same in a long document as in a short one, but for a pass over the stretches.
 */
final class BlockList extends AbstractList<Block> implements RandomAccess {
  /** A stretch has at most so many blocks; one made by a cut has half as many. */
  private static final int FULL = 64;

  private static final BlockList NONE = new BlockList(new Stretch[0]);

  private final Stretch[] stretches;

  /** The number of the first block of each stretch, and that of all blocks. */
  private final int[] starts;

  private BlockList(Stretch[] stretches) {
    this.stretches = stretches;
    this.starts = new int[stretches.length + 1];
    for (int k = 0; k < stretches.length; k++) {
      starts[k + 1] = starts[k] + stretches[k].blocks.length;
    }
  }

  static BlockList of(List<Block> blocks) {
    return blocks instanceof BlockList b ? b : NONE.with(0, 0, blocks);
  }

  /** A run of blocks. */
  static final class Stretch {
    private final Block[] blocks;
    private final Shape shape;
    private volatile @Nullable Known<?, ?> known;

    private Stretch(Block[] blocks, Shape shape) {
      this.blocks = blocks;
      this.shape = shape;
    }

    /** Where the nodes in it stand; one and the same for versions that differ in text alone. */
    Shape shape() {
      return shape.of(blocks);
    }
  }

  /**
   * Where the nodes of a stretch stand in it. A path is the number of the block in the stretch, and
   * {@code row, cell, block} more for each table around a node.
   */
  static final class Shape {
    private volatile @Nullable Nodes nodes;

    /** What stands where. */
    private record Nodes(
        Map<NodeId, int[]> blocks,
        Map<NodeId, int[]> cells,
        List<NodeId> paragraphs,
        Map<NodeId, Integer> ordinals) {}

    private Shape of(Block[] blocks) {
      if (nodes == null) {
        var n = new Nodes(new HashMap<>(), new HashMap<>(), new ArrayList<>(), new HashMap<>());
        add(n, Arrays.asList(blocks), new int[0]);
        nodes = n;
      }
      return this;
    }

    private static void add(Nodes n, List<Block> list, int[] path) {
      for (int b = 0; b < list.size(); b++) {
        int[] at = DocumentIndex.extend(path, b);
        Block block = list.get(b);
        n.blocks.put(block.id(), at);
        switch (block) {
          case Paragraph p -> {
            n.ordinals.put(p.id(), n.paragraphs.size());
            n.paragraphs.add(p.id());
          }
          case Table t -> {
            for (int r = 0; r < t.rows().size(); r++) {
              List<Cell> cells = t.rows().get(r).cells();
              for (int k = 0; k < cells.size(); k++) {
                int[] cell = DocumentIndex.extend(at, r, k);
                n.cells.put(cells.get(k).id(), cell);
                add(n, cells.get(k).blocks(), cell);
              }
            }
          }
          case KeptBlock k -> {}
        }
      }
    }

    private Nodes nodes() {
      Nodes n = nodes;
      if (n == null) {
        throw new IllegalStateException("asked before it was made");
      }
      return n;
    }

    /** The path of each block. */
    Map<NodeId, int[]> blocks() {
      return nodes().blocks;
    }

    /** The path of each cell of a table. */
    Map<NodeId, int[]> cells() {
      return nodes().cells;
    }

    /** The paragraphs in reading order. */
    List<NodeId> paragraphs() {
      return nodes().paragraphs;
    }

    /** How many paragraphs of the stretch come before each. */
    Map<NodeId, Integer> ordinals() {
      return nodes().ordinals;
    }
  }

  /** What was found out about a stretch. */
  private record Known<C, T>(C in, T value) {}

  List<Stretch> stretches() {
    return List.of(stretches);
  }

  /** The number of a stretch's first block. */
  int start(int stretch) {
    return starts[stretch];
  }

  /**
   * Something about the blocks, stretch by stretch: found out once for a stretch as long as it is
   * asked for in the same surroundings.
   *
   * @param in what else it depends on, told by identity
   * @param find gives the same for the same blocks and surroundings; all that is asked of a list is
   *     asked with one kind of surroundings
   */
  @SuppressWarnings("unchecked")
  <C, T> List<T> each(C in, Function<List<Block>, T> find) {
    var out = new ArrayList<T>(stretches.length);
    for (Stretch s : stretches) {
      Known<?, ?> known = s.known;
      if (known == null || known.in != in) {
        known = new Known<>(in, find.apply(Arrays.asList(s.blocks)));
        s.known = known;
      }
      out.add((T) known.value);
    }
    return out;
  }

  @Override
  public Block get(int index) {
    java.util.Objects.checkIndex(index, size());
    int s = stretchAt(index);
    return stretches[s].blocks[index - starts[s]];
  }

  @Override
  public int size() {
    return starts[stretches.length];
  }

  private int stretchAt(int index) {
    int at = Arrays.binarySearch(starts, 0, stretches.length, index);
    return at >= 0 ? at : -at - 2;
  }

  /** With another block in the place of one that has the same identity and the same nodes in it. */
  BlockList with(int at, Block other) {
    int s = stretchAt(at);
    Stretch was = stretches[s];
    Block[] copy = was.blocks.clone();
    copy[at - starts[s]] = other;
    Stretch[] all = stretches.clone();
    all[s] = new Stretch(copy, was.shape);
    return new BlockList(all);
  }

  /**
   * With the paragraphs of a map in the place of those of the same identity.
   *
   * @param others those that were found are taken from it
   */
  BlockList with(Map<NodeId, Paragraph> others) {
    Stretch[] all = stretches.clone();
    for (int s = 0; s < all.length && !others.isEmpty(); s++) {
      Block[] copy = null;
      for (int k = 0; k < all[s].blocks.length; k++) {
        Paragraph other = others.remove(all[s].blocks[k].id());
        if (other != null) {
          copy = copy == null ? all[s].blocks.clone() : copy;
          copy[k] = other;
        }
      }
      if (copy != null) {
        all[s] = new Stretch(copy, all[s].shape);
      }
    }
    return new BlockList(all);
  }

  /** With others in the place of a run of blocks. */
  BlockList with(int from, int to, List<Block> others) {
    java.util.Objects.checkFromToIndex(from, to, size());
    if (stretches.length == 0) {
      return others.isEmpty() ? this : new BlockList(cut(others).toArray(new Stretch[0]));
    }
    int first = from == size() ? stretches.length - 1 : stretchAt(from);
    int last = to == from ? first : stretchAt(to - 1);
    var changed = new ArrayList<Block>();
    changed.addAll(Arrays.asList(stretches[first].blocks).subList(0, from - starts[first]));
    changed.addAll(others);
    Block[] end = stretches[last].blocks;
    changed.addAll(Arrays.asList(end).subList(to - starts[last], end.length));
    if (changed.size() < FULL / 4 && first > 0) { // few are put with those before
      changed.addAll(0, Arrays.asList(stretches[--first].blocks));
    }
    var all = new ArrayList<Stretch>(stretches.length + 1);
    all.addAll(Arrays.asList(stretches).subList(0, first));
    all.addAll(cut(changed));
    all.addAll(Arrays.asList(stretches).subList(last + 1, stretches.length));
    return new BlockList(all.toArray(new Stretch[0]));
  }

  /** Few blocks are one stretch, more are cut so that each has room for some. */
  private static List<Stretch> cut(List<Block> blocks) {
    var out = new ArrayList<Stretch>();
    int pieces = blocks.size() <= FULL ? 1 : (blocks.size() + FULL / 2 - 1) / (FULL / 2);
    for (int k = 0; k < pieces && !blocks.isEmpty(); k++) {
      int from = (int) ((long) blocks.size() * k / pieces);
      int to = (int) ((long) blocks.size() * (k + 1) / pieces);
      out.add(new Stretch(blocks.subList(from, to).toArray(new Block[0]), new Shape()));
    }
    return out;
  }
}
