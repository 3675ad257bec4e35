package decant.desktop.revise;

import decant.blanks.Blanks;
import decant.desktop.mark.MarkMaker;
import decant.desktop.mark.MarkPlacing;
import decant.desktop.mark.MarksPanel;
import decant.desktop.page.LookLaying;
import decant.desktop.page.PageClipboard;
import decant.desktop.page.PageEditor;
import decant.desktop.page.PagesView;
import decant.desktop.page.PublishedPages;
import decant.desktop.page.RememberedZoom;
import decant.desktop.pinned.AllPages;
import decant.desktop.pinned.PageOrderPanel;
import decant.desktop.pinned.PinnedLines;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Stage;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.pin.MadeFields;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.Window;
import org.jspecify.annotations.Nullable;

/** The pages, to be typed on; beside them what is selected and the outline. */
public final class ReviseView implements Stage {
  private static final Words WORDS = Words.of(ReviseView.class);

  /** What is left below of a side that is full, in pixels. */
  private static final double LEAST_BELOW = 150;

  /** Of what stands in the side, in pixels. */
  private static final double SIDE = 281;

  private static final double BAR = 13;

  private final Work work;
  private final BorderPane root = new BorderPane();
  private final BorderPane middle = new BorderPane();
  private final PagesView pages = new PagesView();
  private final PageEditor editor;
  private final AllPages all;
  private final FindBar find;
  private final LookLaying laying;
  private final InSight inSight = new InSight();
  private final SideSwitch below = new SideSwitch();
  private final MarkPlacing placing;
  private final MarksPanel marks;
  private final Desk desk;

  public ReviseView(Desk desk, Work work, Actions actions) {
    this.work = work;
    this.desk = desk;
    this.editor = new PageEditor(pages, work);
    this.laying = new LookLaying(pages, work);
    this.placing = new MarkPlacing(pages, work, desk);
    editor.drawOver(
        new PinnedLines(pages, work, desk::tell, new Filling(work, desk::tell)::fill)::over);
    editor.drawOver(placing::over);
    pages.setId("pages");
    pages.setAccessibleText(WORDS.say("revise-view.pages"));
    RememberedZoom.of(pages, desk.memory());
    this.find = new FindBar(work, this::reveal, pages::requestFocus);
    var look = new LookPanel(work, inSight, laying, actions, desk.memory(), pages::requestFocus);
    VBox.setVgrow(below, Priority.ALWAYS);
    var ofOutline = new InSight();
    var ofStyles = new InSight();
    var ofDetails = new InSight();
    below.add(
        "side-outline",
        WORDS.say("revise-view.outline"),
        new OutlinePanel(work, ofOutline, this::jump),
        ofOutline);
    var styles = new StylesPanel(work, ofStyles, pages::requestFocus);
    var details = new DetailsPanel(work, ofDetails, pages::requestFocus);
    below.add("side-styles", WORDS.say("revise-view.styles"), styles, ofStyles);
    below.add("side-details", WORDS.say("revise-view.details"), details, ofDetails);
    var ofPages = new InSight();
    this.all =
        new AllPages(
            desk, work, inSight, this::leaveAll, p -> pages.reveal(p, 0, pages.viewHeight()));
    var order = new PageOrderPanel(desk, work, pages, ofPages, this::showAll, this::seePages);
    editor.drawOver(order::over);
    below.add(
        "side-pages",
        WORDS.say("revise-view.paper"),
        new PagePanel(work, ofPages, actions, order, pages::requestFocus),
        ofPages);
    var ofFiles = new InSight();
    below.add(
        "side-files",
        WORDS.say("revise-view.files"),
        new FilesPanel(desk, work, ofFiles, actions, pages::requestFocus),
        ofFiles);
    var ofMarks = new InSight();
    this.marks = new MarksPanel(desk, work, placing, ofMarks, this::makeMark);
    below.add("side-marks", WORDS.say("revise-view.marks"), marks, ofMarks);
    offerForm();
    inSight.atRest(work.revisionProperty(), this::offerForm);
    var comments = new CommentsPanel(work, inSight, pages::requestFocus);
    inSight.atRest(
        work.revisionProperty(),
        () -> {
          boolean stays = onPinned(work);
          styles.setDisable(stays); // what such a page shows has its looks from the file
          details.setDisable(stays);
          comments.setVisible(!stays);
          comments.setManaged(!stays);
        });
    var table = new TablePanel(work, inSight, actions, pages::requestFocus);
    var object = new ObjectPanel(work, editor.handles(), inSight, actions, pages::requestFocus);
    // Its width is the same with a bar beside it and without, so that nothing moves.
    var running = new RunningPanel(work, inSight, actions, pages::requestFocus);
    var parts = new VBox(14, look, object, running, table, comments);
    parts.setPrefWidth(SIDE);
    parts.setMaxWidth(SIDE);
    var upper = new ScrollPane(parts);
    VBox.setMargin(upper, new Insets(0, -BAR, 0, 0));
    upper.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    upper.getStyleClass().add("side-part");
    upper.setMinHeight(120);
    below.setMinHeight(LEAST_BELOW);
    below.setPrefHeight(LEAST_BELOW);
    var side = new VBox(14, upper, below);
    side.getStyleClass().add("side");
    middle.setCenter(pages);
    middle.setTop(find);
    root.setCenter(middle);
    root.setRight(side);
    work.watch(pages::inView);
    inSight.on(work.layoutProperty(), this::showPages);
    inSight.on(
        work.revisionProperty(),
        (was, is) -> {
          if (was.document() != is.document() && changedAtCaret(was, is)) {
            editor.revealCaret();
          }
        });
    placing
        .activeProperty()
        .addListener((o, was, is) -> {
          if (is) {
            seePages();
          }
        });
    pages.show(new PublishedPages(work.layout(), work.painter()), -1);
    shown = work.layout();
  }

