package decant.layout;

import decant.model.Block;
import decant.model.KeptBlock;
import decant.model.Look;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.text.Shaper;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Sets blocks to widths and remembers the results for as long as the block, its width and its label
 * stay.
 */
final class BlockSetter {
  private record Known(
      Block source,
      double width,
      @Nullable String label,
      boolean holdsLabels,
      Look paragraphLook,
      Look base,
      BlockLayout layout) {}

  private final Styles styles;
  private final LineFiller lines;
  private final TableSetter tables;
  private final Map<NodeId, Known> known = new HashMap<>();
  private Map<NodeId, String> labels = Map.of();
  private final FieldValues fields;

  BlockSetter(Styles styles, Shaper shaper, Map<NodeId, String> noteLabels, FieldValues fields) {
    this.styles = styles;
    this.lines = new LineFiller(new TextUnits(styles, shaper, noteLabels), styles);
    this.tables = new TableSetter(this);
    this.fields = fields;
  }

  /**
   * Takes over what another setter knows of paragraphs whose looks come out the same under these
   * styles.
   */
  void inherit(BlockSetter earlier) {
    if (!earlier.styles.sameCharacterStyles(styles)) {
      return;
    }
    for (Map.Entry<NodeId, Known> e : earlier.known.entrySet()) {
      Known k = e.getValue();
      if (k.source instanceof Paragraph p
          && k.paragraphLook.equals(styles.paragraphLook(p))
          && k.base.equals(styles.base(p))) {
        known.put(e.getKey(), k);
      }
    }
  }

  Styles styles() {
    return styles;
  }

  void use(Map<NodeId, String> newLabels) {
    this.labels = newLabels;
  }

  /** The layout of a block. What is kept without being understood takes up no room. */
  BlockLayout set(Block block, double width) {
    Known k = known.get(block.id());
    return switch (block) {
      case Paragraph p -> {
        String label = labels.get(p.id());
        if (k != null && k.source == p && k.width == width && Objects.equals(label, k.label)) {
          yield k.layout;
        }
        BlockLayout layout = lines.set(p, width, label, fields);
        known.put(
            p.id(),
            new Known(p, width, label, false, styles.paragraphLook(p), styles.base(p), layout));
        yield layout;
      }
      case Table t -> {
        if (k != null && !k.holdsLabels && k.source == t && k.width == width) {
          yield k.layout;
        }
        BlockLayout layout = tables.set(t, width);
        known.put(t.id(), new Known(t, width, null, hasLabels(t), Look.PLAIN, Look.PLAIN, layout));
        yield layout;
      }
      case KeptBlock kept ->
          new TableLayout(
              new Table(kept.id(), Look.PLAIN, List.of(), List.of()), width, List.of(), 0);
    };
  }

  private boolean hasLabels(Table t) {
    return t.rows().stream()
        .flatMap(r -> r.cells().stream())
        .flatMap(c -> c.blocks().stream())
        .anyMatch(b -> b instanceof Table n ? hasLabels(n) : labels.containsKey(b.id()));
  }

  /**
   * Sets blocks one below the other, without page breaks: the content of a cell or a running text.
   */
  List<Fragment> stack(List<Block> blocks, double width, double x, double top) {
    var out = new ArrayList<Fragment>();
    double y = top;
    double after = 0;
    for (Block b : blocks) {
      BlockLayout l = set(b, width);
      if (l.parts() == 0) {
        continue;
      }
      y += after + l.spaceBefore();
      out.add(
          switch (l) {
            case ParagraphLayout p -> new Fragment.Lines(p, 0, p.parts(), x, y);
            case TableLayout t -> new Fragment.Rows(t, 0, t.parts(), false, x, y);
          });
      y += l.height();
      after = l.spaceAfter();
    }
    return out;
  }

  /** Forgets blocks that are no longer there. */
  void retain(java.util.Set<NodeId> ids) {
    known.keySet().retainAll(ids);
  }
}
