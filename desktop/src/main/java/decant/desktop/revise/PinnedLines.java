package decant.desktop.revise;

import decant.desktop.page.PagesView;
import decant.desktop.shell.Work;
import decant.layout.Layout;
import decant.model.Box;
import decant.model.Pinned;
import decant.model.edit.Revision;
import decant.pdf.amend.Amended;
import decant.pdf.amend.Left;
import decant.pdf.amend.PageLine;
import decant.pin.AmendedPages;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Rectangle;

/**
 * Lines of pinned pages: the one under the pointer is shown, and one that is clicked can be changed
 * where it stands.
 */
final class PinnedLines {
  private static final Words WORDS = Words.of(PinnedLines.class);

  /** A line is met this far from it, in points. */
  private static final double NEAR = 2;

  private static final int REMEMBERED = 32;

  private final PagesView view;
  private final Work work;
  private final Consumer<String> told;
  private final Map<Pinned, CompletableFuture<List<PageLine>>> lines = new IdentityHashMap<>();
  private final LineField field;
  private Optional<On> under = Optional.empty();

  /** A line on a page of the view, from 0. */
  private record On(int page, Pinned pinned, PageLine line) {}

  /**
   * @param told takes what is to be said of a change
   */
  PinnedLines(PagesView view, Work work, Consumer<String> told) {
    this.view = view;
    this.work = work;
    this.told = told;
    this.field = new LineField(view);
    view.addEventHandler(MouseEvent.MOUSE_MOVED, this::moved);
    view.addEventHandler(MouseEvent.MOUSE_EXITED, e -> show(Optional.empty()));
    view.addEventHandler(MouseEvent.MOUSE_CLICKED, this::clicked);
  }

  /** What is drawn over a page: the line under the pointer. */
  List<Node> over(int page, double scale) {
    var out = new ArrayList<Node>();
    under
        .filter(u -> u.page == page)
        .ifPresent(u -> {
          Box b = u.line.box();
          var frame =
              new Rectangle(
                  (b.x() - NEAR) * scale,
                  b.y() * scale,
                  (b.width() + 2 * NEAR) * scale,
                  b.height() * scale);
          frame.getStyleClass().add("picked-place");
          out.add(frame);
        });
    return out;
  }

  private void moved(MouseEvent e) {
    show(at(e));
  }

  private void show(Optional<On> now) {
    if (!now.equals(under)) {
      under = now;
      view.setCursor(now.isPresent() ? Cursor.TEXT : Cursor.DEFAULT);
      view.refreshOverlays();
    }
  }

  private void clicked(MouseEvent e) {
    boolean simple =
        e.getButton() == MouseButton.PRIMARY
            && e.getClickCount() == 1
            && e.isStillSincePress()
            && !e.isShiftDown()
            && !e.isShortcutDown();
    if (!simple) {
      return;
    }
    point(e)
        .flatMap(p -> pinned(p.page()).map(x -> new Clicked(p, x)))
        .ifPresent(c ->
            linesOf(c.pinned)
                .thenRun(() -> Platform.runLater(() -> at(c.point).ifPresent(this::open))));
  }

  private record Clicked(PagesView.PagePoint point, Pinned pinned) {}

  private Optional<PagesView.PagePoint> point(MouseEvent e) {
    return view.pagePoint(e.getX(), e.getY());
  }

  private Optional<On> at(MouseEvent e) {
    return point(e).flatMap(this::at);
  }

  private Optional<On> at(PagesView.PagePoint p) {
    Optional<Pinned> pinned = pinned(p.page());
    if (pinned.isEmpty()) {
      return Optional.empty();
    }
    return linesOf(pinned.get()).getNow(List.of()).stream()
        .filter(l -> isOn(l.box(), p.x(), p.y()))
        .min(java.util.Comparator.comparingDouble(l -> l.box().width() * l.box().height()))
        .map(l -> new On(p.page(), pinned.get(), l));
  }

  private static boolean isOn(Box b, double x, double y) {
    return x >= b.x() - NEAR && x <= b.right() + NEAR && y >= b.y() && y <= b.bottom();
  }

  private Optional<Pinned> pinned(int page) {
    Layout l = work.layout();
    return page < l.pages().size() ? l.pinned(l.pages().get(page)) : Optional.empty();
  }

  /** The lines of a page, read once, beside what goes on. */
  private CompletableFuture<List<PageLine>> linesOf(Pinned pinned) {
    if (lines.size() > REMEMBERED) {
      lines.clear();
    }
    return lines.computeIfAbsent(pinned, p -> CompletableFuture.supplyAsync(() -> read(p)));
  }

  private static List<PageLine> read(Pinned pinned) {
    try {
      return AmendedPages.lines(pinned);
    } catch (ReadProblem | RuntimeException | StackOverflowError e) {
      Faults.mended("reading the lines of a page", e);
      return List.of();
    }
  }

  private void open(On on) {
    show(Optional.of(on));
    field.open(on.page, on.line, text -> change(on, text), () -> show(Optional.empty()));
  }

  /** Changes a line beside what goes on; the field shows what stands against it. */
  private void change(On on, String text) {
    if (text.equals(on.line.text())) {
      field.close();
      return;
    }
    Revision before = work.revision();
    Thread.ofVirtual()
        .start(() -> {
          try {
            AmendedPages.Result r = AmendedPages.change(before, on.pinned, on.line, text);
            Platform.runLater(() -> came(before, r));
          } catch (ReadProblem e) {
            Platform.runLater(() -> field.refuse(e.getMessage()));
          } catch (RuntimeException | StackOverflowError e) {
            String id = Faults.note("changing a line", e);
            Platform.runLater(() -> field.refuse(WORDS.say("pinned-lines.fault", id)));
          }
        });
  }

  private void came(Revision before, AmendedPages.Result r) {
    Amended a = r.amended();
    if (a.changed() == 0) {
      field.refuse(
          a.left().stream().findFirst().map(Left::reason).map(Left.Reason::words).orElse(""));
    } else if (work.revision().document() != before.document()) {
      field.refuse(WORDS.say("pinned-lines.meanwhile"));
    } else {
      field.close();
      work.apply(now -> r.revision());
      told.accept(
          a.told().isEmpty() ? WORDS.say("pinned-lines.changed") : String.join(" ", a.told()));
    }
  }
}
