package decant.layout.pages;

import decant.layout.block.BlockLayouter;
import decant.layout.item.BlockLayout;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.TableLayout;
import decant.model.NodeId;
import decant.model.SetBlock;
import decant.model.SetLine;
import decant.model.SourceSetting;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * Where the blocks of one page stand because their source had them there. A page that begins where
 * one of the source began is filled as that one was for as long as nothing on it has changed; what
 * has changed moves what follows by as much as it has grown.
 */
final class FoundPlaces {
  private final BlockLayouter setter;
  private final SourceSetting setting;

  /** A page of the source; -1 where what stands on this one is from nowhere. */
  private int page = -1;

  private Optional<NodeId> last = Optional.empty();

  /** How much further down things stand than they did. */
  private double shift;

  /** Whether all is where it was, and the page began where that of the source did. */
  private boolean whole;

  FoundPlaces(BlockLayouter setter) {
    this.setter = setter;
    this.setting = setter.setting();
  }

  /** The page of the source that begins with a part of a block; empty if none does. */
  static OptionalInt beginning(SourceSetting setting, NodeId block, int part) {
    Optional<SetBlock> b = setting.block(block);
    return b.isPresent() && begins(b.get(), part)
        ? OptionalInt.of(pageOf(b.get(), part))
        : OptionalInt.empty();
  }

  /** A state to come back to. */
  record State(int page, Optional<NodeId> last, double shift, boolean whole) {}

  State save() {
    return new State(page, last, shift, whole);
  }

  void restore(State s) {
    page = s.page;
    last = s.last;
    shift = s.shift;
    whole = s.whole;
  }

  /** The page of the source that this one is like; -1 if none. */
  int page() {
    return whole ? page : -1;
  }

  /** Whether all that stands on the page so far stands where its source had it. */
  boolean whole() {
    return whole;
  }

  private static Optional<SetLine> line(SetBlock b, int part) {
    return part < b.lines().size() ? Optional.of(b.lines().get(part)) : Optional.empty();
  }

  private static int pageOf(SetBlock b, int part) {
    return line(b, part).map(SetLine::page).orElse(b.page());
  }

  /** Where a part of a block began; its first line's baseline tells, where it is known. */
  private double topOf(SetBlock b, BlockLayout l, int part) {
    if (l.parts() != b.lines().size()) {
      return b.top();
    }
    double baseline =
        switch (l) {
          case ParagraphLayout p -> p.lines().get(part).baseline();
          case TableLayout t -> TableLayout.firstBaseline(t.rows().get(part).cells());
        };
    return b.lines().get(part).baseline() - baseline;
  }

  private static boolean begins(SetBlock b, int part) {
    return part == 0
        ? b.before().isEmpty()
        : part < b.lines().size() && b.lines().get(part).page() > b.lines().get(part - 1).page();
  }

  /**
   * Where a block, or the rest of one, is to be placed; empty if that does not follow from the
   * source.
   *
   * @param first whether it is the first on the page
   * @param usual where it would be placed otherwise
   */
  OptionalDouble place(BlockLayout l, int part, boolean first, double usual) {
    Optional<SetBlock> known = setting.block(l.source().id());
    if (known.isEmpty()) {
      whole = false;
      last = Optional.of(l.source().id());
      page = -1;
      return OptionalDouble.empty();
    }
    SetBlock b = known.get();
    boolean as = setter.asFound(l.source()).isPresent();
    double found = topOf(b, l, part);
    int at = pageOf(b, part);
    if (first && begins(b, part)) {
      page = at;
      shift = 0;
      whole = as;
    } else if (at == page && (part > 0 || b.before().isPresent() && b.before().equals(last))) {
      whole &= as;
    } else {
      whole = false;
      page = at;
      shift = usual - found;
    }
    last = Optional.of(l.source().id());
    return OptionalDouble.of(found + shift);
  }

  /**
   * Where a block that was placed began by its box in the source, which is what things anchored to
   * it were measured from.
   *
   * @param top where its first line was placed
   */
  double anchorOf(BlockLayout l, double top) {
    return setting
        .block(l.source().id())
        .filter(b -> page == b.page())
        .map(b -> b.top() + shift)
        .orElse(top);
  }

  /** A block was placed as far as it is on the page: what grew moves all that follows. */
  void placed(BlockLayout l, int from, int to) {
    Optional<SetBlock> known = setting.block(l.source().id());
    if (known.isEmpty() || to < l.parts()) {
      return;
    }
    SetBlock b = known.get();
    boolean asLines = l.parts() == b.lines().size() && setter.asFound(l.source()).isPresent();
    if (!asLines && from == 0) {
      double grown = l.height() - (b.bottom() - b.top());
      if (Math.abs(grown) > SAME && !(setter.asFound(l.source()).isPresent() && grown < 0)) {
        shift += grown;
        whole = false;
      }
    }
  }

  /** Points that what is as it was may be off. */
  private static final double SAME = 3;

  /** Where the column of a part of a block began, from the left edge of the text of the page. */
  double left(BlockLayout l, int part) {
    return setting
        .block(l.source().id())
        .map(b -> line(b, part).map(SetLine::left).orElse(b.left()))
        .orElse(0.0);
  }

  /** Whether the rest of a block, from a part on, stood on the page too. */
  boolean goesOnHere(BlockLayout l, int part) {
    return whole
        && setter
            .asFound(l.source())
            .filter(b -> b.lines().size() == l.parts() && b.lines().get(part).page() == page)
            .isPresent();
  }

  /**
   * The part that the page of the source ended before, or the column, of a block from a part on.
   */
  int endOnPage(BlockLayout l, int from) {
    Optional<SetBlock> b = setter.asFound(l.source());
    if (b.isEmpty() || b.get().lines().size() != l.parts()) {
      return l.parts();
    }
    int k = from + 1;
    while (k < l.parts() && follows(b.get(), k)) {
      k++;
    }
    return k;
  }

  /** Whether a line stood on the page, and in the column, of the one before. */
  private static boolean follows(SetBlock b, int k) {
    SetLine line = b.lines().get(k);
    SetLine before = b.lines().get(k - 1);
    return line.page() == before.page() && Math.abs(line.left() - before.left()) < SAME;
  }

  /** Whether a block that comes next began a page of the source. */
  boolean endsBefore(BlockLayout l) {
    return whole
        && setting
            .block(l.source().id())
            .filter(b -> b.page() != page && b.before().isEmpty())
            .isPresent();
  }
}
