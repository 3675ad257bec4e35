package decant.desktop.pinned;

import decant.blanks.Blank;
import decant.blanks.Blanks;
import decant.desktop.page.PagesView;
import decant.desktop.shell.Desk;
import decant.desktop.shell.FileToOpen;
import decant.desktop.shell.InSight;
import decant.desktop.shell.LongChange;
import decant.desktop.shell.QuietButton;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.format.Intake;
import decant.model.Box;
import decant.model.Document;
import decant.model.Pinned;
import decant.model.edit.Revision;
import decant.pin.PageOrder;
import decant.pin.PinnedPages;
import decant.pin.Pinning;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.recipe.PageRange;
import decant.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/**
 * What can be done to the page in sight where it is pinned: it is turned, cropped, put elsewhere.
 */
public final class PageOrderPanel extends VBox {
  private static final Words WORDS = Words.of(PageOrderPanel.class);

  /** Buttons stand beside each other as far as the side is wide, in pixels. */
  private static final double WIDTH = 275;

  private final Desk desk;
  private final Work work;
  private final PageActs acts;
  private final Runnable large;
  private final PagesView view;
  private final CropDrag crop;
  private final TextPlacing writing;
  private final Label which = new Label();
  private final Label says = new Label();
  private final TextField to = new TextField();
  private final TextField some = new TextField();
  private final List<Button> onPage;
  private final List<Button> onOrder;
  private final Button pinAll;
  private final Button write;
  private final CheckBox keepOld = new CheckBox(WORDS.say("page-order-panel.keep-old"));
  private final ChangedPdf changed;

  /**
   * @param view shows the pages; what is done is done to the one in its middle
   * @param all shows all of them, small
   * @param large shows the one again
   */
  public PageOrderPanel(
      Desk desk, Work work, PagesView view, InSight inSight, Runnable all, Runnable large) {
    this.large = large;
    super(8);
    this.desk = desk;
    this.work = work;
    this.acts = new PageActs(desk, work);
    this.view = view;
    this.crop = new CropDrag(view, this::crop);
    this.writing = new TextPlacing(view, work, desk::tell);
    setId("page-order");
    which.setId("page-order-which");
    says.setId("page-order-says");
    says.setWrapText(true);
    says.getStyleClass().add("quiet");
    says.managedProperty().bind(says.textProperty().isNotEmpty());
    onPage =
        List.of(
            act("page-turn-left", "page-order-panel.turn-left", () -> turn(3)),
            act("page-turn-right", "page-order-panel.turn-right", () -> turn(1)),
            act("page-crop", "page-order-panel.crop", () -> begin(crop::begin)),
            act("page-write", "page-order-panel.write", () -> begin(writing::begin)));
    onOrder =
        List.of(
            act("page-earlier", "page-order-panel.earlier", () -> move(-1)),
            act("page-later", "page-order-panel.later", () -> move(1)),
            act("page-away", "page-order-panel.away", this::away),
            act("page-put-in", "page-order-panel.put-in", this::choose));
    changed = new ChangedPdf(desk, work);
    write =
        act(
            "page-write-file",
            "page-order-panel.write-file",
            () -> changed.write(keepOld.isSelected()));
    write.setTooltip(new Tooltip(WORDS.say("page-order-panel.write-hint")));
    keepOld.setId("page-keep-old");
    pinAll = act("page-pin-all", "page-order-panel.pin-all", this::pinAll);
    to.setId("page-to");
    to.setPrefColumnCount(4);
    to.setPromptText(WORDS.say("page-order-panel.number"));
    to.setAccessibleText(WORDS.say("page-order-panel.to"));
    to.setOnAction(e -> moveTo());
    some.setId("page-some");
    some.setPrefColumnCount(9);
    some.setPromptText(WORDS.say("page-order-panel.all"));
    some.setAccessibleText(WORDS.say("page-order-panel.some"));
    var first = new FlowPane(6, 6);
    first.getChildren().addAll(onPage);
    first.setMaxWidth(WIDTH);
    var second = new FlowPane(6, 6);
    second.setMaxWidth(WIDTH);
    second.getChildren().addAll(onOrder.subList(0, 3));
    getChildren()
        .addAll(
            row(which, act("page-all", "page-order-panel.all-small", all)),
            first,
            second,
            row(new Label(WORDS.say("page-order-panel.to")), to),
            row(onOrder.getLast(), some),
            write,
            keepOld,
            pinAll,
            says);
    inSight.atRest(work.layoutProperty(), this::refresh);
    inSight.atRest(view.scrollProperty(), this::refresh);
    inSight.on(crop.activeProperty(), this::refresh);
    inSight.on(writing.activeProperty(), this::refresh);
    refresh();
  }

  private static HBox row(javafx.scene.Node... nodes) {
    var row = new HBox(8, nodes);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return row;
  }

  private static Button act(String id, String key, Runnable run) {
    return QuietButton.of(id, WORDS.say(key), run);
  }

  /** What is drawn over a page. */
  public List<javafx.scene.Node> over(int page, double scale) {
    var out = new ArrayList<>(crop.over(page, scale));
    out.addAll(writing.over(page, scale));
    return out;
  }

  /** The page in the middle of the view, from 0. */
  private Optional<Integer> page() {
    return view.pagePoint(view.getWidth() / 2, view.viewHeight() / 2)
        .map(PagesView.PagePoint::page)
        .filter(p -> p < work.layout().pages().size());
  }

