package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Step;
import decant.desktop.shell.Work;
import decant.model.Look;
import decant.model.edit.Commands;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** What is told and asked is about the document that it is about; and what the window remembers. */
class NoticesTest extends WindowCase {
  private Path made(String name) {
    return Made.docx(folder.resolve(name), Made.text("Fuel berth", Look.PLAIN));
  }

  private String state() {
    return window.find("#head-state", Label.class).getText();
  }

  @Test
  void aRecoveredDocumentSaysSo() {
    Work work = window.takeIn(made("Rules.docx"));
    Window.run(() -> work.apply(r -> Commands.insert(r, "Kept ")));
    window.desk.keepUnsaved();
    window.close(); // without saving, as in a crash
    window = Window.open(folder.resolve("state"));
    Window.run(window.desk::offerRecovery);
    window.until(() -> notice().contains("can be recovered"));
    window.clickLabelled("Recover");
    window.until(() -> window.desk.work().isPresent());
    assertThat(state()).isEqualTo("recovered, unsaved changes");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    assertThat(state()).startsWith("saved as ");
  }

  @Test
  void aQuestionAboutADocumentGoesWithIt() {
    Work first = window.takeIn(made("First.docx"));
    Path second = made("Second.docx");
    Window.run(() -> first.apply(r -> Commands.insert(r, "x")));
    Window.run(() -> window.desk.mayClose()); // asks about the first document
    assertThat(notice()).isEqualTo("“First” has unsaved changes.");
    Window.run(() -> window.desk.takeIn(second));
    window.until(() -> notice().contains("First"));
    window.clickLabelled("Discard changes");
    window.until(() ->
        window.desk.work().filter(w -> w.source().equals(second.toAbsolutePath())).isPresent());
    window.settle();
    assertThat(notice()).as("nothing is asked about a document that is no longer open").isEmpty();
  }

  @Test
  void whatIsWorkedOnWhileAnotherDocumentIsReadIsAskedAbout() {
    Work first = window.takeIn(made("First.docx"));
    Path long_ = Made.pdf(folder.resolve("Pontoons.pdf"), 60);
    Window.run(() -> {
      window.desk.takeIn(long_);
      first.apply(r -> Commands.insert(r, "worked on meanwhile "));
    });
    window.until(() -> notice().equals("“First” has unsaved changes."));
    assertThat(window.work()).as("it is still here").isSameAs(first);
    window.clickLabelled("Save it first");
    window.until(() -> window.desk.work().filter(w -> w != first).isPresent());
    assertThat(folder.resolve("First revised.docx")).exists();
    assertThat(window.work().source()).isEqualTo(long_.toAbsolutePath());
  }

  @Test
  void sourcesAndPublishedFilesStandApartAndAreSearched() throws IOException {
    Path source = made("Mooring charges.docx");
    Work work = window.takeIn(source);
    window.go(Step.PUBLISH);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    Path made = work.receiptProperty().get().orElseThrow().files().getFirst().file();
    window.click("#foot-tray");
    window.until(() -> window.desk.stepProperty().get() == Step.TRAY);
    assertThat(list("#tray-list").getItems())
        .contains(source.toAbsolutePath())
        .doesNotContain(made);
    assertThat(window.find("#tray-published", ToggleButton.class).getText())
        .isEqualTo("Published (1)");
    window.click("#tray-published");
    assertThat(list("#tray-list").getItems()).containsExactly(made.toAbsolutePath());
    window.click("#tray-documents");
    window.fill("#tray-search", "winter");
    assertThat(list("#tray-list").getItems()).isEmpty();
    Window.run(() -> window.find("#tray-search", TextField.class).setText("mooring"));
    window.settle();
    assertThat(list("#tray-list").getItems()).containsExactly(source.toAbsolutePath());
    // A file that is gone offers nothing but to forget it.
    Files.delete(source);
    Window.run(() -> window.desk.go(Step.PUBLISH));
    Window.run(() -> window.desk.go(Step.TRAY));
    window.settle();
    assertThat(labels()).contains("file missing").doesNotContain("Take in");
    var again = new Desk(folder.resolve("state"));
    assertThat(again.tray().published()).containsExactly(made.toAbsolutePath());
  }

  private java.util.List<String> labels() {
    return Window.on(() ->
        java.util.stream.Stream.of(".label", ".button")
            .flatMap(t -> window.stage.getScene().lookup("#tray-list").lookupAll(t).stream())
            .filter(n -> n instanceof javafx.scene.control.Labeled && n.isVisible())
            .map(n -> ((javafx.scene.control.Labeled) n).getText())
            .toList());
  }

  @Test
  void theOutTraySaysWhatItCannotDoYet() {
    window.takeIn(made("Rules.docx"));
    window.click("#foot-out-tray");
    window.until(() -> window.desk.stepProperty().get() == Step.OUT_TRAY);
    assertThat(window.find("#out-tray-explained", Label.class).getText())
        .startsWith("Decant cannot send or print yet.");
    assertThat(
            Window.on(() ->
                window.stage.getScene().lookup("#out-tray").lookupAll(".label").stream()
                    .map(n -> ((Label) n).getText())
                    .toList()))
        .noneMatch(t -> t.toLowerCase(java.util.Locale.ROOT).contains("waiting to be sent"));
  }

  @Test
  void sizeThemeZoomAndFolderAreRemembered() {
    window.takeIn(made("Rules.docx"));
    window.go(Step.REVISE);
    Window.run(() -> {
      window.stage.setWidth(1100);
      window.stage.setHeight(720);
    });
    window.settle();
    double width = Window.on(() -> window.stage.getScene().getWidth());
    window.press(KeyCode.CONTROL, KeyCode.ALT, KeyCode.D);
    var pages = window.find("#pages", decant.desktop.page.PagesView.class);
    Window.run(() -> pages.setZoom(0.8));
    window.close();
    window = Window.open(folder.resolve("state"));
    assertThat(Window.on(() -> window.stage.getScene().getWidth())).isEqualTo(width);
    assertThat(window.frame.root().getStyleClass()).contains("dark");
    assertThat(window.desk.memory().folder()).contains(folder.toAbsolutePath());
    window.takeIn(folder.resolve("Rules.docx"));
    window.go(Step.REVISE);
    assertThat(
            Window.on(() ->
                window.find("#pages", decant.desktop.page.PagesView.class).zoomProperty().get()))
        .isEqualTo(0.8);
  }
}
