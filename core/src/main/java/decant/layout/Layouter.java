package decant.layout;

import decant.model.Block;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.text.FontBook;
import decant.text.JdkShaper;
import decant.text.Shaper;
import decant.text.WordCache;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * Makes layouts, each from what is left of the one before: blocks that did not change are not set
 * again, and pages are filled anew only from the page before the first change until one begins
 * where a page began before.
 *
 * <p>Used by one thread at a time.
 */
public final class Layouter {
  private final FontBook fonts;
  private final Shaper shaper = new WordCache(new JdkShaper());
  private @Nullable BlockSetter setter;
  private Map<NodeId, String> labels = Map.of();
  private @Nullable Layout last;
  private int sinceCleaning;

  public Layouter(FontBook fonts) {
    this.fonts = fonts;
  }

  /** All pages of a document. */
  public Layout layout(Document d) {
    return Objects.requireNonNull(layout(d, () -> false, Integer.MAX_VALUE, l -> {}));
  }

  /**
   * All pages of a document, telling about them while they are made.
   *
   * @param interrupted asked now and then; when true, the work ends and the result is the pages so
   *     far
   * @param everyPages after how many pages {@code partial} is told of the pages so far
   */
  public Layout layout(
      Document d, BooleanSupplier interrupted, int everyPages, Consumer<Layout> partial) {
    BlockSetter blocks = setterFor(d);
    Map<NodeId, String> newLabels = ListLabels.of(d, blocks.styles());
    boolean noteLabelsSame =
        last == null || last.document().notes().keySet().equals(d.notes().keySet());
    blocks.use(newLabels);
    Flow flow = Flow.of(d);
    Layout before = last;
    boolean reusable =
        before != null
            && before.complete()
            && sameSheets(before.document(), d)
            && setter == blocks
            && noteLabelsSame;
    setter = blocks;
    Layout.RunningTexts running = runningTexts(d, blocks.styles());

    List<Page> kept = List.of();
    Page.FlowPoint from = new Page.FlowPoint(0, 0);
    boolean forced = true;
    Paginator.Reuse reuse = (start, number) -> null;
    if (reusable && before != null) {
      int prefix = commonPrefix(before.flow(), flow, newLabels);
      int suffix = commonSuffix(before.flow(), flow, newLabels, prefix);
      int shift = flow.size() - before.flow().size();
      int suffixStart = flow.size() - suffix;
      kept = pagesBefore(before.pages(), prefix);
      if (!kept.isEmpty()) {
        from = before.pages().get(kept.size()).start();
        // A page that began at a break asked for keeps the space above its first block.
        forced = beginsForced(before, kept.size());
      }
      Map<Page.FlowPoint, Integer> starts = startsFrom(before.pages(), suffixStart - shift);
      reuse =
          (start, number) -> {
            Integer k =
                start.block() < suffixStart
                    ? null
                    : starts.get(new Page.FlowPoint(start.block() - shift, start.part()));
            boolean otherSide = k != null && (k + 1 - number) % 2 != 0 && hasEvenPages(d);
            return k == null || otherSide ? null : movedFrom(before.pages(), k, number, shift);
          };
    }
    var paginator = new Paginator(d, flow, blocks, kept, from, forced);
    boolean complete =
        paginator.run(
            reuse,
            interrupted,
            everyPages,
            pages -> partial.accept(new Layout(d, pages, false, flow, running)));
    labels = newLabels;
    var result = new Layout(d, paginator.pages(), complete, flow, running);
    last = result;
    if (++sinceCleaning > 200) {
      sinceCleaning = 0;
      blocks.retain(idsOf(d));
    }
    return result;
  }

  private BlockSetter setterFor(Document d) {
    BlockSetter known = setter;
    boolean notesSame = last != null && last.document().notes().keySet().equals(d.notes().keySet());
    if (known != null
        && known.styles().sheet() == d.styles()
        && known.styles().lists() == d.lists()
        && notesSame) {
      return known;
    }
    var fresh =
        new BlockSetter(
            new Styles(d.styles(), d.lists(), fonts), shaper, noteLabels(d), FieldValues.NONE);
    if (known != null && notesSame) {
      fresh.inherit(known);
    }
    return fresh;
  }

  private static Map<NodeId, String> noteLabels(Document d) {
    var out = new HashMap<NodeId, String>();
    int n = 1;
    for (NodeId id : d.notes().keySet()) {
      out.put(id, Integer.toString(n++));
    }
    return out;
  }