  private Optional<Pinned> pinned(int page) {
    return acts.pinned(page);
  }

  private void refresh() {
    boolean hasPages = Formats.hasPages(work.taken().origin().format());
    setVisible(hasPages);
    setManaged(hasPages);
    int all = work.layout().pages().size();
    Optional<Integer> page = page();
    which.setText(page.map(p -> WORDS.say("page-order-panel.page", p + 1, all)).orElse(""));
    boolean isPinned = page.flatMap(this::pinned).isPresent();
    boolean free = acts.areFree();
    onPage.forEach(b -> b.setDisable(!isPinned));
    onOrder.forEach(b -> b.setDisable(!free));
    to.setDisable(!free);
    some.setDisable(!free);
    write.setDisable(!free);
    keepOld.setDisable(!free);
    pinAll.setVisible(!free);
    pinAll.setManaged(!free);
    says.setText(
        crop.activeProperty().get()
            ? WORDS.say("page-order-panel.draw")
            : writing.activeProperty().get()
                ? WORDS.say("page-order-panel.click")
                : free
                    ? ""
                    : WORDS.say(
                        isPinned ? "page-order-panel.some-flow" : "page-order-panel.flows"));
  }

  private void turn(int quarters) {
    page().ifPresent(p -> acts.turn(List.of(p), quarters));
  }

  private void begin(Runnable turn) {
    desk.dismiss(); // so that Esc is for the pointer
    large.run();
    turn.run();
  }

  private void crop(int page, Box box) {
    pinned(page)
        .ifPresentOrElse(
            p ->
                acts.start(
                    r -> PageOrder.cropped(r, p, box),
                    WORDS.say("page-order-panel.cropped"),
                    WORDS.say("page-order-panel.too-small")),
            () -> desk.tell(WORDS.say("page-order-panel.flows")));
  }

  private void move(int by) {
    page().ifPresent(at -> move(at, at + by));
  }

  private void moveTo() {
    String typed = to.getText().strip();
    if (typed.matches("\\d{1,6}") && Integer.parseInt(typed) > 0) {
      page().ifPresent(at -> move(at, Integer.parseInt(typed) - 1));
    } else {
      desk.tell(WORDS.say("page-order-panel.no-number", typed));
    }
  }

  private void move(int at, int target) {
    int last = work.layout().pages().size() - 1;
    int goal = Math.clamp(target, 0, last);
    if (goal == at) {
      return;
    }
    acts.place(
        List.of(at),
        goal > at ? goal + 1 : goal,
        now -> {
          to.clear();
          view.reveal(now, 0, 40); // it stays in sight
        });
  }

  private void away() {
    page().ifPresent(p -> acts.away(List.of(p)));
  }

  private void pinAll() {
    PageOrder.Book book = acts.book();
    acts.start(
        r -> {
          Revision after =
              Pinning.pin(
                  r,
                  book.origin(),
                  PinnedPages.unlocked(book.source()),
                  PinnedPages.askedAll(book.source()));
          return Optional.of(after);
        },
        WORDS.say("page-order-panel.all-pinned"),
        "");
  }

  private void choose() {
    FileToOpen.choose(
            desk,
            getScene().getWindow(),
            WORDS.say("page-order-panel.put-in"),
            Formats.pages().name(),
            Formats.pages().extensions())
        .ifPresent(this::putIn);
  }

  /** Puts pages of another file in after the page in sight. */
  public void putIn(Path file) {
    putIn(file, "");
  }

  private void putIn(Path file, String password) {
    String name = String.valueOf(file.getFileName());
    Optional<Pinned> after = page().flatMap(this::pinned);
    PageOrder.Book book = acts.book();
    var range = new PageRange(some.getText());
    desk.tell(WORDS.say("page-order-panel.reading", name));
    var alike = new AtomicBoolean();
    List<ReadProblem> locked = new CopyOnWriteArrayList<>();
    LongChange.start(
        work,
        r -> {
          ReadRequest plain = ReadRequest.of(file);
          ReadRequest request = password.isEmpty() ? plain : plain.withPassword(password);
          if (!Intake.recognise(request).equals(Formats.pages())) {
            throw new ReadProblem(
                ReadProblem.Kind.NOT_SERVED,
                WORDS.say("page-order-panel.not-pages", name, Formats.pages().name()));
          }
          TakenIn taken;
          try {
            taken = Intake.take(request);
          } catch (ReadProblem e) {
            if (!e.isLocked()) {
              throw e;
            }
            locked.add(e);
            return Optional.empty();
          }
          Set<String> fields = fields(r.document());
          alike.set(fields(taken.document()).stream().anyMatch(fields::contains));
          var other = new PageOrder.Other(taken, new KeptPage.InFile(file, password), name);
          List<Integer> pages = range.select(taken.origin().pages());
          return Optional.of(PageOrder.putIn(r, book, after, other, pages));
        },
        desk::tell,
        () ->
            desk.tell(
                WORDS.say(
                    alike.get() ? "page-order-panel.put-alike" : "page-order-panel.put", name)),
        () -> locked.forEach(e -> desk.askPassword(file, e, typed -> putIn(file, typed))));
  }

  /** What the fields of a document are called. */
  private static Set<String> fields(Document d) {
    return Blanks.of(d).stream().map(Blank::name).collect(Collectors.toSet());
  }
}
