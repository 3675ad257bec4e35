package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.shell.StageName;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A folder published from the window. */
class RunsTest extends WindowCase {
  private Path source;
  private Path destination;

  @BeforeEach
  void tree() throws IOException {
    source = Files.createDirectories(folder.resolve("Archive"));
    destination = folder.resolve("Archive published");
    copyTree(DEMO.resolve("Archive/Notices"), source.resolve("Notices"));
    Files.copy(DEMO.resolve("Berth application.pdf"), source.resolve("Berth application.pdf"));
    Files.writeString(source.resolve("damaged.docx"), "PK\u0003\u0004 and no more");
    Files.createFile(source.resolve("empty.docx"));
  }

  private static void copyTree(Path from, Path to) throws IOException {
    try (Stream<Path> all = Files.walk(from)) {
      for (Path p : all.toList()) {
        Path at = to.resolve(from.relativize(p).toString());
        if (Files.isDirectory(p)) {
          Files.createDirectories(at);
        } else {
          Files.copy(p, at);
        }
      }
    }
  }

  private void folders() {
    Window.run(() -> window.desk.go(StageName.RUNS));
    window.settle();
    Window.run(() -> Runs.choose(window.frame, source, destination));
    window.settle();
  }

  private String told() {
    return Window.on(() -> window.find("#run-told", Label.class).getText());
  }

  private String first() {
    return Window.on(() -> window.find("#run-first", Button.class).getText());
  }

  private String text(String toggle) {
    return Window.on(() -> window.find(toggle, javafx.scene.control.ToggleButton.class).getText());
  }

  @Test
  void aFolderIsPlannedThenPublishedAndLogged() throws IOException {
    folders();
    assertThat(first()).isEqualTo("Plan");
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    assertThat(destination).doesNotExist();
    assertThat(text("#run-show-all")).isEqualTo("All 9");
    assertThat(text("#run-show-to-do")).isEqualTo("To do 8");
    assertThat(text("#run-show-left-out")).isEqualTo("Left out 1");
    // One file is left out by hand, and taken back.
    TableView<?> table = Window.on(() -> window.find("#run-table", TableView.class));
    Window.run(() -> table.getSelectionModel().clearAndSelect(1));
    fire("#run-leave-out");
    assertThat(text("#run-show-left-out")).isEqualTo("Left out 2");
    fire("#run-take-back");
    window.until(() ->
        window
            .find("#run-show-left-out", javafx.scene.control.ToggleButton.class)
            .getText()
            .equals("Left out 1"));
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Plan again"));
    assertThat(told()).startsWith("7 done, 1 failed, 1 left out");
    assertThat(text("#run-show-failed")).isEqualTo("Failed 1");
    assertThat(destination.resolve("Notices/2025/Dredging 2025.pdf")).exists();
    fire("#run-show-failed");
    assertThat(Window.on(() -> table.getItems().size())).isEqualTo(2); // the folder and the file
    Path log = folder.resolve("log.odt");
    Window.run(() -> Runs.saveLog(window.frame, log));
    assertThat(log).exists();
    assertThat(folder.resolve("log.csv")).content().contains("damaged.docx");
    // The same again does only what failed.
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    assertThat(text("#run-show-to-do")).isEqualTo("To do 1");
  }

  @Test
  void aFileIsFoundAndFoldersFold() {
    folders();
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    TableView<?> table = Window.on(() -> window.find("#run-table", TableView.class));
    int all = Window.on(() -> table.getItems().size());
    assertThat(all).isEqualTo(9 + 4); // and four folders that have files
    Window.run(() -> {
      table.getSelectionModel().clearAndSelect(0);
      table.requestFocus();
    });
    window.press(KeyCode.LEFT);
    window.until(() -> table.getItems().size() == all - 3);
    window.press(KeyCode.RIGHT);
    window.until(() -> table.getItems().size() == all);
    Window.run(() -> window.find("#run-search", TextField.class).setText("dredging"));
    assertThat(Window.on(() -> table.getItems().size())).isEqualTo(3 + 3);
  }

  @Test
  void aRunIsReachedFromTheFootAndPausedAndStopped() {
    fire("#foot-runs");
    assertThat(told()).contains("Choose the folder");
    folders();
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Pause"));
    fire("#run-stop");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Go on with it"));
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Plan again"));
    assertThat(told()).contains("1 failed");
    assertThat(destination.resolve("Berth application.pdf")).exists();
    assertThat(Window.on(() -> window.find("#run-recipe", MenuButton.class).getText()))
        .isEqualTo("Counter copy");
  }

  /** What is rarely asked for: names, an author, and all PDFs in one. */
  @Test
  void otherChoicesAreTakenAndSaid() throws IOException {
    folders();
    fire("#run-more");
    give("#run-like", "Dredging*, Berth*");
    give("#run-since", "long ago");
    assertThat(Window.on(() -> window.find("#run-more-wrong", Label.class).getText()))
        .contains("2026-03-01");
    give("#run-since", "2001-01-01");
    give("#run-author", "Harbour office");
    fire("#run-merged");
    assertThat(Window.on(() -> window.find("#run-more", Button.class).getText()))
        .startsWith("4 other choices");
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    assertThat(text("#run-show-to-do")).isEqualTo("To do 4");
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Plan again"));
    assertThat(told()).contains("All 4 documents are in Archive published in one.pdf.");
    try (var pdf =
        org.apache.pdfbox.Loader.loadPDF(folder.resolve("Archive published in one.pdf").toFile())) {
      assertThat(pdf.getDocumentCatalog().getDocumentOutline().children()).hasSize(4);
    }
  }

  @Test
  void aFolderMayHaveARecipeOfItsOwn() throws IOException {
    folders();
    fire("#run-more");
    give("#run-subject", "Archive");
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    TableView<?> table = Window.on(() -> window.find("#run-table", TableView.class));
    MenuButton other = Window.on(() -> window.find("#run-folder-recipe", MenuButton.class));
    assertThat(Window.on(other::isDisabled)).isTrue();
    int dredging =
        Window.on(() ->
            java.util.stream.IntStream.range(0, table.getItems().size())
                .filter(k -> table.getItems().get(k).toString().contains("path=Notices/2025"))
                .findFirst()
                .orElseThrow());
    Window.run(() -> table.getSelectionModel().clearAndSelect(dredging));
    assertThat(Window.on(other::isDisabled)).isFalse();
    Window.run(() -> {
      other.getOnShowing().handle(null);
      other.getItems().stream()
          .filter(i -> i.getText().equals("Office copy"))
          .findFirst()
          .orElseThrow()
          .fire();
    });
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Publish"));
    fire("#run-first");
    window.until(() -> window.find("#run-first", Button.class).getText().equals("Plan again"));
    assertThat(destination.resolve("Notices/2025/Dredging 2025.docx")).exists();
    assertThat(destination.resolve("Notices/2025/Dredging 2025.pdf")).doesNotExist();
    Path usual = destination.resolve("Berth application.pdf");
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(usual.toFile())) {
      assertThat(pdf.getDocumentInformation().getSubject()).isEqualTo("Archive");
    }
  }
}
