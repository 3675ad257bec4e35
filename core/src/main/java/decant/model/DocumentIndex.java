package decant.model;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import org.jspecify.annotations.Nullable;

/**
 * Where the nodes of a document stand, as paths of child numbers from the root. A path is {@code
 * FLOW, section, block}, {@code NOTES, note, block} or {@code RUNNING, section, place, block}, and
 * {@code row, cell, block} more for each table around the block. Valid for every version of the
 * document that has the same blocks in the same places.
 *
 * <p>It is made from that of the version before: only the stretches of blocks that are new are
 * looked through.
 */
public final class DocumentIndex {
  static final int FLOW = 0;
  static final int NOTES = 1;
  static final int RUNNING = 2;

  /** So many nodes beside those known from the start are looked up quickly enough, and copied. */
  private static final int BESIDE = 2_000;

  /** A stretch of blocks in its place. */
  private record Unit(
      Root root, int[] container, BlockList.Shape shape, int block, int paragraphs) {}

  /** The run of units that one text has, and how many paragraphs are in them. */
  private record Span(int first, int end, int paragraphs) {}

  /** The places of some texts. */
  private static final class Part {
    private final List<Unit> units = new ArrayList<>();
    private final Map<BlockList.Shape, Integer> unitOf = new IdentityHashMap<>();
    private final Map<Root, Span> spans = new LinkedHashMap<>();
    private final Map<NodeId, int[]> roots = new HashMap<>();

    void add(Container c, int[] path) {
      roots.put(c.id(), path);
      Root root = Root.of(path);
      BlockList list = BlockList.of(c.blocks());
      List<BlockList.Stretch> stretches = list.stretches();
      Span span = spans.getOrDefault(root, new Span(units.size(), units.size(), 0));
      int paragraphs = span.paragraphs();
      for (int k = 0; k < stretches.size(); k++) {
        BlockList.Shape shape = stretches.get(k).shape();
        unitOf.put(shape, units.size());
        units.add(new Unit(root, path, shape, list.start(k), paragraphs));
        paragraphs += shape.paragraphs().size();
      }
      spans.put(root, new Span(span.first(), units.size(), paragraphs));
    }

    @Nullable Unit holding(NodeId id) {
      for (Unit u : units) {
        if (u.shape.blocks().containsKey(id) || u.shape.cells().containsKey(id)) {
          return u;
        }
      }
      return null;
    }

    @Nullable Unit unit(BlockList.Shape shape) {
      Integer at = unitOf.get(shape);
      return at == null ? null : units.get(at);
    }
  }

  private final Part flow;

  /** Notes, shapes and running texts. */
  private final Part beside;

  /** What those were made of, told by identity. */
  private final List<Object> besideOf;

  /**
   * The stretch that each node stands in: those of some version before, and what is otherwise
   * since. Stretches that are no longer there may be named in both.
   */
  private Map<NodeId, BlockList.Shape> known = new HashMap<>();

  private Map<NodeId, BlockList.Shape> since = new HashMap<>();

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

  private DocumentIndex(Part flow, Part beside, List<Object> besideOf) {
    this.flow = flow;
    this.beside = beside;
    this.besideOf = besideOf;
  }

  /**
   * @param before that of a version before, if there is one
   */
  static DocumentIndex of(Document d, @Nullable DocumentIndex before) {
    var flow = new Part();
    for (int s = 0; s < d.sections().size(); s++) {
      flow.add(d.sections().get(s), new int[] {FLOW, s});
    }
    var besideOf = new ArrayList<Object>();
    besideOf.add(d.stories());
    d.sections().forEach(s -> besideOf.add(s.running()));
    Part beside = before != null && areSame(before.besideOf, besideOf) ? before.beside : beside(d);
    var index = new DocumentIndex(flow, beside, besideOf);
    index.know(before);
    return index;
  }

  private static boolean areSame(List<Object> a, List<Object> b) {
    boolean same = a.size() == b.size();
    for (int k = 0; same && k < a.size(); k++) {
      same = a.get(k) == b.get(k);
    }
    return same;
  }

