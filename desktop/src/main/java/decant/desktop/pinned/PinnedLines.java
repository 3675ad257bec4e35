package decant.desktop.pinned;

import decant.desktop.page.PagesView;
import decant.desktop.shell.LongChange;
import decant.desktop.shell.Work;
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
import javafx.beans.InvalidationListener;
import javafx.beans.Observable;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Rectangle;

/**
 * Lines and pictures of pinned pages: what is under the pointer is shown, and what is clicked can
 * be changed where it stands.
 */
public final class PinnedLines {
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
  private final PictureFrame frame;
  private final PinnedFields blanks;
  private Optional<On> under = Optional.empty();

  /** The picture that is framed. */
  private Optional<On> framed = Optional.empty();

  /**
   * A part on a page of the view, from 0.
   *
   * @param line or
   * @param picture or
   * @param field which of them it is
   */
  private record On(
      int page,
      Pinned pinned,
      Optional<PageLine> line,
      Optional<PagePicture> picture,
      Optional<PageParts.Field> field) {
    static On line(int page, Pinned p, PageLine l) {
      return new On(page, p, Optional.of(l), Optional.empty(), Optional.empty());
    }

    static On picture(int page, Pinned p, PagePicture x) {
      return new On(page, p, Optional.empty(), Optional.of(x), Optional.empty());
    }

    static On field(int page, Pinned p, PageParts.Field f) {
      return new On(page, p, Optional.empty(), Optional.empty(), Optional.of(f));
    }

    Box box() {
      return line.map(PageLine::box)
          .or(() -> picture.map(PagePicture::box))
          .or(() -> field.map(PageParts.Field::box))
          .orElseThrow();
    }
  }

  /**
   * @param told takes what is to be said of a change
   * @param fill fills fields in
   */
  public PinnedLines(PagesView view, Work work, Consumer<String> told, PinnedFields.Fill fill) {
    this.blanks = new PinnedFields(view, work, told, fill);
    this.view = view;
    this.work = work;
    this.told = told;
    this.field = new LineField(view);
    this.pictureField = new PictureField(view);
    this.frame = new PictureFrame(view, to -> framed.ifPresent(on -> move(on, to)));
    pictureField.keys(frame::key);
    view.addEventHandler(MouseEvent.MOUSE_MOVED, this::moved);
    view.addEventHandler(MouseEvent.MOUSE_EXITED, e -> show(Optional.empty()));
    view.addEventHandler(MouseEvent.MOUSE_CLICKED, this::clicked);
  }

  /** What is drawn over a page: the line under the pointer, and the picture that is framed. */
  public List<Node> over(int page, double scale) {
    if (framed.filter(f -> pinned(f.page).filter(p -> p == f.pinned).isEmpty()).isPresent()) {
      framed = Optional.empty(); // the page has changed since
      frame.drop();
    }
    var out = new ArrayList<>(frame.over(page, scale));
    under
        .filter(u -> u.page == page && !(frame.isShown() && u.picture.isPresent()))
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
          now.map(n -> n.line.isPresent() || n.field.isPresent() ? Cursor.TEXT : Cursor.HAND)
              .orElse(Cursor.DEFAULT));
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
    unframe();
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
            .map(l -> On.line(p.page(), pinned.get(), l));
    // A field lies over all that the page shows.
    Optional<On> field =
        all.fields().stream()
            .filter(f -> isOn(f.box(), p.x(), p.y()) && blanks.of(f).isPresent())
            .findFirst()
            .map(f -> On.field(p.page(), pinned.get(), f));
    return field
        .or(() -> line)
        .or(() ->
            all.pictures().stream()
                .filter(x -> isOn(x.box(), p.x(), p.y()))
                .min(Comparator.comparingDouble(x -> area(x.box())))
                .map(x -> On.picture(p.page(), pinned.get(), x)));
  }

  private static double area(Box b) {
    return b.width() * b.height();
  }

  private static boolean isOn(Box b, double x, double y) {
    return x >= b.x() - NEAR && x <= b.right() + NEAR && y >= b.y() && y <= b.bottom();
  }

  private Optional<Pinned> pinned(int page) {
    return work.layout().pinnedAt(page);
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
    on.field.ifPresent(
        f -> blanks.open(on.page, partsOf(on.pinned).getNow(PageParts.NONE), f, closed));
    on.line.ifPresent(l -> field.open(on.page, l, text -> change(on, l, text), closed));
    on.picture.ifPresent(x -> {
      framed = Optional.of(on);
      frame.show(on.page, x.box());
    });
    on.picture.ifPresent(x ->
        pictureField.open(
            on.page,
            x.box(),
            () -> change(on, x, Optional.empty()),
            file -> change(on, x, Optional.of(file)),
            closed));
  }

  private void unframe() {
    framed = Optional.empty();
    frame.hide();
  }

  /** Moves and scales the picture that is framed; it stays framed. */
  private void move(On on, Box to) {
    PagePicture picture = on.picture.orElseThrow();
    pictureField.close();
    boolean put = PagePictures.isPut(work.revision().document(), on.pinned, picture);
    LongChange.start(
        work,
        r -> PagePictures.moved(r, on.pinned, picture, to),
        told,
        () -> {
          told.accept(WORDS.say(put ? "pinned-lines.moved-put" : "pinned-lines.moved"));
          reframe(on, to);
        },
        () -> told.accept(WORDS.say("pinned-lines.stays")));
  }

  /** Frames the picture anew that stands there now: it may be another in the order of the page. */
  private void reframe(On on, Box to) {
    unframe();
    Pinned now = pinned(on.page).orElse(null);
    if (now == null || now == on.pinned) {
      work.layoutProperty()
          .addListener(
              new InvalidationListener() {
                @Override
                public void invalidated(Observable o) {
                  o.removeListener(this);
                  if (pinned(on.page).filter(p -> p != on.pinned).isPresent()) {
                    reframe(on, to);
                  }
                }
              });
      return;
    }
    partsOf(now)
        .thenAccept(all ->
            Platform.runLater(() ->
                all.pictures().stream()
                    .filter(p -> near(p.box(), to))
                    .findFirst()
                    .ifPresent(p -> {
                      framed = Optional.of(On.picture(on.page, now, p));
                      frame.show(on.page, p.box());
                    })));
  }

  private static boolean near(Box a, Box b) {
    return Math.abs(a.x() - b.x()) + Math.abs(a.y() - b.y()) < NEAR
        && Math.abs(a.width() - b.width()) + Math.abs(a.height() - b.height()) < NEAR;
  }

  /** Takes a picture away, or puts that of a file in its place. */
  private void change(On on, PagePicture picture, Optional<Path> by) {
    unframe();
    boolean put = PagePictures.isPut(work.revision().document(), on.pinned, picture);
    LongChange.start(
        work,
        r -> {
          Optional<byte[]> bytes =
              by.isPresent() ? Optional.of(Files.readAllBytes(by.get())) : Optional.empty();
          return Optional.of(PagePictures.change(r, on.pinned, picture, bytes));
        },
        told,
        () ->
            told.accept(
                by.isPresent()
                    ? WORDS.say("pinned-lines.other-picture")
                    : WORDS.say(put ? "pinned-lines.away-put" : "pinned-lines.away")),
        () -> {});
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
