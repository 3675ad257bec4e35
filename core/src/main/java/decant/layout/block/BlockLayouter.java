package decant.layout.block;

import decant.layout.block.TextUnits.Kind;
import decant.layout.block.TextUnits.Unit;
import decant.layout.item.Area;
import decant.layout.item.BlockLayout;
import decant.layout.item.Drawn;
import decant.layout.item.Exclusions;
import decant.layout.item.Fragment;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.ParagraphStyle;
import decant.layout.item.Spacing;
import decant.layout.item.TableLayout;
import decant.layout.label.Context;
import decant.layout.label.FieldValues;
import decant.layout.label.Styles;
import decant.layout.label.Styles.CellLooks;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.SetBlock;
import decant.model.SourceSetting;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.TextFrame;
import decant.text.JdkShaper;
import decant.text.Shaper;
import decant.text.WordCache;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Sets blocks to widths and remembers the results for as long as the block, its width and all else
 * that they follow from stay.
 */
public final class BlockLayouter {
  /** What a result was made from, besides the block. */
  private record Made(double width, double grid, CellLooks cell, Shown shown) {}

  private record Known(
      Block source, Made made, Look paragraphLook, Look base, BlockLayout layout) {}

  private record Measured(Paragraph source, CellLooks cell, ColumnWidths.Content content) {}

  private final Styles styles;
  private final Shaper shaper;
  private final Map<CellLooks, LineBreaker> fillers = new HashMap<>();
  private final TableSetter tables;
  private final SourceSetting setting;
  private final AsFound found;
  private final Map<NodeId, Known> known = new HashMap<>();
  private final Map<NodeId, Measured> measured = new HashMap<>();
  private Map<NodeId, String> labels = Map.of();
  private Map<NodeId, Story> stories = Map.of();
  private FieldValues fields = FieldValues.NONE;
  private double grid;
  private int depth;
  private @Nullable SetAhead ahead;

  /** Shapes within shapes deeper than this show no text. */
  private static final int DEEPEST = 8;

  public BlockLayouter(Styles styles, Shaper shaper, SourceSetting setting) {
    this.styles = styles;
    this.shaper = shaper;
    this.tables = new TableSetter(this);
    this.setting = setting;
    this.found = new AsFound(setting, styles);
  }

  /** Where a block stood in its source, if it is as it was. */
  public Optional<SetBlock> asFound(Block b) {
    return found.of(b);
  }

  /** How the source had set what this sets. */
  public SourceSetting setting() {
    return setting;
  }

  /**
   * Takes over what another setter knows of paragraphs whose looks come out the same under these
   * styles.
   */
  public void inherit(BlockLayouter earlier) {
    if (earlier.setting != setting || !earlier.styles.sameCharacterStyles(styles)) {
      return;
    }
    for (Map.Entry<NodeId, Known> e : earlier.known.entrySet()) {
      Known k = e.getValue();
      if (k.source instanceof Paragraph p
          && k.made.cell == CellLooks.NONE
          && earlier.found.of(p).equals(found.of(p))
          && k.paragraphLook.equals(styles.paragraphLook(p))
          && k.base.equals(styles.base(p))) {
        known.put(e.getKey(), k);
      }
    }
  }

  public Styles styles() {
    return styles;
  }

  /** What blocks follow from besides themselves, from now on. */
  public void use(Context context) {
    this.labels = context.labels();
    this.stories = context.stories();
    this.fields = context.fields();
  }

  /** Sets the distance of the lines that text snaps to from now on; 0 for none. */
  public void snapTo(double newGrid) {
    this.grid = newGrid;
  }

  /** What one setter has set for another to take over. */
  static final class Share {
    private final Map<NodeId, Known> known;
    private final Map<NodeId, Measured> measured;

    private Share(Map<NodeId, Known> known, Map<NodeId, Measured> measured) {
      this.known = known;
      this.measured = measured;
    }
  }

  /** A setter that comes to the same results as this one, for another thread. */
  BlockLayouter alike(Context context) {
    var own = new Styles(styles.sheet(), styles.lists(), styles.fonts());
    var other = new BlockLayouter(own, new WordCache(new JdkShaper()), setting);
    other.use(context);
    return other;
  }

  /** Asks for what is set ahead from now on; null for no more. */
  void follow(@Nullable SetAhead newAhead) {
    this.ahead = newAhead;
  }

  /** Whether a block as it is has been set before. */
  boolean knows(Block block) {
    Known k = known.get(block.id());
    return k != null && k.source == block;
  }

  /** Sets blocks of a flow that has not come to them yet. */
  void setAll(List<Block> blocks, double width, double lines) {
    double before = grid;
    grid = lines;
    blocks.forEach(b -> set(b, width));
    grid = before;
  }

