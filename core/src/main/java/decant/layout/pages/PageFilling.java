package decant.layout.pages;

import decant.layout.block.BlockLayouter;
import decant.layout.block.Floater;
import decant.layout.block.Floats;
import decant.layout.item.Area;
import decant.layout.item.BlockLayout;
import decant.layout.item.Exclusions;
import decant.layout.item.Fragment;
import decant.layout.item.Line.Ends;
import decant.layout.item.Obstacle;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.Spacing;
import decant.layout.item.TableLayout;
import decant.layout.label.Flow;
import decant.layout.label.NoteMarks;
import decant.layout.pages.PageFiller.Filled;
import decant.layout.pages.PageFiller.Start;
import decant.model.Box;
import decant.model.Columns;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** One try at filling a page. */
final class PageFilling {
  /** So many blocks are kept with the one after them. */
  private static final int LONGEST_CHAIN = 20;

  /** Why a column was not filled further. */
  private enum Outcome {
    FULL,
    COLUMN_BREAK,
    PAGE_BREAK,
    SECTION_END
  }

  private final PageFiller filler;
  private final Document document;
  private final Flow flow;
  private final BlockLayouter setter;
  private final NoteMarks marks;
  private final Start start;
  private final int number;
  private final int shown;
  private final List<Obstacle> ahead;
  private final PageSetup setup;
  private final NoteArea notes;
  private final BlockFit fit;
  private final Floats floats = new Floats();
  private final Floater floater;
  private final FoundPlaces found;
  private List<Fragment> body = new ArrayList<>();
  private final List<Box> columnRules = new ArrayList<>();
  private Spacing spacing = new Spacing();
  private int block;
  private int part;
  private @Nullable BlockLayout begun;
  private int section;
  private double left;
  private double width;
  private double y;
  private double columnTop;
  private double limit;
  private double reserved;
  private boolean atTop = true;
  private boolean keepsSpace;
  private Ends lastEnds = Ends.NOTHING;
  boolean reachedUp;

  PageFilling(PageFiller filler, Start start, int number, int shown, List<Obstacle> ahead) {
    this.filler = filler;
    this.document = filler.document();
    this.flow = filler.flow();
    this.setter = filler.setter();
    this.marks = filler.marks();
    this.floater = new Floater(setter, floats);
    this.found = new FoundPlaces(setter);
    this.start = start;
    this.number = number;
    this.shown = shown;
    this.ahead = ahead;
    this.block = start.at().block();
    this.part = start.at().part();
    this.begun = start.begun();
    this.section = filler.sectionOf(start.at());
    this.keepsSpace = start.afterBreak();
    this.setup = filler.paper(section, filler.isFirstOf(section, start.at()), shown);
    this.notes = new NoteArea(setter, document.stories(), filler.separatorHeight());
    this.fit =
        new BlockFit(
            notes,
            marks,
            setup.textWidth(),
            new BlockFit.Room() {
              @Override
              public double floor() {
                return PageFilling.this.floor();
              }

              @Override
              public double limit() {
                return limit;
              }
            });
    ahead.forEach(floats::add);
  }

  Filled run() {
    boolean firstOfSection = filler.isFirstOf(section, start.at());
    int owner = section;
    boolean resumable =
        start.notes().isEmpty()
            && (start.begun() == null
                || start.begun()
                    == setter.set(flow.blocks().get(block), columns().width(0, room())));
    setter.snapTo(document.sections().get(section).page().grid());
    notes.begin(start.notes(), setup.textHeight() * 0.75);
    y = setup.margins().top();
    Outcome outcome = bands();
    boolean ended = block >= flow.size();
    // What is still left of the notes comes on pages of its own.
    Start next =
        ended && notes.waiting().isEmpty()
            ? null
            : new Start(
                new Page.FlowPoint(block, part),
                begun,
                notes.waiting(),
                outcome == Outcome.PAGE_BREAK || outcome == Outcome.SECTION_END);
    if (ended && body.isEmpty() && notes.height() == 0) {
      next = null; // notes that no page has room for
    }
    alignVertically();
    return new Filled(
        new Page(
            number,
            shown,
            owner,
            firstOfSection,
            setup,
            new Page.Start(start.at(), start.afterBreak(), resumable, found.page()),
            body,
            notes.placed(
                setup.margins().left(), setup.height() - setup.margins().bottom(), found.page()),
            columnRules),
        next);
  }

  private PageSetup own() {
    return document.sections().get(section).page();
  }

