package decant.layout;

import decant.model.Document;
import decant.model.DocumentIndex;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.Section;
import decant.model.Story;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A document on pages. Immutable, and safe for use by several threads.
 *
 * <p>While {@link #complete} is false there are more pages to come.
 */
public final class Layout {
  private final Document document;
  private final List<Page> pages;
  private final boolean complete;
  private final Flow flow;
  private final RunningTexts runningTexts;
  private final Map<Integer, List<Fragment>> running = new ConcurrentHashMap<>();

  /** Sets running texts, which need the number of pages. */
  interface RunningTexts {
    List<Fragment> set(Story story, double width, FieldValues fields);
  }

  Layout(
      Document document, List<Page> pages, boolean complete, Flow flow, RunningTexts runningTexts) {
    this.document = document;
    this.pages = List.copyOf(pages);
    this.complete = complete;
    this.flow = flow;
    this.runningTexts = runningTexts;
  }

  public Document document() {
    return document;
  }

  /** There is always at least one. */
  public List<Page> pages() {
    return pages;
  }

  public boolean complete() {
    return complete;
  }

  Flow flow() {
    return flow;
  }

  /** Header and footer of a page. */
  public List<Fragment> running(Page page) {
    return running.computeIfAbsent(page.number(), n -> setRunning(page));
  }

  private List<Fragment> setRunning(Page page) {
    Section s = document.sections().get(page.section());
    var fields = new FieldValues(page.number(), pages.size(), document.particulars().title());
    var out = new ArrayList<Fragment>();
    double width = page.setup().textWidth();
    s.runningFor(true, page.firstOfSection(), page.number())
        .ifPresent(h -> {
          for (Fragment f : runningTexts.set(h, width, fields)) {
            out.add(moved(f, page.setup().left(), page.setup().header()));
          }
        });
    s.runningFor(false, page.firstOfSection(), page.number())
        .ifPresent(h -> {
          List<Fragment> set = runningTexts.set(h, width, fields);
          double height = set.isEmpty() ? 0 : set.getLast().bottom();
          double top = page.setup().height() - page.setup().footer() - height;
          for (Fragment f : set) {
            out.add(moved(f, page.setup().left(), top));
          }
        });
    return out;
  }

  private static Fragment moved(Fragment f, double dx, double dy) {
    return switch (f) {
      case Fragment.Lines l ->
          new Fragment.Lines(l.layout(), l.from(), l.to(), l.x() + dx, l.y() + dy);
      case Fragment.Rows r ->
          new Fragment.Rows(r.layout(), r.from(), r.to(), r.repeatHeader(), r.x() + dx, r.y() + dy);
    };
  }

  /** The pages that a block of the flow or of a note stands on; empty if they are not made yet. */
  public List<Page> pagesOf(NodeId block) {
    int k = flowNumber(block);
    if (k < 0 || pages.isEmpty()) {
      return List.of();
    }
    int first = firstPageOf(k);
    var out = new ArrayList<Page>();
    for (int p = first; p < pages.size() && pages.get(p).start().block() <= k; p++) {
      boolean there =
          pages.get(p).body().stream()
              .anyMatch(f -> f.source().id().equals(flow.blocks().get(k).id()));
      if (there) {
        out.add(pages.get(p));
      }
    }
    return out;
  }

  private int flowNumber(NodeId block) {
    Optional<DocumentIndex.TopLevel> top = document.index().topLevel(block);
    if (top.isPresent()) {
      return flow.sectionStarts()[top.get().section()] + top.get().block();
    }
    int notes = flow.sectionStarts()[flow.sectionStarts().length - 1];
    for (int k = notes; k < flow.size(); k++) {
      if (flow.blocks().get(k).id().equals(block)) {
        return k;
      }
    }
    return -1;
  }

  /** The last page that begins before a block, or with it. */
  private int firstPageOf(int block) {
    int low = 0;
    int high = pages.size() - 1;
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      Page.FlowPoint s = pages.get(mid).start();
      if (s.block() < block || s.block() == block && s.part() == 0) {
        low = mid;
      } else {
        high = mid - 1;
      }
    }
    return low;
  }

  /** Where the caret stands at a position; empty if its page is not made yet. */
  public Optional<CaretPlace> caret(Position at) {
    for (Page page : pagesOf(at.paragraph())) {
      Optional<CaretPlace> place = Places.caret(page, at);
      if (place.isPresent()) {
        return place;
      }
    }
    return Optional.empty();
  }

  /** The position nearest to a point of a page. */
  public Optional<Position> positionAt(Page page, double x, double y) {
    return Places.positionAt(page, x, y);
  }
}
