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
import decant.pdf.amend.PageParts;
import decant.pdf.amend.PagePicture;
import decant.pin.AmendedPages;
import decant.pin.PagePictures;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
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
 * Lines and pictures of pinned pages: what is under the pointer is shown, and what is clicked can
 * be changed where it stands.
 */
final class PinnedLines {
  private static final Words WORDS = Words.of(PinnedLines.class);

  /** A line is met this far from it, in points. */
  private static final double NEAR = 2;

  private static final int REMEMBERED = 32;

  private final PagesView view;
  private final Work work;
  private final Consumer<String> told;
  private final Map<Pinned, CompletableFuture<PageParts>> parts = new IdentityHashMap<>();
  private final PictureField pictureField;
  private final LineField field;
  private Optional<On> under = Optional.empty();

  /**
   * A part on a page of the view, from 0.
   *
   * @param line empty for a picture, and
   * @param picture for a line
   */
  private record On(
      int page, Pinned pinned, Optional<PageLine> line, Optional<PagePicture> picture) {
    Box box() {
      return line.map(PageLine::box).or(() -> picture.map(PagePicture::box)).orElseThrow();
    }
  }

  /**
   * @param told takes what is to be said of a change
   */
  PinnedLines(PagesView view, Work work, Consumer<String> told) {
    this.view = view;
    this.work = work;
    this.told = told;
    this.field = new LineField(view);
    this.pictureField = new PictureField(view);
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
          Box b = u.box();
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
      view.setCursor(
          now.map(n -> n.line.isPresent() ? Cursor.TEXT : Cursor.HAND).orElse(Cursor.DEFAULT));
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
            partsOf(c.pinned)
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
    PageParts all = partsOf(pinned.get()).getNow(PageParts.NONE);
    Optional<On> line =
        all.lines().stream()
            .filter(l -> isOn(l.box(), p.x(), p.y()))
            .min(Comparator.comparingDouble(l -> area(l.box())))
            .map(l -> new On(p.page(), pinned.get(), Optional.of(l), Optional.empty()));
    return line.or(() ->
        all.pictures().stream()
            .filter(x -> isOn(x.box(), p.x(), p.y()))
            .min(Comparator.comparingDouble(x -> area(x.box())))
            .map(x -> new On(p.page(), pinned.get(), Optional.empty(), Optional.of(x))));
  }

  private static double area(Box b) {
    return b.width() * b.height();
  }

  private static boolean isOn(Box b, double x, double y) {
    return x >= b.x() - NEAR && x <= b.right() + NEAR && y >= b.y() && y <= b.bottom();
  }

  private Optional<Pinned> pinned(int page) {
    Layout l = work.layout();
    return page < l.pages().size() ? l.pinned(l.pages().get(page)) : Optional.empty();
  }

  /** The parts of a page, read once, beside what goes on. */
  private CompletableFuture<PageParts> partsOf(Pinned pinned) {
    if (parts.size() > REMEMBERED) {
      parts.clear();
    }
    return parts.computeIfAbsent(pinned, p -> CompletableFuture.supplyAsync(() -> read(p)));
  }

  private PageParts read(Pinned pinned) {
    try {
      return AmendedPages.parts(pinned);
    } catch (ReadProblem | RuntimeException | StackOverflowError e) {
      Faults.mended("reading the lines of a page", e);
      Platform.runLater(() -> told.accept(WORDS.say("pinned-lines.unread")));
      return PageParts.NONE;
    }
  }

  private void open(On on) {
    show(Optional.of(on));
    Runnable closed = () -> show(Optional.empty());
    on.line.ifPresent(l -> field.open(on.page, l, text -> change(on, l, text), closed));
    on.picture.ifPresent(x ->
        pictureField.open(
            on.page,
            x.box(),
            () -> change(on, x, Optional.empty()),
            file -> change(on, x, Optional.of(file)),
            closed));
  }

  /** Takes a picture away, or puts that of a file in its place. */
  private void change(On on, PagePicture picture, Optional<Path> by) {
    Revision before = work.revision();
    Thread.ofVirtual()
        .start(() -> {
          try {
            Optional<byte[]> bytes =
                by.isPresent() ? Optional.of(Files.readAllBytes(by.get())) : Optional.empty();
            Revision after = PagePictures.change(before, on.pinned, picture, bytes);
            Platform.runLater(() -> {
              if (work.revision().document() == before.document()) {
                work.apply(now -> after);
                told.accept(
                    WORDS.say(by.isPresent() ? "pinned-lines.other-picture" : "pinned-lines.away"));
              } else {
                told.accept(WORDS.say("pinned-lines.meanwhile"));
              }
            });
          } catch (ReadProblem e) {
            Platform.runLater(() -> told.accept(e.getMessage()));
          } catch (IOException | RuntimeException | StackOverflowError e) {
            String id = Faults.note("changing a picture", e);
            Platform.runLater(() -> told.accept(WORDS.say("pinned-lines.picture-fault", id)));
          }
        });
  }

  /** Changes a line beside what goes on; the field shows what stands against it. */
  private void change(On on, PageLine line, String text) {
    if (text.equals(line.text())) {
      field.close();
      return;
    }
    Revision before = work.revision();
    Thread.ofVirtual()
        .start(() -> {
          try {
            AmendedPages.Result r = AmendedPages.change(before, on.pinned, line, text);
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
