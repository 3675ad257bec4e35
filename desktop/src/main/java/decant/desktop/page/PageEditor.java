package decant.desktop.page;

import decant.blanks.BlankTour;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.Places;
import decant.layout.RunningLine;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Motion;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.edit.WhileTyping;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;

/** Caret, selection, typing and pointing on the pages of a document. */
public final class PageEditor {
  private final PagesView view;
  private final Work work;
  private final Timeline blink;
  private final CaretOnPages caret;
  private final PagePointer pointer;
  private final Composing composing;
  private final CommentedText commented = new CommentedText();
  private final List<PagesView.Overlay> more = new ArrayList<>();
  private boolean caretShown = true;
  private double goalX = Double.NaN;

  /**
   * Whether the caret stands at the end of a line that is broken there, not before the next one.
   */
  private boolean endOfLine;

  public PageEditor(PagesView view, Work work) {
    this.view = view;
    this.work = work;
    this.caret = new CaretOnPages(work);
    this.pointer = new PagePointer(view, work, caret, this::caretPlaced);
    this.composing = new Composing(view, work, caret, this::caretPlaced);
    view.setOverlay(this::over);
    view.addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
    view.addEventHandler(KeyEvent.KEY_TYPED, this::typed);
    blink =
        new Timeline(
            new KeyFrame(
                Duration.millis(550),
                e -> {
                  caretShown = !caretShown;
                  view.refreshOverlays();
                }));
    blink.setCycleCount(Timeline.INDEFINITE);
    view.focusedProperty()
        .addListener((o, was, is) -> {
          caretShown = is;
          if (is) {
            blink.playFromStart();
          } else {
            blink.stop();
          }
          view.refreshOverlays();
        });
  }

  /** Draws something else over the pages too. */
  public void drawOver(PagesView.Overlay overlay) {
    more.add(overlay);
  }

  /** The frame and handles of the object that is selected. */
  public ObjectHandles handles() {
    return pointer.handles();
  }

  /** Where the caret stands on the pages. */
  public CaretOnPages caretOnPages() {
    return caret;
  }

  /** The pointer has placed the caret. */
  private void caretPlaced() {
    goalX = Double.NaN;
    endOfLine = false;
    caretShown = true;
    view.refreshOverlays();
  }

  private Layout layout() {
    return work.layout();
  }

  private Document document() {
    return work.revision().document();
  }

  /** Draws the caret again, solid, and scrolls it into sight. */
  public void revealCaret() {
    caretShown = view.isFocused();
    if (view.isFocused()) {
      blink.playFromStart();
    }
    view.refreshOverlays();
    caretPlace().ifPresent(c -> view.reveal(c.page().number() - 1, c.top(), c.top() + c.height()));
  }

  private Optional<CaretPlace> caretPlace() {
    return caret.place(endOfLine);
  }

  private List<Node> over(int page, double scale) {
    var out = new ArrayList<Node>();
    if (page >= layout().pages().size()) {
      return out;
    }
    Page p = layout().pages().get(page);
    out.addAll(PinnedMark.overLines(layout(), page, scale));
    more.forEach(o -> out.addAll(o.over(page, scale)));
    for (Box b : commented.on(layout(), p)) {
      out.add(PageMarks.noted(b, scale));
    }
    out.addAll(pointer.over(p, scale));
    out.addAll(composing.over(p, scale));
    Selection s = work.revision().selection();
    if (handles().isSelected()) {
      return out;
    }
    if (s.isCaret()) {
      if (caretShown) {
        caretPlace()
            .filter(c -> c.page().number() == p.number())
            .ifPresent(c -> out.add(PageMarks.caret(c, scale)));
      }
      return out;
    }
    Range range = Range.of(document(), s);
    if (caret.isInRunningText()) {
      out.addAll(markedInRunning(p, range, scale));
      return out;
    }
    Set<NodeId> cells =
        range.cells(document()).isEmpty()
            ? Set.of()
            : range.parts(document()).stream()
                .map(x -> x.paragraph().id())
                .collect(Collectors.toSet());
    for (Places.PlacedLine l : Places.lines(p)) {
      Optional<PageMarks.Span> part =
          cells.isEmpty()
              ? part(l, l.paragraph().source().id(), range)
              : Optional.of(new PageMarks.Span(l.line().from(), l.line().to(), true))
                  .filter(x -> cells.contains(l.paragraph().source().id()));
      part.ifPresent(r -> out.add(PageMarks.marked(l, r, scale)));
    }
    return out;
  }

