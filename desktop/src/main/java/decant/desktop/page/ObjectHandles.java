package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.layout.PlacedObject;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Inline;
import decant.model.Position;
import decant.model.edit.Revision;
import decant.model.edit.Selected;
import decant.model.edit.object.ObjectEdits;
import decant.model.edit.object.ObjectEdits.Wrapping;
import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.words.Figures;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/** The frame of the picture or shape that is selected, and what is done with it by the pointer. */
public final class ObjectHandles {
  private static final Words WORDS = Words.of(ObjectHandles.class);
  private static final double SIZE = 8;

  /** The height of the label that says how large it is. */
  private static final double LABEL = 18;

  /** Larger objects have room for the label within them. */
  private static final double ROOM = 60;

  /** How near the pointer must come to a handle, in pixels. */
  private static final double NEAR = 7;

  /** How far from its frame the handle stands that turns an object, in pixels. */
  private static final double TURN_AWAY = 22;

  /** An angle this near to a multiple of {@link #SQUARE} is meant to be it, in degrees. */
  private static final double STICKS = 3;

  private static final double SQUARE = 45;

  /** A movement smaller than this is a click, in points. */
  private static final double CLICK = 2;

  private static final double MM = 72 / 25.4;

  private final PagesView view;
  private final Work work;
  private final CaretOnPages caret;

  /** The picture that the handles cut. */
  private Optional<Position> cropping = Optional.empty();

  private Optional<Held> held = Optional.empty();
  private double dx;
  private double dy;

  /** Where an object is taken hold of. */
  private sealed interface Hold {
    /** As a whole, to move it. */
    record Whole() implements Hold {}

    /** At its frame, to size or cut it. */
    record Frame(Grip grip) implements Hold {}

    /** At the handle that turns it around its middle. */
    record Turning() implements Hold {}
  }

  /** An object that is taken hold of. */
  private record Held(PlacedObject object, int page, Hold hold, Point2D from) {}

  ObjectHandles(PagesView view, Work work, CaretOnPages caret) {
    this.view = view;
    this.work = work;
    this.caret = caret;
  }

  /** Whether the handles cut the picture that is selected rather than make it smaller. */
  public boolean isCropping() {
    return cropping.isPresent()
        && ObjectEdits.selected(work.revision()).map(Selected.OneObject::at).equals(cropping);
  }

  /** Lets the handles cut the picture that is selected, until something else is. */
  public void crop(boolean cuts) {
    cropping =
        ObjectEdits.selected(work.revision())
            .filter(o -> cuts && o.object() instanceof Inline.Picture)
            .map(Selected.OneObject::at);
    view.refreshOverlays();
  }

  /** The object that is selected, if it stands on this page; one in a header on one page only. */
  private Optional<PlacedObject> selected(Page page) {
    return place().filter(o -> o.page().number() == page.number()).map(PlacedObject.OnPage::object);
  }

  /** Where the object that is selected stands. */
  public Optional<PlacedObject.OnPage> place() {
    return ObjectEdits.selected(work.revision())
        .flatMap(o -> PlacedObject.find(work.layout(), o.at(), caret.page()));
  }

  /** Whether one object is all that is selected. */
  boolean isSelected() {
    return ObjectEdits.selected(work.revision()).isPresent();
  }

  List<Node> over(Page page, double scale) {
    return selected(page).map(o -> frame(o, scale)).orElse(List.of());
  }

  private List<Node> frame(PlacedObject o, double scale) {
    Box b = held.isPresent() ? reshaped(held.get()) : o.box();
    double angle = held.map(this::turned).orElse(o.rotation());
    var frame = new Rectangle(b.x() * scale, b.y() * scale, b.width() * scale, b.height() * scale);
    frame.getStyleClass().addAll("object-frame", isCropping() ? "cropping" : "sizing");
    var turned = new Group(frame);
    for (Grip g : grips()) {
      Point2D at = g.on(b).multiply(scale);
      var handle = new Rectangle(at.getX() - SIZE / 2, at.getY() - SIZE / 2, SIZE, SIZE);
      handle.getStyleClass().add("object-handle");
      turned.getChildren().add(handle);
    }
    if (!isCropping()) {
      Point2D at = turningPlace(b, scale).multiply(scale);
      var stem =
          new Line(
              at.getX(),
              at.getY(),
              at.getX(),
              (at.getY() < b.y() * scale ? b.y() : b.bottom()) * scale);
      var handle = new Circle(at.getX(), at.getY(), SIZE / 2 + 1);
      stem.getStyleClass().add("object-frame");
      handle.getStyleClass().addAll("object-handle", "turning");
      turned.getChildren().addAll(stem, handle);
    }
    turned
        .getTransforms()
        .add(
            new javafx.scene.transform.Rotate(
                angle, (b.x() + b.width() / 2) * scale, (b.y() + b.height() / 2) * scale));
    boolean isTurned = held.filter(h -> h.hold() instanceof Hold.Turning).isPresent();
    var size =
        new Label(
            isTurned
                ? WORDS.say("object-handles.angle", Figures.decimal(angle, 0))
                : WORDS.say(
                    "object-handles.size",
                    Figures.decimal(b.width() / MM, 1),
                    Figures.decimal(b.height() / MM, 1)));
    size.getStyleClass().add("object-size");
    boolean roomInside = b.height() * scale > ROOM && b.width() * scale > 2 * ROOM;
    size.relocate(
        b.x() * scale + (roomInside ? SIZE : 0),
        b.bottom() * scale + (roomInside ? -SIZE - LABEL : SIZE));
    var out = new ArrayList<Node>();
    out.add(turned);
    out.add(size);
    return out;
  }