  /** Sets blocks for another setter, and forgets them. */
  Share share(List<Block> blocks, double width, double lines) {
    try {
      setAll(blocks, width, lines);
    } catch (RuntimeException | StackOverflowError e) {
      // The other one sets the rest itself; a fault that is there again ends its work.
      Faults.mended("setting blocks ahead", e);
    }
    var share = new Share(new HashMap<>(known), new HashMap<>(measured));
    known.clear();
    measured.clear();
    return share;
  }

  void take(Share share) {
    known.putAll(share.known);
    measured.putAll(share.measured);
  }

  /** The layout of a block. What is kept without being understood takes up no room. */
  public BlockLayout set(Block block, double width) {
    SetAhead others = ahead;
    if (others != null) {
      others.reached(block);
    }
    return set(block, width, CellLooks.NONE);
  }

  /** Whether a layout is that of a block as a whole, not of one that was cut for a page. */
  public boolean isOfWholeBlock(BlockLayout layout) {
    Known k = known.get(layout.source().id());
    return k != null && k.layout == layout;
  }

  private BlockLayout set(Block block, double width, CellLooks cell) {
    return switch (block) {
      case Paragraph p -> paragraph(p, width, cell);
      case Table t -> table(t, width);
      case KeptBlock kept ->
          new TableLayout(
              new Table(kept.id(), Look.PLAIN, List.of(), List.of()), 0, width, List.of(), 0);
    };
  }

  private BlockLayout paragraph(Paragraph p, double width, CellLooks cell) {
    Known k = known.get(p.id());
    Made made = made(p, width, cell);
    if (k != null && k.source == p && k.made.equals(made)) {
      return k.layout;
    }
    BlockLayout layout = beside(p, width, cell, Exclusions.FREE, 0);
    known.put(p.id(), new Known(p, made, styles.paragraphLook(p), styles.base(p), layout));
    return layout;
  }

  private BlockLayout table(Table t, double width) {
    Known k = known.get(t.id());
    Made made = made(t, width, CellLooks.NONE);
    if (k != null && k.source == t && k.made.equals(made)) {
      return k.layout;
    }
    BlockLayout layout = tables.set(t, width);
    known.put(t.id(), new Known(t, made, Look.PLAIN, Look.PLAIN, layout));
    return layout;
  }

  private Made made(Block b, double width, CellLooks cell) {
    if (b instanceof Paragraph p && Shown.isSimple(p) && !labels.containsKey(p.id())) {
      return new Made(width, grid, cell, Shown.NOTHING);
    }
    return new Made(width, grid, cell, Shown.by(b, labels, stories, fields));
  }

  /** A paragraph set beside what stands in its way, for one place on one page. */
  public ParagraphLayout beside(Paragraph p, double width, Exclusions lanes, int laneLines) {
    return beside(p, width, CellLooks.NONE, lanes, laneLines);
  }

  private ParagraphLayout beside(
      Paragraph p, double width, CellLooks cell, Exclusions lanes, int laneLines) {
    var frame = new LineBreaker.Frame(width, labels.get(p.id()), fields, lanes, laneLines, grid);
    Optional<SetBlock> was = lanes == Exclusions.FREE ? found.of(p) : Optional.empty();
    return filler(cell).set(p, frame, this::story, was);
  }

  private LineBreaker filler(CellLooks cell) {
    return fillers.computeIfAbsent(
        cell,
        c -> {
          Styles own = c.equals(CellLooks.NONE) ? styles : styles.in(c);
          return new LineBreaker(new TextUnits(own, shaper), own);
        });
  }

  private List<Fragment> story(NodeId id, double width) {
    Story s = stories.get(id);
    if (s == null || depth >= DEEPEST) {
      return List.of();
    }
    depth++;
    try {
      return stack(s.blocks(), width, Area.inside(0, 0, width));
    } finally {
      depth--;
    }
  }

  /** A shape with its text set into it. */
  Drawn drawn(Inline.Shape shape) {
    return Shapes.drawn(shape, this::story);
  }

  /**
   * Sets blocks one below the other, without page breaks: a running text, the content of a shape.
   *
   * @param area what things beside the text are placed by; its column is where the blocks stand
   */
  public List<Fragment> stack(List<Block> blocks, double width, Area area) {
    return stack(blocks, width, area, 0, CellLooks.NONE, false);
  }

  /** The paragraphs of one frame, from its top left corner. */
  List<Fragment> framed(List<Paragraph> paragraphs, double width) {
    return stack(List.copyOf(paragraphs), width, Area.inside(0, 0, width), 0, CellLooks.NONE, true);
  }

  public List<Fragment> stack(
      List<Block> blocks, double width, Area area, double top, CellLooks cell) {
    return stack(blocks, width, area, top, cell, false);
  }