  /** What is selected of a header or footer, on the page that the caret is on. */
  private List<Node> markedInRunning(Page p, Range range, double scale) {
    boolean here = caretPlace().filter(c -> c.page().number() == p.number()).isPresent();
    return !here
        ? List.of()
        : range.parts(document()).stream()
            .map(x -> x.paragraph().id())
            .flatMap(id ->
                layout().runningLines(p, id).stream()
                    .flatMap(r ->
                        part(r.line(), id, on(range, r)).stream()
                            .map(s -> PageMarks.marked(r.line(), s, scale))))
            .toList();
  }

  /** A range as a line counts its places. */
  private static Range on(Range range, RunningLine r) {
    return new Range(on(range.start(), r), on(range.end(), r));
  }

  private static Position on(Position at, RunningLine r) {
    return at.paragraph().equals(r.paragraph())
        ? new Position(at.paragraph(), r.within(at.offset()))
        : at;
  }

  /** Which places of a line lie in a range. */
  private Optional<PageMarks.Span> part(Places.PlacedLine l, NodeId paragraph, Range range) {
    int from = l.line().from();
    int to = l.line().to();
    boolean startsHere = paragraph.equals(range.start().paragraph());
    boolean endsHere = paragraph.equals(range.end().paragraph());
    if (!startsHere && !endsHere) {
      Position here = new Position(paragraph, 0);
      boolean between =
          Range.compare(document(), range.start(), here) < 0
              && Range.compare(document(), here, range.end()) < 0;
      return between ? Optional.of(new PageMarks.Span(from, to, true)) : Optional.empty();
    }
    int a = startsHere ? Math.max(from, range.start().offset()) : from;
    int b = endsHere ? Math.min(to, range.end().offset()) : to;
    boolean runsOn = !endsHere && l.line() == l.paragraph().lines().getLast();
    return a < b || runsOn && a <= b
        ? Optional.of(new PageMarks.Span(a, b, runsOn))
        : Optional.empty();
  }

  private void typed(KeyEvent e) {
    String c = e.getCharacter();
    boolean control = e.isControlDown() && !e.isAltDown() || e.isMetaDown();
    if (control || c.isEmpty() || c.charAt(0) < ' ' || c.charAt(0) == 127) {
      return;
    }
    endOfLine = false;
    if (document().isPinned(caret().paragraph())) {
      return; // its page stays as it was
    }
    Optional<Revision> turned =
        c.equals(" ") ? BlankTour.turned(work.revision()) : Optional.empty();
    work.apply(r -> turned.orElseGet(() -> Commands.insert(r, c)));
    if (c.equals(" ")) {
      work.apply(WhileTyping::settled);
    }
    goalX = Double.NaN;
    e.consume();
  }

  private void pressed(KeyEvent e) {
    if (e.isAltDown() && nudged(e)) {
      e.consume();
      return;
    }
    boolean used =
        switch (e.getCode()) {
          case LEFT ->
              move(
                  e,
                  e.isControlDown()
                      ? Motion.previousWord(document(), caret())
                      : Motion.previousCharacter(document(), caret()),
                  true);
          case RIGHT ->
              move(
                  e,
                  e.isControlDown()
                      ? Motion.nextWord(document(), caret())
                      : Motion.nextCharacter(document(), caret()),
                  false);
          case UP -> vertical(e, -1);
          case DOWN -> vertical(e, 1);
          case PAGE_UP -> page(e, -1);
          case PAGE_DOWN -> page(e, 1);
          case HOME ->
              e.isControlDown() ? to(e, Motion.documentStart(document())) : lineEdge(e, true);
          case END ->
              e.isControlDown() ? to(e, Motion.documentEnd(document())) : lineEdge(e, false);
          case BACK_SPACE ->
              edit(() ->
                  work.apply(
                      e.isControlDown() ? Commands::deleteWordBackward : Commands::deleteBackward));
          case DELETE ->
              !e.isShiftDown()
                  && edit(() ->
                      work.apply(
                          e.isControlDown()
                              ? Commands::deleteWordForward
                              : Commands::deleteForward));
          case ENTER ->
              !e.isControlDown()
                  && edit(() -> {
                    work.apply(e.isShiftDown() ? Commands::lineBreak : Commands::newParagraph);
                    work.apply(WhileTyping::settled);
                  });
          case TAB -> TabKey.pressed(e, work, this::edit, this::revealCaret);
          case ESCAPE -> leaveRunningText();
          default -> shortcut(e);
        };
    if (used) {
      e.consume();
    }
  }

  private boolean leaveRunningText() {
    boolean left = caret.leaveRunningText();
    if (left) {
      revealCaret();
    }
    return left;
  }

  /** With Alt the arrows move what stands beside the flow, by a millimetre. */
  private boolean nudged(KeyEvent e) {
    return switch (e.getCode()) {
      case LEFT -> handles().nudge(-1, 0);
      case RIGHT -> handles().nudge(1, 0);
      case UP -> handles().nudge(0, -1);
      case DOWN -> handles().nudge(0, 1);
      default -> false;
    };
  }