  private Columns columns() {
    return own().columns();
  }

  private double room() {
    return own().textWidth();
  }

  /** Fills one section after the other for as long as they go on on this page. */
  private Outcome bands() {
    while (true) {
      Outcome outcome = columns().count() == 1 ? oneColumn() : severalColumns();
      if (outcome != Outcome.SECTION_END || block >= flow.size()) {
        return outcome;
      }
      int next = flow.sections()[block];
      Section s = document.sections().get(next);
      boolean samePaper = s.page().width() == own().width() && s.page().height() == own().height();
      if (s.start() != Section.Start.CONTINUOUS || !samePaper) {
        return Outcome.SECTION_END;
      }
      section = next;
      setter.snapTo(s.page().grid());
      if (y > bottom() - 12 && !atTop && !found.whole()) {
        return Outcome.FULL;
      }
    }
  }

  private double bottom() {
    return setup.height() - setup.margins().bottom();
  }

  private Outcome oneColumn() {
    left = own().margins().left();
    width = columns().width(0, room());
    columnTop = y;
    limit = bottom();
    Outcome o = column(flow.end(section));
    // With one column a column break is a page break (§17.3.3.1).
    return o == Outcome.COLUMN_BREAK ? Outcome.PAGE_BREAK : o;
  }

  private Outcome severalColumns() {
    double top = y;
    State before = save();
    limit = bottom();
    Outcome outcome = allColumns(top);
    for (int tries = 0; tries < 3 && notes.height() > reserved + BlockFit.TOLERANCE; tries++) {
      // Notes of later columns take their room from the earlier ones too.
      reserved = notes.height();
      restore(before);
      outcome = allColumns(top);
    }
    boolean balances =
        outcome == Outcome.SECTION_END
            && block < flow.size()
            && document.sections().get(flow.sections()[block]).start() == Section.Start.CONTINUOUS;
    if (balances) {
      balance(before, top);
    }
    double lowest = Math.max(top, lowest(before.body()));
    columnRules.addAll(PageShape.columnRules(own(), top, lowest));
    y = lowest;
    spacing = new Spacing();
    reserved = 0;
    return outcome;
  }

  private double lowest(int from) {
    return Fragment.lowest(body.subList(from, body.size()));
  }

  private Outcome allColumns(double top) {
    Outcome outcome = Outcome.FULL;
    for (int c = 0; c < columns().count(); c++) {
      left = own().margins().left() + columns().start(c, room());
      width = columns().width(c, room());
      y = top;
      columnTop = top;
      if (c > 0) {
        atTop = true;
        keepsSpace = outcome == Outcome.COLUMN_BREAK;
        spacing = new Spacing();
      }
      outcome = column(flow.end(section));
      if (outcome == Outcome.PAGE_BREAK || outcome == Outcome.SECTION_END) {
        break;
      }
    }
    return outcome == Outcome.COLUMN_BREAK ? Outcome.PAGE_BREAK : outcome;
  }

  /** Finds the least height that holds the section's columns, so that they end alike. */
  private void balance(State before, double top) {
    double low = top;
    double high = lowest(before.body());
    for (int k = 0; k < 12 && high - low > 0.5; k++) {
      limit = (low + high) / 2;
      restore(before);
      if (allColumns(top) == Outcome.SECTION_END && lowest(before.body()) <= limit + 1) {
        high = limit;
      } else {
        low = limit;
      }
    }
    limit = high;
    restore(before);
    allColumns(top);
    limit = bottom();
  }

  /** The body only grows, so that how long it was tells what it was. */
  private record State(
      int body,
      Spacing spacing,
      int block,
      int part,
      @Nullable BlockLayout begun,
      double y,
      boolean atTop,
      boolean keepsSpace,
      int floats,
      NoteArea.State notes,
      FoundPlaces.State found) {}

  private State save() {
    return new State(
        body.size(),
        spacing.copy(),
        block,
        part,
        begun,
        y,
        atTop,
        keepsSpace,
        floats.size(),
        notes.save(),
        found.save());
  }

  private void restore(State s) {
    body.subList(s.body, body.size()).clear();
    spacing = s.spacing.copy();
    block = s.block;
    part = s.part;
    begun = s.begun;
    y = s.y;
    atTop = s.atTop;
    keepsSpace = s.keepsSpace;
    floats.truncate(s.floats);
    notes.restore(s.notes);
    found.restore(s.found);
  }

