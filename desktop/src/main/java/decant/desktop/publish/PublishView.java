package decant.desktop.publish;

import decant.compare.Difference;
import decant.desktop.page.PagesView;
import decant.desktop.page.PublishedPages;
import decant.desktop.page.RememberedZoom;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Stage;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.model.finding.Finding;
import decant.pdf.choices.Conflict;
import decant.publication.Publication;
import decant.publish.Receipt;
import decant.recipe.Output;
import decant.recipe.Plan;
import decant.words.Words;
import java.io.File;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.Window;

/**
 * The pages exactly as they will come out and, beside them, the recipe and what it comes to: which
 * files, how large, and what each choice means.
 */
public final class PublishView implements Stage {
  private static final Words WORDS = Words.of(PublishView.class);

  private final InSight inSight = new InSight();
  private final Work work;
  private final PublishState state;
  private final Supplier<Window> window;
  private final BorderPane root = new BorderPane();
  private final PagesView pages = new PagesView();
  private final RecipeBar recipe;
  private final SizePanel size;
  private final ReceiptPanel receipt;
  private final BorderPane side = new BorderPane();
  private final ScrollPane choicesScroll = new ScrollPane();
  private final ScrollPane checks;
  private final List<Choices> choices = new ArrayList<>();
  private final VBox groups = new VBox();
  private final OfficeChoices office;
  private final KeptChoice kept;
  private final ActiveChoice active;
  private final AfterwardsChoices afterwards;
  private final TextField stem = new TextField();
  private final Label folder = new Label();
  private final Label proofed = new Label();
  private final CloseLook closer = new CloseLook(this::backToPages);
  private Optional<PictureList.Shown> looked = Optional.empty();
  private boolean filling;

  /** Nothing is planned or weighed while another stage is worked on. */
  public PublishView(Desk desk, Work work, Actions actions, Supplier<Window> window) {
    this.work = work;
    this.window = window;
    this.state = new PublishState(work, inSight);
    this.recipe = new RecipeBar(desk, state, window);
    this.size = new SizePanel(state);
    this.receipt = new ReceiptPanel(desk, this::lookAtChecks);
    this.checks = receipt.details();
    choices.add(new PagesChoices(state));
    choices.add(new NavigationChoices(state));
    choices.add(new FontEmbeddingChoices(state));
    choices.add(new CompressionChoices(state, this::look));
    choices.add(new SecurityChoices(state));
    choices.add(new MetadataChoices(state));
    choices.add(new ConformanceChoices(state));
    choices.add(new InitialViewChoices(state));
    choices.forEach(c -> groups.getChildren().add(c.group().node()));
    active =
        new ActiveChoice(
            state,
            work.taken().findings().stream()
                .anyMatch(f -> f.kind() == Finding.Kind.ACTIVE_CONTENT));
    office = new OfficeChoices(state);
    kept = new KeptChoice(state, Formats.hasPages(work.taken().origin().format()));
    afterwards = new AfterwardsChoices(state);
    pages.setId("publish-pages");
    pages.setAccessibleText(WORDS.say("publish-view.pages"));
    pages.scrollByKeys();
    RememberedZoom.of(pages, desk.memory());
    root.setCenter(pages);
    root.setRight(side(actions));
    state.outlookProperty().addListener(o -> refresh());
    state.weightsProperty().addListener(o -> sizes());
    state.offSheetProperty().addListener(o -> recipe.show());
    state.linkedPagesProperty().addListener(o -> showPages());
    state.fontsProperty().addListener(o -> sizes());
    inSight.on(work.receiptProperty(), this::receipt);
    inSight.on(work.layoutProperty(), work.proofing()::ask);
    inSight.on(work.proofing().madeProperty(), this::proofed);
    inSight.on(work.proofing().ticksProperty(), this::proofed);
    inSight.on(work.toMendProperty(), this::mend);
    receipt();
  }