  /** Cutting is done at the sides. */
  private List<Grip> grips() {
    return java.util.Arrays.stream(Grip.values())
        .filter(g -> !isCropping() || !g.isCorner())
        .toList();
  }

  /** Where the handle stands that turns an object: above it, or below it at the edge of a page. */
  private static Point2D turningPlace(Box b, double scale) {
    double away = TURN_AWAY / scale;
    return new Point2D(b.x() + b.width() / 2, b.y() > away ? b.y() - away : b.bottom() + away);
  }

  /** How far an object is turned as long as it is held, in whole degrees. */
  private double turned(Held h) {
    double was = h.object().rotation();
    if (!(h.hold() instanceof Hold.Turning)) {
      return was;
    }
    Box b = h.object().box();
    var middle = new Point2D(b.x() + b.width() / 2, b.y() + b.height() / 2);
    double to =
        was + angle(h.from().add(dx, dy).subtract(middle)) - angle(h.from().subtract(middle));
    double square = Math.round(to / SQUARE) * SQUARE;
    double meant = Math.abs(to - square) <= STICKS ? square : Math.round(to);
    return (meant % 360 + 360) % 360;
  }

  private static double angle(Point2D from) {
    return Math.toDegrees(Math.atan2(from.getY(), from.getX()));
  }

  /** Where an object stands as long as it is held. */
  private Box reshaped(Held h) {
    Box b = h.object().box();
    return switch (h.hold()) {
      case Hold.Turning t -> b;
      case Hold.Whole w ->
          h.object().layer() == PlacedObject.Layer.ON_LINE
              ? b
              : new Box(b.x() + dx, b.y() + dy, b.width(), b.height());
      case Hold.Frame f -> pulled(h, f.grip());
    };
  }

  private Box pulled(Held h, Grip g) {
    Box b = h.object().box();
    Point2D own = ownAxes(h.object());
    double[] size = g.pulled(b.width(), b.height(), own.getX(), own.getY());
    double w = Math.max(1, size[0]);
    double hh = Math.max(1, size[1]);
    double x = g.across < 0 ? b.right() - w : b.x();
    double y = g.down < 0 ? b.bottom() - hh : b.y();
    return new Box(x, y, w, hh);
  }

  /** How far the pointer went, along the axes of an object that is turned. */
  private Point2D ownAxes(PlacedObject o) {
    double a = Math.toRadians(-o.rotation());
    return new Point2D(dx * Math.cos(a) - dy * Math.sin(a), dx * Math.sin(a) + dy * Math.cos(a));
  }

  /**
   * Takes hold of what is under the pointer.
   *
   * @param at on the page, in points
   * @return whether there was something
   */
  boolean pressed(Page page, int number, Point2D at) {
    if (work.revision().document().isPinned(work.revision().selection().caret().paragraph())
        && isSelected()) {
      return false;
    }
    dx = 0;
    dy = 0;
    Optional<PlacedObject> now = selected(page);
    Optional<Hold> handle = now.flatMap(o -> handle(o, at));
    if (handle.isPresent()) {
      held = now.map(o -> new Held(o, number, handle.get(), at));
      return true;
    }
    Optional<PlacedObject> under =
        PlacedObject.at(work.layout(), page, at.getX(), at.getY())
            .filter(o -> isInDocument(o.at()));
    held = under.map(o -> new Held(o, number, new Hold.Whole(), at));
    under.ifPresent(o -> {
      caret.putOn(number);
      if (now.filter(o::equals).isEmpty()) {
        work.select(ObjectEdits.selection(o.at()));
      }
      view.refreshOverlays();
    });
    return under.isPresent();
  }

