package decant.desktop.proof;

import decant.compare.Difference;
import decant.desktop.page.PagePair;
import decant.desktop.page.PageSource;
import decant.desktop.page.PagesView;
import decant.desktop.page.PdfPages;
import decant.desktop.page.PublishedPages;
import decant.desktop.page.SourcePages;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.paint.PdfPictures;
import decant.proof.Counts;
import decant.publish.Receipt;
import decant.words.Figures;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import javafx.util.StringConverter;

/**
 * The source's pages beside the revision's, or beside a file that was published, scrolled together,
 * with what differs listed beside them.
 */
public final class ProofView implements Stage {
  private static final Words WORDS = Words.of(ProofView.class);

  /** Slow enough to be looked at, and far from what harms (WCAG 2.3.1: three flashes a second). */
  private static final Duration TURN = Duration.millis(800);

  private final Work work;
  private final BorderPane root = new BorderPane();
  private final PagesView left = new PagesView();
  private final PagesView right = new PagesView();
  private final Label rightTitle = new Label();
  private final ComboBox<Optional<Path>> beside = new ComboBox<>();
  private final ToggleButton together = new ToggleButton(WORDS.say("proof-view.together"));
  private final ToggleButton over = new ToggleButton(WORDS.say("proof-view.over"));
  private final Timeline turns = new Timeline();
  private final GridPane counts = new GridPane();
  private final Label counted = new Label();
  private final DifferencesPane differences;
  private final Differing differing;
  private final SheetMaking sheets;
  private final PagePair pair;
  private final SourcePages source;
  private final InSight inSight = new InSight();
  private Optional<PdfPages> open = Optional.empty();
  private Optional<Path> openFile = Optional.empty();
  private boolean filling;

  /**
   * @param told takes what is to be said of a sheet that was made
   */
  public ProofView(Work work, Consumer<String> told) {
    this.work = work;
    this.sheets = new SheetMaking(work, told);
    this.source = SourcePages.of(work);
    this.differences = new DifferencesPane(work.proofing().ticksProperty(), this::see);
    this.differing = new Differing(work, differences::show);
    left.setId("proof-source");
    right.setId("proof-revision");
    left.setAccessibleText(WORDS.say("proof-view.source-pages"));
    right.setAccessibleText(WORDS.say("proof-view.right-pages"));
    together.setSelected(true);
    together.setId("proof-together");
    pair =
        new PagePair(
            new Label(WORDS.say("proof-view.source", work.source().getFileName())),
            left,
            rightTitle,
            right,
            together::isSelected);
    root.setCenter(pair);
    root.setRight(side());
    inSight.on(work.layoutProperty(), this::refresh);
    inSight.on(work.receiptProperty(), this::offerPublished);
    if (source.isOriginal()) {
      left.show(source.pages(), -1);
    } else {
      Thread.ofVirtual()
          .start(() -> {
            PageSource pages = SourcePages.asTakenIn(work);
            Platform.runLater(() -> left.show(pages, -1));
          });
    }
    offerPublished();
  }

  private VBox side() {
    var title = new Label(WORDS.say("proof-view.title"));
    title.getStyleClass().add("side-title");
    beside.setId("proof-beside");
    beside.setAccessibleText(WORDS.say("proof-view.beside"));
    beside.setMaxWidth(Double.MAX_VALUE);
    beside.setConverter(new FileName());
    beside.setOnAction(e -> {
      if (!filling) {
        refresh();
      }
    });
    counted.setWrapText(true);
    counted.getStyleClass().add("quiet");
    counted.setId("proof-counted");
    counted.setMinHeight(VBox.USE_PREF_SIZE);
    counts.setHgap(12);
    counts.setVgap(6);
    counts.setId("proof-counts");
    var grow = new ColumnConstraints();
    grow.setHgrow(Priority.ALWAYS);
    counts.getColumnConstraints().add(grow);
    over.setId("proof-over");
    over.setTooltip(new Tooltip(WORDS.say("proof-view.over-hint")));
    over.setOnAction(e -> layOver(over.isSelected()));
    turns.getKeyFrames().setAll(new KeyFrame(TURN, e -> pair.turn()));
    turns.setCycleCount(Animation.INDEFINITE);
    for (ToggleButton b : List.of(together, over)) {
      b.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(b, Priority.ALWAYS);
    }
    var ways = new HBox(6, together, over);
    var sheet = new Button(WORDS.say("proof-view.sheet"));
    sheet.setId("proof-sheet");
    sheet.getStyleClass().add("quiet-button");
    sheet.setTooltip(new Tooltip(WORDS.say("proof-view.sheet-hint")));
    sheet.setOnAction(e -> sheets.make(openFile, differences.found()));
    differences.offer(sheet);
    var side = new VBox(10, title, beside, ways, differences, counts, counted);
    VBox.setVgrow(differences, Priority.ALWAYS);
    side.getStyleClass().add("side");
    return side;
  }

