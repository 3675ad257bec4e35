package decant.desktop.proof;

import decant.desktop.page.LayoutPages;
import decant.desktop.page.PagePair;
import decant.desktop.page.PageSource;
import decant.desktop.page.PagesView;
import decant.desktop.page.PdfPages;
import decant.desktop.page.SourcePages;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Work;
import decant.paint.PdfPictures;
import decant.proof.Counts;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The source's pages beside the revision's, or beside what was published, scrolled together. */
public final class ProofView implements Stage {
  private final Work work;
  private final BorderPane root = new BorderPane();
  private final PagesView left = new PagesView();
  private final PagesView right = new PagesView();
  private final Label rightTitle = new Label();
  private final ToggleButton together = new ToggleButton("Scroll together");
  private final GridPane counts = new GridPane();
  private final SourcePages source;
  private final PagePair pair;
  private Optional<PdfPages> published = Optional.empty();
  private Optional<Path> publishedFile = Optional.empty();

  public ProofView(Work work) {
    this.work = work;
    this.source = SourcePages.of(work);
    left.setId("proof-source");
    right.setId("proof-revision");
    together.setSelected(true);
    together.setId("proof-together");
    pair =
        new PagePair(
            new Label("Source: " + work.source().getFileName()),
            left,
            rightTitle,
            right,
            together::isSelected);
    root.setCenter(pair);
    root.setRight(side());
    work.layoutProperty().addListener(o -> refresh());
    work.receiptProperty().addListener(o -> refresh());
    if (source.isOriginal()) {
      left.show(source.pages(), -1);
    } else {
      Thread.ofVirtual()
          .start(() -> {
            PageSource pages = SourcePages.asTakenIn(work);
            Platform.runLater(() -> left.show(pages, -1));
          });
    }
    refresh();
  }

  private VBox side() {
    var title = new Label("What differs?");
    title.getStyleClass().add("side-title");
    var hint = new Label("Counted in the source as it was taken in, and in the revision.");
    hint.setWrapText(true);
    hint.getStyleClass().add("quiet");
    counts.setHgap(12);
    counts.setVgap(6);
    counts.setId("proof-counts");
    var grow = new ColumnConstraints();
    grow.setHgrow(Priority.ALWAYS);
    counts.getColumnConstraints().add(grow);
    together.setMaxWidth(Double.MAX_VALUE);
    var side = new VBox(10, title, hint, counts, together);
    side.getStyleClass().add("side");
    return side;
  }

  private void refresh() {
    Optional<Path> file =
        work.receiptProperty()
            .get()
            .flatMap(r ->
                r.files().stream()
                    .filter(m -> m.format().equals("pdf"))
                    .map(decant.publish.Receipt.Made::file)
                    .findFirst());
    if (!file.equals(publishedFile)) {
      closePublished();
      publishedFile = file;
      published = file.flatMap(ProofView::open);
    }
    if (published.isPresent() && file.isPresent()) {
      rightTitle.setText("Published: " + file.get().getFileName());
      right.show(published.get(), -1);
    } else {
      rightTitle.setText("Revision");
      right.show(new LayoutPages(work.layout(), work.painter()), -1);
    }
    count();
  }

  private static Optional<PdfPages> open(Path file) {
    try {
      return Optional.of(new PdfPages(PdfPictures.open(file, "")));
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private void count() {
    Counts before = Counts.of(work.taken().document());
    Counts after = Counts.of(work.revision().document());
    counts.getChildren().clear();
    int row = 0;
    addRow(row++, "", "source", "revision", true);
    for (Counts.Entry e : before.entries()) {
      int now = after.of(e.what());
      addRow(
          row++, e.what(), Integer.toString(e.number()), Integer.toString(now), e.number() == now);
    }
  }

  private void addRow(int row, String what, String a, String b, boolean same) {
    var name = new Label((same ? "" : "◆ ") + what);
    var first = new Label(a);
    var second = new Label(b);
    for (Label l : new Label[] {first, second}) {
      l.getStyleClass().add(row == 0 ? "quiet" : "figure");
      l.setMaxWidth(Double.MAX_VALUE);
      l.setAlignment(Pos.CENTER_RIGHT);
      l.setMinWidth(62);
    }
    if (!same) {
      name.getStyleClass().add("differs");
      second.getStyleClass().add("differs");
    }
    counts.addRow(row, name, first, second);
  }

  private void closePublished() {
    published.ifPresent(p -> {
      try {
        p.pictures().close();
      } catch (IOException e) {
        return; // it was only read from
      }
    });
    published = Optional.empty();
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void shown() {
    refresh();
    Platform.runLater(pair::fit);
  }

  @Override
  public void close() {
    source.close();
    closePublished();
  }
}