  /** What was published stands by the button; else why nothing can be, or that nothing was yet. */
  private void receipt() {
    lookAtChecks(false);
    Optional<Receipt> made = work.receiptProperty().get();
    if (made.isPresent()) {
      receipt.show(made.get());
    } else {
      PublishState.Outlook o = state.outlookProperty().get();
      receipt.clear(o.conflicts().isEmpty() ? o.problem() : o.conflicts().getFirst().message());
    }
  }

  /** How many differences from the source nobody has ticked yet. */
  private void proofed() {
    List<Difference> all = work.proofing().madeProperty().get().orElse(List.of());
    int lacking = work.proofing().ticksProperty().get().lacking(all);
    proofed.setText(
        lacking == 0
            ? WORDS.say("publish-view.all-ticked")
            : WORDS.count("publish-view.not-ticked", lacking));
    proofed.setVisible(!all.isEmpty());
    proofed.setManaged(!all.isEmpty());
  }

  private void lookAtChecks(boolean on) {
    side.setCenter(on ? checks : choicesScroll);
  }

  /** Opens the group where something is to be mended, and puts the keyboard there. */
  private void mend() {
    work.toMendProperty()
        .get()
        .flatMap(c ->
            choices.stream()
                .filter(x -> x.conflicts().filter(c.group()::equals).isPresent())
                .findFirst())
        .ifPresent(c -> {
          lookAtChecks(false);
          c.group().unfold();
          Platform.runLater(() -> {
            Choosing.reveal(choicesScroll, c.group().node());
            c.mend();
          });
          work.toMendProperty().set(Optional.empty());
        });
  }

  private Node side(Actions actions) {
    var heading = new Label(WORDS.say("publish-view.title"));
    heading.getStyleClass().add("side-title");
    stem.setId("publish-stem");
    stem.setAccessibleText(WORDS.say("publish-view.file-name"));
    stem.textProperty()
        .addListener((o, was, now) -> {
          if (!filling && !now.isBlank()) {
            Work.Draft d = state.draft();
            state.draftProperty().set(d.to(d.folder(), now.strip()));
          }
        });
    folder.setId("publish-folder");
    folder.getStyleClass().add("quiet");
    folder.setTextOverrun(javafx.scene.control.OverrunStyle.LEADING_ELLIPSIS);
    folder.setMinWidth(0);
    folder.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(folder, Priority.ALWAYS);
    var elsewhere = new Button(WORDS.say("publish-view.elsewhere"));
    elsewhere.getStyleClass().add("quiet-button");
    elsewhere.setMinWidth(VBox.USE_PREF_SIZE);
    elsewhere.setOnAction(e -> chooseFolder());
    var into = new HBox(6, folder, elsewhere);
    into.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    var go = new Button(WORDS.say("publish-view.publish"));
    go.setId("publish-go");
    go.getStyleClass().add("primary");
    go.setMaxWidth(Double.MAX_VALUE);
    go.setOnAction(e -> actions.require("publish").perform());
    var later = new Button(WORDS.say("publish-view.queue"));
    later.setId("publish-later");
    later.getStyleClass().add("quiet-button");
    later.setMinWidth(VBox.USE_PREF_SIZE);
    later.setOnAction(e -> actions.require("queue").perform());
    HBox.setHgrow(go, Priority.ALWAYS);
    var acts = new HBox(6, go, later);
    acts.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    proofed.setId("publish-proofed");
    proofed.getStyleClass().add("quiet");
    proofed.setWrapText(true);
    proofed.setMinHeight(VBox.USE_PREF_SIZE);
    proofed();
    var foot =
        new VBox(
            5,
            Choosing.line(WORDS.say("publish-view.publish-as"), stem),
            into,
            acts,
            proofed,
            receipt.brief());
    foot.getStyleClass().add("publish-foot");
    var all =
        new VBox(
            8,
            heading,
            recipe.node(),
            size.node(),
            groups,
            office.node(),
            kept.group().node(),
            active.group().node(),
            afterwards.group().node());
    all.getStyleClass().add("side");
    choicesScroll.setContent(all);
    choicesScroll.setFitToWidth(true);
    choicesScroll.getStyleClass().add("side-scroll");
    choicesScroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    side.setCenter(choicesScroll);
    side.setBottom(foot);
    side.getStyleClass().add("publish-side");
    return side;
  }