  private static Part beside(Document d) {
    var out = new Part();
    for (int s = 0; s < d.sections().size(); s++) {
      for (Map.Entry<Section.Running, Story> e : d.sections().get(s).running().entrySet()) {
        out.add(e.getValue(), new int[] {RUNNING, s, e.getKey().ordinal()});
      }
    }
    int n = 0;
    for (Story note : d.stories().values()) {
      out.add(note, new int[] {NOTES, n++});
    }
    return out;
  }

  private void know(@Nullable DocumentIndex before) {
    if (before != null) {
      known = before.known;
      since = new HashMap<>(before.since);
      learn(flow, before.flow);
      if (beside != before.beside) {
        learn(beside, before.beside);
      }
    }
    if (before == null || since.size() > BESIDE + known.size() / 8) {
      known = new HashMap<>();
      since = new HashMap<>();
      flow.units.forEach(u -> put(u.shape, known));
      beside.units.forEach(u -> put(u.shape, known));
    }
  }

  private void learn(Part part, Part before) {
    for (Unit u : part.units) {
      if (!before.unitOf.containsKey(u.shape)) {
        put(u.shape, since);
      }
    }
  }

  /** That of a version of a document and of all that have the same nodes, made when asked for. */
  static final class Lazy {
    private volatile @Nullable DocumentIndex made;
    private volatile @Nullable DocumentIndex before;

    Lazy(@Nullable DocumentIndex before) {
      this.before = before;
    }

    DocumentIndex of(Document d) {
      DocumentIndex known = made;
      if (known == null) {
        known = DocumentIndex.of(d, before);
        made = known;
        before = null;
      }
      return known;
    }

    /** For a version with other nodes. */
    Lazy next() {
      DocumentIndex known = made;
      return new Lazy(known == null ? before : known);
    }
  }

  private static void put(BlockList.Shape shape, Map<NodeId, BlockList.Shape> in) {
    shape.blocks().keySet().forEach(id -> in.put(id, shape));
    shape.cells().keySet().forEach(id -> in.put(id, shape));
  }

  static int rootLength(int[] path) {
    return path[0] == RUNNING ? 3 : 2;
  }

  static int[] extend(int[] path, int... more) {
    int[] out = Arrays.copyOf(path, path.length + more.length);
    System.arraycopy(more, 0, out, path.length, more.length);
    return out;
  }

  /** The unit that a node stands in. */
  private @Nullable Unit unit(NodeId id) {
    Unit unit = unit(since.get(id));
    if (unit == null) {
      unit = unit(known.get(id));
    }
    return unit == null ? searched(id) : unit;
  }

  /**
   * The unit of a node for which what is known names only stretches that are gone. Sections that
   * share a header may have it in stretches of their own, alike but not the same; then the one that
   * is known may go away with its section while another stays.
   */
  private @Nullable Unit searched(NodeId id) {
    Unit unit = flow.holding(id);
    return unit == null ? beside.holding(id) : unit;
  }

  private @Nullable Unit unit(BlockList.@Nullable Shape shape) {
    if (shape == null) {
      return null;
    }
    Unit u = flow.unit(shape);
    return u == null ? beside.unit(shape) : u;
  }

  /** The path of what has a path in its stretch. */
  private static int[] whole(Unit u, int[] inStretch) {
    int[] out = extend(u.container, inStretch);
    out[u.container.length] += u.block;
    return out;
  }

  int @Nullable [] path(NodeId block) {
    Unit u = unit(block);
    int[] inStretch = u == null ? null : u.shape.blocks().get(block);
    return u == null || inStretch == null ? null : whole(u, inStretch);
  }

  int @Nullable [] containerPath(NodeId container) {
    int[] root = flow.roots.get(container);
    if (root == null) {
      root = beside.roots.get(container);
    }
    if (root != null) {
      return root;
    }
    Unit u = unit(container);
    int[] inStretch = u == null ? null : u.shape.cells().get(container);
    return u == null || inStretch == null ? null : whole(u, inStretch);
  }