  private Layout.RunningTexts runningTexts(Document d, Styles styles) {
    return new Layout.RunningTexts() {
      @Override
      public synchronized List<Fragment> set(Story story, double width, FieldValues fields) {
        // A shaper of its own: running texts are asked for by painting threads.
        var own = new Styles(styles.sheet(), styles.lists(), fonts);
        return new BlockSetter(own, new JdkShaper(), noteLabels(d), fields)
            .stack(story.blocks(), width, 0, 0);
      }
    };
  }

  /**
   * Whether left and right pages have running texts of their own, which may leave them different
   * room.
   */
  private static boolean hasEvenPages(Document d) {
    return d.sections().stream()
        .anyMatch(s ->
            s.running().containsKey(Section.Running.HEADER_EVEN)
                || s.running().containsKey(Section.Running.FOOTER_EVEN));
  }

  private static boolean sameSheets(Document a, Document b) {
    if (a.sections() == b.sections()) {
      return true;
    }
    if (a.sections().size() != b.sections().size()) {
      return false;
    }
    for (int s = 0; s < a.sections().size(); s++) {
      if (!a.sections().get(s).page().equals(b.sections().get(s).page())) {
        return false;
      }
    }
    return true;
  }

  private int commonPrefix(Flow a, Flow b, Map<NodeId, String> newLabels) {
    int n = Math.min(a.size(), b.size());
    int k = 0;
    while (k < n && same(a, k, b, k, newLabels)) {
      k++;
    }
    return k;
  }

  private int commonSuffix(Flow a, Flow b, Map<NodeId, String> newLabels, int prefix) {
    int n = Math.min(a.size(), b.size()) - prefix;
    int k = 0;
    while (k < n && same(a, a.size() - 1 - k, b, b.size() - 1 - k, newLabels)) {
      k++;
    }
    return k;
  }

  private boolean same(Flow a, int i, Flow b, int j, Map<NodeId, String> newLabels) {
    Block block = b.blocks().get(j);
    if (a.blocks().get(i) != block || a.sections()[i] != b.sections()[j]) {
      return false;
    }
    if (labels.isEmpty() && newLabels.isEmpty()) {
      return true;
    }
    return switch (block) {
      case Paragraph p -> Objects.equals(labels.get(p.id()), newLabels.get(p.id()));
      case Table t -> labelsSame(t, newLabels);
      case decant.model.KeptBlock k -> true;
    };
  }

  private boolean labelsSame(Table t, Map<NodeId, String> newLabels) {
    for (Table.Row r : t.rows()) {
      for (decant.model.Cell c : r.cells()) {
        for (Block b : c.blocks()) {
          boolean same =
              b instanceof Table inner
                  ? labelsSame(inner, newLabels)
                  : Objects.equals(labels.get(b.id()), newLabels.get(b.id()));
          if (!same) {
            return false;
          }
        }
      }
    }
    return true;
  }

  /**
   * The pages that a change at a block leaves alone: all but the one before the first page it
   * stands on.
   */
  private static List<Page> pagesBefore(List<Page> pages, int changed) {
    int k = 0;
    while (k < pages.size() && pages.get(k).start().block() < changed) {
      k++;
    }
    // Page k-1 may hold the changed block; page k-2 may have been filled looking ahead at it.
    return pages.subList(0, Math.max(0, Math.min(k - 2, pages.size() - 1)));
  }

  private static boolean beginsForced(Layout before, int page) {
    Page p = before.pages().get(page);
    if (p.firstOfSection()) {
      return true;
    }
    if (p.body().isEmpty()) {
      return false;
    }
    Fragment first = p.body().getFirst();
    if (first instanceof Fragment.Lines l
        && l.layout().style().pageBreakBefore()
        && l.from() == 0) {
      return true;
    }
    List<Fragment> earlier = before.pages().get(page - 1).body();
    return !earlier.isEmpty()
        && earlier.getLast() instanceof Fragment.Lines l
        && l.layout().lines().get(l.to() - 1).pageBreak();
  }

  private static Map<Page.FlowPoint, Integer> startsFrom(List<Page> pages, int block) {
    var out = new HashMap<Page.FlowPoint, Integer>();
    for (int k = pages.size() - 1; k >= 0 && pages.get(k).start().block() >= block; k--) {
      out.put(pages.get(k).start(), k);
    }
    return out;
  }

  private static List<Page> movedFrom(List<Page> pages, int from, int number, int shift) {
    var out = new ArrayList<Page>();
    for (int k = from; k < pages.size(); k++) {
      out.add(pages.get(k).moved(number + k - from, shift));
    }
    return out;
  }

  private static Set<NodeId> idsOf(Document d) {
    var ids = new HashSet<NodeId>();
    d.paragraphs().forEach(p -> ids.add(p.id()));
    Flow.of(d).blocks().forEach(b -> ids.add(b.id()));
    return ids;
  }
}