  private BlockLayout layoutOf(int k) {
    return setter.set(flow.blocks().get(k), width);
  }

  /** The bottom of the column, above the notes. */
  private double floor() {
    if (found.whole()) {
      return Double.MAX_VALUE; // there was room for it where it comes from
    }
    return limit - Math.max(reserved, notes.height());
  }

  private Outcome column(int end) {
    while (block < end) {
      BlockLayout known = begun;
      BlockLayout l = known == null ? layoutOf(block) : known;
      if (l.parts() == 0) {
        next();
        continue;
      }
      int flowing = known == null ? flowing(block, end) : block;
      if (flowing >= end) {
        besideOnly(end);
        continue;
      }
      l = flowing == block ? l : layoutOf(flowing);
      if (part == 0 && !atTop && pageBreakBefore(l)) {
        return Outcome.PAGE_BREAK;
      }
      if (part == 0 && !atTop && found.endsBefore(l)) {
        return Outcome.PAGE_BREAK;
      }
      if (part == 0 && !atTop && !found.whole() && wantsAnotherColumn(flowing, l, end)) {
        return Outcome.FULL;
      }
      int placed = place(flowing, l);
      if (placed == 0) {
        return Outcome.FULL;
      }
      if (lastEnds == Ends.PAGE) {
        return Outcome.PAGE_BREAK;
      }
      if (lastEnds == Ends.COLUMN) {
        return Outcome.COLUMN_BREAK;
      }
      if (part > 0 && !(begun != null && found.goesOnHere(begun, part))) {
        return found.whole() ? Outcome.PAGE_BREAK : Outcome.FULL;
      }
    }
    return Outcome.SECTION_END;
  }

  private void next() {
    block++;
    part = 0;
    begun = null;
  }

  /** The first block from one on that does not stand beside the flow. */
  private int flowing(int from, int end) {
    int k = from;
    while (k < end) {
      BlockLayout l = layoutOf(k);
      if (l.parts() > 0 && !Floater.floats(l)) {
        break;
      }
      k++;
    }
    return k;
  }

  /** Places what stands beside the flow at the end of a section, with nothing after it. */
  private void besideOnly(int end) {
    body.addAll(beside(block, end, y));
    y = Math.max(y, Math.min(floats.bottom(), limit));
    block = end;
    part = 0;
    atTop = false;
  }

  /** Puts blocks that stand beside the flow where they belong. */
  private List<Fragment> beside(int from, int to, double top) {
    var out = new ArrayList<Fragment>();
    Area area = area();
    int k = from;
    while (k < to) {
      BlockLayout l = layoutOf(k);
      if (l.parts() == 0) {
        k++;
        continue;
      }
      switch (l) {
        case TableLayout t -> {
          out.add(floater.table(t, top, area));
          k++;
        }
        case ParagraphLayout p -> {
          int end = setter.frameEnd(flow.blocks(), k, to);
          List<Paragraph> framed = BlockLayouter.paragraphs(flow.blocks(), k, end);
          out.addAll(floater.frame(framed, p.style().frame(), top, area));
          k = end;
        }
      }
    }
    return out;
  }

  private Area area() {
    return Area.column(setup, left, width);
  }

  private boolean wantsAnotherColumn(int k, BlockLayout l, int end) {
    double room = floor() - y - spacing.before(l);
    double max = l.height() + 400;
    if (max < room) {
      return false; // whatever it is kept with, there is room for it
    }
    double whole = limit - columnTop;
    double min = leastFrom(k, l, end, whole);
    return min > room + BlockFit.TOLERANCE && min <= whole;
  }

  /**
   * The least height that must stand together from the start of a block: its head, and what it is
   * kept with.
   */
  private double leastFrom(int from, BlockLayout first, int end, double whole) {
    double min = 0;
    int k = from;
    BlockLayout l = first;
    Spacing s = new Spacing();
    for (int links = 0; l.keepWithNext() && k + 1 < end && links < LONGEST_CHAIN; links++) {
      BlockLayout next = layoutOf(++k);
      if (next.parts() == 0 || Floater.floats(next)) {
        continue;
      }
      s.placed(l);
      min += l.height() + s.before(next);
      if (min > whole) {
        return first.height(0, Math.min(first.parts(), first.leastHead())); // too much to keep
      }
      l = next;
    }
    double head = l.height(0, Math.min(l.parts(), l.leastHead()));
    return head > whole ? min : min + head;
  }

