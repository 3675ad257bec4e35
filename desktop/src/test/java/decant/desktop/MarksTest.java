package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.mark.MarkMaker;
import decant.desktop.mark.MarksPanel;
import decant.desktop.shell.Work;
import decant.mark.Mark;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.object.ObjectEdits;
import decant.pin.AmendedPages;
import decant.pin.PinnedPages;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Marks made in the window, kept, and placed on pages. */
class MarksTest extends WindowCase {
  private void toMarks() {
    fire("#side-marks");
    window.until(() -> window.has("#marks-panel"));
  }

  private void maker() {
    toMarks();
    window.click("#mark-new");
    window.until(() -> window.has("#mark-maker"));
  }

  /** Drags over the pad along a line, by events as a pointer makes them. */
  private void draw(double... xy) {
    Node pad = window.find("#mark-pad", Node.class);
    for (int k = 0; k < xy.length; k += 2) {
      double x = xy[k];
      double y = xy[k + 1];
      var type =
          k == 0
              ? MouseEvent.MOUSE_PRESSED
              : k + 2 < xy.length ? MouseEvent.MOUSE_DRAGGED : MouseEvent.MOUSE_RELEASED;
      Window.run(() -> {
        Point2D scene = pad.localToScene(x, y);
        Point2D screen = pad.localToScreen(x, y);
        javafx.event.Event.fireEvent(
            pad,
            new MouseEvent(
                type,
                scene.getX(),
                scene.getY(),
                screen.getX(),
                screen.getY(),
                MouseButton.PRIMARY,
                1,
                false,
                false,
                false,
                false,
                type != MouseEvent.MOUSE_RELEASED,
                false,
                false,
                false,
                false,
                true,
                null));
      });
    }
    window.settle();
  }

  private void drawSomething() {
    draw(60, 150, 90, 60, 120, 90, 110, 150, 150, 120, 200, 150, 240, 110, 300, 140, 380, 120);
  }

  private void name(String name) {
    Window.run(() -> window.find("#mark-name", TextField.class).setText(name));
  }

  private void keep() {
    window.until(() -> !window.find("#mark-keep", Button.class).isDisabled());
    fire("#mark-keep");
    window.until(() -> !window.has("#mark-maker"));
  }

  private List<Inline.Picture> pictures(Work work, String alt) {
    return Window.on(() ->
        work.revision().document().paragraphs().stream()
            .map(Paragraph::inlines)
            .flatMap(List::stream)
            .filter(i -> i instanceof Inline.Picture p && p.alt().equals(alt))
            .map(i -> (Inline.Picture) i)
            .toList());
  }

  private String says() {
    return Window.on(() -> window.find("#marks-says", Label.class).getText());
  }

