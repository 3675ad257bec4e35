package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.revise.PictureActions;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.PlacedObject;
import decant.layout.Places;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.edit.object.ObjectEdits;
import decant.model.edit.object.ObjectEdits.Wrapping;
import decant.model.look.Look;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Pictures are selected and changed by pointer and keys, and text is dragged to its place. */
class ObjectsAndMovingTest extends WindowCase {
  private static final double MM = 72 / 25.4;

  private Work work;

  @BeforeEach
  void document() {
    work =
        window.takeIn(
            Made.docx(
                folder.resolve("Rules.docx"),
                Made.text("Fenders hang on both sides", Look.PLAIN),
                Made.text(Made.PROSE, Look.PLAIN)));
    window.go(StageName.REVISE);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
  }

  private Path picture(String name, int w, int h) throws IOException {
    Path file = folder.resolve(name);
    ImageIO.write(new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB), "png", file.toFile());
    return file;
  }

  private Paragraph paragraph(int k) {
    return document(work).paragraphs().get(k);
  }

  /** A picture of 150 by 75 points at the start of the text. */
  private void put() throws IOException {
    Path file = picture("Crane.png", 200, 100);
    caret(work, paragraph(0).id(), 0);
    Window.run(() -> PictureActions.put(window.desk, work, file));
    window.settle();
  }

  private PlacedObject placed() {
    return Window.on(() -> PlacedObject.find(work.layout(), pictureAt(), 0).orElseThrow().object());
  }

  private Position pictureAt() {
    for (Paragraph p : document(work).paragraphs()) {
      int at = p.text().indexOf(Inline.OBJECT);
      if (at >= 0) {
        return new Position(p.id(), at);
      }
    }
    throw new AssertionError("no picture");
  }

  private Inline.Picture shown() {
    Position at = pictureAt();
    return (Inline.Picture)
        document(work)
            .requireParagraph(at.paragraph())
            .slice(at.offset(), at.offset() + 1)
            .getFirst();
  }

  private void clickPicture() {
    PlacedObject o = placed();
    window.clickPage(0, o.box().x() + 20, o.box().y() + 20, 1);
    window.until(() -> ObjectEdits.selected(work.revision()).isPresent());
  }

  @Test
  void aPictureIsSelectedSizedByItsHandlesAndUndone() throws IOException {
    put();
    clickPicture();
    window.until(() -> window.find("#object-panel", javafx.scene.Node.class).isVisible());
    assertThat(window.find("#look-selected", Label.class).getText()).isEqualTo("A picture");
    PlacedObject o = placed();
    assertThat(o.box().width()).isEqualTo(150, within(0.1));
    window.drag(
        "#pages",
        0,
        o.box().right(),
        o.box().bottom(),
        o.box().right() - 50,
        o.box().bottom() - 25);
    assertThat(shown().width()).isEqualTo(100, within(2.0));
    assertThat(shown().width() / shown().height())
        .as("a corner keeps the ratio")
        .isEqualTo(2, within(1e-6));
    PlacedObject smaller = placed();
    window.drag(
        "#pages",
        0,
        smaller.box().right(),
        smaller.box().y() + smaller.box().height() / 2,
        smaller.box().right() + 30,
        smaller.box().y() + smaller.box().height() / 2);
    assertThat(shown().height()).isEqualTo(smaller.box().height(), within(0.1));
    assertThat(shown().width()).isEqualTo(smaller.box().width() + 30, within(2.0));
    window.press(KeyCode.CONTROL, KeyCode.Z);
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(shown().width()).isEqualTo(150, within(0.1));
    window.press(KeyCode.DELETE);
    assertThat(document(work).paragraphs().getFirst().text()).doesNotContain("\uFFFC");
  }

  /** The handle above a picture turns it around its middle and stops at right angles. */
  @Test
  void aPictureIsTurnedByItsHandle() throws IOException {
    put();
    clickPicture();
    PlacedObject o = placed();
    double x = o.box().x() + o.box().width() / 2;
    double y = o.box().y() + o.box().height() / 2;
    PagesView view = window.find("#pages", PagesView.class);
    double handle = o.box().y() - 22 / Window.on(view::scale);
    window.drag("#pages", 0, x, handle, x + 100, y + 2);
    assertThat(shown().rotation()).as("to the right").isEqualTo(90);
    assertThat(shown().width()).as("as large as it was").isEqualTo(150, within(0.1));
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(shown().rotation()).isZero();
  }

  @Test
  void itsSizeIsTypedInMillimetres() throws IOException {
    put();
    clickPicture();
    window.until(() -> window.find("#object-width", TextField.class).getText().equals("52.9"));
    window.fill("#object-width", "40");
    window.press(KeyCode.ENTER);
    assertThat(shown().width()).isEqualTo(40 * MM, within(0.01));
    assertThat(shown().height()).isEqualTo(20 * MM, within(0.01));
    window.fill("#object-turned", "30");
    window.press(KeyCode.ENTER);
    assertThat(shown().rotation()).isEqualTo(30);
    fire("#object-turn-object");
    assertThat(shown().rotation()).isEqualTo(120);
    window.fill("#object-alt", "the crane");
    window.press(KeyCode.ENTER);
    assertThat(shown().alt()).isEqualTo("the crane");
  }

  @Test
  void textRunsBesideItAndItIsMovedByPointerAndKeys() throws IOException {
    put();
    clickPicture();
    PlacedObject was = placed();
    choose("#object-wrap", "Text at its sides");
    assertThat(ObjectEdits.wrapping(shown())).isEqualTo(Wrapping.AROUND);
    assertThat(placed().box().x()).isEqualTo(was.box().x(), within(0.5));
    PlacedObject beside = placed();
    double x = beside.box().x() + 40;
    double y = beside.box().y() + 30;
    window.drag("#pages", 0, x, y, x + 120, y + 60);
    assertThat(placed().box().x()).isEqualTo(beside.box().x() + 120, within(2.0));
    assertThat(placed().box().y()).isEqualTo(beside.box().y() + 60, within(2.0));
    PlacedObject moved = placed();
    Window.run(() -> window.find("#pages", PagesView.class).requestFocus());
    window.press(KeyCode.ALT, KeyCode.RIGHT);
    assertThat(placed().box().x()).isEqualTo(moved.box().x() + MM, within(0.1));
    fire("#object-on-page");
    assertThat(ObjectEdits.isOnPage(shown())).isTrue();
    assertThat(placed().box().y()).isEqualTo(moved.box().y(), within(0.1));
  }

  @Test
  void itIsCroppedAndReplacedInItsPlace() throws IOException {
    put();
    clickPicture();
    fire("#object-crop");
    PlacedObject o = placed();
    double middle = o.box().y() + o.box().height() / 2;
    window.drag("#pages", 0, o.box().right(), middle, o.box().right() - 75, middle);
    assertThat(shown().crop().right()).isEqualTo(0.5, within(0.02));
    assertThat(shown().width()).isEqualTo(75, within(2.0));
    assertThat(shown().height()).isEqualTo(75, within(0.1));
    Path other = picture("Gauge.png", 100, 100);
    Window.run(() -> PictureActions.replace(window.desk, work, other));
    assertThat(shown().crop().right()).isZero();
    assertThat(shown().width()).isEqualTo(75, within(2.0));
    Path saved = folder.resolve("saved.png");
    Window.run(() ->
        PictureActions.write(
            window.desk, saved, work.revision().document().media().get(shown().media())));
    assertThat(saved).hasSameBinaryContentAs(other);
  }

  @Test
  void aPictureInTheLineIsDraggedToAnotherPlaceOfTheText() throws IOException {
    put();
    clickPicture();
    PlacedObject o = placed();
    Places.PlacedLine to = line(1);
    double x = to.x() + Window.on(() -> Places.xOf(to, 6));
    window.drag("#pages", 0, o.box().x() + 20, o.box().y() + 20, x, to.top() + 5);
    assertThat(paragraph(0).text()).isEqualTo("Fenders hang on both sides");
    assertThat(paragraph(1).text()).startsWith("Lines \uFFFCmust");
    assertThat(Window.on(() -> ObjectEdits.selected(work.revision()))).isPresent();
  }

  private Places.PlacedLine line(int paragraph) {
    return Window.on(() ->
        Places.lines(work.layout().pages().getFirst()).stream()
            .filter(l -> l.paragraph().source().id().equals(paragraph(paragraph).id()))
            .findFirst()
            .orElseThrow());
  }

  @Test
  void wordsAreDraggedAndAClickOnThemPlacesTheCaret() {
    Places.PlacedLine first = line(0);
    double y = first.top() + 6;
    window.clickPage(0, first.x() + Window.on(() -> Places.xOf(first, 3)), y, 2);
    Places.PlacedLine to = line(1);
    double end = to.x() + Window.on(() -> Places.xOf(to, 6));
    window.drag(
        "#pages", 0, first.x() + Window.on(() -> Places.xOf(first, 4)), y, end, to.top() + 5);
    assertThat(paragraph(0).text()).isEqualTo(" hang on both sides");
    assertThat(paragraph(1).text()).startsWith("Lines Fendersmust");
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(paragraph(0).text()).isEqualTo("Fenders hang on both sides");
    assertThat(paragraph(1).text()).startsWith("Lines must");
    window.clickPage(0, first.x() + Window.on(() -> Places.xOf(first, 3)), y, 2);
    assertThat(Window.on(() -> work.revision().selection().isCaret())).isFalse();
    window.settle();
    try {
      Thread.sleep(700); // no third click of the same place
    } catch (InterruptedException e) {
      throw new AssertionError(e);
    }
    window.clickPage(0, first.x() + Window.on(() -> Places.xOf(first, 5)), y, 1);
    assertThat(Window.on(() -> work.revision().selection().isCaret())).isTrue();
    assertThat(Window.on(() -> work.revision().selection().caret().offset())).isEqualTo(5);
  }
}
