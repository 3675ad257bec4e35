package decant.layout;

import decant.model.Document;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Story;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * Fills pages with the flow. Breaks keep two lines of a paragraph together at either end of a page,
 * headings with what follows them and rows whole, as far as a page has room for that.
 */
final class Paginator {
  /**
   * Lets pages be taken over from an earlier layout once they begin where one of its pages began.
   */
  interface Reuse {
    /** The rest of the pages from here on, or null if they must be made. */
    @Nullable List<Page> rest(Page.FlowPoint start, int number);
  }

  private static final double TOLERANCE = 0.05;

  private final Document document;
  private final Flow flow;
  private final BlockSetter setter;
  private final List<Page> pages;
  private List<Fragment> fragments = new ArrayList<>();
  private Page.FlowPoint start;
  private double y;
  private double after;
  private String lastStyle = "";
  private boolean lastContextual;
  private boolean atTop = true;
  private boolean forced = true; // the page began at a break that was asked for
  private int section;
  private boolean firstOfSection;
  private PageSetup setup;
  private final Map<Story, Double> runningHeights = new IdentityHashMap<>();

  Paginator(
      Document document,
      Flow flow,
      BlockSetter setter,
      List<Page> kept,
      Page.FlowPoint from,
      boolean forced) {
    this.document = document;
    this.flow = flow;
    this.setter = setter;
    this.pages = new ArrayList<>(kept);
    this.start = from;
    this.forced = forced;
    this.section = from.block() < flow.size() ? flow.sections()[from.block()] : 0;
    this.firstOfSection = flow.sectionStarts()[section] == from.block() && from.part() == 0;
    this.setup = paper();
  }

  /**
   * Makes the pages.
   *
   * @param everyPages how many pages to make before {@code partial} is told again
   * @return whether it came to the end rather than being interrupted
   */
  boolean run(
      Reuse reuse, BooleanSupplier interrupted, int everyPages, Consumer<List<Page>> partial) {
    int block = start.block();
    int part = start.part();
    int told = pages.size();
    while (block < flow.size()) {
      if (flow.sections()[block] != section) {
        enterSection(flow.sections()[block], new Page.FlowPoint(block, 0));
      }
      BlockLayout layout = layoutOf(block);
      if (layout.parts() == 0) {
        block++;
        continue;
      }
      if (part == 0 && wantsNewPage(block, layout)) {
        turn(new Page.FlowPoint(block, 0), pageBreakBefore(layout));
      }
      int next = place(block, layout, part);
      if (next < layout.parts()) {
        boolean hard = next > 0 && endsPage(layout, next - 1);
        turn(new Page.FlowPoint(block, next), hard);
        part = next;
      } else {
        boolean hard = endsPage(layout, layout.parts() - 1);
        block++;
        part = 0;
        if (hard && block < flow.size()) {
          turn(new Page.FlowPoint(block, 0), true);
        }
      }
      if (atTop && start.block() == block && start.part() == part) {
        List<Page> rest = reuse.rest(start, pages.size() + 1);
        if (rest != null) {
          pages.addAll(rest);
          return true;
        }
      }
      if (pages.size() - told >= everyPages) {
        told = pages.size();
        if (interrupted.getAsBoolean()) {
          return false;
        }
        partial.accept(List.copyOf(pages));
      }
    }
    finishPage();
    return true;
  }

  List<Page> pages() {
    return pages;
  }

  private BlockLayout layoutOf(int block) {
    BlockLayout l = setter.set(flow.blocks().get(block), setup.textWidth());
    return l instanceof TableLayout t ? t.fittedTo(setup.textHeight()) : l;
  }

  private void enterSection(int next, Page.FlowPoint at) {
    Section s = document.sections().get(next);
    boolean sameSheet = s.page().width() == setup.width() && s.page().height() == setup.height();
    if (!(s.continuous() && sameSheet) && !(atTop && fragments.isEmpty() && pages.isEmpty())) {
      finishPage();
      firstOfSection = true;
      section = next;
      begin(at, true);
      return;
    }
    if (fragments.isEmpty()) {
      firstOfSection = true;
    }
    section = next;
    PageSetup was = setup;
    setup = paper();
    if (!fragments.isEmpty()) {
      // Going on down the same page: what stands above keeps its place.
      y += was.top() - setup.top();
    }
  }

  /** The section's paper, its margins grown where a running text is taller than they are. */
  private PageSetup paper() {
    Section s = document.sections().get(section);
    PageSetup p = s.page();
    int number = pages.size() + 1;
    double above =
        s.runningFor(true, firstOfSection, number)
            .map(h -> p.header() + heightOf(h, p))
            .orElse(0.0);
    double below =
        s.runningFor(false, firstOfSection, number)
            .map(f -> p.footer() + heightOf(f, p))
            .orElse(0.0);
    if (above <= p.top() && below <= p.bottom()) {
      return p;
    }
    double most = p.height() / 2 - 40;
    return new PageSetup(
        p.width(),
        p.height(),
        Math.min(Math.max(p.top(), above), most),
        p.right(),
        Math.min(Math.max(p.bottom(), below), most),
        p.left(),
        p.header(),
        p.footer());
  }

