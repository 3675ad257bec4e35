package decant.desktop.pinned;

import decant.desktop.page.PublishedPages;
import decant.desktop.shell.Desk;
import decant.desktop.shell.InSight;
import decant.desktop.shell.QuietButton;
import decant.desktop.shell.Work;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import javafx.geometry.Insets;
import javafx.geometry.Point2D;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;

/**
 * All pages, small and in rows: seen at a glance, chosen, dragged to another place. Only those in
 * sight are painted.
 */
public final class AllPages extends BorderPane {
  private static final Words WORDS = Words.of(AllPages.class);
  private static final double GAP = 14;

  /** Pages this far out of sight stay painted, in units of the screen. */
  private static final double NEAR = 600;

  /** This near to an edge, dragging scrolls. */
  private static final double EDGE = 28;

  private final Work work;
  private final PageActs acts;
  private final IntConsumer open;
  private final IntConsumer goes;
  private final TilePane grid = new TilePane(GAP, GAP);
  private final ScrollPane scroll = new ScrollPane(grid);
  private final Region mark = new Region();
  private final Label says = new Label();
  private final List<Button> buttons;
  private final List<SmallPage> pages = new ArrayList<>();
  private final TreeSet<Integer> chosen = new TreeSet<>();

  /** The page that keys go on from, and that a range begins with. */
  private int at;

  private int from;

  /** The page that what is dragged would stand before; -1 where nothing is dragged. */
  private int before = -1;

  /**
   * @param open called with the page to be shown large; -1 for the one that was shown
   * @param goes called with the page that is chosen, which the side is about then
   */
  public AllPages(Desk desk, Work work, InSight inSight, IntConsumer open, IntConsumer goes) {
    this.goes = goes;
    this.work = work;
    this.acts = new PageActs(desk, work);
    this.open = open;
    setId("all-pages");
    getStyleClass().add("all-pages");
    grid.setPrefTileWidth(SmallPage.WIDTH);
    grid.setPrefTileHeight(SmallPage.HEIGHT);
    grid.setPadding(new Insets(GAP));
    mark.getStyleClass().add("drop-mark");
    mark.setManaged(false);
    mark.setVisible(false);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.getStyleClass().add("side-part");
    scroll.setFocusTraversable(false);
    scroll.vvalueProperty().addListener(o -> paint());
    scroll.viewportBoundsProperty().addListener(o -> paint());
    setCenter(scroll);
    buttons =
        List.of(
            act("all-earlier", "all-pages.earlier", () -> step(-1)),
            act("all-later", "all-pages.later", () -> step(1)),
            act("all-turn-left", "all-pages.turn-left", () -> acts.turn(chosen, 3)),
            act("all-turn-right", "all-pages.turn-right", () -> acts.turn(chosen, 1)),
            act("all-away", "all-pages.away", () -> acts.away(chosen)));
    var row = new FlowPane(6, 6);
    row.setAlignment(Pos.CENTER_LEFT);
    row.getChildren().add(act("all-back", "all-pages.back", () -> open.accept(-1)));
    row.getChildren().addAll(buttons);
    says.setWrapText(true);
    says.setId("all-pages-says");
    says.getStyleClass().add("quiet");
    var head = new VBox(6, row, says);
    head.getStyleClass().add("pair-title");
    setTop(head);
    setFocusTraversable(true);
    setAccessibleText(WORDS.say("all-pages.title"));
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    inSight.on(work.layoutProperty(), this::refresh);
  }

  private static Button act(String id, String key, Runnable run) {
    Button b = QuietButton.of(id, WORDS.say(key), run);
    b.setFocusTraversable(false);
    return b;
  }

  /**
   * Shows the pages as they are now.
   *
   * @param page that is chosen, from 0
   */
  public void show(int page) {
    choose(List.of(page));
    refresh();
    requestFocus();
  }

