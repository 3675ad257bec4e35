package decant.desktop.takein;

import decant.desktop.page.PagePair;
import decant.desktop.page.PagesView;
import decant.desktop.page.PinnedMark;
import decant.desktop.page.PublishedPages;
import decant.desktop.page.SourcePages;
import decant.desktop.shell.Desk;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Stage;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.finding.Finding;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;

/** The source's pages beside what became of them, and what did not carry over. */
public final class TakeInView implements Stage {
  private static final Words WORDS = Words.of(TakeInView.class);

  private final Work work;
  private final BorderPane root = new BorderPane();
  private final PagesView original = new PagesView();
  private final PagesView result = new PagesView();
  private final SourcePages source;

  /** The two views side by side; empty where the source has no pages of its own. */
  private final Optional<PagePair> pair;

  private final Mends mends;
  private final FindingList findings;
  private final InSight inSight = new InSight();

  public TakeInView(Desk desk, Work work) {
    this.work = work;
    this.source = SourcePages.of(work);
    this.mends = new Mends(work, inSight, desk::tell);
    this.findings = new FindingList(work, inSight, mends);
    this.pair =
        source.isOriginal()
            ? Optional.of(
                new PagePair(
                    sourceTitle(work),
                    original,
                    new Label(WORDS.say("take-in-view.revision")),
                    result,
                    () -> true))
            : Optional.empty();
    if (pair.isEmpty()) {
      result.scrollByKeys();
    }
    original.setId("take-in-source");
    result.setId("take-in-result");
    root.setRight(side(desk));
    inSight.on(work.shownFindingProperty(), this::reveal);
    inSight.on(work.layoutProperty(), this::showResult);
    result.setOverlay(this::overResult);
    result.addEventHandler(MouseEvent.MOUSE_PRESSED, this::pick);
    mends.pickedProperty().addListener(o -> result.refreshOverlays());
    original.setOverlay((page, scale) -> over(page, scale, this::sourcePlace));
    pair.ifPresent(p -> original.show(source.pages(), -1));
    root.setCenter(pair.isPresent() ? pair.get() : result);
    showResult();
    if (work.seen() > 0) {
      Platform.runLater(() -> original.setScrollShare(work.seen()));
    }
  }

  private void showResult() {
    result.show(new PublishedPages(work.layout(), work.painter()), -1);
  }

  private VBox side(Desk desk) {
    var revise = new Button(WORDS.say("take-in-view.revise"));
    revise.getStyleClass().add("primary");
    revise.setMaxWidth(Double.MAX_VALUE);
    revise.setOnAction(e -> desk.go(StageName.REVISE));
    VBox.setVgrow(findings, Priority.ALWAYS);
    var side =
        new VBox(8, findings, new RecognitionPanel(desk, work), new MendPanel(mends), revise);
    side.getStyleClass().add("side");
    return side;
  }

  /** Picks the block under the pointer, to be mended. */
  private void pick(MouseEvent e) {
    Layout l = work.layout();
    result
        .pagePoint(e.getX(), e.getY())
        .filter(p -> p.page() < l.pages().size())
        .ifPresent(p -> {
          Page page = l.pages().get(p.page());
          l.blockAt(page, p.x(), p.y())
              .or(() -> firstOfPinned(l, page))
              .filter(b -> work.revision().document().block(b).isPresent())
              .ifPresent(b -> mends.pick(b, l.positionAt(page, p.x(), p.y()), e.isShiftDown()));
        });
    e.consume();
  }

  /** What stands for a page that is pinned: the first block that was read from it. */
  private static Optional<NodeId> firstOfPinned(Layout l, Page page) {
    return l.pinned(page)
        .map(x -> l.document().sections().get(page.section()).blocks().getFirst().id());
  }

  private Optional<Finding.SourcePlace> sourcePlace(Finding f) {
    return f.source().or(() -> f.node().map(n -> work.taken().origin().places().get(n)));
  }

  private Optional<Finding.SourcePlace> resultPlace(Finding f) {
    return f.node().or(() -> f.source().flatMap(this::nodeAt)).flatMap(this::placeOf);
  }