  @Test
  void aDrawnSignatureIsKeptAndPlacedOnThePage() throws Exception {
    Work work = revise("Winter storage notice.docx");
    maker();
    assertThat(Window.on(() -> window.find("#mark-keep", Button.class).isDisabled())).isTrue();
    drawSomething();
    name("My hand");
    keep();
    assertThat(window.desk.marks().contents().marks())
        .singleElement()
        .satisfies(k -> {
          assertThat(k.name()).isEqualTo("My hand");
          assertThat(k.kind()).isEqualTo(Mark.Kind.SIGNATURE);
        });
    fire("#mark-place-0");
    window.until(() -> says().contains("Click"));
    window.clickPage(0, 300, 400, 1);
    window.until(() -> !pictures(work, "Signature: My hand").isEmpty());
    assertThat(says()).isEmpty();
    window.settle();
    assertThat(Window.on(() -> ObjectEdits.selected(work.revision()))).isPresent();
    Inline.Picture p = pictures(work, "Signature: My hand").getFirst();
    var place = (decant.model.look.Placement.Floating) p.placement();
    assertThat(place.across().offset() + p.width() / 2).isCloseTo(300, within(2.0));
    assertThat(place.down().offset() + p.height() / 2).isCloseTo(400, within(2.0));
    Path out = published(work, "Signed");
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(out.toFile())) {
      var image = new org.apache.pdfbox.rendering.PDFRenderer(pdf).renderImageWithDPI(0, 72);
      boolean ink = false;
      for (int x = 150; x < 450; x++) {
        for (int y = 370; y < 430; y++) {
          var c = new Color(image.getRGB(x, y));
          ink |= c.getBlue() > c.getRed() + 40;
        }
      }
      assertThat(ink).as("the blue ink shows where it was put").isTrue();
      assertThat(pdf.getPage(0).getResources().getXObjectNames())
          .anySatisfy(n ->
              assertThat(pdf.getPage(0).getResources().getXObject(n))
                  .isInstanceOf(
                      org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject.class)); // not dots
    }
  }

  @Test
  void escapeLeavesAMarkThatIsBeingPlaced() throws Exception {
    Work work = revise("Winter storage notice.docx");
    window.desk.marks().keep(stamp("Seen"), Optional.empty());
    toMarks();
    Window.run(() -> window.find("#marks-panel", MarksPanel.class).fill());
    var before = document(work);
    fire("#mark-place-0");
    window.until(() -> says().contains("Click"));
    window.press(KeyCode.ESCAPE);
    window.until(() -> says().isEmpty());
    window.clickPage(0, 300, 400, 1);
    window.settle();
    assertThat(document(work)).isSameAs(before);
  }

  private static Mark stamp(String text) throws Exception {
    return decant.mark.Stamp.of(List.of(text), new decant.model.look.Colour(0xB3261E))
        .as(text, Mark.Kind.STAMP, 100);
  }

  @Test
  void aLockedMarkAsksForItsPassphraseOnce() throws Exception {
    Work work = revise("Winter storage notice.docx");
    maker();
    window.click("#mark-way-1");
    Window.run(() -> window.find("#mark-text", TextField.class).setText("Mara Lund"));
    name("Mara");
    Window.run(() -> window.find("#mark-passphrase", PasswordField.class).setText("kelp"));
    window.settle();
    assertThat(Window.on(() -> window.find("#mark-keep", Button.class).isDisabled()))
        .as("never kept open by a slip of the fingers")
        .isTrue();
    Window.run(() -> window.find("#mark-passphrase-again", PasswordField.class).setText("kelp"));
    keep();
    assertThat(window.desk.marks().contents().marks().getFirst().locked()).isTrue();
    fire("#mark-place-0");
    window.until(() -> window.has("#mark-unlock"));
    give("#mark-unlock", "tar");
    window.until(() -> says().contains("password"));
    give("#mark-unlock", "kelp");
    window.until(() -> says().contains("Click"));
    window.clickPage(0, 300, 350, 1);
    window.until(() -> pictures(work, "Signature: Mara").size() == 1);
    fire("#mark-place-0");
    window.until(() -> says().contains("Click"));
    assertThat(window.has("#mark-unlock")).isFalse();
  }

  @Test
  void aStampGoesToThePagesThatAreNamed() throws Exception {
    Work work = revise("Berth rules.pdf");
    Window.run(() ->
        work.apply(r -> {
          try {
            var source =
                new decant.publication.KeptPage.InFile(folder.resolve("Berth rules.pdf"), "");
            return decant.pin.Pinning.pin(
                r,
                work.taken().origin(),
                PinnedPages.unlocked(source),
                List.of(PinnedPages.asked(source, 1)));
          } catch (java.io.IOException e) {
            throw new AssertionError(e);
          }
        }));
    maker();
    window.click("#mark-way-2");
    Window.run(() -> window.find("#mark-lines", TextArea.class).setText("RECEIVED\n30 November"));
    name("Received");
    keep();
    Window.run(() -> window.find("#mark-pages", TextField.class).setText("99"));
    fire("#mark-place-0");
    assertThat(says()).isNotEmpty().doesNotContain("Click");
    Window.run(() -> window.find("#mark-pages", TextField.class).setText("1-3"));
    fire("#mark-place-0");
    window.until(() -> says().contains("Click"));
    window.clickPage(0, 400, 300, 1);
    window.until(() -> pictures(work, "Stamp: Received").size() == 3);
    var pinned = Window.on(() -> decant.pin.Pinning.pages(work.revision().document()).get(1));
    assertThat(AmendedPages.parts(pinned).pictures())
        .anySatisfy(p -> {
          assertThat(p.drawing()).isTrue();
          assertThat(p.box().x() + p.box().width() / 2).isCloseTo(400, within(2.0));
        });
    window.press(KeyCode.CONTROL, KeyCode.Z);
    window.until(() -> pictures(work, "Stamp: Received").isEmpty());
  }

  @Test
  void inkIsTakenFromAPicture() throws Exception {
    revise("Winter storage notice.docx");
    var image = new BufferedImage(600, 300, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(new Color(225, 222, 214));
    g.fillRect(0, 0, 600, 300);
    g.setColor(new Color(20, 30, 110));
    g.setStroke(new java.awt.BasicStroke(8));
    g.drawArc(100, 80, 300, 120, 0, 300);
    g.dispose();
    Path file = folder.resolve("scan.png");
    ImageIO.write(image, "png", file.toFile());
    maker();
    window.click("#mark-way-3");
    Path none = Files.writeString(folder.resolve("none.png"), "no picture");
    take(none);
    window.until(() -> text("#mark-maker").contains("cannot be read"));
    take(file);
    name("Scanned");
    keep();
    Mark m =
        window
            .desk
            .marks()
            .open(window.desk.marks().contents().marks().getFirst(), Optional.empty());
    assertThat(m.picture().type()).isEqualTo("image/svg+xml");
    toMarks();
    fire("#mark-away-0");
    assertThat(window.desk.marks().contents().marks()).hasSize(1); // asked once more
    fire("#mark-away-0");
    assertThat(window.desk.marks().contents().marks()).isEmpty();
  }

  private void take(Path file) {
    Window.run(() -> window.find("#mark-maker", MarkMaker.class).take(file));
  }

  private String text(String root) {
    return Window.on(() ->
        window.find(root, Node.class).lookupAll(".label").stream()
            .map(n -> ((Label) n).getText())
            .reduce("", (a, b) -> a + " " + b));
  }
}
