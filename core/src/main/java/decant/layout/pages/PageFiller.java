package decant.layout.pages;

import decant.layout.block.BlockLayouter;
import decant.layout.item.Area;
import decant.layout.item.BlockLayout;
import decant.layout.item.Fragment;
import decant.layout.item.Obstacle;
import decant.layout.label.Flow;
import decant.layout.label.NoteMarks;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.look.Look;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/**
 * Fills one page with the flow from a place on. Breaks keep two lines of a paragraph together at
 * either end of a column, headings with what follows them and rows whole, as far as a column has
 * room for that. Sections that go on down the same page make bands of columns; what stands beside
 * the flow and the notes at the foot take their room from them.
 */
public final class PageFiller {
  /** So often a page is filled anew around what is anchored further down on it. */
  private static final int ATTEMPTS = 3;

  /**
   * Where filling stands between two pages.
   *
   * @param begun the layout of the block that began on the page before; null if none did
   * @param notes what is left of the notes of the page before
   * @param afterBreak whether the page begins because the text asks for it
   */
  public record Start(
      Page.FlowPoint at,
      @Nullable BlockLayout begun,
      List<NoteArea.Rest> notes,
      boolean afterBreak) {}

  /**
   * A filled page.
   *
   * @param next where the next one starts; null at the end of the flow
   */
  record Filled(Page page, @Nullable Start next) {}

  /** What the line above the notes stands on. */
  private static final Paragraph SEPARATOR = Paragraph.of(Look.PLAIN, "");

  private final Document document;
  private final Flow flow;
  private final BlockLayouter setter;
  private final NoteMarks marks;
  private final double separatorHeight;
  private final boolean ordered;
  private final Map<RunningKey, Double> runningHeights = new HashMap<>();

  private record RunningKey(NodeId story, double width) {}

  public PageFiller(Document document, Flow flow, BlockLayouter setter) {
    this.document = document;
    this.flow = flow;
    this.setter = setter;
    this.marks = new NoteMarks(document.stories());
    this.ordered = Pinned.areOrdered(document.sections());
    // The separator stands on a line of the standard style.
    this.separatorHeight = setter.set(SEPARATOR, 400).height();
  }

  /**
   * Fills a page.
   *
   * @param number of the page, from 1
   * @param shown the number that is shown on it
   */
  Filled fill(Start start, int number, int shown) {
    Optional<Filled> pinned = pinned(start, number, shown);
    if (pinned.isPresent()) {
      return pinned.get();
    }
    var ahead = new ArrayList<Obstacle>();
    for (int attempt = 1; ; attempt++) {
      var filling = new PageFilling(this, start, number, shown, ahead);
      Filled done = filling.run();
      if (attempt == ATTEMPTS || !filling.reachedUp) {
        return done;
      }
    }
  }

  /**
   * Whether what comes follows from the place in the flow alone. A row that was cut for the page
   * before makes parts of its own: the same number is another part where it was not cut.
   */
  boolean followsFromPlace(Start start) {
    return start.notes().isEmpty()
        && (start.begun() == null || setter.isOfWholeBlock(start.begun()));
  }

  /** The page that stands in place of a section's text. Endnotes after it are text again. */
  private Optional<Filled> pinned(Start start, int number, int shown) {
    int section = sectionOf(start.at());
    int after = flow.sectionStarts()[section + 1];
    Section s = document.sections().get(section);
    if (s.pinned().isEmpty() || start.at().block() >= after) {
      return Optional.empty();
    }
    var page =
        new Page(
            number,
            shown,
            section,
            true,
            s.page(),
            new Page.Start(
                start.at(), start.afterBreak(), start.notes().isEmpty(), s.pinned().get().page()),
            List.of(),
            Optional.empty(),
            List.of());
    boolean goesOn = after < flow.size() || !start.notes().isEmpty();
    return Optional.of(
        new Filled(
            page,
            goesOn ? new Start(new Page.FlowPoint(after, 0), null, start.notes(), true) : null));
  }

  /**
   * The page of the source that begins at a place of the flow; empty if none does, or if the pages
   * were put in another order.
   */
  OptionalInt foundPage(Page.FlowPoint at) {
    return at.block() < flow.size() && !ordered
        ? FoundPlaces.beginning(setter.setting(), flow.blocks().get(at.block()).id(), at.part())
        : OptionalInt.empty();
  }

  /** The layout of a block that a page goes on with, as wide as its section's first column. */
  public static BlockLayout begun(Document d, Flow flow, BlockLayouter blocks, int block) {
    PageSetup p = d.sections().get(flow.sections()[block]).page();
    blocks.snapTo(p.grid());
    return blocks.set(flow.blocks().get(block), p.columns().width(0, p.textWidth()));
  }

  int sectionOf(Page.FlowPoint at) {
    return at.block() < flow.size() ? flow.sections()[at.block()] : document.sections().size() - 1;
  }

  boolean isFirstOf(int section, Page.FlowPoint at) {
    return flow.sectionStarts()[section] == at.block() && at.part() == 0;
  }

  /** The section's paper, its margins grown where a running text is taller than they are. */
  PageSetup paper(int section, boolean firstOfSection, int shown) {
    Section s = document.sections().get(section);
    PageSetup p = s.page();
    double above =
        s.runningFor(true, firstOfSection, shown)
            .map(h -> p.margins().header() + heightOf(h, p))
            .orElse(0.0);
    double below =
        s.runningFor(false, firstOfSection, shown)
            .map(f -> p.margins().footer() + heightOf(f, p))
            .orElse(0.0);
    if (above <= p.margins().top() && below <= p.margins().bottom()) {
      return p;
    }
    double max = p.height() / 2 - 40;
    return p.withMargins(
        above <= p.margins().top() ? p.margins().top() : Math.min(above, max),
        below <= p.margins().bottom() ? p.margins().bottom() : Math.min(below, max));
  }

  private double heightOf(decant.model.Story running, PageSetup p) {
    return runningHeights.computeIfAbsent(
        new RunningKey(running.id(), p.textWidth()),
        r -> {
          setter.snapTo(0);
          return Fragment.lowest(
              setter.stack(
                  running.blocks(),
                  p.textWidth(),
                  Area.running(p, p.margins().left(), p.margins().header())));
        });
  }

  Document document() {
    return document;
  }

  Flow flow() {
    return flow;
  }

  BlockLayouter setter() {
    return setter;
  }

  NoteMarks marks() {
    return marks;
  }

  double separatorHeight() {
    return separatorHeight;
  }
}
