package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.revise.PictureActions;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.PlacedObject;
import decant.layout.Places;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.edit.object.ObjectEdits;
import decant.model.look.Look;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Headers and footers are written in on the page, like everything else. */
class RunningTextsTest extends WindowCase {
  private Work made() {
    decant.model.Block[] blocks =
        Collections.nCopies(40, 0).stream()
            .map(k -> Made.text(Made.PROSE.repeat(3), Look.PLAIN))
            .toArray(decant.model.Block[]::new);
    Work w = window.takeIn(Made.docx(folder.resolve("Rules.docx"), blocks));
    window.go(StageName.REVISE);
    settled();
    return w;
  }

  /** By the command field. */
  private void act(String name) {
    window.press(KeyCode.CONTROL, KeyCode.K);
    window.type(name);
    window.press(KeyCode.ENTER);
    window.settle();
  }

  private String running(Work w, int page) {
    return Window.on(() -> {
      Layout l = w.layout();
      var out = new StringBuilder();
      Places.lines(l.running(l.pages().get(page)))
          .forEach(x -> out.append(x.paragraph().source().text()));
      return out.toString();
    });
  }

  private Position caret(Work w) {
    return Window.on(() -> w.revision().selection().caret());
  }

  @Test
  void aHeaderIsMadeWrittenInAndLeft() {
    Work work = made();
    NodeId first = document(work).index().order().getFirst();
    caret(work, first, 4);
    act("write in the header");
    window.type("Saltmarsh Quay");
    assertThat(running(work, 0)).isEqualTo("Saltmarsh Quay");
    assertThat(running(work, 3)).isEqualTo("Saltmarsh Quay");
    window.until(() -> window.find("#running-panel", javafx.scene.Node.class).isVisible());
    int pages = Window.on(() -> work.layout().pages().size());
    assertThat(Window.on(() -> window.find("#running-pages", Label.class).getText()))
        .contains("on " + pages + " pages");
    window.press(KeyCode.ESCAPE);
    assertThat(caret(work)).isEqualTo(new Position(first, 4));
    window.until(() -> !window.find("#running-panel", javafx.scene.Node.class).isVisible());
    for (int k = 0; k < 20 && Window.on(() -> work.revision().canUndo()); k++) {
      window.press(KeyCode.CONTROL, KeyCode.Z);
    }
    assertThat(document(work).sections()).allMatch(s -> s.running().isEmpty());
  }

  @Test
  void aClickOnAHeaderPutsTheCaretThereOnThatPage() {
    Work work = made();
    act("write in the header");
    window.type("Berths");
    NodeId header = caret(work).paragraph();
    window.press(KeyCode.ESCAPE);
    window.press(KeyCode.PAGE_DOWN);
    window.press(KeyCode.PAGE_DOWN);
    settled();
    int page = 2;
    CaretPlace there =
        Window.on(() -> work.layout().caret(new Position(header, 3), page).orElseThrow());
    PagesView view = window.find("#pages", PagesView.class);
    Window.run(() -> view.reveal(page, there.top(), there.top() + 60));
    window.settle();
    double share = Window.on(view::scrollShare);
    window.clickPage(page, there.x(), there.top() + there.height() / 2, 1);
    assertThat(caret(work)).isEqualTo(new Position(header, 3));
    window.type("s");
    settled();
    assertThat(Window.on(view::scrollShare)).as("the view stays").isEqualTo(share);
    assertThat(running(work, 0)).isEqualTo("Bersths");
    window.press(KeyCode.DOWN);
    assertThat(Window.on(() -> work.layout().caret(caret(work)).orElseThrow().page().number()))
        .as("down goes into the text of this page")
        .isEqualTo(page + 1);
    assertThat(caret(work).paragraph()).isNotEqualTo(header);
  }

  @Test
  void allOfAHeaderIsSelectedAndReplacedAndItsPageNumberCounts() {
    Work work = made();
    act("write in the footer");
    window.type("wrong");
    window.press(KeyCode.CONTROL, KeyCode.A);
    Selection s = Window.on(() -> work.revision().selection());
    assertThat(s.caret().offset() - s.anchor().offset()).isEqualTo(5);
    window.type("Page ");
    act("put the page number");
    settled();
    List<String> shown =
        Window.on(() -> {
          Layout l = work.layout();
          return l.pages().stream()
              .map(p -> {
                var out = new StringBuilder();
                Places.lines(l.running(p)).getFirst().line().items().stream()
                    .filter(decant.layout.item.Item.GlyphRun.class::isInstance)
                    .map(decant.layout.item.Item.GlyphRun.class::cast)
                    .forEach(r -> out.append(r.shown().text()));
                return out.toString();
              })
              .toList();
        });
    assertThat(shown.get(0)).isEqualTo("Page 1");
    assertThat(shown.get(2)).isEqualTo("Page 3");
    act("remove this header");
    assertThat(document(work).sections())
        .allMatch(x -> !x.running().containsKey(Section.Running.FOOTER));
  }