  /** Both sides in one place by turns, so that what differs is what moves. */
  private void layOver(boolean now) {
    pair.layOver(now);
    together.setDisable(now);
    if (now) {
      turns.playFromStart();
    } else {
      turns.stop();
    }
  }

  /** The PDF files of the last receipt can be put beside the source; the first is, at once. */
  private void offerPublished() {
    List<Optional<Path>> all = new ArrayList<>();
    all.add(Optional.empty());
    work.receiptProperty()
        .get()
        .ifPresent(r ->
            r.files().stream()
                .filter(m -> Formats.hasPages(m.format()))
                .map(Receipt.Made::file)
                .forEach(f -> all.add(Optional.of(f))));
    filling = true;
    beside.getItems().setAll(all);
    beside.setValue(all.size() > 1 ? all.get(1) : all.getFirst());
    beside.setDisable(all.size() == 1);
    filling = false;
    refresh();
  }

  private void refresh() {
    Optional<Path> file = beside.getValue() == null ? Optional.empty() : beside.getValue();
    if (!file.equals(openFile)) {
      closePublished();
      openFile = file;
      open = file.flatMap(this::opened);
    }
    if (open.isPresent() && file.isPresent()) {
      int parts = beside.getItems().size() - 1;
      String name = file.get().getFileName().toString();
      rightTitle.setText(
          parts > 1
              ? WORDS.say("proof-view.published-part", name, beside.getItems().indexOf(file), parts)
              : WORDS.say("proof-view.published", name));
      right.show(open.get(), -1);
    } else {
      rightTitle.setText(
          file.isPresent()
              ? WORDS.say("proof-view.cannot-be-shown", file.get().getFileName())
              : WORDS.say("proof-view.revision"));
      right.show(
          file.isPresent() ? PageSource.NONE : new PublishedPages(work.layout(), work.painter()),
          -1);
    }
    count(open.isPresent());
    differ(file);
  }

  private void differ(Optional<Path> file) {
    if (file.isPresent() && isPart(file.get())) {
      differing.forget();
      differences.part();
    } else if (file.isPresent() && open.isEmpty()) {
      differing.forget();
      differences.show(Optional.empty());
    } else if (differing.ask(file, work.draftProperty().get().passwords().open())) {
      differences.looking();
    }
  }

  private boolean isPart(Path file) {
    int pages = work.layout().pages().size();
    return work.receiptProperty().get().stream()
        .flatMap(r -> r.files().stream())
        .anyMatch(m -> m.file().equals(file) && m.pages() != pages);
  }

  /** Both sides show the pages of a difference. */
  private void see(Difference d) {
    pair.apart(() -> {
      d.a().ifPresent(s -> left.scrollTo(left.heightAbove(s.page() - 1, 0)));
      d.b().ifPresent(s -> right.scrollTo(right.heightAbove(s.page() - 1, 0)));
    });
  }

  private Optional<PdfPages> opened(Path file) {
    String password = work.draftProperty().get().passwords().open();
    try {
      return Optional.of(new PdfPages(PdfPictures.open(file, password)));
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private void count(boolean ofPublished) {
    Counts before = Counts.of(work.taken().document());
    Counts after = Counts.of(work.revision().document());
    counts.getChildren().clear();
    int row = 0;
    addRow(row++, "", WORDS.say("proof-view.taken-in"), WORDS.say("proof-view.now"), true);
    for (Counts.Entry e : before.entries()) {
      int now = after.of(e.what());
      addRow(
          row++,
          e.what().label(),
          Figures.number(e.number()),
          Figures.number(now),
          e.number() == now);
    }
    counted.setText(WORDS.say(ofPublished ? "proof-view.counted-published" : "proof-view.counted"));
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
    open.ifPresent(p -> {
      try {
        p.pictures().close();
      } catch (IOException e) {
        return; // it was only read from
      }
    });
    open = Optional.empty();
    openFile = Optional.empty();
  }

  private static final class FileName extends StringConverter<Optional<Path>> {
    @Override
    public String toString(Optional<Path> file) {
      return file == null || file.isEmpty()
          ? WORDS.say("proof-view.beside-revision")
          : file.get().getFileName().toString();
    }

    @Override
    public Optional<Path> fromString(String s) {
      return Optional.empty(); // it is chosen, not written
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public Node keyboard() {
    return right;
  }

  @Override
  public void shown() {
    inSight.begin();
    if (over.isSelected()) {
      turns.play();
    }
    refresh();
  }

  @Override
  public void hidden() {
    inSight.end();
    turns.pause();
  }

  @Override
  public void close() {
    turns.stop();
    source.close();
    closePublished();
  }
}
