package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Outline;
import java.io.IOException;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;

/** The job from a PDF that is taken in to a PDF that is published and verified. */
class WholeJobTest extends WindowCase {
  private String focus() {
    return Window.on(() -> {
      Node n = window.stage.getScene().getFocusOwner();
      return n == null || n.getId() == null ? "" : n.getId();
    });
  }

  /** By keys alone: no pointer, no call into the program but to look at what came of them. */
  @Test
  void isDoneWithTheKeyboardAlone() throws IOException {
    Path source = Made.letter(folder.resolve("Letter.pdf"));
    Window.run(() -> window.desk.tray().used(source)); // it lies in the tray from another day
    window.press(KeyCode.CONTROL, KeyCode.DIGIT0);
    window.until(() -> focus().equals("tray-list"));
    Window.run(() -> list("#tray-list").getSelectionModel().clearSelection());
    window.press(KeyCode.HOME);
    window.press(KeyCode.ENTER);
    window.until(() -> window.desk.work().isPresent());
    Work work = window.work();
    assertThat(Window.on(() -> window.desk.stepProperty().get())).isEqualTo(StageName.TAKE_IN);
    // The possible heading is found and mended.
    window.until(() -> focus().equals("findings"));
    int headings = Outline.headings(document(work)).size();
    boolean found = false;
    for (int k = 0; k < 12 && !found; k++) {
      window.press(KeyCode.DOWN);
      found =
          Window.on(() ->
              work.shownFindingProperty()
                  .get()
                  .filter(f -> f.kind() == decant.model.finding.Finding.Kind.HEADING_SUSPECTED)
                  .isPresent());
    }
    assertThat(found).isTrue();
    window.press(KeyCode.ENTER); // what the entry offers first
    window.until(() -> Outline.headings(document(work)).size() == headings + 1);
    // Revised: a word is typed at the end of the title.
    window.press(KeyCode.CONTROL, KeyCode.DIGIT2);
    window.until(() -> focus().equals("pages"));
    window.press(KeyCode.CONTROL, KeyCode.HOME);
    window.press(KeyCode.END);
    window.type(" of the quay");
    assertThat(document(work).paragraphs().getFirst().text()).isEqualTo("Berth rules of the quay");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    window.press(KeyCode.ESCAPE);
    // Published as it is.
    window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
    window.until(() -> focus().equals("proof-revision"));
    window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
    window.until(() -> focus().equals("publish-recipe"));
    window.press(KeyCode.CONTROL, KeyCode.ENTER);
    window.until(() -> work.receiptProperty().get().isPresent());
    verified(work, "Letter published.pdf", "Berth rules of the quay");
  }

  @Test
  void isDoneInASmallWindow() throws IOException {
    Window.run(() -> {
      window.stage.setWidth(1024);
      window.stage.setHeight(700);
    });
    Path source = Made.letter(folder.resolve("Letter.pdf"));
    Work work = window.takeIn(source);
    Window.run(() -> list("#findings").getSelectionModel().select(0));
    window.settle();
    window.click("#finding-accept");
    window.clickLabelled("Revise the document");
    window.until(() -> window.desk.stepProperty().get() == StageName.REVISE);
    window.press(KeyCode.CONTROL, KeyCode.HOME);
    window.press(KeyCode.END);
    window.type(" of the quay");
    window.go(StageName.PROOF);
    window.go(StageName.PUBLISH);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    verified(work, "Letter published.pdf", "Berth rules of the quay");
    window.click("#receipt-open");
    window.until(() -> window.desk.stepProperty().get() == StageName.PROOF);
  }

  private void verified(Work work, String name, String title) throws IOException {
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified())).isTrue();
    try (PDDocument pdf = Loader.loadPDF(folder.resolve(name).toFile())) {
      var outline = pdf.getDocumentCatalog().getDocumentOutline();
      assertThat(outline.getFirstChild().getTitle()).isEqualTo(title);
      assertThat(outline.getFirstChild().getFirstChild().getTitle())
          .isEqualTo("What fenders are for");
    }
  }
}