  /**
   * Places as much of a block as fits, with what stands beside the flow before it.
   *
   * @return how many parts were placed
   */
  private int place(int flowing, BlockLayout given) {
    State before = save();
    int from = part;
    double gap = from > 0 ? 0 : atTop ? spacing.atTop(given, keepsSpace) : spacing.before(given);
    double header = given instanceof TableLayout t && from > 0 ? t.repeated(from) : 0;
    if (header > (limit - columnTop) / 2) {
      header = 0; // a header that leaves the rows no room is not repeated
    }
    double top =
        found.place(given, from, body.isEmpty(), y + gap + header).orElse(y + gap + header)
            - header;
    boolean whole = found.whole();
    BlockLayout l = given;
    if (from == 0) {
      var besides = new ArrayList<Fragment>();
      if (flowing > block) {
        besides.addAll(beside(block, flowing, top));
      }
      if (l instanceof ParagraphLayout p && Floater.anchors(p.source())) {
        besides.addAll(floater.anchored(p, found.anchorOf(p, top), area()));
        if (floater.pushedUp() && !body.isEmpty() && !atTop && !whole) {
          restore(before); // both go on the next page
          return 0;
        }
      }
      lookAhead(before.floats(), top);
      body.addAll(besides);
    }
    Exclusions lanes = Exclusions.FREE;
    if (!floats.isEmpty()
        && !whole
        && floats.inTheWay(left, left + width, top, top + l.height(from, l.parts()))) {
      switch (l) {
        case ParagraphLayout p -> {
          if (from == 0) {
            lanes = floats.lanes(left, left + width, top);
            ParagraphLayout beside = setter.beside(p.source(), width, lanes, Integer.MAX_VALUE);
            l = beside;
            top += beside.lead();
          }
        }
        case TableLayout t ->
            top =
                floats.below(left + t.x(), left + t.x() + t.width(), top, t.height(from, from + 1));
      }
    }
    int to = fit.fitting(l, from, top + header, whole ? found.endOnPage(l, from) : l.parts());
    if (l instanceof TableLayout t && to < t.parts() && !whole) {
      // A row that no column has room for is cut even where it should not be.
      boolean must = to == from && atTop;
      TableLayout cut = fit.cutToFit(t, from, to, top + header, must);
      if (cut != null) {
        l = cut;
        to++;
      }
    }
    to =
        whole
            ? BlockFit.onSheet(l, from, to, top + header, setup.height())
            : fit.held(l, from, to, top + header, atTop);
    if (to == from) {
      if (!atTop) {
        restore(before);
        return 0;
      }
      // A part taller than the column stands in one of its own.
      to = from + 1;
      List<NodeId> marked = marks.in(l, from);
      notes.add(marked, setup.textWidth(), Math.max(0, floor() - y) / 2);
    }
    if (lanes != Exclusions.FREE && to < l.parts() && l instanceof ParagraphLayout p) {
      // What goes on on the next page is free of what stands in the way on this one.
      l = setter.beside(p.source(), width, lanes, to);
    }
    double x = whole ? own().margins().left() + found.left(l, from) : left;
    body.add(
        switch (l) {
          case ParagraphLayout p -> new Fragment.Lines(p, from, to, x, top);
          case TableLayout t -> new Fragment.Rows(t, from, to, header > 0, x + t.x(), top);
        });
    y = whole ? Math.max(y, top + header + l.height(from, to)) : top + header + l.height(from, to);
    found.placed(l, from, to);
    atTop = false;
    lastEnds = l.ends(to - 1);
    block = flowing;
    if (to == l.parts()) {
      spacing.placed(l);
      next();
    } else {
      spacing.clear();
      begun = l;
      part = to;
    }
    return to - from;
  }

  /** Notes what reaches above the text it is anchored to: text before it must make way too. */
  private void lookAhead(int known, double top) {
    if (body.isEmpty()) {
      return;
    }
    for (Obstacle o : floats.since(known)) {
      if (o.box().y() < top - 1 && ahead.stream().noneMatch(o::isNear)) {
        ahead.add(o);
        reachedUp = true;
      }
    }
  }

  /** Moves the body down where the section asks for it and the page is not full. */
  private void alignVertically() {
    body = PageShape.aligned(body, own(), bottom() - notes.height() - lowest(0));
  }

  private static boolean pageBreakBefore(BlockLayout l) {
    return l instanceof ParagraphLayout p && p.style().keeps().pageBreakBefore();
  }
}
