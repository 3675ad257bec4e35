package decant.desktop.mark;

import decant.desktop.page.PagesView;
import decant.desktop.page.PointerTurn;
import decant.desktop.page.SmallPicture;
import decant.desktop.shell.Desk;
import decant.desktop.shell.LongChange;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.mark.Mark;
import decant.model.Box;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Position;
import decant.model.edit.object.ObjectEdits;
import decant.pin.PagePictures;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.Node;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Rectangle;

/** A mark that goes with the pointer over the pages until it is put down. */
public final class MarkPlacing implements PointerTurn.Use {
  private static final Words WORDS = Words.of(MarkPlacing.class);
  private static final int PIXELS = 600;

  /** Steps from the head of a page to its foot, to find text that ends on it. */
  private static final int STEPS = 24;

  private final PagesView view;
  private final Work work;
  private final Desk desk;
  private final PointerTurn turn;
  private Optional<Held> held = Optional.empty();
  private Optional<PagesView.PagePoint> at = Optional.empty();

  /**
   * @param on the pages that it goes to, from 0; empty: the one that it is put down on
   */
  private record Held(Mark mark, Optional<List<Integer>> on, Optional<Image> image) {}

  /**
   * @param desk told what is to be said of it
   */
  public MarkPlacing(PagesView view, Work work, Desk desk) {
    this.view = view;
    this.work = work;
    this.desk = desk;
    this.turn = new PointerTurn(view, this);
  }

  /** Whether a mark waits to be put down. */
  public ReadOnlyBooleanProperty activeProperty() {
    return turn.activeProperty();
  }

  void begin(Mark mark, Optional<List<Integer>> on) {
    held = Optional.of(new Held(mark, on, mark.painted(PIXELS).map(SmallPicture::image)));
    at = Optional.empty();
    turn.begin();
    desk.dismiss(); // so that Esc is for the mark
  }

  @Override
  public void ended() {
    held = Optional.empty();
    at = Optional.empty();
  }

  @Override
  public void enter() {
    view.pagePoint(view.getWidth() / 2, view.viewHeight() / 2).ifPresent(this::put);
  }

  @Override
  public void pointer(MouseEvent e, Optional<PagesView.PagePoint> now) {
    at = now.filter(this::isOnPage);
    if (e.getEventType() == MouseEvent.MOUSE_CLICKED && e.getButton() == MouseButton.PRIMARY) {
      at.ifPresent(this::put);
    } else {
      view.refreshOverlays();
    }
  }

  private boolean isOnPage(PagesView.PagePoint p) {
    if (p.page() >= work.layout().pages().size()) {
      return false;
    }
    Page page = work.layout().pages().get(p.page());
    return p.x() >= 0 && p.y() >= 0 && p.x() <= page.width() && p.y() <= page.height();
  }

  /** What is drawn over a page: the mark where it would stand. */
  public List<Node> over(int page, double scale) {
    var out = new ArrayList<Node>();
    if (held.isPresent() && at.filter(p -> p.page() == page).isPresent()) {
      Box b = box(held.get().mark(), at.get(), work.layout().pages().get(page));
      held.get()
          .image()
          .ifPresent(i -> {
            var shown = new ImageView(i);
            shown.setFitWidth(b.width() * scale);
            shown.setFitHeight(b.height() * scale);
            shown.relocate(b.x() * scale, b.y() * scale);
            out.add(shown);
          });
      var frame =
          new Rectangle(b.x() * scale, b.y() * scale, b.width() * scale, b.height() * scale);
      frame.getStyleClass().add("picked-place");
      out.add(frame);
    }
    return out;
  }

  /** Around the pointer, and on the page. */
  private static Box box(Mark m, PagesView.PagePoint p, Page page) {
    double width = Math.min(m.width(), page.width());
    double height = width * m.height() / m.width();
    return new Box(
        Math.clamp(p.x() - width / 2, 0, Math.max(0, page.width() - width)),
        Math.clamp(p.y() - height / 2, 0, Math.max(0, page.height() - height)),
        width,
        height);
  }

  private void put(PagesView.PagePoint p) {
    Held h = held.orElseThrow();
    turn.end();
    Layout layout = work.layout();
    Box box = box(h.mark(), p, layout.pages().get(p.page()));
    List<Integer> on = h.on().orElse(List.of(p.page()));
    var places = new ArrayList<PagePictures.Place>();
    var without = new ArrayList<Integer>();
    for (int k : on) {
      Page page = layout.pages().get(k);
      Optional<Pinned> pinned = layout.pinned(page);
      Optional<PagePictures.Place> place =
          pinned.isPresent()
              ? Optional.of(new PagePictures.Place.OnPinned(pinned.get(), box))
              : anchor(layout, page, box).map(a -> new PagePictures.Place.InFlow(a, box));
      place.ifPresentOrElse(places::add, () -> without.add(k + 1));
    }
    put(h.mark(), places, without, on.size() == 1);
  }

  private void put(Mark m, List<PagePictures.Place> places, List<Integer> without, boolean single) {
    if (places.isEmpty()) {
      desk.tell(WORDS.say("mark-placing.no-text"));
      return;
    }
    String alt = WORDS.say("mark-placing.alt", MarkWords.kind(m.kind()), m.name());
    var under = new AtomicBoolean();
    LongChange.start(
        work,
        r -> {
          for (PagePictures.Place p : places) {
            if (p instanceof PagePictures.Place.OnPinned o && PagePictures.isUnderField(o)) {
              under.set(true);
            }
          }
          return Optional.of(PagePictures.put(r, m.picture(), alt, places));
        },
        desk::tell,
        () -> placed(places, without, single, under.get()),
        () -> {});
  }

  private void placed(
      List<PagePictures.Place> places, List<Integer> without, boolean single, boolean under) {
    if (single && places.getFirst() instanceof PagePictures.Place.InFlow f) {
      work.select(ObjectEdits.selection(f.anchor())); // its handles are at hand
    }
    desk.tell(
        under
            ? WORDS.say("mark-placing.under-field")
            : without.isEmpty()
                ? WORDS.count("mark-placing.done", places.size())
                : WORDS.say("mark-placing.not-everywhere", numbers(without)));
  }

  private static String numbers(List<Integer> pages) {
    return String.join(", ", pages.stream().map(String::valueOf).toList());
  }

  /**
   * Where in the text a mark is anchored that stands on a page: where a paragraph ends on it, near
   * the mark if there is one; else anywhere on it.
   */
  private static Optional<Position> anchor(Layout layout, Page page, Box box) {
    Optional<Position> any = Optional.empty();
    for (int k = -1; k <= STEPS; k++) {
      double y = k < 0 ? box.y() : page.height() * k / STEPS;
      Optional<Position> here =
          layout
              .positionAt(page, box.x(), y)
              .filter(p -> layout.document().paragraph(p.paragraph()).isPresent());
      any = any.or(() -> here);
      Optional<Position> end = here.map(p -> end(layout, p)).filter(p -> isOn(layout, p, page));
      if (end.isPresent()) {
        return end;
      }
    }
    return any;
  }

  private static Position end(Layout layout, Position p) {
    Paragraph of = layout.document().requireParagraph(p.paragraph());
    return new Position(of.id(), of.length());
  }

  private static boolean isOn(Layout layout, Position p, Page page) {
    return layout
        .caret(p)
        .map(CaretPlace::page)
        .filter(c -> c.number() == page.number())
        .isPresent();
  }
}
