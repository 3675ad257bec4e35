package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.Places;
import decant.model.Document;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Where the caret stands on the pages. One in a header or footer, which stands on many, is shown on
 * the page it was put on.
 */
public final class CaretOnPages {
  private final Work work;

  /** The page, from 0, that the caret was seen on last. */
  private int page;

  private Found last;

  /** Where it was in the text before it went into a header or footer. */
  private Position inText;

  CaretOnPages(Work work) {
    this.work = work;
    this.inText = work.revision().selection().caret();
    this.last = new Found(null, inText, false, 0, Optional.empty());
  }

  /** The page that it is on, from 0. */
  int page() {
    return page;
  }

  /** It is put on a page. */
  void putOn(int number) {
    page = number;
  }

  /** Where it stands; empty if its page is not made yet. */
  Optional<CaretPlace> place(boolean endOfLine) {
    return place(work.layout(), endOfLine);
  }

  /** Where it stands on the pages of a layout. */
  public Optional<CaretPlace> in(Layout layout) {
    return place(layout, false);
  }

  private Optional<CaretPlace> place(Layout layout, boolean endOfLine) {
    Position at = work.revision().selection().caret();
    Optional<CaretPlace> known = last.place(layout, at, endOfLine, page);
    if (known.isPresent()) {
      return known;
    }
    Optional<CaretPlace> found = Places.caret(layout, at, endOfLine, page);
    found.ifPresent(c -> page = c.page().number() - 1);
    last = new Found(layout, at, endOfLine, page, found);
    if (!isInRunningText()) {
      inText = at;
    }
    return found;
  }

  /** The place that was found last: it is asked for by every page in sight, at every key. */
  private record Found(
      @Nullable Layout in, Position at, boolean endOfLine, int page, Optional<CaretPlace> place) {
    Optional<CaretPlace> place(Layout layout, Position other, boolean end, int near) {
      return in == layout && at.equals(other) && endOfLine == end && page == near
          ? place
          : Optional.empty();
    }
  }

  /** Where a place stands, near the page that the caret is on. */
  public Optional<CaretPlace> of(Position at) {
    return Places.caret(work.layout(), at, false, page);
  }

  /** Which header or footer its page has, or would have. */
  public Section.Running running(boolean header) {
    Document d = work.revision().document();
    return place(false)
        .map(CaretPlace::page)
        .map(p -> d.sections().get(p.section()).which(header, p.firstOfSection(), p.shown()))
        .orElse(header ? Section.Running.HEADER : Section.Running.FOOTER);
  }

  /** Whether it is in a header or footer. */
  boolean isInRunningText() {
    Document d = work.revision().document();
    return d.index().runningText(d, work.revision().selection().caret().paragraph()).isPresent();
  }

  /** Goes back to the text from a header or footer; whether it was in one. */
  boolean leaveRunningText() {
    if (!isInRunningText()) {
      return false;
    }
    Optional<Position> to =
        Optional.of(inText)
            .filter(p -> work.revision().document().paragraph(p.paragraph()).isPresent())
            .or(this::topOfPage);
    to.ifPresent(p -> work.select(Selection.at(p)));
    return to.isPresent();
  }

  private Optional<Position> topOfPage() {
    Layout l = work.layout();
    return l.pages().stream()
        .skip(page)
        .findFirst()
        .flatMap(p -> l.positionAt(p, 0, p.setup().margins().top() + 1));
  }
}