  /** The place of a block among its siblings, if the block is known. */
  public Optional<Integer> place(NodeId block) {
    return Optional.ofNullable(path(block)).map(p -> p[p.length - 1]);
  }

  /** The container that a block stands in. */
  public Optional<NodeId> container(Document d, NodeId block) {
    int[] path = path(block);
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
    Unit u = unit(block);
    return u == null || u.root.kind != NOTES
        ? Optional.empty()
        : d.stories().keySet().stream().skip(u.root.first).findFirst();
  }

  /** The header or footer that a block stands in, if it stands in one. */
  public Optional<NodeId> runningText(Document d, NodeId block) {
    Unit u = unit(block);
    return u == null || u.root.kind != RUNNING
        ? Optional.empty()
        : Optional.ofNullable(
                d.sections()
                    .get(u.root.first)
                    .running()
                    .get(Section.Running.values()[u.root.second]))
            .map(Story::id);
  }

  /** Section number and place in it of the top-level block that a block of the flow stands in. */
  public Optional<TopLevel> topLevel(NodeId block) {
    int[] path = path(block);
    return path == null || path[0] != FLOW
        ? Optional.empty()
        : Optional.of(new TopLevel(path[1], path[2]));
  }

  /** A place among the blocks of a section. */
  public record TopLevel(int section, int block) {}

  /** How many paragraphs of the flow come before this one; empty outside the flow. */
  public Optional<Integer> ordinal(NodeId paragraph) {
    Unit u = unit(paragraph);
    return u != null && u.root.kind == FLOW ? placeInOrder(paragraph) : Optional.empty();
  }

  /** How many paragraphs of the same text come before this one. */
  public Optional<Integer> placeInOrder(NodeId paragraph) {
    Unit u = unit(paragraph);
    return u == null
        ? Optional.empty()
        : Optional.ofNullable(u.shape.ordinals().get(paragraph)).map(n -> u.paragraphs + n);
  }

  /** The paragraphs of the flow in reading order. */
  public List<NodeId> order() {
    return order(Root.OF_FLOW);
  }

  /**
   * The paragraphs, in reading order, of the text that one stands in: the flow, a note, the text of
   * a shape, a header or footer. Empty if it is not known.
   */
  public List<NodeId> orderAround(NodeId paragraph) {
    Unit u = unit(paragraph);
    return u == null ? List.of() : order(u.root);
  }

  private List<NodeId> order(Root root) {
    Part part = root.kind == FLOW ? flow : beside;
    return new Order(part.units, part.spans.getOrDefault(root, new Span(0, 0, 0)));
  }

  /** The paragraphs of a run of units, one after the other. */
  private static final class Order extends AbstractList<NodeId> implements RandomAccess {
    private final List<Unit> units;
    private final Span span;

    Order(List<Unit> units, Span span) {
      this.units = units;
      this.span = span;
    }

    @Override
    public int size() {
      return span.paragraphs;
    }

    @Override
    public NodeId get(int index) {
      java.util.Objects.checkIndex(index, size());
      int low = span.first;
      int high = span.end - 1;
      while (low < high) {
        int middle = (low + high + 1) >>> 1;
        if (units.get(middle).paragraphs <= index) {
          low = middle;
        } else {
          high = middle - 1;
        }
      }
      return units.get(low).shape.paragraphs().get(index - units.get(low).paragraphs);
    }
  }

  /** Whether two paragraphs stand in the same text, so that one can be selected up to the other. */
  public boolean sameText(NodeId a, NodeId b) {
    Unit ua = unit(a);
    Unit ub = unit(b);
    return ua != null && ub != null && ua.root.equals(ub.root);
  }

  /** Which of two paragraphs comes first: the flow, then notes and shapes, then running texts. */
  public int compare(NodeId a, NodeId b) {
    int[] pa = path(a);
    int[] pb = path(b);
    if (pa == null || pb == null) {
      return Boolean.compare(pa == null, pb == null);
    }
    return Arrays.compare(pa, pb);
  }
}