  private void choose(Collection<Integer> some) {
    chosen.clear();
    chosen.addAll(some);
    at = chosen.isEmpty() ? 0 : chosen.first();
    from = at;
  }

  private int count() {
    return work.layout().pages().size();
  }

  private PublishedPages source() {
    return new PublishedPages(work.layout(), work.painter());
  }

  private void refresh() {
    if (getParent() == null) {
      return;
    }
    PublishedPages source = source();
    pages.forEach(SmallPage::goesOutOfSight);
    pages.clear();
    for (int k = 0; k < count(); k++) {
      var p = new SmallPage(k, source, acts.pinned(k).isPresent());
      p.setOnMousePressed(this::pressed);
      p.setOnMouseDragged(this::dragged);
      p.setOnMouseReleased(this::released);
      pages.add(p);
    }
    grid.getChildren().setAll(pages);
    grid.getChildren().add(mark);
    chosen.removeIf(k -> k >= count());
    tell();
    applyCss();
    layout();
    see(at);
    paint();
  }

  private void tell() {
    boolean free = acts.areFree();
    boolean pinned = chosen.stream().anyMatch(k -> acts.pinned(k).isPresent());
    for (Button b : buttons) {
      boolean turns = b.getId().startsWith("all-turn");
      b.setDisable(chosen.isEmpty() || (turns ? !pinned : !free));
    }
    says.setText(
        free
            ? WORDS.count("all-pages.chosen", chosen.size(), count())
            : WORDS.say("all-pages.stay"));
    pages.forEach(p -> p.choose(chosen.contains(p.page())));
    goes.accept(at);
  }

  // Choosing and dragging.

  private void pressed(MouseEvent e) {
    requestFocus();
    if (e.getButton() != MouseButton.PRIMARY || !(e.getSource() instanceof SmallPage p)) {
      return;
    }
    if (e.getClickCount() == 2) {
      open.accept(p.page());
      return;
    }
    at = p.page();
    if (e.isShiftDown()) {
      range();
    } else if (e.isShortcutDown()) {
      from = at;
      if (!chosen.remove(at)) {
        chosen.add(at);
      }
    } else if (!chosen.contains(at)) {
      choose(List.of(at));
    }
    tell();
  }

  private void range() {
    chosen.clear();
    IntStream.rangeClosed(Math.min(from, at), Math.max(from, at)).forEach(chosen::add);
  }

  private void dragged(MouseEvent e) {
    boolean still = before < 0 && e.isStillSincePress();
    if (still || !acts.areFree() || chosen.isEmpty() || e.getButton() != MouseButton.PRIMARY) {
      return;
    }
    Point2D in = scroll.sceneToLocal(e.getSceneX(), e.getSceneY());
    double step = EDGE / Math.max(1, far());
    if (in.getY() < EDGE) {
      scroll.setVvalue(Math.max(0, scroll.getVvalue() - step));
    } else if (in.getY() > scroll.getHeight() - EDGE) {
      scroll.setVvalue(Math.min(1, scroll.getVvalue() + step));
    }
    before = beforeAt(grid.sceneToLocal(e.getSceneX(), e.getSceneY()));
    boolean last = before >= pages.size();
    SmallPage beside = pages.get(last ? pages.size() - 1 : before);
    double x = beside.getBoundsInParent().getMinX() - GAP / 2;
    mark.resizeRelocate(
        (last ? x + SmallPage.WIDTH + GAP : x) - 1.5,
        beside.getBoundsInParent().getMinY(),
        3,
        SmallPage.HEIGHT);
    mark.setVisible(true);
  }

  /** The page that a place is nearest before; how many there are, behind the last. */
  private int beforeAt(Point2D p) {
    int columns = columns();
    double across = (p.getX() - GAP) / (SmallPage.WIDTH + GAP);
    int row = (int) Math.floor((p.getY() - GAP / 2) / (SmallPage.HEIGHT + GAP));
    int column = Math.clamp(Math.round(across), 0, columns);
    return Math.clamp((long) Math.max(0, row) * columns + column, 0, pages.size());
  }

