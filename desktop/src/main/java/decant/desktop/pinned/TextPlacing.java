package decant.desktop.pinned;

import decant.desktop.page.PagesView;
import decant.desktop.page.PointerTurn;
import decant.desktop.shell.LongChange;
import decant.desktop.shell.Work;
import decant.model.Box;
import decant.model.Pinned;
import decant.pdf.amend.TextSpot;
import decant.pin.PagePictures;
import decant.pin.PagePictures.Place.OnPinned;
import decant.pin.PageTexts;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Line;

/** Text that is put on a pinned page where the pointer clicks next. */
public final class TextPlacing implements PointerTurn.Use {
  private static final Words WORDS = Words.of(TextPlacing.class);

  private final PagesView view;
  private final Work work;
  private final Consumer<String> told;
  private final PointerTurn turn;
  private final TextPutField field;
  private Optional<On> on = Optional.empty();

  /**
   * Where on which page text is to stand.
   *
   * @param page of the view, from 0
   */
  private record On(int page, Pinned pinned, TextSpot spot) {}

  /**
   * @param told takes what is to be said of it
   */
  public TextPlacing(PagesView view, Work work, Consumer<String> told) {
    this.view = view;
    this.work = work;
    this.told = told;
    this.turn = new PointerTurn(view, this);
    this.field = new TextPutField(view);
  }

  ReadOnlyBooleanProperty activeProperty() {
    return turn.activeProperty();
  }

  void begin() {
    turn.begin();
  }

  @Override
  public void pointer(MouseEvent e, Optional<PagesView.PagePoint> at) {
    if (e.getEventType() == MouseEvent.MOUSE_CLICKED && e.getButton() == MouseButton.PRIMARY) {
      at.ifPresent(this::open);
    }
  }

  @Override
  public void enter() {
    view.pagePoint(view.getWidth() / 2, view.viewHeight() / 2).ifPresent(this::open);
  }

  private void open(PagesView.PagePoint p) {
    turn.end();
    Optional<Pinned> pinned = work.layout().pinnedAt(p.page());
    if (pinned.isEmpty()) {
      told.accept(WORDS.say("text-placing.flows"));
      return;
    }
    Thread.ofVirtual()
        .start(() -> {
          TextSpot spot;
          try {
            spot = PageTexts.spot(pinned.get(), p.x(), p.y());
          } catch (ReadProblem | RuntimeException | StackOverflowError e) {
            Faults.mended("looking for a place for text", e);
            spot = PageTexts.plain(p.x(), p.y());
          }
          TextSpot at = spot;
          Platform.runLater(() -> open(new On(p.page(), pinned.get(), at)));
        });
  }

  private void open(On there) {
    field.open(
        there.page(),
        box(there.spot()),
        there.spot(),
        text -> put(there, text),
        () -> {
          on = Optional.empty();
          view.refreshOverlays();
        });
    on = Optional.of(there);
    view.refreshOverlays();
  }

  private static Box box(TextSpot s) {
    return new Box(s.x(), s.baseline() - s.size(), 1, s.size() * TextSpot.PITCH);
  }

  /** Puts the text there; the field stays as long as it cannot be. */
  private void put(On there, String text) {
    if (text.isBlank()) {
      field.close();
      return;
    }
    TextSpot spot = field.spot(there.spot());
    var under = new AtomicBoolean();
    var beyond = new AtomicBoolean();
    LongChange.start(
        work,
        r -> {
          under.set(PagePictures.isUnderField(new OnPinned(there.pinned(), box(spot))));
          Optional<PageTexts.Put> put = PageTexts.put(r, there.pinned(), text, spot);
          put.ifPresent(p -> beyond.set(p.beyond()));
          return put.map(PageTexts.Put::revision);
        },
        field::refuse,
        () -> {
          field.close();
          told.accept(
              beyond.get()
                  ? WORDS.say("text-placing.beyond")
                  : WORDS.say(under.get() ? "text-placing.under-field" : "text-placing.done"));
        },
        () -> field.refuse(WORDS.say("text-placing.no-letters")));
  }

  /** What is drawn over a page: where the text will begin. */
  public List<Node> over(int page, double scale) {
    return on.filter(o -> o.page() == page)
        .map(o -> {
          Box b = box(field.spot(o.spot()));
          var line = new Line(b.x() * scale, b.y() * scale, b.x() * scale, b.bottom() * scale);
          line.getStyleClass().add("text-begins");
          return List.<Node>of(line);
        })
        .orElse(List.of());
  }
}