  private boolean shortcut(KeyEvent e) {
    if (!e.isShortcutDown()) {
      return false;
    }
    return switch (e.getCode()) {
      case A -> {
        work.select(Motion.all(document(), caret()));
        view.refreshOverlays();
        yield true;
      }
      case C -> PageClipboard.copy(work);
      case X -> PageClipboard.copy(work) && edit(() -> work.apply(Commands::deleteBackward));
      case V -> !e.isShiftDown() && edit(() -> PageClipboard.paste(work));
      default -> false;
    };
  }

  private boolean edit(Runnable change) {
    if (document().isPinned(caret().paragraph())) {
      return true; // its page stays as it was
    }
    endOfLine = false;
    goalX = Double.NaN;
    change.run();
    return true;
  }

  private Position caret() {
    return work.revision().selection().caret();
  }

  private boolean move(KeyEvent e, Position target, boolean back) {
    Selection s = work.revision().selection();
    if (!s.isCaret() && !e.isShiftDown() && !e.isControlDown()) {
      Range r = Range.of(document(), s);
      return to(e, back ? r.start() : r.end());
    }
    return to(e, target);
  }

  private boolean to(KeyEvent e, Position target) {
    goalX = Double.NaN;
    return go(e, target);
  }

  private boolean go(KeyEvent e, Position target) {
    endOfLine = false;
    Position anchor = e.isShiftDown() ? work.revision().selection().anchor() : target;
    work.select(new Selection(anchor, target));
    revealCaret();
    return true;
  }

  /** One line up or down, keeping to the column where the motion began. */
  private boolean vertical(KeyEvent e, int by) {
    Optional<CaretPlace> at = caretPlace();
    if (at.isEmpty()) {
      return false;
    }
    double x = Double.isNaN(goalX) ? at.get().x() : goalX;
    goalX = x;
    if (caret.isInRunningText()) {
      return fromRunningText(e, at.get(), by, x);
    }
    double middle = at.get().top() + at.get().height() / 2;
    Places.PlacedLine best = null;
    Page page = at.get().page();
    for (int hop = 0; hop < 2 && best == null; hop++) {
      int number = page.number() - 1 + by * hop;
      if (number < 0 || number >= layout().pages().size()) {
        break;
      }
      double from = hop == 0 ? middle : by > 0 ? -1 : Double.MAX_VALUE;
      best = NearestLine.of(layout().pages().get(number), from, by, x);
    }
    if (best == null) {
      return go(e, by < 0 ? Motion.documentStart(document()) : Motion.documentEnd(document()));
    }
    return go(e, new Position(best.paragraph().source().id(), Places.offsetAt(best, x - best.x())));
  }

  /** Up and down in a header or footer: out of it only towards the text of the page. */
  private boolean fromRunningText(KeyEvent e, CaretPlace at, int by, double x) {
    double y = by > 0 ? at.top() + at.height() * 1.5 : at.top() - at.height() / 2;
    Optional<Position> to = layout().positionAt(at.page(), x, y);
    boolean within =
        to.filter(t -> document().index().sameText(caret().paragraph(), t.paragraph())).isPresent();
    boolean towardsText = by > 0 == at.top() < at.page().setup().height() / 2;
    return to.isEmpty() || !within && (!towardsText || e.isShiftDown()) || go(e, to.get());
  }

  private boolean page(KeyEvent e, int by) {
    Optional<CaretPlace> at = caretPlace();
    if (at.isEmpty()) {
      return false;
    }
    view.scrollBy(by * view.viewHeight() * 0.9);
    Page p = at.get().page();
    double y = at.get().top() + by * view.viewHeight() * 0.9 / view.scale();
    int number = p.number() - 1;
    while (y > p.setup().height() && number + 1 < layout().pages().size()) {
      y -= p.setup().height();
      p = layout().pages().get(++number);
    }
    while (y < 0 && number > 0) {
      p = layout().pages().get(--number);
      y += p.setup().height();
    }
    caret.putOn(p.number() - 1);
    return layout().positionAt(p, at.get().x(), y).map(t -> go(e, t)).orElse(false);
  }

  /** The first or last place of the caret's line. */
  private boolean lineEdge(KeyEvent e, boolean start) {
    Optional<Places.PlacedLine> line =
        Places.line(layout(), work.revision().selection().caret(), endOfLine);
    if (line.isEmpty()) {
      return false;
    }
    int offset = start ? line.get().line().from() : Places.lineEnd(line.get());
    to(e, new Position(caret().paragraph(), offset));
    // Where a word is broken, its line ends at the place where the next one begins.
    endOfLine = !start && Places.isSoftBreak(line.get(), offset);
    revealCaret();
    return true;
  }
}