  private double heightOf(Story running, PageSetup p) {
    return runningHeights.computeIfAbsent(
        running,
        r ->
            setter.stack(r.blocks(), p.textWidth(), 0, 0).stream()
                .mapToDouble(Fragment::bottom)
                .max()
                .orElse(0));
  }

  private static boolean pageBreakBefore(BlockLayout l) {
    return l instanceof ParagraphLayout p && p.style().pageBreakBefore();
  }

  private static boolean endsPage(BlockLayout l, int part) {
    return l instanceof ParagraphLayout p && p.lines().get(part).pageBreak();
  }

  private boolean wantsNewPage(int block, BlockLayout layout) {
    if (atTop) {
      return false;
    }
    if (pageBreakBefore(layout)) {
      return true;
    }
    double room = setup.textHeight() - y - gapBefore(layout);
    double least = leastFrom(block, layout);
    return least > room + TOLERANCE && least <= setup.textHeight();
  }

  /**
   * The least height that must stand together from the start of a block: its head, and what it is
   * kept with.
   */
  private double leastFrom(int block, BlockLayout layout) {
    double least = 0;
    int k = block;
    BlockLayout l = layout;
    int links = 0;
    while (l.keepWithNext()
        && k + 1 < flow.size()
        && links < 20
        && flow.sections()[k + 1] == section) {
      BlockLayout next = layoutOf(k + 1);
      least += l.height() + l.spaceAfter() + next.spaceBefore();
      if (least > setup.textHeight()) {
        return layout.height(0, layout.leastHead()); // too much to keep together
      }
      k++;
      l = next;
      links++;
    }
    double head = l.height(0, Math.min(l.parts(), l.leastHead()));
    return head > setup.textHeight() ? least : least + head;
  }

  private double gapBefore(BlockLayout l) {
    if (atTop) {
      return forced ? l.spaceBefore() : 0;
    }
    double before = l.spaceBefore();
    double gap = after;
    if (l instanceof ParagraphLayout p && p.style().style().equals(lastStyle)) {
      if (p.style().contextualSpacing()) {
        before = 0;
      }
      if (lastContextual) {
        gap = 0;
      }
    }
    return gap + before;
  }

  /** Places as much of a block as fits and gives the part that comes next. */
  private int place(int block, BlockLayout l, int from) {
    double gap = from == 0 ? gapBefore(l) : 0;
    boolean repeatHeader =
        from > 0 && l instanceof TableLayout t && t.headerRows() > 0 && from >= t.headerRows();
    double header = repeatHeader ? l.height(0, ((TableLayout) l).headerRows()) : 0;
    double room = setup.textHeight() - y - gap - header;
    int to = from;
    while (to < l.parts() && l.height(from, to + 1) <= room + TOLERANCE) {
      to++;
      if (endsPage(l, to - 1)) {
        break;
      }
    }
    boolean hard = to > from && endsPage(l, to - 1);
    if (to < l.parts() && !hard && l instanceof ParagraphLayout p && p.style().widowControl()) {
      int left = l.parts() - to;
      if (left == 1 && to - from > 1) {
        to--; // a last line does not stand alone on the next page
      }
      if (to - from == 1 && from == 0 && l.parts() > 1 && !atTop) {
        to = from;
      }
    }
    if (to == from) {
      if (!atTop) {
        return from;
      }
      to = from + 1; // a part taller than the page stands on a page of its own
    }
    double top = setup.top() + y + gap;
    fragments.add(
        switch (l) {
          case ParagraphLayout p -> new Fragment.Lines(p, from, to, setup.left(), top);
          case TableLayout t -> new Fragment.Rows(t, from, to, repeatHeader, setup.left(), top);
        });
    y += gap + header + l.height(from, to);
    atTop = false;
    after = to == l.parts() ? l.spaceAfter() : 0;
    lastStyle = l instanceof ParagraphLayout p ? p.style().style() : "\u0000";
    lastContextual = l instanceof ParagraphLayout p && p.style().contextualSpacing();
    return to;
  }

  private void turn(Page.FlowPoint next, boolean hard) {
    finishPage();
    begin(next, hard);
  }

  private void finishPage() {
    pages.add(new Page(pages.size() + 1, section, firstOfSection, setup, start, fragments));
    firstOfSection = false;
  }

  private void begin(Page.FlowPoint at, boolean hard) {
    setup = paper();
    fragments = new ArrayList<>();
    start = at;
    y = 0;
    after = 0;
    atTop = true;
    forced = hard;
    lastStyle = "\u0000";
    lastContextual = false;
  }
}
