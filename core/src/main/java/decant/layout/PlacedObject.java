package decant.layout;

import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.NodeId;
import decant.model.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A picture or shape where it stands on its page.
 *
 * @param at its place in its paragraph
 * @param box from the top left of the page, as it is before it is turned
 * @param rotation clockwise around its middle, in degrees
 * @param layer how it stands to the text
 * @param hasText whether there is text in it
 */
public record PlacedObject(Position at, Box box, double rotation, Layer layer, boolean hasText) {
  /** How something stands to the text. */
  public enum Layer {
    BEHIND,
    ON_LINE,
    BESIDE
  }

  /** How near to its edge a shape with text in it is taken hold of, in points. */
  private static final double EDGE = 4;

  /** The objects of a page, in the order in which they are painted. */
  public static List<PlacedObject> on(Layout layout, Page page) {
    var out = new ArrayList<PlacedObject>();
    var collect =
        new Places.Visitor() {
          @Override
          public void line(Places.PlacedLine l) {
            NodeId paragraph = l.paragraph().source().id();
            for (Item i : l.line().items()) {
              add(i, paragraph, l.x() + i.x(), l.baseline(), Layer.ON_LINE, out);
            }
          }

          @Override
          public void floated(Fragment.Floated p, double x, double y) {
            Layer layer = p.behind() ? Layer.BEHIND : Layer.BESIDE;
            add(p.object(), p.source().id(), x, y + p.height(), layer, out);
          }
        };
    Places.walk(layout.running(page), 0, 0, collect);
    Places.walk(page.texts(), 0, 0, collect);
    out.sort(java.util.Comparator.comparing(PlacedObject::layer));
    return out;
  }

  /**
   * The object at a place of a page: the topmost. What lies behind text is not found through the
   * text, and a ground that fills the page not at all; a shape with text is found at its edge.
   */
  public static Optional<PlacedObject> at(Layout layout, Page page, double x, double y) {
    boolean onText =
        Stream.concat(Places.lines(page).stream(), Places.lines(layout.running(page)).stream())
            .anyMatch(l -> y >= l.top() && y <= l.bottom() && x >= l.left() && x <= inkEnd(l));
    double sheet = page.width() * page.height();
    return on(layout, page).reversed().stream()
        .filter(o -> o.layer != Layer.BEHIND || !onText && o.area() < sheet / 2)
        .filter(o -> o.isAt(x, y))
        .findFirst();
  }

  /** The object of a place of the document, on the page that it stands on. */
  public static Optional<PlacedObject> of(Layout layout, Page page, Position at) {
    return on(layout, page).stream().filter(o -> o.at.equals(at)).findFirst();
  }

  /**
   * Where the object at a place of the document stands.
   *
   * @param near the page, from 0, that it is looked for on where its text stands on many
   */
  public static Optional<OnPage> find(Layout layout, Position at, int near) {
    return layout.pagesOf(at.paragraph(), near).stream()
        .flatMap(p -> of(layout, p, at).stream().map(o -> new OnPage(p, o)))
        .findFirst();
  }

  /** An object, and the page that it stands on. */
  public record OnPage(Page page, PlacedObject object) {
    /** The upper edge of the paragraph that it is anchored to, from that of the page, in points. */
    public double paragraphTop(Layout layout) {
      return layout.place(object.at.paragraph()).map(p -> p.top()).orElse(object.box.y());
    }
  }

  private static double inkEnd(Places.PlacedLine l) {
    return l.x() + l.line().items().stream().mapToDouble(i -> i.x() + i.width()).max().orElse(0);
  }

  private double area() {
    return box.width() * box.height();
  }

  private boolean isAt(double x, double y) {
    double turn = Math.toRadians(-rotation);
    double dx = x - box.x() - box.width() / 2;
    double dy = y - box.y() - box.height() / 2;
    double across = Math.abs(dx * Math.cos(turn) - dy * Math.sin(turn));
    double down = Math.abs(dx * Math.sin(turn) + dy * Math.cos(turn));
    double w = Math.max(box.width() / 2, EDGE);
    double h = Math.max(box.height() / 2, EDGE);
    boolean inside = across <= w && down <= h;
    return inside && (!hasText || across >= w - EDGE || down >= h - EDGE);
  }

  private static void add(
      Item i, NodeId paragraph, double x, double bottom, Layer layer, List<PlacedObject> out) {
    switch (i) {
      case Item.PictureBox p -> {
        var box = new Box(x, bottom - p.height(), p.width(), p.height());
        out.add(new PlacedObject(new Position(paragraph, p.at()), box, p.rotation(), layer, false));
      }
      case Item.ShapeBox s -> {
        var box = new Box(x, bottom - s.height(), s.width(), s.height());
        boolean text = !s.shape().content().isEmpty();
        double turned = s.shape().shape().rotation();
        out.add(new PlacedObject(new Position(paragraph, s.at()), box, turned, layer, text));
      }
      case Item.GlyphRun r -> {}
      case Item.Fill f -> {}
    }
  }
}