  /** Offers the fields of a form as soon as there are some, or could be. */
  private void offerForm() {
    Document d = work.revision().document();
    boolean any = !Blanks.of(d).isEmpty() || MadeFields.isWorth(d, work.taken().findings());
    if (!below.has("side-form") && any) {
      var ofForm = new InSight();
      var filling = new Filling(work, desk::tell);
      below.add(
          "side-form",
          WORDS.say("revise-view.form"),
          new FormPanel(work, filling, new FormActs(desk, work, filling), ofForm, this::reveal),
          ofForm);
    }
  }

  /** Shows all pages in the place of the one. */
  private void showAll() {
    int page =
        pages
            .pagePoint(pages.getWidth() / 2, pages.viewHeight() / 2)
            .map(PagesView.PagePoint::page)
            .filter(p -> p < work.layout().pages().size())
            .orElse(0);
    middle.setCenter(all);
    all.show(page);
  }

  private void leaveAll(int page) {
    seePages();
    if (page >= 0) {
      pages.reveal(page, 0, 40);
    }
    pages.requestFocus();
  }

  /** Makes a mark in the place of the pages. */
  private void makeMark() {
    var maker = new MarkMaker(desk, this::backToPages, marks::fill);
    middle.setCenter(maker);
  }

  /** The pages are seen again where a mark was being made. */
  private void seePages() {
    if (middle.getCenter() != pages) {
      middle.setCenter(pages);
    }
  }

  private void backToPages() {
    seePages();
    below.show("side-marks");
    pages.requestFocus();
  }

  /** Whether a change is one to the text at the caret, not to a style or to something elsewhere. */
  private static boolean changedAtCaret(Revision was, Revision is) {
    Position caret = is.selection().caret();
    return !caret.equals(was.selection().caret())
        || was.document().paragraph(caret.paragraph()).orElse(null)
            != is.document().paragraph(caret.paragraph()).orElse(null);
  }

  private @Nullable Layout shown;

  private void showPages() {
    Layout next = work.layout();
    Optional<CaretPlace> caret = editor.caretOnPages().in(next);
    int now = caret.map(c -> c.page().number() - 1).orElse(-1);
    // What is at the top of the view stays there, whatever the pages before it come to.
    Optional<Layout> before = Optional.ofNullable(shown);
    Optional<Position> anchor = before.flatMap(this::topOfView);
    double was =
        before.flatMap(b -> anchor.flatMap(b::caret)).map(this::heightOf).orElse(Double.NaN);
    double top = pages.scrollProperty().get();
    pages.show(new PublishedPages(next, work.painter()), now);
    double is = anchor.flatMap(next::caret).map(this::heightOf).orElse(Double.NaN);
    if (Math.abs(is - was) > 0.5) {
      pages.scrollTo(top + is - was);
    }
    shown = next;
  }

  private double heightOf(CaretPlace c) {
    return pages.heightAbove(c.page().number() - 1, c.top());
  }

  /** The first place of the text that is in sight. */
  private Optional<Position> topOfView(Layout layout) {
    return pages
        .pagePoint(pages.getWidth() / 2, 4)
        .filter(p -> p.page() < layout.pages().size())
        .flatMap(p -> layout.positionAt(layout.pages().get(p.page()), p.x(), p.y()));
  }

  private void jump(NodeId heading) {
    work.select(Selection.at(new Position(heading, 0)));
    reveal();
    pages.requestFocus();
  }

