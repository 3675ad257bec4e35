package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.revise.FilesPanel;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.AttachedFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;

/** Files that a document carries along are attached, described, published and removed. */
class AttachedFilesTest extends WindowCase {
  @Test
  void aFileGoesAlongAndIsTakenAwayAgain() throws IOException {
    Work work = revise("Winter storage notice.docx");
    Path file = Files.writeString(folder.resolve("Charges.csv"), "berth,charge\n12,40\n");
    window.click("#side-files");
    Window.run(() -> FilesPanel.attach(window.desk, work, file));
    window.until(() -> !window.stage.getScene().getRoot().lookupAll(".remove-file").isEmpty());
    Window.run(() -> {
      TextField words = (TextField) window.find("#files-panel", Node.class).lookup(".text-field");
      words.setText("Charges of the season");
      words.getOnAction().handle(null);
    });
    AttachedFile attached = document(work).attachments().getFirst();
    assertThat(attached.description()).isEqualTo("Charges of the season");
    assertThat(attached.bytes()).isEqualTo(Files.readAllBytes(file));
    window.go(StageName.PUBLISH);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    Path out = folder.resolve("Winter storage notice published.pdf");
    try (PDDocument pdf = Loader.loadPDF(out.toFile())) {
      var names = pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames();
      assertThat(names).hasSize(1);
      assertThat(names.values().iterator().next().getEmbeddedFile().toByteArray())
          .isEqualTo(attached.bytes());
    }
    window.go(StageName.REVISE);
    window.until(() -> window.stage.getScene().getRoot().lookup(".remove-file") != null);
    Window.run(() -> ((ButtonBase) window.stage.getScene().lookup(".remove-file")).fire());
    assertThat(document(work).attachments()).isEmpty();
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(document(work).attachments()).hasSize(1);
  }

  @Test
  void whatCannotBeReadIsSaid() {
    Work work = revise("Winter storage notice.docx");
    Window.run(() -> FilesPanel.attach(window.desk, work, folder.resolve("Nowhere.csv")));
    assertThat(notice()).startsWith("Nowhere.csv could not be read");
    assertThat(document(work).attachments()).isEmpty();
  }
}