  /** What became of the text at a place of the source; nothing if the place is a whole page. */
  private Optional<NodeId> nodeAt(Finding.SourcePlace place) {
    NodeId best = null;
    double max = 0;
    for (Map.Entry<NodeId, Finding.SourcePlace> e : work.taken().origin().places().entrySet()) {
      Finding.SourcePlace s = e.getValue();
      double shared =
          s.page() == place.page()
              ? Math.max(0, s.box().sharedWidth(place.box()))
                  * Math.max(0, s.box().sharedHeight(place.box()))
              : 0;
      if (shared > max) {
        max = shared;
        best = e.getKey();
      }
    }
    double whole = place.box().width() * place.box().height();
    return max * 3 > whole ? Optional.ofNullable(best) : Optional.empty();
  }

  private Optional<Finding.SourcePlace> placeOf(NodeId n) {
    Optional<CaretPlace> first = work.layout().caret(new Position(n, 0));
    Optional<CaretPlace> last =
        work.layout()
            .document()
            .paragraph(n)
            .flatMap(p -> work.layout().caret(new Position(n, p.length())))
            .filter(l -> first.isPresent() && l.page() == first.get().page());
    return first.map(c -> {
      Box b = box(c);
      return new Finding.SourcePlace(
          c.page().number() - 1, last.map(l -> b.union(box(l))).orElse(b));
    });
  }

  private static Box box(CaretPlace c) {
    double left = c.page().setup().margins().left() - 6;
    return new Box(left, c.top() - 2, c.page().setup().textWidth() + 12, c.height() + 4);
  }

  private List<Node> overResult(int page, double scale) {
    var out = new ArrayList<Node>(PinnedMark.over(work.layout(), page, scale));
    out.addAll(over(page, scale, this::resultPlace));
    for (NodeId b : mends.pickedProperty().get().blocks()) {
      work.layout().placesOf(b).stream()
          .filter(p -> p.page().number() - 1 == page)
          .forEach(p -> out.add(frame(p.box(), scale, "picked-place")));
    }
    return out;
  }

  private static Rectangle frame(Box b, double scale, String style) {
    var r =
        new Rectangle(
            (b.x() - 4) * scale,
            (b.y() - 3) * scale,
            (b.width() + 8) * scale,
            (b.height() + 6) * scale);
    r.getStyleClass().add(style);
    return r;
  }

  private List<Node> over(
      int page, double scale, Function<Finding, Optional<Finding.SourcePlace>> placing) {
    Optional<Finding.SourcePlace> p =
        work.shownFindingProperty().get().flatMap(placing).filter(x -> x.page() == page);
    if (p.isEmpty()) {
      return List.of();
    }
    return List.of(frame(p.get().box(), scale, "finding-place"));
  }

  /** Both places come into view, each where it is, so the views do not follow one another. */
  private void reveal() {
    original.refreshOverlays();
    result.refreshOverlays();
    Optional<Finding> shown = work.shownFindingProperty().get();
    Runnable both =
        () -> {
          pair.flatMap(p -> shown.flatMap(this::sourcePlace)).ifPresent(p -> reveal(original, p));
          shown.flatMap(this::resultPlace).ifPresent(p -> reveal(result, p));
        };
    pair.ifPresentOrElse(p -> p.apart(both), both);
  }

  private static void reveal(PagesView view, Finding.SourcePlace p) {
    view.reveal(p.page(), p.box().y(), Math.min(p.box().bottom(), p.box().y() + 200));
  }

  @Override
  public Node node() {
    return root;
  }

  private static Label sourceTitle(Work work) {
    return new Label(WORDS.say("take-in-view.source", work.source().getFileName()));
  }

  @Override
  public Node keyboard() {
    return work.openFindings().isEmpty() ? result : findings.keyboard();
  }

  @Override
  public void shown() {
    inSight.begin();
  }

  @Override
  public void hidden() {
    inSight.end();
  }

  @Override
  public void close() {
    source.close();
  }
}
