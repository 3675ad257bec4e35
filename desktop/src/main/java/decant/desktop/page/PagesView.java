package decant.desktop.page;

import decant.desktop.shell.PagesInView;
import decant.layout.pages.PageChange;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.geometry.Orientation;
import javafx.geometry.Point2D;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * Pages one below the other, scrolled continuously. Only pages in sight exist as nodes; they are
 * painted in the background and repainted only when they look different.
 */
public final class PagesView extends Region {
  private static final Words WORDS = Words.of(PagesView.class);

  /** A point on a page: the page's number from 0, and points from its top left corner. */
  public record PagePoint(int page, double x, double y) {}

  private static final double GAP = 18;

  /** What stands below the pages: which one is in sight, and the zoom. */
  private static final double FOOT = 28;

  /** Fitting the width enlarges no further. */
  private static final double LARGEST_FIT = 2;

  private static final double BAR = 14;
  private static final double SCREEN = 96.0 / 72.0;

  /** So many pages out of sight stay painted. */
  private static final int PARKED = 12;

  /** Rows of pixels in one strip of a page. */
  private static final int STRIP = 512;

  private static final long MAX_PIXELS = 60_000_000L;

  private final Pane sheet = new Pane();
  private final ScrollBar vertical = new ScrollBar();
  private final ScrollBar horizontal = new ScrollBar();
  private final DoubleProperty zoom = new SimpleDoubleProperty(1);
  private final BooleanProperty fits = new SimpleBooleanProperty(true);
  private final Label zoomShown = new Label();
  private final Label pageShown = new Label();
  private final HBox foot = new HBox(2);
  private Optional<PagesView> leader = Optional.empty();
  private Optional<PagesView> follower = Optional.empty();
  private final Map<Integer, PageNode> nodes = new HashMap<>();
  private final Map<Integer, PageNode> parked = new LinkedHashMap<>();
  private final List<Runnable> afterLayout = new ArrayList<>();
  private PageSource source = PageSource.NONE;
  private double[] tops = {0};
  private double widest = 1;

  /**
   * Draws over a page: selection, caret, marks. Called when the page comes into sight or the
   * overlay changes.
   */
  public interface Overlay {
    List<Node> over(int page, double scale);
  }

  private Overlay overlay = (p, s) -> List.of();

  public PagesView() {
    getStyleClass().add("pages");
    vertical.setOrientation(Orientation.VERTICAL);
    horizontal.setOrientation(Orientation.HORIZONTAL);
    getChildren().addAll(sheet, vertical, horizontal, foot);
    fillFoot();
    var clip = new Rectangle();
    sheet.setClip(clip);
    widthProperty()
        .addListener(o -> {
          fit();
          requestLayout();
        });
    heightProperty().addListener(o -> requestLayout());
    vertical.valueProperty().addListener(o -> place());
    horizontal.valueProperty().addListener(o -> place());
    zoom.addListener((o, was, is) -> zoomed(was.doubleValue(), is.doubleValue()));
    addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    setFocusTraversable(true);
  }

  private void fillFoot() {
    foot.getStyleClass().add("pages-foot");
    foot.setAlignment(Pos.CENTER_LEFT);
    zoomShown.textProperty().bind(zoom.multiply(100).asString(java.util.Locale.ROOT, "%.0f %%"));
    zoomShown.setMinWidth(48);
    zoomShown.setAlignment(Pos.CENTER);
    var gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    var width = new Button(WORDS.say("pages-view.fit-width"));
    width.setFocusTraversable(false);
    width.setOnAction(e -> fitWidth());
    width.disableProperty().bind(fits);
    foot.getChildren()
        .addAll(
            pageShown,
            gap,
            width,
            zoomButton("−", WORDS.say("pages-view.smaller"), 1 / 1.15),
            zoomShown,
            zoomButton("+", WORDS.say("pages-view.larger"), 1.15));
  }

  private Button zoomButton(String sign, String name, double by) {
    var b = new Button(sign);
    b.setAccessibleText(name);
    b.setFocusTraversable(false);
    b.setOnAction(e -> setZoom(zoom.get() * by));
    return b;
  }