  private void reveal() {
    seePages();
    editor.revealCaret();
    Position anchor = work.revision().selection().anchor();
    editor
        .caretOnPages()
        .of(anchor)
        .ifPresentOrElse(
            c -> pages.reveal(c.page().number() - 1, c.top(), c.top() + c.height()),
            () -> // on a page that is pinned
            work.layout()
                    .place(anchor.paragraph())
                    .ifPresent(p -> pages.reveal(p.page().number() - 1, p.top(), p.top() + 20)));
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public Node keyboard() {
    return pages;
  }

  @Override
  public void shown() {
    inSight.begin();
    below.begin();
  }

  @Override
  public void hidden() {
    inSight.end();
    below.end();
  }

  /**
   * Registers what can be done to a document.
   *
   * @param window that choosers of files belong to
   * @param current the stage, if it is in sight
   */
  public static void register(
      Actions actions, Desk desk, Supplier<Window> window, Supplier<Optional<ReviseView>> current) {
    back(actions, desk, "undo", "Shortcut+Z", Revision::undo);
    back(actions, desk, "redo", "Shortcut+Shift+Z, Shortcut+Y", Revision::redo);
    actions.add(
        "find",
        "Shortcut+F",
        () -> desk.work().isPresent(),
        () -> {
          desk.go(StageName.REVISE);
          current.get().ifPresent(v -> v.find.open());
        });
    edit(actions, desk, "bold", "Shortcut+B", r -> toggle(r, "bold", TextTraits.BOLD));
    edit(actions, desk, "italic", "Shortcut+I", r -> toggle(r, "italic", TextTraits.ITALIC));
    edit(
        actions,
        desk,
        "underline",
        "Shortcut+U",
        r -> toggle(r, "underline", TextTraits.UNDERLINE));
    ParagraphActions.register(actions, desk);
    actions.addOnPage(
        "paste-text",
        "Shortcut+Shift+V",
        () -> canChange(desk),
        () -> desk.work().ifPresent(PageClipboard::pasteText));
    PictureActions.register(
        actions, desk, window, () -> current.get().map(v -> v.editor.handles()));
    FilesPanel.register(actions, desk, window);
    LookActions.register(actions, desk, () -> current.get().map(v -> v.laying));
    ListActions.register(actions, desk);
    TableActions.register(actions, desk);
    PageActions.register(actions, desk, () -> current.get().map(v -> v.editor));
    registerSight(actions, current);
  }

  /** What can be done to what is seen of it. */
  private static void registerSight(Actions actions, Supplier<Optional<ReviseView>> current) {
    for (String panel :
        List.of("side-outline", "side-styles", "side-details", "side-pages", "side-marks")) {
      actions.add(
          panel,
          "",
          () -> current.get().isPresent(),
          () -> current.get().ifPresent(v -> v.below.show(panel)));
    }
    actions.add(
        "new-mark",
        "",
        () -> current.get().isPresent(),
        () -> current.get().ifPresent(ReviseView::makeMark));
    actions.add(
        "all-pages",
        "",
        () -> current.get().isPresent(),
        () -> current.get().ifPresent(ReviseView::showAll));
    zoom(
        actions,
        "zoom-in",
        "Shortcut+Equals",
        current,
        p -> p.setZoom(p.zoomProperty().get() * 1.15));
    zoom(
        actions,
        "zoom-out",
        "Shortcut+Minus",
        current,
        p -> p.setZoom(p.zoomProperty().get() / 1.15));
    zoom(actions, "zoom-width", "Shortcut+9", current, PagesView::fitWidth);
  }

  private static Revision toggle(Revision r, String name, Trait<Boolean> trait) {
    return Commands.toggle(r, name, trait);
  }

  private static void zoom(
      Actions actions,
      String id,
      String shortcut,
      Supplier<Optional<ReviseView>> current,
      Consumer<PagesView> change) {
    actions.add(
        id,
        shortcut,
        () -> current.get().isPresent(),
        () -> current.get().ifPresent(v -> change.accept(v.pages)));
  }

  private static boolean revising(Desk desk) {
    return desk.work().isPresent() && desk.stepProperty().get() == StageName.REVISE;
  }

  /** Changes are made, and taken back, where they can be seen. */
  private static boolean changing(Desk desk) {
    return revising(desk)
        || desk.work().isPresent() && desk.stepProperty().get() == StageName.TAKE_IN;
  }

  /** Whether a change can be made to what is selected: not on a page that stays as it was. */
  static boolean canChange(Desk desk) {
    return revising(desk) && desk.work().filter(w -> !onPinned(w)).isPresent();
  }

  private static boolean onPinned(Work w) {
    return w.revision().document().isPinned(w.revision().selection().caret().paragraph());
  }

  static void edit(
      Actions actions, Desk desk, String id, String shortcut, UnaryOperator<Revision> change) {
    actions.addOnPage(
        id, shortcut, () -> canChange(desk), () -> desk.work().ifPresent(w -> w.apply(change)));
  }

  /** A change that is offered only where it means something. */
  static void editWhere(
      Actions actions,
      Desk desk,
      String id,
      Predicate<Revision> applies,
      UnaryOperator<Revision> change) {
    actions.addOnPage(
        id,
        "",
        () -> canChange(desk) && desk.work().filter(w -> applies.test(w.revision())).isPresent(),
        () -> desk.work().ifPresent(w -> w.apply(change)));
  }

  private static void back(
      Actions actions, Desk desk, String id, String shortcut, UnaryOperator<Revision> change) {
    actions.addOnPage(
        id, shortcut, () -> changing(desk), () -> desk.work().ifPresent(w -> w.apply(change)));
  }
}
