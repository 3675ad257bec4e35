package decant.layout;

import decant.layout.block.BlockLayouter;
import decant.layout.item.BlockLayout;
import decant.layout.item.Fragment;
import decant.layout.item.ParagraphLayout;
import decant.layout.label.Flow;
import decant.layout.pages.Page;
import decant.layout.pages.PageFiller;
import decant.layout.pages.Paginator;
import decant.model.Document;
import decant.model.NodeId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Makes the few pages that are in sight of a changed document before all others, so that a change
 * that moves everything shows at once.
 */
final class PagesInSight {
  private final Document document;
  private final Flow flow;
  private final BlockLayouter blocks;

  /** Sets with blocks that use the document's context. */
  PagesInSight(Document document, Flow flow, BlockLayouter blocks) {
    this.document = document;
    this.flow = flow;
    this.blocks = blocks;
  }

  /**
   * The new pages among the earlier ones, which keep their places; all of them as they were if the
   * first place in sight is gone.
   */
  List<Page> among(Layout earlier, int first, int count) {
    return made(earlier, first, count).stream().map(this::inItsSection).toList();
  }

  /** Earlier pages know the number of a section by what was before; it may have been cut since. */
  private Page inItsSection(Page p) {
    int at = p.start().at().block();
    return p.inSection(at < flow.size() ? flow.sections()[at] : document.sections().size() - 1);
  }

  private List<Page> made(Layout earlier, int first, int count) {
    Map<NodeId, Integer> numbers = numbers();
    var pages = new ArrayList<Page>();
    for (Page p : earlier.pages().subList(0, first)) {
      add(pages, p, earlier.flow(), numbers);
    }
    PageFiller.Start from = first < earlier.pages().size() ? start(earlier, first, numbers) : null;
    if (from == null) {
      for (Page p : earlier.pages().subList(first, earlier.pages().size())) {
        add(pages, p, earlier.flow(), numbers);
      }
      return pages.isEmpty() ? earlier.pages() : pages;
    }
    var paginator = new Paginator(document, new PageFiller(document, flow, blocks), pages);
    int kept = pages.size();
    paginator.run(
        from,
        (start, afterBreak, number, shown) -> null,
        () -> paginator.pages().size() - kept >= count,
        Integer.MAX_VALUE,
        p -> {});
    List<Page> out = paginator.pages();
    PageFiller.Start next = paginator.next();
    if (next != null) {
      for (Page p : earlier.pages().subList(first + 1, earlier.pages().size())) {
        if (follows(p, earlier.flow(), next.at(), numbers)) {
          add(out, p, earlier.flow(), numbers);
        }
      }
    }
    return out;
  }

  private Map<NodeId, Integer> numbers() {
    var out = new HashMap<NodeId, Integer>();
    for (int k = 0; k < flow.size(); k++) {
      out.put(flow.blocks().get(k).id(), k);
    }
    return out;
  }

  /** Whether a page begins where the new ones end or after that. */
  private static boolean follows(
      Page p, Flow before, Page.FlowPoint end, Map<NodeId, Integer> numbers) {
    Integer block = number(p, before, numbers);
    return block != null
        && (block > end.block() || block == end.block() && p.start().at().part() >= end.part());
  }

  private static @Nullable Integer number(Page p, Flow before, Map<NodeId, Integer> numbers) {
    int k = p.start().at().block();
    return k >= before.size() ? null : numbers.get(before.blocks().get(k).id());
  }

  private static void add(List<Page> pages, Page p, Flow before, Map<NodeId, Integer> numbers) {
    Integer block = number(p, before, numbers);
    if (block != null) {
      pages.add(p.moved(pages.size() + 1, p.shown(), block - p.start().at().block()));
    }
  }

  /** Where an earlier page begins in the changed document; null if that is gone. */
  private PageFiller.@Nullable Start start(Layout earlier, int page, Map<NodeId, Integer> numbers) {
    Page p = earlier.pages().get(page);
    Integer block = number(p, earlier.flow(), numbers);
    if (block == null) {
      return null;
    }
    int part = p.start().at().part();
    if (part == 0) {
      return new PageFiller.Start(
          new Page.FlowPoint(block, 0), null, List.of(), p.start().afterBreak());
    }
    BlockLayout begun = PageFiller.begun(document, flow, blocks, block);
    int same = begun instanceof ParagraphLayout l ? lineOf(l, p, part) : part;
    same = Math.clamp(same, 0, Math.max(0, begun.parts() - 1));
    return new PageFiller.Start(
        new Page.FlowPoint(block, same),
        same == 0 ? null : begun,
        List.of(),
        p.start().afterBreak());
  }

  /** The line of a paragraph that holds what an earlier page began with. */
  private static int lineOf(ParagraphLayout l, Page earlier, int part) {
    int at = -1;
    for (Fragment f : earlier.body()) {
      if (at < 0 && f instanceof Fragment.Lines was && was.source().id().equals(l.source().id())) {
        at = was.layout().lines().get(was.from()).from();
      }
    }
    if (at < 0) {
      return part;
    }
    int k = 0;
    while (k + 1 < l.lines().size() && l.lines().get(k + 1).from() <= at) {
      k++;
    }
    return k;
  }
}