  private int columns() {
    return Math.max(1, (int) Math.floor((grid.getWidth() - GAP) / (SmallPage.WIDTH + GAP)));
  }

  private void stopDragging() {
    before = -1;
    mark.setVisible(false);
  }

  private void released(MouseEvent e) {
    int to = before;
    stopDragging();
    if (to >= 0) {
      place(to);
    } else if (e.isStillSincePress()
        && !e.isShiftDown()
        && !e.isShortcutDown()
        && chosen.size() > 1
        && e.getSource() instanceof SmallPage p) {
      choose(List.of(p.page())); // one of several was clicked, not dragged
      tell();
    }
  }

  private void place(int to) {
    int some = chosen.size();
    acts.place(
        List.copyOf(chosen),
        to,
        first -> {
          choose(IntStream.range(first, first + some).boxed().toList());
          tell();
          see(at);
        });
  }

  /** Moves what is chosen by one page. */
  private void step(int by) {
    if (!chosen.isEmpty()) {
      place(by < 0 ? Math.max(0, chosen.first() - 1) : Math.min(count(), chosen.last() + 2));
    }
  }

  private void key(KeyEvent e) {
    boolean free = acts.areFree();
    switch (e.getCode()) {
      case LEFT -> go(e, -1);
      case RIGHT -> go(e, 1);
      case UP -> go(e, -columns());
      case DOWN -> go(e, columns());
      case HOME -> go(e, -count());
      case END -> go(e, count());
      case ENTER -> open.accept(at);
      case ESCAPE -> {
        if (before >= 0) {
          stopDragging();
        } else {
          open.accept(-1);
        }
      }
      case DELETE -> {
        if (free) {
          acts.away(List.copyOf(chosen));
        }
      }
      case A -> {
        if (!e.isShortcutDown()) {
          return;
        }
        IntStream.range(0, count()).forEach(chosen::add);
        tell();
      }
      default -> {
        return;
      }
    }
    e.consume();
  }

  /** Arrows go from page to page; with Alt they take what is chosen along. */
  private void go(KeyEvent e, int by) {
    if (e.isAltDown()) {
      if (acts.areFree() && Math.abs(by) == 1) {
        step(by);
      }
      return;
    }
    int to = Math.clamp(at + (long) by, 0, count() - 1);
    if (e.isShiftDown()) {
      at = to;
      range();
    } else {
      choose(List.of(to));
    }
    tell();
    see(at);
  }

  // What is in sight.

  /** How far the pages scroll. */
  private double far() {
    return grid.getHeight() - scroll.getViewportBounds().getHeight();
  }

  private double top() {
    return Math.max(0, far()) * scroll.getVvalue();
  }

  /** Where a page begins, from the top of all. */
  private double topOf(int page) {
    return GAP + (page / columns()) * (SmallPage.HEIGHT + GAP);
  }

  private void see(int page) {
    double high = scroll.getViewportBounds().getHeight();
    double y = topOf(page);
    if (far() > 0 && (y < top() || y + SmallPage.HEIGHT > top() + high)) {
      double to = y < top() ? y - GAP : y + SmallPage.HEIGHT + GAP - high;
      scroll.setVvalue(Math.clamp(to / far(), 0, 1));
    }
  }

  private void paint() {
    if (pages.isEmpty() || getParent() == null) {
      return;
    }
    PublishedPages source = source();
    double high = scroll.getViewportBounds().getHeight();
    for (SmallPage p : pages) {
      double y = topOf(p.page());
      if (y + SmallPage.HEIGHT < top() - NEAR || y > top() + high + NEAR) {
        p.goesOutOfSight();
      } else if (p.page() < source.count()) {
        p.comesIntoSight(source);
      }
    }
  }
}