  /** Scrolls with the keys that scroll elsewhere; for pages that are only looked at. */
  public void scrollByKeys() {
    addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          double page = viewHeight() * 0.9;
          boolean used = !e.isShortcutDown() && !e.isAltDown();
          if (used) {
            switch (e.getCode()) {
              case UP -> scrollBy(-40);
              case DOWN -> scrollBy(40);
              case PAGE_UP -> scrollBy(-page);
              case PAGE_DOWN, SPACE -> scrollBy(page);
              case HOME -> scrollTo(0);
              case END -> scrollTo(vertical.getMax());
              default -> used = false;
            }
          }
          if (used) {
            e.consume();
          }
        });
  }

  private void scrolled(ScrollEvent e) {
    if (e.isControlDown()) {
      setZoom(zoom.get() * (e.getDeltaY() > 0 ? 1.1 : 1 / 1.1));
    } else {
      scrollBy(-e.getDeltaY());
      horizontal.setValue(clamp(horizontal.getValue() - e.getDeltaX(), horizontal.getMax()));
    }
    e.consume();
  }

  public DoubleProperty zoomProperty() {
    return zoom;
  }

  /** Sets the zoom; 1 shows paper at its size on a screen of 96 dots an inch. */
  public void setZoom(double z) {
    if (leader.isPresent()) {
      leader.get().setZoom(z);
      return;
    }
    fits.set(false);
    zoomTo(z);
  }

  /** Zooms so that the widest page fills the width, and goes on to do so when the width changes. */
  public void fitWidth() {
    if (leader.isPresent()) {
      leader.get().fitWidth();
      return;
    }
    fits.set(true);
    fit();
  }

  /** Whether pages fit the width, whatever it is. */
  public ReadOnlyBooleanProperty fitsProperty() {
    return fits;
  }

  private void fit() {
    if (leader.isPresent()) {
      leader.get().fit();
    } else if (fits.get() && getWidth() > 100 && source.count() > 0) {
      double page = Math.max(widest, follower.map(f -> f.widest).orElse(0.0));
      zoomTo(Math.min(LARGEST_FIT, (getWidth() - 60) / (page * SCREEN)));
    }
  }

  private void zoomTo(double z) {
    zoom.set(Math.clamp(z, 0.25, 4));
    follower.ifPresent(f -> f.zoom.set(zoom.get()));
  }

  /** Takes on the zoom of another view, and gives it its own. */
  void zoomWith(PagesView other) {
    leader = Optional.of(other);
    other.follower = Optional.of(this);
    fits.bind(other.fits);
    zoom.set(other.zoom.get());
  }

  public PageSource source() {
    return source;
  }

  public void setOverlay(Overlay o) {
    overlay = o;
    refreshOverlays();
  }

  /**
   * Shows other pages. Pages that look as they did before are not painted again.
   *
   * @param now the page that must be painted before this returns, such as the one being typed on;
   *     -1 for none
   */
  public void show(PageSource next, int now) {
    PageSource before = source;
    source = next;
    measure();
    parked
        .values()
        .removeIf(n -> n.page >= next.count() || next.change(n.page, before).isPresent());
    for (PageNode n : List.copyOf(nodes.values())) {
      if (n.page >= next.count()) {
        sheet.getChildren().remove(n);
        nodes.remove(n.page);
      } else {
        next.change(n.page, before).ifPresent(c -> n.changed(c, n.page == now));
      }
    }
    requestLayout();
    fit();
    place();
  }

  /** Pixels a point, in the scene's own units. */
  public double scale() {
    return zoom.get() * SCREEN;
  }

  /** How far below the start of all pages a height of a page stands, in the scene's own units. */
  public double heightAbove(int page, double y) {
    return page < 0 || page >= source.count() ? 0 : tops[page] + y * scale();
  }

  private void measure() {
    int n = source.count();
    tops = new double[n + 1];
    widest = 1;
    double y = GAP;
    for (int k = 0; k < n; k++) {
      tops[k] = y;
      y += source.height(k) * scale() + GAP;
      widest = Math.max(widest, source.width(k));
    }
    tops[n] = y;
    ranges(sheet.getWidth(), sheet.getHeight());
  }

  private void zoomed(double was, double is) {
    double middle = vertical.getValue() + viewHeight() / 2;
    measure();
    parked.clear();
    nodes.values().forEach(PageNode::forget);
    requestLayout();
    layout();
    vertical.setValue(clamp(middle * is / was - viewHeight() / 2, vertical.getMax()));
    place();
  }

  private static double clamp(double v, double max) {
    return Math.max(0, Math.min(v, max));
  }

  public void scrollBy(double pixels) {
    scrollTo(vertical.getValue() + pixels);
  }

  /** Scrolls so that a height of all pages is at the top of the view. */
  public void scrollTo(double height) {
    vertical.setValue(clamp(height, vertical.getMax()));
  }

  /** Where the view is scrolled to, as a share of all pages from 0 to 1. */
  public double scrollShare() {
    return vertical.getMax() <= 0 ? 0 : vertical.getValue() / vertical.getMax();
  }

  public void setScrollShare(double share) {
    vertical.setValue(clamp(share * vertical.getMax(), vertical.getMax()));
  }

  public DoubleProperty scrollProperty() {
    return vertical.valueProperty();
  }

  /** Scrolls so that a stretch of a page is in sight, a little below the top if it was not. */
  public void reveal(int page, double top, double bottom) {
    if (page < 0 || page >= source.count()) {
      return;
    }
    if (getHeight() < 10) {
      afterLayout.add(() -> reveal(page, top, bottom));
      return;
    }
    double y1 = tops[page] + top * scale();
    double y2 = tops[page] + bottom * scale();
    double view = vertical.getValue();
    double height = viewHeight();
    if (y1 < view + 8 || y2 > view + height - 8) {
      boolean near = y1 > view - 60 && y2 < view + height + 60;
      double to = near ? (y1 < view + 8 ? y1 - 30 : y2 - height + 40) : y1 - height / 4;
      vertical.setValue(clamp(to, vertical.getMax()));
    }
  }

  @Override
  protected void layoutChildren() {
    double bar = BAR;
    double w = getWidth() - bar;
    double h = getHeight() - FOOT;
    boolean wide = widest * scale() + 40 > w;
    horizontal.setVisible(wide);
    double viewHeight = wide ? h - bar : h;
    sheet.resizeRelocate(0, 0, w, viewHeight);
    ((Rectangle) sheet.getClip()).setWidth(w);
    ((Rectangle) sheet.getClip()).setHeight(viewHeight);
    vertical.resizeRelocate(w, 0, bar, h);
    foot.resizeRelocate(0, h, getWidth(), FOOT);
    horizontal.resizeRelocate(0, h - bar, w, bar);
    ranges(w, viewHeight);
    place();
    List<Runnable> waiting = List.copyOf(afterLayout);
    afterLayout.clear();
    waiting.forEach(Runnable::run);
  }

  /** The height of what is seen of the pages. */
  public double viewHeight() {
    return Math.max(1, getHeight() - FOOT - (horizontal.isVisible() ? BAR : 0));
  }

  private void ranges(double viewWidth, double viewHeight) {
    range(vertical, tops[tops.length - 1], viewHeight);
    range(horizontal, widest * scale() + 40, viewWidth);
  }

  private static void range(ScrollBar bar, double all, double view) {
    double max = Math.max(0, all - view);
    bar.setMax(max);
    bar.setVisibleAmount(all <= 0 ? 1 : max * view / all);
    bar.setUnitIncrement(40);
    bar.setBlockIncrement(view * 0.9);
    if (bar.getValue() > max) {
      bar.setValue(max);
    }
  }

  /**
   * Puts the pages in sight where they belong, makes those that are missing, drops those that are
   * far off.
   */
  private void place() {
    double view = vertical.getValue();
    double h = viewHeight();
    double w = sheet.getWidth();
    int n = source.count();
    int first = pageAt(view - h);
    int last = pageAt(view + h * 2);
    nodes
        .entrySet()
        .removeIf(e -> {
          boolean far = e.getKey() < first || e.getKey() > last;
          if (far) {
            sheet.getChildren().remove(e.getValue());
            park(e.getValue());
          }
          return far;
        });
    for (int k = first; k <= last && k < n; k++) {
      PageNode node = nodes.get(k);
      if (node == null) {
        PageNode known = parked.remove(k);
        node = known == null ? new PageNode(k) : known;
        node.drawOverlay();
        nodes.put(k, node);
        sheet.getChildren().add(node);
      }
      double pw = source.width(k) * scale();
      double ph = source.height(k) * scale();
      double x = Math.max(20, (w - pw) / 2) - (horizontal.isVisible() ? horizontal.getValue() : 0);
      node.at(Math.round(x), Math.round(tops[k] - view), pw, ph);
    }
    sayPage();
  }

  /** Says which page is in sight: the one that a third of the view's height falls on. */
  private void sayPage() {
    int n = source.count();
    pageShown.setText(
        n == 0
            ? ""
            : WORDS.say("pages-view.page", pageAt(vertical.getValue() + viewHeight() / 3) + 1, n));
  }

  /** Keeps what was painted of a page that is out of sight, for when it comes back. */
  private void park(PageNode n) {
    parked.put(n.page, n);
    while (parked.size() > PARKED) {
      parked.remove(parked.keySet().iterator().next());
    }
  }

  private int pageAt(double y) {
    int low = 0;
    int high = Math.max(0, source.count() - 1);
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      if (tops[mid] <= y) {
        low = mid;
      } else {
        high = mid - 1;
      }
    }
    return low;
  }

  /**
   * The point of a page under a point of this view. Beside and between pages, that of the nearest
   * page.
   */
  public Optional<PagePoint> pagePoint(double x, double y) {
    int n = source.count();
    if (n == 0) {
      return Optional.empty();
    }
    int page = pageAt(vertical.getValue() + y);
    PageNode node = nodes.get(page);
    if (node == null) {
      return Optional.empty();
    }
    return Optional.of(
        new PagePoint(page, (x - node.getLayoutX()) / scale(), (y - node.getLayoutY()) / scale()));
  }

  /** Where a point of a page stands in this view, if the page is in sight. */
  public Optional<Point2D> viewPoint(int page, double x, double y) {
    return Optional.ofNullable(nodes.get(page))
        .map(n -> new Point2D(n.getLayoutX() + x * scale(), n.getLayoutY() + y * scale()));
  }

  /** The pages of which something is in sight. */
  public PagesInView inView() {
    int first = pageAt(vertical.getValue());
    int last = pageAt(vertical.getValue() + viewHeight());
    return new PagesInView(first, last - first + 1);
  }

  /** Draws what is over the pages again. */
  public void refreshOverlays() {
    nodes.values().forEach(PageNode::drawOverlay);
  }

  /** One page in sight, painted in strips. */
  private final class PageNode extends Pane {
    private final int page;
    private final Region paper = new Region();
    private final Pane over = new Pane();
    private final List<PageStrip> strips = new ArrayList<>();
    private double pixels;
    private long size;

    PageNode(int page) {
      this.page = page;
      paper.getStyleClass().add("paper");
      paper.setManaged(false); // as large as the page, not as what it holds
      over.setMouseTransparent(true);
      getChildren().addAll(paper, over);
    }

    void at(double x, double y, double w, double h) {
      relocate(x, y);
      resize(w, h);
      paper.resizeRelocate(0, 0, w, h);
      over.resizeRelocate(0, 0, w, h);
      if (strips.isEmpty() || size != size()) {
        cut();
      }
      for (PageStrip s : strips) {
        if (isWithin(s, y, viewHeight())) {
          s.paintLater(source, isWithin(s, y, 0));
        }
      }
    }

    /** Whether a strip of the page at a height is in sight, or so near to it. */
    private boolean isWithin(PageStrip s, double y, double near) {
      return y + s.bottom() * scale() / pixels > -near
          && y + s.top() * scale() / pixels < viewHeight() + near;
    }

    /** The page's width and height in pixels. */
    private long size() {
      return Math.round(source.width(page) * pixelScale()) << 32
          | Math.round(source.height(page) * pixelScale());
    }

    /** Forgets what was painted: the size is another. */
    void forget() {
      strips.forEach(PageStrip::forget);
      strips.clear();
      getChildren().setAll(paper, over);
    }

    private void cut() {
      forget();
      pixels = pixelScale();
      size = size();
      int width = (int) (size >> 32);
      int height = (int) size;
      if ((long) width * height > MAX_PIXELS || width < 1 || height < 1) {
        return;
      }
      int each = source.paintsInStrips() ? STRIP : height;
      for (int top = 0; top < height; top += each) {
        var s = new PageStrip(page, pixels, scale(), top, width, Math.min(each, height - top));
        strips.add(s);
        getChildren().add(getChildren().size() - 1, s.view());
      }
    }

    /** Something on the page looks different. */
    void changed(PageChange c, boolean now) {
      for (PageStrip s : strips) {
        if (c.top() * pixels < s.bottom() && c.bottom() * pixels > s.top()) {
          if (now) {
            s.repaint(source, c);
          } else {
            s.isOutdated();
          }
        }
      }
      drawOverlay();
    }

    void drawOverlay() {
      over.getChildren().setAll(page < source.count() ? overlay.over(page, scale()) : List.of());
    }

    private double pixelScale() {
      Scene in = getScene();
      return scale()
          * (in == null || in.getWindow() == null ? 1 : in.getWindow().getOutputScaleX());
    }

    /** Whether what is in sight of it is painted. */
    boolean isPainted() {
      return strips.stream().allMatch(s -> s.isPainted() || !isWithin(s, getLayoutY(), 0));
    }
  }

  /** Whether every page in sight is painted as it should be; for tests and benchmarks. */
  public boolean settled() {
    return !nodes.isEmpty() && nodes.values().stream().allMatch(PageNode::isPainted);
  }
}