  /** The headers of a PDF stand as they were until one is written in; then they are the text. */
  @Test
  void theHeaderOfAPdfIsReachedWhereItStands() {
    Work work = revise("Berth rules.pdf");
    Layout l = Window.on(work::layout);
    int page = 2;
    Section s = l.document().sections().get(l.pages().get(page).section());
    assertThat(s.running()).as("the rules have running texts").isNotEmpty();
    NodeId text = s.running().values().iterator().next().blocks().getFirst().id();
    CaretPlace there = Window.on(() -> l.caret(new Position(text, 2), page).orElseThrow());
    PagesView view = window.find("#pages", PagesView.class);
    Window.run(() -> view.reveal(page, there.top(), there.top() + there.height()));
    window.settle();
    window.clickPage(page, there.x(), there.top() + there.height() / 2, 1);
    assertThat(caret(work)).isEqualTo(new Position(text, 2));
    window.type("x");
    settled();
    assertThat(document(work).requireParagraph(text).text().charAt(2)).isEqualTo('x');
    Window.run(() -> {
      CaretPlace now = work.layout().caret(caret(work), page).orElseThrow();
      assertThat(now.page().number()).isEqualTo(page + 1);
    });
  }

  /** The command goes to the header of the page that the caret is on. */
  @Test
  void theFirstPageHasItsOwnWhereItIsWanted() {
    Work work = made();
    NodeId first = document(work).index().order().getFirst();
    act("write in the header");
    window.type("Berths");
    window.until(() -> window.find("#running-panel", javafx.scene.Node.class).isVisible());
    fire("#running-first");
    settled();
    assertThat(running(work, 0)).isEmpty();
    assertThat(running(work, 1)).isEqualTo("Berths");
    caret(work, first, 0);
    act("write in the header");
    window.type("Notice");
    assertThat(running(work, 0)).isEqualTo("Notice");
    assertThat(running(work, 1)).isEqualTo("Berths");
    window.until(() -> window.find("#running-first", CheckBox.class).isSelected());
    fire("#running-first");
    assertThat(running(work, 0)).isEqualTo("Berths");
  }

  /** A logo in a header is the same on all pages; it is taken hold of on the page it is seen on. */
  @Test
  void aPictureInAHeaderIsSelectedSizedAndMovedOnThePageItIsSeenOn() throws IOException {
    Work work = made();
    act("write in the header");
    NodeId header = caret(work).paragraph();
    Path file = folder.resolve("Logo.png");
    ImageIO.write(new BufferedImage(200, 100, BufferedImage.TYPE_INT_RGB), "png", file.toFile());
    Window.run(() -> PictureActions.put(window.desk, work, file));
    window.settle();
    window.press(KeyCode.ESCAPE);
    window.press(KeyCode.PAGE_DOWN);
    window.press(KeyCode.PAGE_DOWN);
    settled();
    int page = 2;
    var at = new Position(header, 0);
    PlacedObject logo = logo(work, at, page);
    PagesView view = window.find("#pages", PagesView.class);
    Window.run(() -> view.reveal(page, logo.box().y(), logo.box().bottom()));
    settled();
    window.clickPage(page, logo.box().x() + 20, logo.box().y() + 20, 1);
    window.until(() -> ObjectEdits.selected(work.revision()).isPresent());
    assertThat(Window.on(() -> view.lookupAll(".object-handle").size()))
        .as("handles on one page: eight, and one that turns")
        .isEqualTo(9);
    window.drag(
        "#pages",
        page,
        logo.box().right(),
        logo.box().bottom(),
        logo.box().right() - 50,
        logo.box().bottom() - 25);
    PlacedObject smaller = logo(work, at, page);
    assertThat(smaller.box().width()).isEqualTo(logo.box().width() - 50, within(2.0));
    assertThat(logo(work, at, 0).box()).as("on all pages").isEqualTo(smaller.box());
    choose("#object-wrap", "Behind the text");
    PlacedObject beside = logo(work, at, page);
    assertThat(beside.box().x()).isEqualTo(smaller.box().x(), within(0.5));
    assertThat(beside.box().y()).isEqualTo(smaller.box().y(), within(0.5));
    double x = beside.box().x() + 20;
    double y = beside.box().y() + 20;
    window.drag("#pages", page, x, y, x + 120, y + 10);
    assertThat(logo(work, at, 1).box().x()).isEqualTo(beside.box().x() + 120, within(2.0));
    assertThat(logo(work, at, 1).box().y()).isEqualTo(beside.box().y() + 10, within(2.0));
    window.press(KeyCode.DELETE);
    assertThat(document(work).requireParagraph(header).text()).isEmpty();
  }

  private static PlacedObject logo(Work work, Position at, int page) {
    return Window.on(
        () -> PlacedObject.of(work.layout(), work.layout().pages().get(page), at).orElseThrow());
  }
}
