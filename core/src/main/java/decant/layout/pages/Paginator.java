package decant.layout.pages;

import decant.layout.pages.PageFiller.Filled;
import decant.layout.pages.PageFiller.Start;
import decant.model.Document;
import decant.model.PageNumbers;
import decant.model.Section;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** Makes page after page until the flow ends, or until the rest is known from an earlier layout. */
public final class Paginator {
  /**
   * Lets pages be taken over from an earlier layout once they begin where one of its pages began.
   */
  public interface Reuse {
    /** The rest of the pages from here on, or null if they must be made. */
    @Nullable List<Page> rest(Page.FlowPoint start, boolean afterBreak, int number, int shown);
  }

  private final Document document;
  private final PageFiller filler;
  private final List<Page> pages;
  private @Nullable Start next;

  public Paginator(Document document, PageFiller filler, List<Page> kept) {
    this.document = document;
    this.filler = filler;
    this.pages = new ArrayList<>(kept);
  }

  public List<Page> pages() {
    return pages;
  }

  /** Where the page after the last one starts; null at the end of the flow. */
  public @Nullable Start next() {
    return next;
  }

  /**
   * Makes the pages.
   *
   * @param from where the first page to be made starts
   * @param interrupted asked after each page
   * @param everyPages how many pages to make before {@code partial} is told again
   * @return whether it came to the end rather than being interrupted
   */
  public boolean run(
      Start from,
      Reuse reuse,
      BooleanSupplier interrupted,
      int everyPages,
      Consumer<List<Page>> partial) {
    int told = pages.size();
    next = from;
    while (next != null) {
      int shown = shown(next.at());
      if (filler.followsFromPlace(next)) {
        List<Page> rest = reuse.rest(next.at(), next.afterBreak(), pages.size() + 1, shown);
        if (rest != null) {
          pages.addAll(rest);
          next = null;
          return true;
        }
      }
      for (int blank = blanksBefore(next); blank > 0; blank--) {
        int before = pages.isEmpty() ? -1 : pages.getLast().start().found();
        pages.add(empty(next, shown, before + 1));
        shown++;
      }
      if (asksForOtherSide(next.at(), shown)) {
        pages.add(empty(next, shown, -1));
        shown++;
      }
      Filled filled = filler.fill(next, pages.size() + 1, shown);
      pages.add(filled.page());
      next = filled.next();
      if (interrupted.getAsBoolean()) {
        return next == null;
      }
      if (pages.size() - told >= everyPages && next != null) {
        told = pages.size();
        partial.accept(List.copyOf(pages));
      }
    }
    return true;
  }

  /** The number that the next page shows. */
  private int shown(Page.FlowPoint at) {
    return shown(document, filler.sectionOf(at), filler.isFirstOf(filler.sectionOf(at), at), pages);
  }

  static int shown(Document d, int section, boolean first, List<Page> before) {
    int follows = before.isEmpty() ? 1 : before.getLast().shown() + 1;
    if (!first) {
      return follows;
    }
    PageNumbers numbers = d.sections().get(section).page().numbers();
    Optional<Integer> own = numbers.start();
    return own.orElse(follows);
  }

  private boolean asksForOtherSide(Page.FlowPoint at, int shown) {
    int section = filler.sectionOf(at);
    if (!filler.isFirstOf(section, at) || pages.isEmpty()) {
      return false;
    }
    return switch (document.sections().get(section).start()) {
      case ODD_PAGE -> shown % 2 == 0;
      case EVEN_PAGE -> shown % 2 != 0;
      case NEW_PAGE, CONTINUOUS -> false;
    };
  }

  /** How many empty pages the source had before what comes next, where all is as it was. */
  private int blanksBefore(Start start) {
    OptionalInt begins = filler.foundPage(start.at());
    int before = pages.isEmpty() ? -1 : pages.getLast().start().found();
    boolean known = pages.isEmpty() || before >= 0;
    return begins.isPresent() && known ? Math.max(0, begins.getAsInt() - before - 1) : 0;
  }

  /**
   * An empty page: before a section that begins on the other side, or as the source had one.
   *
   * @param found which page of the source it is like; -1 if none
   */
  private Page empty(Start next, int shown, int found) {
    int section = pages.isEmpty() ? filler.sectionOf(next.at()) : pages.getLast().section();
    Section s = document.sections().get(section);
    return new Page(
        pages.size() + 1,
        shown,
        section,
        false,
        s.page(),
        new Page.Start(next.at(), true, false, found),
        List.of(),
        Optional.empty(),
        List.of());
  }
}
