package decant.desktop.publish;

import decant.desktop.page.LayoutPages;
import decant.desktop.page.PageSource;
import decant.desktop.page.PagesView;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Step;
import decant.desktop.shell.Work;
import decant.layout.PageChange;
import decant.model.Outline;
import decant.pdf.verify.Check;
import decant.publish.PageRange;
import decant.publish.Receipt;
import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/**
 * The pages exactly as they will come out and, beside them, the choices and what becomes of them.
 */
public final class PublishView implements Stage {
  private final Desk desk;
  private final Work work;
  private final Supplier<Window> window;
  private final BorderPane root = new BorderPane();
  private final PagesView pages = new PagesView();
  private final TextField range = new TextField();
  private final Label rangeSays = new Label();
  private final CheckBox bookmarks = new CheckBox("Bookmarks from the headings");
  private final Label bookmarksSay = new Label();
  private final TextField title = new TextField();
  private final TextField author = new TextField();
  private final Label target = new Label();
  private final VBox result = new VBox(6);
  private boolean filling;

  public PublishView(Desk desk, Work work, Actions actions, Supplier<Window> window) {
    this.desk = desk;
    this.work = work;
    this.window = window;
    root.setCenter(pages);
    root.setRight(side(actions));
    work.layoutProperty().addListener(o -> refresh());
    work.draftProperty().addListener(o -> refresh());
    work.receiptProperty().addListener(o -> receipt());
    fill();
    refresh();
    receipt();
  }

  private Node side(Actions actions) {
    var heading = new Label("What will come out?");
    heading.getStyleClass().add("side-title");
    range.setId("publish-range");
    range.setPromptText("all, or such as 1-4, 7, 12-");
    rangeSays.setId("publish-range-says");
    title.setId("publish-title");
    author.setId("publish-author");
    bookmarks.setId("publish-bookmarks");
    for (Label l : List.of(rangeSays, bookmarksSay)) {
      l.getStyleClass().add("quiet");
      l.setWrapText(true);
    }
    var type =
        new Label("Fonts are embedded with the characters used; text and drawing are compressed.");
    type.getStyleClass().add("quiet");
    type.setWrapText(true);
    target.setWrapText(true);
    target.setId("publish-target");
    var elsewhere = new Button("Elsewhere…");
    elsewhere.getStyleClass().add("plain");
    elsewhere.setMinWidth(VBox.USE_PREF_SIZE);
    elsewhere.setOnAction(e -> chooseTarget());
    HBox.setHgrow(target, Priority.ALWAYS);
    target.setMaxWidth(Double.MAX_VALUE);
    var go = new Button("Publish");
    go.setId("publish-go");
    go.getStyleClass().add("primary");
    go.setMaxWidth(Double.MAX_VALUE);
    go.setOnAction(e -> actions.require("publish").perform());
    range.textProperty().addListener(o -> changed());
    title.textProperty().addListener(o -> changed());
    author.textProperty().addListener(o -> changed());
    bookmarks.selectedProperty().addListener(o -> changed());
    result.setId("receipt");
    var choices =
        new VBox(
            5,
            heading,
            group("Pages"),
            range,
            rangeSays,
            group("Wayfinding"),
            bookmarks,
            bookmarksSay,
            group("Type and weight"),
            type,
            group("Particulars"),
            new Label("Title"),
            title,
            new Label("Author"),
            author,
            group("Written to"),
            new HBox(6, target, elsewhere),
            spaced(go),
            result);
    choices.getStyleClass().add("side");
    var scroll = new ScrollPane(choices);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    return scroll;
  }

  private static Node spaced(Node n) {
    VBox.setMargin(n, new javafx.geometry.Insets(10, 0, 4, 0));
    return n;
  }

  private static Label group(String name) {
    var l = new Label(name);
    l.getStyleClass().add("group");
    return l;
  }

  private void fill() {
    filling = true;
    Work.Draft d = work.draftProperty().get();
    range.setText(d.pages().text());
    bookmarks.setSelected(d.bookmarks());
    title.setText(d.title());
    author.setText(d.author());
    filling = false;
  }

  private void changed() {
    if (!filling) {
      Work.Draft d = work.draftProperty().get();
      work.draftProperty()
          .set(
              new Work.Draft(
                  new PageRange(range.getText()),
                  bookmarks.isSelected(),
                  title.getText(),
                  author.getText(),
                  d.target()));
    }
  }

