package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.shell.Desk;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.edit.Commands;
import decant.model.look.Look;
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
    Window.run(() -> window.desk.closing().close(first)); // asks about the first document
    assertThat(notice()).isEqualTo("“First” has unsaved changes.");
    window.takeIn(second);
    window.settle();
    assertThat(notice()).as("nothing is asked about a document that is not in sight").isEmpty();
    assertThat(Window.on(() -> window.desk.documents().all())).hasSize(2).contains(first);
  }

  @Test
  void whatIsReadWhileAnotherDocumentIsWorkedOnTakesNoPlace() {
    Work first = window.takeIn(made("First.docx"));
    Path long_ = Made.pdf(folder.resolve("Pontoons.pdf"), 60);
    Window.run(() -> {
      window.desk.takeIn(long_);
      first.apply(r -> Commands.insert(r, "worked on meanwhile "));
    });
    window.until(() -> window.desk.documents().all().size() == 2);
    assertThat(window.work()).as("keys go on into it").isSameAs(first);
    assertThat(notice()).isEqualTo("“Pontoons” is open now. Ctrl+Tab goes to it.");
  }

  @Test
  void sourcesAndPublishedFilesStandApartAndAreSearched() throws IOException {
    Path source = made("Mooring charges.docx");
    Work work = window.takeIn(source);
    window.go(StageName.PUBLISH);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    Path made = work.receiptProperty().get().orElseThrow().files().getFirst().file();
    window.click("#foot-tray");
    window.until(() -> window.desk.stepProperty().get() == StageName.TRAY);
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
    Window.run(() -> window.desk.go(StageName.PUBLISH));
    Window.run(() -> window.desk.go(StageName.TRAY));
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
    window.until(() -> window.desk.stepProperty().get() == StageName.OUT_TRAY);
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
    window.go(StageName.REVISE);
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
    window.go(StageName.REVISE);
    assertThat(
            Window.on(() ->
                window.find("#pages", decant.desktop.page.PagesView.class).zoomProperty().get()))
        .isEqualTo(0.8);
  }

  @Test
  void aRecoveredPdfHasItsSourceAndItsFindings() throws IOException {
    Path file = Made.coarse(folder.resolve("Pontoons.pdf"), 3);
    Work work = window.takeIn(file);
    int findings = Window.on(() -> work.openFindings().size());
    assertThat(findings).isPositive();
    Window.run(() -> work.apply(r -> Commands.insert(r, "Kept ")));
    window.desk.keepUnsaved();
    Path kept = kept().getFirst();
    assertThat(mode(kept)).isEqualTo("rw-------");
    assertThat(mode(folder.resolve("state"))).isEqualTo("rwx------");
    assertThat(mode(kept.getParent())).isEqualTo("rwx------");
    // Another window neither offers nor takes away what is being worked on here.
    var other = new Desk(folder.resolve("state"));
    Window.run(other::offerRecovery);
    assertThat(Window.on(() -> other.noticeProperty().get())).isEmpty();
    other.close();
    window.close();
    window = Window.open(folder.resolve("state"));
    Window.run(window.desk::offerRecovery);
    window.until(() ->
        notice()
            .equals(
                "Decant ended before your changes to “Pontoons.pdf” were saved. They can be recovered."));
    window.clickLabelled("Recover");
    window.until(() -> window.desk.work().isPresent());
    Work again = window.work();
    assertThat(document(again).paragraphs().getFirst().text()).startsWith("Kept ");
    assertThat(again.taken().origin().format()).isEqualTo("pdf");
    assertThat(Window.on(() -> again.openFindings().size())).isEqualTo(findings);
    assertThat(again.taken().findings()).anyMatch(f -> f.source().isPresent());
    window.go(StageName.TAKE_IN);
    assertThat(window.has("#take-in-source")).as("beside its source").isTrue();
  }

  @Test
  void twoFilesOfOneNameAreKeptApart() throws IOException {
    Files.createDirectories(folder.resolve("a"));
    Files.createDirectories(folder.resolve("b"));
    for (String dir : java.util.List.of("a", "b")) {
      Path file =
          Made.docx(folder.resolve(dir + "/Rules.docx"), Made.text("In " + dir, Look.PLAIN));
      Work work = window.takeIn(file);
      Window.run(() -> work.apply(r -> Commands.insert(r, "Kept ")));
      window.desk.keepUnsaved();
      window.close();
      window = Window.open(folder.resolve("state"));
    }
    assertThat(kept()).hasSize(2);
  }

  @Test
  void theWorkOnALockedSourceNeverLiesInTheClear() throws IOException {
    Path file = folder.resolve("Locked.pdf");
    try (var pdf =
        org.apache.pdfbox.Loader.loadPDF(Made.letter(folder.resolve("Letter.pdf")).toFile())) {
      var policy =
          new org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy(
              "owner", "low tide", new org.apache.pdfbox.pdmodel.encryption.AccessPermission());
      policy.setEncryptionKeyLength(128);
      pdf.protect(policy);
      pdf.save(file.toFile());
    }
    Window.run(() -> window.desk.takeIn(file));
    window.until(() -> window.has("#notice-password"));
    Window.run(() -> window.find("#notice-password", TextField.class).setText("low tide"));
    window.clickLabelled("Unlock");
    window.until(() -> window.desk.work().isPresent());
    Work work = window.work();
    Window.run(() -> work.apply(r -> Commands.insert(r, "Kept ")));
    window.desk.keepUnsaved();
    Path kept = kept().getFirst();
    String bytes = Files.readString(kept, java.nio.charset.StandardCharsets.ISO_8859_1);
    assertThat(bytes)
        .startsWith("DECANT-WORK-1")
        .doesNotContain("PK\u0003\u0004")
        .doesNotContain("fender");
    Window.run(window.desk.waiting()::queueForLater);
    assertThat(notice()).contains("cannot wait in the queue");
    assertThat(window.desk.waiting().queue().all()).isEmpty();
    window.close();
    window = Window.open(folder.resolve("state"));
    Window.run(window.desk::offerRecovery);
    window.until(() -> notice().contains("Enter its password"));
    Window.run(() -> window.find("#notice-password", TextField.class).setText("high tide"));
    window.clickLabelled("Recover");
    window.until(() -> notice().equals("This password does not open it."));
    assertThat(kept).exists();
    Window.run(() -> window.find("#notice-password", TextField.class).setText("low tide"));
    window.clickLabelled("Recover");
    window.until(() -> window.desk.work().isPresent());
    assertThat(document(window.work()).paragraphs().getFirst().text()).startsWith("Kept ");
  }

  @Test
  void aReadingThatDoesNotEndIsNoLongerWaitedForOnceItIsCancelled() {
    Path file = Made.pdf(folder.resolve("Pontoons.pdf"), 60);
    Window.run(() -> {
      window.desk.takeIn(file);
      window.desk.jobs().cancelShown();
    });
    assertThat(Window.on(() -> window.desk.jobs().shownProperty().get())).as("at once").isEmpty();
    assertThat(notice()).isEqualTo("Taking in “Pontoons.pdf” was cancelled.");
    // Saving and publishing go on; what was given up does not open later.
    window.takeIn(made("Rules.docx"));
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    assertThat(window.work().source().getFileName()).hasToString("Rules.docx");
  }

  private java.util.List<Path> kept() throws IOException {
    try (var files = Files.list(folder.resolve("state/recovery"))) {
      return files.filter(f -> f.toString().endsWith(".work")).toList();
    }
  }

  private static String mode(Path file) throws IOException {
    return java.nio.file.attribute.PosixFilePermissions.toString(
        Files.getPosixFilePermissions(file));
  }

  /** The place where work is kept for a crash is lost: that is said, and the work goes on. */
  @Test
  void workThatCannotBeKeptIsSaid() throws IOException {
    Work work = revise("Winter storage notice.docx");
    try (var there = Files.list(folder.resolve("state/recovery"))) {
      for (Path f : there.toList()) {
        Files.delete(f);
      }
    } catch (java.nio.file.NoSuchFileException e) {
      assertThat(folder.resolve("state")).exists(); // it is made when it is needed
    }
    Files.deleteIfExists(folder.resolve("state/recovery"));
    Files.writeString(folder.resolve("state/recovery"), "no folder");
    caret(work, document(work).index().order().getFirst(), 0);
    window.type("Kept ");
    window.until(() -> notice().contains("could not be kept"));
    assertThat(document(work).paragraphs().getFirst().text()).startsWith("Kept ");
    assertThat(Window.on(work::unsaved)).isTrue();
  }
}
