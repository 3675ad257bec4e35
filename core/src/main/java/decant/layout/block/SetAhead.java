package decant.layout.block;

import decant.layout.label.Context;
import decant.layout.label.Flow;
import decant.model.Block;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Section;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicReferenceArray;

/**
 * Sets the blocks of a long flow ahead of its pages, on cores that would stand idle. Pages are
 * filled from front to back, but what a block looks like at a width follows from the block and what
 * it shows: stretches of blocks are set in any order, and the pages come out the same.
 *
 * <p>Used by the thread that fills the pages; others only set stretches, each with a setter of its
 * own.
 */
public final class SetAhead implements AutoCloseable {
  /** Blocks that are set in one go; about four pages. */
  private static final int STRETCH = 24;

  /** Fewer blocks are set sooner than others are found to help. */
  private static final int WORTH = 10 * STRETCH;

  private static final int MOST_HELPERS = 3;

  /** Blocks of one section, set to the width of its first column. */
  private record Stretch(List<Block> blocks, double width, double grid) {}

  private final BlockLayouter setter;
  private final List<Stretch> stretches;
  private final Map<NodeId, Integer> stretchOf = new HashMap<>();
  private final boolean[] reached;
  private final AtomicIntegerArray claimed;
  private final AtomicReferenceArray<BlockLayouter.Share> done;
  private final AtomicInteger next = new AtomicInteger();
  private final List<CompletableFuture<Void>> helpers = new ArrayList<>();
  private boolean working;
  private volatile boolean over;

  private SetAhead(BlockLayouter setter, List<Stretch> stretches) {
    this.setter = setter;
    this.stretches = stretches;
    for (int s = 0; s < stretches.size(); s++) {
      for (Block b : stretches.get(s).blocks()) {
        stretchOf.put(b.id(), s);
      }
    }
    this.reached = new boolean[stretches.size()];
    this.claimed = new AtomicIntegerArray(stretches.size());
    this.done = new AtomicReferenceArray<>(stretches.size());
  }

  /**
   * Begins to set what a setter does not know yet of a flow. To be closed when the pages are made.
   *
   * @param context what the setter sets by
   */
  public static SetAhead begin(BlockLayouter setter, Document d, Flow flow, Context context) {
    List<Stretch> stretches = stretches(setter, d, flow);
    int blocks = stretches.stream().mapToInt(s -> s.blocks().size()).sum();
    var ahead = new SetAhead(setter, blocks < WORTH ? List.of() : stretches);
    if (!ahead.stretches.isEmpty()) {
      setter.follow(ahead);
      int others = Math.min(MOST_HELPERS, Runtime.getRuntime().availableProcessors() - 1);
      for (int k = 0; k < others; k++) {
        ahead.helpers.add(
            CompletableFuture.runAsync(() -> ahead.help(context), ForkJoinPool.commonPool()));
      }
    }
    return ahead;
  }

  /** For a flow most of which is as it was: what is left is set as the pages come to it. */
  public static SetAhead none(BlockLayouter setter) {
    return new SetAhead(setter, List.of());
  }

  private static List<Stretch> stretches(BlockLayouter setter, Document d, Flow flow) {
    var out = new ArrayList<Stretch>();
    for (int s = 0; s < d.sections().size(); s++) {
      Section section = d.sections().get(s);
      if (section.pinned().isPresent()) {
        continue;
      }
      double width = section.page().columns().width(0, section.page().textWidth());
      var some = new ArrayList<Block>();
      for (int k = flow.sectionStarts()[s]; k < flow.sectionStarts()[s + 1]; k++) {
        if (!setter.knows(flow.blocks().get(k))) {
          some.add(flow.blocks().get(k));
        }
        if (some.size() == STRETCH) {
          out.add(new Stretch(List.copyOf(some), width, section.page().grid()));
          some.clear();
        }
      }
      if (!some.isEmpty()) {
        out.add(new Stretch(List.copyOf(some), width, section.page().grid()));
      }
    }
    return out;
  }

  private void help(Context context) {
    BlockLayouter own = setter.alike(context);
    for (int s = next.getAndIncrement();
        s < stretches.size() && !over;
        s = next.getAndIncrement()) {
      if (claimed.compareAndSet(s, 0, 1)) {
        Stretch stretch = stretches.get(s);
        done.set(s, own.share(stretch.blocks(), stretch.width(), stretch.grid()));
      }
    }
  }

  /**
   * Takes over what others have set of the stretch that a block stands in. While they are still at
   * it, the next stretches that nobody has begun are set here.
   */
  void reached(Block block) {
    Integer s = working ? null : stretchOf.get(block.id());
    if (s == null || reached[s]) {
      return;
    }
    reached[s] = true;
    if (claimed.compareAndSet(s, 0, 1)) {
      return; // it is set as the pages come to its blocks
    }
    working = true;
    try {
      BlockLayouter.Share share = done.get(s);
      while (share == null) {
        int other = next.getAndIncrement();
        if (other >= stretches.size()) {
          return; // the last stretches are set twice rather than waited for
        }
        if (claimed.compareAndSet(other, 0, 1)) {
          reached[other] = true;
          Stretch stretch = stretches.get(other);
          setter.setAll(stretch.blocks(), stretch.width(), stretch.grid());
        }
        share = done.get(s);
      }
      setter.take(share);
    } finally {
      working = false;
    }
  }

  /** Ends the work of the others; what they have set and nobody came to is forgotten. */
  @Override
  public void close() {
    over = true;
    setter.follow(null);
    // A helper that has not begun is not waited for, one that has ends with its stretch.
    helpers.forEach(h -> h.cancel(false));
  }
}
