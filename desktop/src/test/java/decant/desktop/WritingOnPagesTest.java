package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.shell.Work;
import decant.model.Box;
import decant.pdf.amend.PageLine;
import decant.pin.AmendedPages;
import decant.pin.Pinning;
import decant.reading.ReadProblem;
import java.io.IOException;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Text put on pinned pages, in the window. */
class WritingOnPagesTest extends WindowCase {
  private Work pinned() {
    Work work = revise("Berth rules.pdf");
    fire("#side-pages");
    window.until(() -> window.has("#page-order"));
    fire("#page-pin-all");
    window.until(() -> Window.on(() -> Pinning.pages(work.revision().document()).size()) == 15);
    window.settle();
    return work;
  }

  private static boolean isOpen() {
    return inPopup("#text-put-text", TextArea.class).isPresent();
  }

  private static Optional<PageLine> line(Work work, String text) {
    try {
      return AmendedPages.parts(Pinning.pages(work.revision().document()).get(0)).lines().stream()
          .filter(l -> l.text().equals(text))
          .findFirst();
    } catch (ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  private void write(String text) {
    window.until(WritingOnPagesTest::isOpen);
    Window.run(() -> inPopup("#text-put-text", TextArea.class).orElseThrow().setText(text));
    Window.run(() -> inPopup("#text-put", javafx.scene.control.Button.class).orElseThrow().fire());
  }

  @Test
  void textIsWrittenWhereThePageIsClickedAndUndoneInOneStep() throws IOException {
    Work work = pinned();
    fire("#page-write");
    window.until(() -> window.find("#page-order-says", Label.class).getText().contains("begin"));
    window.clickPage(0, 300, 200, 1);
    write("Received 3 May\nby the office");
    window.until(() -> line(work, "Received 3 May").isPresent());
    Box at = line(work, "Received 3 May").orElseThrow().box();
    assertThat(at.x()).isCloseTo(300, within(1.5));
    assertThat(at.y()).isLessThan(200);
    assertThat(at.bottom()).isGreaterThan(200);
    assertThat(line(work, "by the office")).isPresent();
    assertThat(isOpen()).isFalse();
    try (var pdf = Loader.loadPDF(published(work, "Written").toFile())) {
      var text = new PDFTextStripper();
      text.setEndPage(1);
      assertThat(text.getText(pdf)).contains("Received 3 May", "by the office");
    }
    Window.run(() -> work.apply(r -> r.undo()));
    assertThat(line(work, "Received 3 May")).isEmpty();
  }

  @Test
  void whatCannotBeWrittenIsSaidAndNothingIsLost() {
    Work work = pinned();
    fire("#page-write");
    window.clickPage(0, 300, 200, 1);
    window.until(WritingOnPagesTest::isOpen);
    Window.run(() -> inPopup("#text-put-size", TextField.class).orElseThrow().setText("x"));
    write("Berth 7");
    assertThat(Window.on(() -> inPopup("#text-put-why", Text.class).orElseThrow().getText()))
        .contains("x", "300");
    Window.run(() -> inPopup("#text-put-size", TextField.class).orElseThrow().setText("9"));
    write("\uD80C\uDC00");
    window.until(
        () -> inPopup("#text-put-why", Text.class).orElseThrow().getText().contains("letters"));
    assertThat(Window.on(() -> inPopup("#text-put-text", TextArea.class).orElseThrow().getText()))
        .isEqualTo("\uD80C\uDC00");
    write("Berth 7");
    window.until(() -> line(work, "Berth 7").isPresent());
    assertThat(notice()).contains("stands on the page");
    fire("#page-write");
    window.clickPage(0, 300, 240, 1);
    write("along the quay ".repeat(20));
    window.until(() -> notice().contains("beyond the edge"));
    assertThat(line(work, "Berth 7").orElseThrow().box().height()).isCloseTo(9 * 1.15, within(0.5));
  }

  @Test
  void escapeLeavesThePageAsItIs() {
    Work work = pinned();
    var before = Window.on(() -> work.revision().document());
    fire("#page-write");
    Label says = window.find("#page-order-says", Label.class);
    window.until(() -> says.getText().contains("begin"));
    Window.run(() -> window.find("#pages", PagesView.class).requestFocus());
    window.press(KeyCode.ESCAPE);
    window.until(() -> says.getText().isEmpty());
    window.clickPage(0, 300, 200, 1);
    window.settle();
    assertThat(isOpen()).isFalse();
    assertThat(Window.on(() -> work.revision().document())).isSameAs(before);
  }
}
