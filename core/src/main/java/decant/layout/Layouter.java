package decant.layout;

import decant.layout.block.BlockLayouter;
import decant.layout.block.SetAhead;
import decant.layout.item.BlockLayout;
import decant.layout.label.Context;
import decant.layout.label.DocumentFonts;
import decant.layout.label.FieldValues;
import decant.layout.label.Flow;
import decant.layout.label.Styles;
import decant.layout.label.Succession;
import decant.layout.pages.Page;
import decant.layout.pages.PageFiller;
import decant.layout.pages.Paginator;
import decant.model.Block;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Section;
import decant.model.SourceSetting;
import decant.model.Story;
import decant.model.look.EmbeddedFont;
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
  /** So often pages are made anew because numbers of pages stand in the text that makes them. */
  private static final int SETTLING = 3;

  private static final int CLEANING = 200;

  private final FontBook shipped;
  private List<EmbeddedFont> embeddedFonts = List.of();
  private FontBook fonts;
  private final Shaper shaper = new WordCache(new JdkShaper());
  private @Nullable BlockLayouter setter;
  private @Nullable RunningSetter runningTexts;
  private Context context = Context.NONE;
  private @Nullable Layout last;
  private int sinceCleaning;

  public Layouter(FontBook fonts) {
    this.shipped = fonts;
    this.fonts = fonts;
  }

  /** All pages of a document. */
  public Layout layout(Document d) {
    return layout(d, () -> false, Integer.MAX_VALUE, l -> {});
  }

  /**
   * All pages of a document, telling about them while they are made.
   *
   * @param interrupted asked after each page; when true, the work ends and the result is the pages
   *     so far
   * @param everyPages after how many pages {@code partial} is told of the pages so far
   */
  public Layout layout(
      Document d, BooleanSupplier interrupted, int everyPages, Consumer<Layout> partial) {
    Layout result = pass(d, context.fields(), interrupted, everyPages, partial);
    for (int k = 0; k < SETTLING && result.complete() && result.flow().showsPages(); k++) {
      FieldValues known =
          context.fields().withPages(result.pages().size(), BookmarkPages.of(result));
      if (known.pages() == context.fields().pages()
          && known.pageOf().equals(context.fields().pageOf())) {
        break;
      }
      result = pass(d, known, interrupted, everyPages, partial);
    }
    return result;
  }

  private Layout pass(
      Document d,
      FieldValues values,
      BooleanSupplier interrupted,
      int everyPages,
      Consumer<Layout> partial) {
    BlockLayouter blocks = setterFor(d);
    Layout before = last;
    Flow flow = Flow.of(d, before == null ? null : before.flow());
    Context now = Context.of(d, flow, blocks.styles(), values, succession());
    blocks.use(now);
    boolean reusable = before != null && !relaysAll(before.document(), d);
    Layout.RunningTexts running = running(d, blocks.styles(), now);
    var filler = new PageFiller(d, flow, blocks);

    List<Page> kept = List.of();
    var from = new PageFiller.Start(new Page.FlowPoint(0, 0), null, List.of(), true);
    Paginator.Reuse reuse = (start, afterBreak, number, shown) -> null;
    if (reusable && before != null) {
      boolean like = context.isLike(now);
      int prefix = commonPrefix(before.flow(), flow, like ? context : now);
      int suffix = commonSuffix(before.flow(), flow, like ? context : now, prefix);
      int shift = flow.size() - before.flow().size();
      int suffixStart = flow.size() - suffix;
      kept = pagesBefore(before.pages(), prefix);
      if (!kept.isEmpty()) {
        from = startOf(before.pages().get(kept.size()), d, flow, blocks);
      }
      Map<Page.FlowPoint, Integer> starts = startsFrom(before.pages(), suffixStart - shift);
      reuse =
          (start, afterBreak, number, shown) -> {
            Integer k =
                start.block() < suffixStart
                    ? null
                    : starts.get(new Page.FlowPoint(start.block() - shift, start.part()));
            if (k == null) {
              return null;
            }
            Page page = before.pages().get(k);
            boolean otherSide = (page.shown() - shown) % 2 != 0 && hasSides(d);
            return otherSide || page.start().afterBreak() != afterBreak
                ? null
                : movedFrom(d, before.pages(), k, number, shown, shift);
          };
    }
    var paginator = new Paginator(d, filler, kept);
    boolean complete;
    try (SetAhead _ = reusable ? SetAhead.none(blocks) : SetAhead.begin(blocks, d, flow, now)) {
      complete =
          paginator.run(
              from,
              reuse,
              interrupted,
              everyPages,
              pages -> partial.accept(new Layout(d, pages, false, flow, running)));
    }
    var result = new Layout(d, paginator.pages(), complete, flow, running);
    if (complete) {
      context = now;
      last = result;
    }
    if (++sinceCleaning > CLEANING) {
      sinceCleaning = 0;
      blocks.retain(idsOf(d, flow));
    }
    return result;
  }

  /**
   * The pages in sight of a version that is not laid out yet, among those of a version before:
   * these begin where the first of them began and are as they will be, but for their numbers. All
   * others stay as they were until all are made. Not complete, therefore.
   *
   * @param shown what is in sight
   * @param first the first page in sight, from 0
   * @param count how many are
   */
  public Layout inSight(Document d, Layout shown, int first, int count) {
    BlockLayouter blocks = setterFor(d);
    Flow flow = Flow.of(d, shown.flow());
    Context now = Context.of(d, flow, blocks.styles(), context.fields(), succession());
    blocks.use(now);
    List<Page> pages =
        new PagesInSight(d, flow, blocks)
            .among(shown, Math.min(first, shown.pages().size()), count);
    return new Layout(d, pages, false, flow, running(d, blocks.styles(), now));
  }

  private @Nullable Succession succession() {
    Layout before = last;
    return before == null ? null : new Succession(before.document(), before.flow(), context);
  }

  private BlockLayouter setterFor(Document d) {
    BlockLayouter known = setter;
    if (known != null
        && known.styles().sheet() == d.styles()
        && known.styles().lists() == d.lists()
        && known.setting() == d.setting()) {
      return known;
    }
    var styles = new Styles(d.styles(), d.lists(), fontsOf(d));
    var fresh = new BlockLayouter(styles, shaper, d.setting());
    if (known != null) {
      fresh.inherit(known);
    }
    setter = fresh;
    return fresh;
  }

  /** The shipped fonts with those that the document brings along. */
  private FontBook fontsOf(Document d) {
    List<EmbeddedFont> embedded = d.styles().typesetting().fonts();
    if (!embedded.equals(embeddedFonts)) {
      embeddedFonts = embedded;
      fonts = DocumentFonts.in(shipped, d);
    }
    return fonts;
  }

  private Layout.RunningTexts running(Document d, Styles styles, Context now) {
    return runningFor(styles, d.setting()).in(now.ofRunningTexts(d));
  }

  private RunningSetter runningFor(Styles styles, SourceSetting source) {
    RunningSetter known = runningTexts;
    if (known == null || !known.serves(styles, source)) {
      known = new RunningSetter(styles, source);
      runningTexts = known;
    }
    return known;
  }

  /**
   * Whether left and right pages differ, by their running texts or because sections ask for one.
   */
  private static boolean hasSides(Document d) {
    return d.sections().stream()
        .anyMatch(s ->
            s.running().containsKey(Section.Running.HEADER_EVEN)
                || s.running().containsKey(Section.Running.FOOTER_EVEN)
                || s.start() == Section.Start.ODD_PAGE
                || s.start() == Section.Start.EVEN_PAGE);
  }

  /**
   * Whether all pages must be made anew when one version follows another: they have other styles,
   * lists or sheets, or their running texts leave other room.
   */
  public boolean relaysAll(Document a, Document b) {
    return a.styles() != b.styles() || a.lists() != b.lists() || !sameSheets(a, b);
  }

  /** Whether all papers are the same, and what running texts leave of them. */
  private boolean sameSheets(Document a, Document b) {
    if (a.sections() == b.sections()) {
      return true;
    }
    if (a.sections().size() != b.sections().size()) {
      return false;
    }
    for (int s = 0; s < a.sections().size(); s++) {
      Section x = a.sections().get(s);
      Section y = b.sections().get(s);
      if (!x.page().equals(y.page())
          || x.start() != y.start()
          || !x.pinned().equals(y.pinned())
          || !sameRoom(a, x, b, y)) {
        return false;
      }
    }
    return true;
  }

  /** Whether the running texts of a section leave the same room for the flow as before. */
  private boolean sameRoom(Document a, Section x, Document b, Section y) {
    if (x.running().equals(y.running())) {
      return true;
    }
    if (!x.running().keySet().equals(y.running().keySet())) {
      return false;
    }
    RunningSetter setter = runningFor(setterFor(b).styles(), b.setting());
    return x.running().keySet().stream()
        .allMatch(which -> {
          Story was = Objects.requireNonNull(x.running().get(which));
          Story is = Objects.requireNonNull(y.running().get(which));
          boolean header = which.isHeader();
          return was.equals(is)
              || setter.room(was, x.page(), header, context.ofRunningTexts(a))
                  == setter.room(is, y.page(), header, context.ofRunningTexts(b));
        });
  }

  private int commonPrefix(Flow a, Flow b, Context now) {
    int n = Math.min(a.size(), b.size());
    int k = 0;
    while (k < n && same(a, k, b, k, now)) {
      k++;
    }
    return k;
  }

  private int commonSuffix(Flow a, Flow b, Context now, int prefix) {
    int n = Math.min(a.size(), b.size()) - prefix;
    int k = 0;
    while (k < n && same(a, a.size() - 1 - k, b, b.size() - 1 - k, now)) {
      k++;
    }
    return k;
  }

  private boolean same(Flow a, int i, Flow b, int j, Context now) {
    Block block = b.blocks().get(j);
    return a.blocks().get(i) == block
        && a.sections()[i] == b.sections()[j]
        && (now == context || context.agrees(now, block, b.facts()[j]));
  }

  /**
   * The pages that a change at a block leaves alone: all but the one before the first page it
   * stands on, down to one after which a page can begin that follows from its start alone.
   */
  private static List<Page> pagesBefore(List<Page> pages, int changed) {
    int k = 0;
    while (k < pages.size() && pages.get(k).start().at().block() < changed) {
      k++;
    }
    // Page k-1 may hold the changed block; page k-2 may have been filled looking ahead at it.
    int keep = Math.max(0, Math.min(k - 2, pages.size() - 1));
    while (keep > 0 && !pages.get(keep).start().resumable()) {
      keep--;
    }
    return pages.subList(0, keep);
  }

  private static PageFiller.Start startOf(Page page, Document d, Flow flow, BlockLayouter blocks) {
    Page.FlowPoint at = page.start().at();
    BlockLayout begun = null;
    if (at.part() > 0) {
      begun = PageFiller.begun(d, flow, blocks, at.block());
    }
    return new PageFiller.Start(at, begun, List.of(), page.start().afterBreak());
  }

  private static Map<Page.FlowPoint, Integer> startsFrom(List<Page> pages, int block) {
    var out = new HashMap<Page.FlowPoint, Integer>();
    for (int k = pages.size() - 1; k >= 0 && pages.get(k).start().at().block() >= block; k--) {
      if (pages.get(k).start().resumable()) {
        out.put(pages.get(k).start().at(), k);
      }
    }
    return out;
  }

  private static List<Page> movedFrom(
      Document d, List<Page> pages, int from, int number, int shown, int shift) {
    var out = new ArrayList<Page>();
    int next = shown;
    for (int k = from; k < pages.size(); k++) {
      Page p = pages.get(k);
      if (k > from) {
        next =
            p.firstOfSection()
                ? d.sections().get(p.section()).page().numbers().start().orElse(next + 1)
                : next + 1;
      }
      out.add(p.moved(number + k - from, next, shift));
    }
    return out;
  }

  private static Set<NodeId> idsOf(Document d, Flow flow) {
    var ids = new HashSet<NodeId>();
    d.paragraphs().forEach(p -> ids.add(p.id()));
    flow.blocks().forEach(b -> ids.add(b.id()));
    d.stories().values().forEach(s -> s.blocks().forEach(b -> ids.add(b.id())));
    return ids;
  }
}