  private List<Fragment> stack(
      List<Block> blocks, double width, Area area, double top, CellLooks cell, boolean framed) {
    var out = new ArrayList<Fragment>();
    var spacing = new Spacing();
    var floats = new Floats();
    var floater = new Floater(this, floats);
    double x = area.column();
    double y = top;
    for (int k = 0; k < blocks.size(); k++) {
      BlockLayout l = set(blocks.get(k), width, cell);
      if (l.parts() == 0) {
        continue;
      }
      if (!framed && Floater.floats(l)) {
        k = beside(blocks, k, l, y, area, floater, out);
        continue;
      }
      y += spacing.before(l);
      if (l instanceof ParagraphLayout p) {
        if (Floater.anchors(p.source())) {
          out.addAll(floater.anchored(p, y, area));
        }
        if (!floats.isEmpty() && floats.inTheWay(x, x + width, y, y + p.height())) {
          ParagraphLayout beside =
              beside(p.source(), width, cell, floats.lanes(x, x + width, y), Integer.MAX_VALUE);
          l = beside;
          y += beside.lead();
        }
      }
      out.add(
          switch (l) {
            case ParagraphLayout p -> new Fragment.Lines(p, 0, p.parts(), x, y);
            case TableLayout t -> new Fragment.Rows(t, 0, t.parts(), false, x + t.x(), y);
          });
      y += l.height();
      spacing.placed(l);
    }
    return out;
  }

  /** Puts a block, or the paragraphs of one frame, beside the others; the last block it took. */
  private int beside(
      List<Block> blocks,
      int from,
      BlockLayout first,
      double y,
      Area area,
      Floater floater,
      List<Fragment> out) {
    switch (first) {
      case TableLayout t -> {
        out.add(floater.table(t, y, area));
        return from;
      }
      case ParagraphLayout p -> {
        int end = frameEnd(blocks, from, blocks.size());
        out.addAll(floater.frame(paragraphs(blocks, from, end), p.style().frame(), y, area));
        return end - 1;
      }
    }
  }

  /** The number after that of the last paragraph that stands in one frame with the first. */
  public int frameEnd(List<Block> blocks, int from, int limit) {
    TextFrame frame = styles.paragraph((Paragraph) blocks.get(from)).frame();
    int end = from + 1;
    while (end < limit
        && blocks.get(end) instanceof Paragraph p
        && styles.paragraph(p).frame().equals(frame)) {
      end++;
    }
    return end;
  }

  public static List<Paragraph> paragraphs(List<Block> blocks, int from, int end) {
    return blocks.subList(from, end).stream().map(b -> (Paragraph) b).toList();
  }

  /** How wide paragraphs are without any break. */
  double widest(List<Paragraph> paragraphs) {
    return paragraphs.stream().mapToDouble(p -> contentOf(p, CellLooks.NONE).max()).max().orElse(0);
  }

  /** How wide the content of a cell is at least and at most. */
  ColumnWidths.Content contentOf(Cell c, CellLooks looks) {
    double min = 0;
    double max = 0;
    for (Block b : c.blocks()) {
      ColumnWidths.Content w =
          switch (b) {
            case Paragraph p -> contentOf(p, looks);
            case Table t -> {
              double wide = tables.width(t, Double.MAX_VALUE / 1e9);
              yield new ColumnWidths.Content(Math.min(wide, 72), wide);
            }
            case KeptBlock k -> ColumnWidths.Content.NONE;
          };
      min = Math.max(min, w.min());
      max = Math.max(max, w.max());
    }
    return new ColumnWidths.Content(min, max);
  }

  private ColumnWidths.Content contentOf(Paragraph p, CellLooks looks) {
    Measured m = measured.get(p.id());
    if (m != null && m.source == p && m.cell.equals(looks)) {
      return m.content;
    }
    LineBreaker filler = filler(looks);
    ParagraphStyle style = filler.styles().paragraph(p);
    double word = 0;
    double line = 0;
    double min = 0;
    double max = 0;
    for (Unit u : filler.texts().cut(p, p.text(), style, fields)) {
      if (u.endsLine()) {
        word = 0;
        line = 0;
        continue;
      }
      word += u.isSpace() ? 0 : u.width();
      line += u.kind() == Kind.TAB ? styles.sheet().typesetting().tabDistance() : u.width();
      min = Math.max(min, word);
      max = Math.max(max, line);
      if (u.breakAfter() || u.isSpace()) {
        word = 0;
      }
    }
    double sides = style.indents().start() + style.indents().end();
    double first = Math.max(0, style.indents().firstLine());
    var content =
        new ColumnWidths.Content(min + Math.max(0, sides), max + Math.max(0, sides) + first + 0.05);
    measured.put(p.id(), new Measured(p, looks, content));
    return content;
  }

  /** Forgets blocks that are no longer there. */
  public void retain(java.util.Set<NodeId> ids) {
    found.forget();
    known.keySet().retainAll(ids);
    measured.keySet().retainAll(ids);
  }
}
