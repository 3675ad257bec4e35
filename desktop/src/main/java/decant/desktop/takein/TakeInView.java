package decant.desktop.takein;

import decant.desktop.page.LayoutPages;
import decant.desktop.page.PagePair;
import decant.desktop.page.PagesView;
import decant.desktop.page.SourcePages;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Step;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.model.Box;
import decant.model.Finding;
import decant.model.NodeId;
import decant.model.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;

/** The source's pages beside what became of them, and what did not carry over. */
public final class TakeInView implements Stage {
  private final Work work;
  private final BorderPane root = new BorderPane();
  private final PagesView original = new PagesView();
  private final PagesView result = new PagesView();
  private final SourcePages source;

  /** The two views side by side; empty where the source has no pages of its own. */
  private final Optional<PagePair> pair;

  private boolean fitted;

  public TakeInView(Desk desk, Work work) {
    this.work = work;
    this.source = SourcePages.of(work);
    this.pair =
        source.isOriginal()
            ? Optional.of(
                new PagePair(
                    new Label("Source: " + work.source().getFileName()),
                    original,
                    new Label("Revision"),
                    result,
                    () -> true))
            : Optional.empty();
    original.setId("take-in-source");
    result.setId("take-in-result");
    root.setRight(side(desk));
    work.shownFindingProperty().addListener(o -> reveal());
    work.layoutProperty().addListener(o -> showResult());
    result.setOverlay((page, scale) -> over(page, scale, this::resultPlace));
    original.setOverlay((page, scale) -> over(page, scale, this::sourcePlace));
    pair.ifPresent(p -> original.show(source.pages(), -1));
    root.setCenter(pair.isPresent() ? pair.get() : result);
    showResult();
  }

  private void showResult() {
    result.show(new LayoutPages(work.layout(), work.painter()), -1);
  }

  private VBox side(Desk desk) {
    List<Finding> findings = work.taken().findings();
    var title = new Label("What did not carry over?");
    title.getStyleClass().add("side-title");
    long lost = findings.stream().filter(f -> f.severity() == Finding.Severity.LOSS).count();
    var summary =
        new Label(
            findings.isEmpty()
                ? "Everything came over; there is nothing to look at."
                : findings.size()
                    + (findings.size() == 1 ? " finding" : " findings")
                    + (lost > 0 ? ", " + lost + " of them a loss." : ", nothing is lost."));
    summary.getStyleClass().add("quiet");
    summary.setWrapText(true);
    var list = new ListView<Finding>();
    list.setId("findings");
    list.getStyleClass().add("findings");
    list.getItems().setAll(sorted(findings));
    list.setCellFactory(v -> new FindingCell());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener((o, was, is) -> work.shownFindingProperty().set(Optional.ofNullable(is)));
    VBox.setVgrow(list, Priority.ALWAYS);
    var revise = new Button("Revise the document");
    revise.getStyleClass().add("primary");
    revise.setMaxWidth(Double.MAX_VALUE);
    revise.setOnAction(e -> desk.go(Step.REVISE));
    var side = new VBox(8, title, summary, list, revise);
    side.getStyleClass().add("side");
    return side;
  }

  private static List<Finding> sorted(List<Finding> findings) {
    var out = new ArrayList<>(findings);
    out.sort(java.util.Comparator.comparing(Finding::severity));
    return out;
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
    double most = 0;
    for (Map.Entry<NodeId, Finding.SourcePlace> e : work.taken().origin().places().entrySet()) {
      Finding.SourcePlace s = e.getValue();
      double shared =
          s.page() == place.page()
              ? Math.max(0, s.box().sharedWidth(place.box()))
                  * Math.max(0, s.box().sharedHeight(place.box()))
              : 0;
      if (shared > most) {
        most = shared;
        best = e.getKey();
      }
    }
    double whole = place.box().width() * place.box().height();
    return most * 3 > whole ? Optional.ofNullable(best) : Optional.empty();
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
    double left = c.page().setup().left() - 6;
    return new Box(left, c.top() - 2, c.page().setup().textWidth() + 12, c.height() + 4);
  }

  private List<Node> over(
      int page, double scale, Function<Finding, Optional<Finding.SourcePlace>> placing) {
    Optional<Finding.SourcePlace> p =
        work.shownFindingProperty().get().flatMap(placing).filter(x -> x.page() == page);
    if (p.isEmpty()) {
      return List.of();
    }
    Box b = p.get().box();
    var r =
        new Rectangle(
            (b.x() - 4) * scale,
            (b.y() - 3) * scale,
            (b.width() + 8) * scale,
            (b.height() + 6) * scale);
    r.getStyleClass().add("finding-place");
    return List.of(r);
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

  @Override
  public void shown() {
    if (!fitted) {
      fitted = true;
      javafx.application.Platform.runLater(
          () -> pair.ifPresentOrElse(PagePair::fit, () -> result.setZoom(0.95)));
    }
  }

  @Override
  public void close() {
    source.close();
  }

  private static final class FindingCell extends ListCell<Finding> {
    FindingCell() {
      setPrefWidth(0); // as wide as the list, so that text wraps
    }

    @Override
    protected void updateItem(Finding f, boolean empty) {
      super.updateItem(f, empty);
      if (empty || f == null) {
        setGraphic(null);
        return;
      }
      // Told apart by shape and word.
      var sign =
          new Label(
              switch (f.severity()) {
                case LOSS -> "■";
                case DOUBT -> "◆";
                case NOTE -> "○";
              });
      sign.getStyleClass().add("finding-sign");
      var kind = new Label(f.kind().label());
      kind.getStyleClass().add("finding-kind");
      var severity =
          new Label(
              f.severity().label() + f.source().map(s -> " · page " + (s.page() + 1)).orElse(""));
      severity.getStyleClass().add("quiet");
      var head = new HBox(6, sign, kind, severity);
      head.setAlignment(Pos.BASELINE_LEFT);
      var message = new Label(f.message());
      message.setWrapText(true);
      setGraphic(new VBox(2, head, message));
    }
  }
}