  private void chooseFolder() {
    var chooser = new DirectoryChooser();
    chooser.setTitle(WORDS.say("publish-view.publish-into"));
    Work.Draft d = state.draft();
    if (d.folder().toFile().isDirectory()) {
      chooser.setInitialDirectory(d.folder().toFile());
    }
    Optional.ofNullable(chooser.showDialog(window.get()))
        .map(File::toPath)
        .ifPresent(f -> state.draftProperty().set(state.draft().to(f, d.stem())));
  }

  /** A picture close up in place of the pages. */
  private void look(PictureList.Shown p) {
    looked = Optional.of(p);
    state.pdf().ifPresent(o -> closer.show(p, o));
    root.setCenter(closer.node());
  }

  private void backToPages() {
    looked = Optional.empty();
    root.setCenter(pages);
  }

  private void refresh() {
    if (filling) {
      return;
    }
    filling = true;
    Work.Draft d = state.draft();
    if (!stem.isFocused() || stem.getText().isBlank()) {
      Choosing.show(stem, d.stem());
    }
    clearReceipt(d);
    folder.setText(d.folder().toString());
    folder.setTooltip(new Tooltip(d.folder().toString()));
    recipe.show();
    Optional<Output.Pdf> pdf = state.pdf();
    groups.setVisible(pdf.isPresent());
    groups.setManaged(pdf.isPresent());
    pdf.ifPresent(o -> choices.forEach(c -> c.show(o)));
    warn();
    office.show();
    kept.show();
    active.show();
    afterwards.show();
    size.show();
    showPages();
    looked.ifPresent(p -> pdf.ifPresent(o -> closer.show(p, o)));
    filling = false;
  }

  /** A receipt is about the recipe that was followed; another one has none yet. */
  private void clearReceipt(Work.Draft d) {
    boolean other =
        work.receiptProperty().get().filter(r -> !r.recipe().equals(d.recipe().name())).isPresent();
    if (other) {
      work.receiptProperty().set(Optional.empty());
    } else if (work.receiptProperty().get().isEmpty()) {
      receipt();
    }
  }

  private void warn() {
    List<Conflict> all = state.outlookProperty().get().conflicts();
    for (Choices c : choices) {
      c.group()
          .warn(
              all.stream()
                  .filter(x -> c.conflicts().filter(x.group()::equals).isPresent())
                  .map(Conflict::message)
                  .distinct()
                  .collect(Collectors.joining(" ")));
    }
  }

  private void sizes() {
    boolean was = filling;
    filling = true;
    size.show();
    state.pdf().ifPresent(o -> choices.forEach(c -> c.show(o)));
    filling = was;
  }

  private void showPages() {
    Publication publication = state.pages();
    var chosen = new LinkedHashSet<Integer>();
    for (Plan.Item i : state.files()) {
      if (i instanceof Plan.Item.Pdf p) {
        chosen.addAll(p.choices().pages());
      }
    }
    if (state.pdf().isEmpty()) {
      for (int k = 0; k < publication.pages().size(); k++) {
        chosen.add(k);
      }
    }
    if (!chosen.isEmpty()) {
      pages.show(
          new ChosenPages(new PublishedPages(publication, work.painter()), List.copyOf(chosen)),
          -1);
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public Node keyboard() {
    return recipe.keyboard();
  }

  @Override
  public void shown() {
    inSight.begin();
    state.inSight(true);
    work.proofing().ask();
  }

  @Override
  public void hidden() {
    inSight.end();
    state.inSight(false);
  }
}
