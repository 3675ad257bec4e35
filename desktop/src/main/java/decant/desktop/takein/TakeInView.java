package decant.desktop.takein;

import decant.desktop.page.LayoutPages;
import decant.desktop.page.PagesView;
import decant.desktop.page.SourcePages;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Step;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.model.Box;
import decant.model.Finding;
import decant.model.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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

/** The source's pages and, beside them, what did not carry over. */
public final class TakeInView implements Stage {
  private final Work work;
  private final BorderPane root = new BorderPane();
  private final PagesView pages = new PagesView();
  private final SourcePages source;
  private boolean fitted;

  public TakeInView(Desk desk, Work work) {
    this.work = work;
    this.source = SourcePages.of(work);
    root.setCenter(pages);
    root.setRight(side(desk));
    pages.setOverlay(this::over);
    work.shownFindingProperty().addListener(o -> reveal());
    if (source.isOriginal()) {
      pages.show(source.pages(), -1);
    } else {
      work.layoutProperty()
          .addListener(o -> pages.show(new LayoutPages(work.layout(), work.painter()), -1));
      pages.show(new LayoutPages(work.layout(), work.painter()), -1);
    }
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

  private Optional<Finding.SourcePlace> place(Finding f) {
    if (source.isOriginal()) {
      return f.source().or(() -> f.node().map(n -> work.taken().origin().places().get(n)));
    }
    return f.node()
        .flatMap(n -> work.layout().caret(new Position(n, 0)))
        .map(c -> new Finding.SourcePlace(c.page().number() - 1, box(c)));
  }

  private static Box box(CaretPlace c) {
    double left = c.page().setup().left() - 6;
    return new Box(left, c.top() - 2, c.page().setup().textWidth() + 12, c.height() + 4);
  }

  private List<Node> over(int page, double scale) {
    Optional<Finding.SourcePlace> p =
        work.shownFindingProperty().get().flatMap(this::place).filter(x -> x.page() == page);
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

  private void reveal() {
    pages.refreshOverlays();
    work.shownFindingProperty()
        .get()
        .flatMap(this::place)
        .ifPresent(p ->
            pages.reveal(p.page(), p.box().y(), Math.min(p.box().bottom(), p.box().y() + 200)));
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void shown() {
    if (!fitted) {
      fitted = true;
      javafx.application.Platform.runLater(() -> pages.setZoom(0.95));
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