  private void chooseTarget() {
    Work.Draft d = work.draftProperty().get();
    var chooser = new FileChooser();
    chooser.setTitle("Publish to");
    chooser.setInitialFileName(d.target().getFileName().toString());
    Optional.ofNullable(d.target().getParent())
        .map(Path::toFile)
        .filter(File::isDirectory)
        .ifPresent(chooser::setInitialDirectory);
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("PDF", "*.pdf"));
    Optional.ofNullable(chooser.showSaveDialog(window.get()))
        .map(File::toPath)
        .ifPresent(p ->
            work.draftProperty()
                .set(new Work.Draft(d.pages(), d.bookmarks(), d.title(), d.author(), p)));
  }

  private void refresh() {
    Work.Draft d = work.draftProperty().get();
    target.setText(d.target().getFileName().toString());
    target.setTooltip(new javafx.scene.control.Tooltip(d.target().toString()));
    int all = work.layout().pages().size();
    rangeSays.getStyleClass().remove("problem-text");
    try {
      List<Integer> chosen = d.pages().select(all);
      rangeSays.setText(
          chosen.size() == all
              ? "All " + all + (all == 1 ? " page." : " pages.")
              : chosen.size() + " of " + all + " pages.");
      pages.show(new ChosenPages(new LayoutPages(work.layout(), work.painter()), chosen), -1);
      long headings = headings(chosen);
      bookmarksSay.setText(
          d.bookmarks()
              ? headings
                  + (headings == 1 ? " bookmark" : " bookmarks")
                  + " at the headings' own levels."
              : "The PDF will have no outline.");
    } catch (PageRange.Problem e) {
      rangeSays.setText(e.getMessage());
      rangeSays.getStyleClass().add("problem-text");
    }
  }

  private long headings(List<Integer> chosen) {
    var set = new java.util.HashSet<>(chosen);
    return Outline.headings(work.layout().document()).stream()
        .filter(h ->
            work.layout().pagesOf(h.paragraph()).stream()
                .findFirst()
                .filter(p -> set.contains(p.number() - 1))
                .isPresent())
        .count();
  }

  private void receipt() {
    result.getChildren().clear();
    Optional<Receipt> made = work.receiptProperty().get();
    if (made.isEmpty()) {
      return;
    }
    Receipt r = made.get();
    var head = new Label(r.verified() ? "Published and verified" : "Written, but not verified");
    head.getStyleClass().add("receipt-head");
    head.setId("receipt-head");
    var size =
        new Label(
            r.pages()
                + (r.pages() == 1 ? " page, " : " pages, ")
                + String.format(Locale.ROOT, "%,d", r.bytes()).replace(',', '\u202F')
                + " bytes, "
                + String.format(Locale.ROOT, "%.1f", r.took().toMillis() / 1000.0)
                + " s");
    size.getStyleClass().add("figure");
    var look = new Button("Open beside the original");
    look.setId("receipt-open");
    look.setOnAction(e -> desk.go(Step.PROOF));
    result.getChildren().addAll(head, size, look);
    for (Check c : r.checks()) {
      var line = new Label((c.passed() ? "✓ " : "■ ") + c.name() + ": " + c.detail());
      line.setWrapText(true);
      if (!c.passed()) {
        line.getStyleClass().add("problem-text");
      }
      result.getChildren().add(line);
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void shown() {
    fill();
    refresh();
    javafx.application.Platform.runLater(() -> pages.setZoom(0.9));
  }

  /** Some pages of others. */
  private record ChosenPages(PageSource of, List<Integer> chosen) implements PageSource {
    @Override
    public int count() {
      return chosen.size();
    }

    @Override
    public double width(int page) {
      return of.width(chosen.get(page));
    }

    @Override
    public double height(int page) {
      return of.height(chosen.get(page));
    }

    @Override
    public void paint(int page, BufferedImage image, double scale, int top) {
      of.paint(chosen.get(page), image, scale, top);
    }

    @Override
    public boolean paintsInStrips() {
      return of.paintsInStrips();
    }

    @Override
    public Optional<PageChange> change(int page, PageSource before) {
      boolean comparable =
          before instanceof ChosenPages o
              && page < o.chosen.size()
              && page < chosen.size()
              && o.chosen.get(page).equals(chosen.get(page));
      return comparable && before instanceof ChosenPages o
          ? of.change(chosen.get(page), o.of)
          : Optional.of(new PageChange(0, height(page)));
    }
  }
}