  private boolean isInDocument(Position at) {
    return work.revision()
        .document()
        .paragraph(at.paragraph())
        .filter(p -> at.offset() < p.length())
        .isPresent();
  }

  private Optional<Hold> handle(PlacedObject o, Point2D at) {
    double near = NEAR / view.scale();
    Box b = o.box();
    var turn =
        new javafx.scene.transform.Rotate(
            -o.rotation(), b.x() + b.width() / 2, b.y() + b.height() / 2);
    Point2D own = turn.transform(at);
    return !isCropping() && turningPlace(b, view.scale()).distance(own) <= near
        ? Optional.of(new Hold.Turning())
        : grips().stream()
            .filter(g -> g.on(b).distance(own) <= near)
            .<Hold>map(Hold.Frame::new)
            .findFirst();
  }

  /** Whether an object is held that stands beside the flow, or by one of its handles. */
  boolean holdsShape() {
    return held.filter(h ->
            !(h.hold() instanceof Hold.Whole) || h.object().layer() != PlacedObject.Layer.ON_LINE)
        .isPresent();
  }

  void dragged(int number, Point2D at) {
    held.filter(h -> h.page() == number)
        .ifPresent(h -> {
          dx = at.getX() - h.from().getX();
          dy = at.getY() - h.from().getY();
          view.refreshOverlays();
        });
  }

  /** Lets go: the object is as it was shown last. */
  void released() {
    Optional<Held> was = held;
    held = Optional.empty();
    was.filter(h -> Math.hypot(dx, dy) > CLICK).ifPresent(this::apply);
    dx = 0;
    dy = 0;
    view.refreshOverlays();
  }

  private void apply(Held h) {
    if (h.hold() instanceof Hold.Turning) {
      double to = turned(h);
      work.apply(r -> ObjectEdits.turn(r, to));
      return;
    }
    if (h.hold() instanceof Hold.Frame f && isCropping()) {
      Point2D own = ownAxes(h.object());
      work.apply(r -> cropped(r, f.grip(), own));
      return;
    }
    Box was = h.object().box();
    Box is = reshaped(h);
    if (!is.equals(was)) {
      work.apply(r ->
          ObjectEdits.reshape(
              r, is.width(), is.height(), is.x() - was.x(), is.y() - was.y(), was.x(), was.y()));
    }
  }

  private static Revision cropped(Revision r, Grip g, Point2D by) {
    Optional<Inline.Picture> picture = ObjectEdits.picture(r);
    if (picture.isEmpty()) {
      return r;
    }
    Inline.Picture p = picture.get();
    Insets c = p.crop();
    double x = by.getX() * (1 - c.left() - c.right()) / p.width();
    double y = by.getY() * (1 - c.top() - c.bottom()) / p.height();
    return ObjectEdits.crop(
        r,
        new Insets(
            c.top() + (g.down < 0 ? y : 0),
            c.right() - (g.across > 0 ? x : 0),
            c.bottom() - (g.down > 0 ? y : 0),
            c.left() + (g.across < 0 ? x : 0)));
  }

  /** Lets text go around the object that is selected otherwise; it stays where it is seen. */
  public void wrap(Wrapping to) {
    place()
        .ifPresent(
            p -> work.apply(r -> ObjectEdits.wrap(r, to, p.object().box().x(), fromParagraph(p))));
  }

  /** Anchors the object that is selected to its page or its paragraph; it stays where it is. */
  public void anchor(boolean toPage) {
    place()
        .ifPresent(p -> {
          Box b = p.object().box();
          work.apply(r -> ObjectEdits.anchorToPage(r, toPage, b.x(), b.y(), fromParagraph(p)));
        });
  }

  private double fromParagraph(PlacedObject.OnPage p) {
    return p.object().box().y() - p.paragraphTop(work.layout());
  }

  /** Moves what stands beside the flow a little; whether there is such a thing. */
  boolean nudge(double across, double down) {
    Optional<Selected.OneObject> o = ObjectEdits.selected(work.revision());
    if (o.isEmpty() || !(o.get().object().placement() instanceof Placement.Floating)) {
      return false;
    }
    place()
        .map(p -> p.object().box())
        .ifPresent(b -> work.apply(r -> ObjectEdits.move(r, across * MM, down * MM, b.x(), b.y())));
    return true;
  }
}
