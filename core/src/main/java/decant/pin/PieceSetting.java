package decant.pin;

import decant.model.Block;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.SetBlock;
import decant.model.SetLine;
import decant.model.SourceSetting;
import decant.model.Table;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How a source had set blocks that are cut where pinned pages begin and end: what flows of them is
 * set as it was, so that the pages beside pinned ones are those that they were.
 */
final class PieceSetting {
  private final SourceSetting setting;
  private final Map<NodeId, SetBlock> blocks = new HashMap<>();

  /** What stood below each block; gathered once something is cut. */
  private final Map<NodeId, List<NodeId>> below = new HashMap<>();

  PieceSetting(SourceSetting setting) {
    this.setting = setting;
  }

  SourceSetting done() {
    if (blocks.isEmpty()) {
      return setting;
    }
    Map<NodeId, SetBlock> all = new HashMap<>(setting.blocks());
    all.putAll(blocks);
    return new SourceSetting(setting.styles(), all, setting.running());
  }

  /** How a block that is being cut was set; its first piece has its identity. */
  private Optional<SetBlock> wholly(Block b) {
    return setting.block(b.id()).filter(s -> isAsFound(s, b));
  }

  /** How a block was set, if it is as it was then. */
  private Optional<SetBlock> asFound(Block b) {
    return Optional.ofNullable(blocks.get(b.id()))
        .or(() -> setting.block(b.id()))
        .filter(s -> isAsFound(s, b));
  }

  private static boolean isAsFound(SetBlock s, Block b) {
    return s.as() == b || s.as().equals(b);
  }

  /**
   * A piece of a block.
   *
   * @param from the first line of the whole that is the piece's, or row
   * @param to the line after its last
   * @param offset of the piece in the text of the whole
   */
  private void piece(SetBlock whole, Block piece, int from, int to, int offset) {
    List<SetLine> lines =
        whole.lines().subList(from, to).stream().map(l -> shifted(l, -offset)).toList();
    SetLine first = lines.getFirst();
    SetLine last = lines.getLast();
    boolean begins = from == 0;
    double bottom = last.baseline() + PlacesOnPages.BELOW;
    blocks.put(
        piece.id(),
        new SetBlock(
            piece,
            begins ? whole.before() : Optional.empty(),
            begins ? whole.page() : first.page(),
            begins ? whole.top() : first.baseline() - PlacesOnPages.LINE,
            begins && first.page() != last.page() ? whole.bottom() : bottom,
            begins ? whole.left() : first.left(),
            whole.width(),
            lines,
            begins ? whole.label() : OptionalDouble.empty()));
    if (!begins) {
      follow(whole.as().id(), piece.id(), last.page());
    }
  }

  /** What stood below a block on a page stands below a piece of it now. */
  private void follow(NodeId whole, NodeId piece, int page) {
    if (below.isEmpty()) {
      setting
          .blocks()
          .forEach((id, b) ->
              b.before().ifPresent(a -> below.computeIfAbsent(a, k -> new ArrayList<>()).add(id)));
    }
    for (NodeId id : below.getOrDefault(whole, List.of())) {
      Optional<SetBlock> known = Optional.ofNullable(blocks.get(id)).or(() -> setting.block(id));
      known
          .filter(b -> b.page() == page && b.before().filter(whole::equals).isPresent())
          .ifPresent(b -> blocks.put(id, b.below(Optional.of(piece))));
    }
  }

  /** A piece of a paragraph, which begins with one of its lines. */
  void piece(Paragraph whole, Paragraph piece, int from, int to) {
    Optional<SetBlock> known = wholly(whole);
    if (known.isEmpty()) {
      return;
    }
    List<SetLine> lines = known.get().lines();
    int first = 0;
    while (first < lines.size() && lines.get(first).from() < from) {
      first++;
    }
    int end = first;
    while (end < lines.size() && lines.get(end).from() < to) {
      end++;
    }
    if (end > first && lines.get(first).from() == from) {
      piece(known.get(), piece, first, end, from);
    }
  }

  /** Rows of a table. */
  void rows(Table whole, Table piece, int from, int to) {
    wholly(whole)
        .filter(s -> s.lines().size() == whole.rows().size())
        .ifPresent(s -> piece(s, piece, from, to, 0));
  }

  /** Two pieces are one again. */
  void joined(Block a, Block b, Block whole) {
    Optional<SetBlock> x = asFound(a);
    Optional<SetBlock> y = asFound(b);
    if (x.isEmpty() || y.isEmpty()) {
      return;
    }
    int offset = a instanceof Paragraph p ? p.length() : 0;
    SetBlock s = x.get();
    var lines = new ArrayList<SetLine>(s.lines());
    y.get().lines().forEach(l -> lines.add(shifted(l, offset)));
    blocks.put(
        whole.id(),
        new SetBlock(
            whole,
            s.before(),
            s.page(),
            s.top(),
            s.bottom(),
            s.left(),
            s.width(),
            lines,
            s.label()));
    follow(b.id(), whole.id(), lines.getLast().page());
  }

  private static SetLine shifted(SetLine l, int by) {
    if (by == 0) {
      return l;
    }
    int[] words = new int[l.words().length];
    for (int k = 0; k < words.length; k++) {
      words[k] = l.words()[k] + by;
    }
    return new SetLine(
        l.page(), l.from() + by, l.baseline(), l.divided(), l.left(), words, l.xs(), l.ends());
  }
}
