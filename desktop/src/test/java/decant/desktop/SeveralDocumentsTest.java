package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.edit.Commands;
import decant.model.look.Look;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.stage.PopupWindow;
import org.junit.jupiter.api.Test;

/** Several documents are open at once, each with its own place, and none loses anything. */
class SeveralDocumentsTest extends WindowCase {
  private Path made(String name) {
    return Made.docx(folder.resolve(name), Made.text(name, Look.PLAIN));
  }

  private Work opened(String name) {
    Work work = window.takeIn(made(name));
    window.go(StageName.REVISE);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
    return work;
  }

  private String first(Work w) {
    return document(w).paragraphs().getFirst().text();
  }

  private void change(Work w, String typed) {
    caret(w, document(w).index().order().getFirst(), 0);
    window.type(typed);
    assertThat(first(w)).startsWith(typed);
  }

  private boolean inSight(Work w) {
    return Window.on(() -> window.desk.work().filter(x -> x == w).isPresent());
  }

  @Test
  void eachKeepsItsTextItsUndoAndItsStage() {
    Work rules = opened("Rules.docx");
    change(rules, "Old ");
    Work charges = opened("Charges.docx");
    change(charges, "New ");
    window.go(StageName.PUBLISH);
    assertThat(window.find("#head-others", Label.class).getText()).isEqualTo("+1");
    window.press(KeyCode.CONTROL, KeyCode.TAB);
    window.until(() -> inSight(rules));
    assertThat(Window.on(() -> window.desk.stepProperty().get())).isEqualTo(StageName.REVISE);
    window.until(() ->
        window.stage.getScene().getFocusOwner() != null
            && "pages".equals(window.stage.getScene().getFocusOwner().getId()));
    window.type("Very ");
    assertThat(first(rules)).as("the keys go where the caret was left").startsWith("Old Very ");
    window.press(KeyCode.CONTROL, KeyCode.Z);
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(first(rules)).isEqualTo("Rules.docx");
    assertThat(first(charges)).as("each undoes its own").startsWith("New ");
    window.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.TAB);
    window.until(() -> inSight(charges));
    assertThat(Window.on(() -> window.desk.stepProperty().get())).isEqualTo(StageName.PUBLISH);
  }

  @Test
  void aFileThatIsOpenIsShownAndNotOpenedAgain() {
    Work rules = opened("Rules.docx");
    change(rules, "Old ");
    Work charges = opened("Charges.docx");
    Window.run(() -> window.desk.takeIn(folder.resolve("Rules.docx")));
    window.until(() -> inSight(rules));
    assertThat(Window.on(() -> window.desk.documents().all())).containsExactly(rules, charges);
  }

  @Test
  void theListShowsThemAndClosesThem() {
    Work rules = opened("Rules.docx");
    Work charges = opened("Charges.docx");
    window.click("#head-name");
    ListView<?> list = documentsList();
    assertThat(list.getItems()).hasSize(2);
    Window.run(() -> list.getSelectionModel().select(0));
    window.press(KeyCode.ENTER);
    window.until(() -> inSight(rules));
    window.press(KeyCode.CONTROL, KeyCode.W);
    window.until(() -> inSight(charges));
    assertThat(window.find("#head-others", Label.class).getText()).isEmpty();
    window.press(KeyCode.CONTROL, KeyCode.W);
    window.until(() -> window.desk.work().isEmpty());
    assertThat(Window.on(() -> window.desk.stepProperty().get())).isEqualTo(StageName.TRAY);
  }

  private ListView<?> documentsList() {
    window.until(
        () -> javafx.stage.Window.getWindows().stream().anyMatch(SeveralDocumentsTest::lists));
    return Window.on(() ->
        (ListView<?>)
            javafx.stage.Window.getWindows().stream()
                .filter(SeveralDocumentsTest::lists)
                .findFirst()
                .orElseThrow()
                .getScene()
                .lookup("#documents-list"));
  }

  private static boolean lists(javafx.stage.Window w) {
    return w instanceof PopupWindow && w.getScene().lookup("#documents-list") != null;
  }

  @Test
  void closingAsksOnceForAllAndSavesAll() {
    Work rules = opened("Rules.docx");
    change(rules, "Old ");
    Work charges = opened("Charges.docx");
    change(charges, "New ");
    opened("Untouched.docx");
    assertThat(Window.on(() -> window.desk.closing().mayClose())).isFalse();
    assertThat(notice()).isEqualTo("2 documents have unsaved changes: “Rules”, “Charges”.");
    window.clickLabelled("Cancel");
    assertThat(notice()).isEmpty();
    Window.run(() -> window.desk.closing().close(rules));
    window.until(() -> notice().equals("“Rules” has unsaved changes."));
    window.clickLabelled("Save it first");
    window.until(() -> !window.desk.documents().all().contains(rules));
    assertThat(folder.resolve("Rules revised.docx")).exists();
    assertThat(Window.on(() -> window.desk.documents().unsaved())).containsExactly(charges);
  }

  @Test
  void allOpenDocumentsComeBackAfterACrash() throws IOException {
    Work rules = opened("Rules.docx");
    change(rules, "Old ");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    window.type("Very ");
    Work charges = opened("Charges.docx");
    change(charges, "New ");
    window.desk.keepUnsaved();
    window.close(); // without saving, as in a crash
    window = Window.open(folder.resolve("state"));
    Window.run(window.desk::offerRecovery);
    window.until(() -> notice().contains("“Rules.docx”") && notice().contains("“Charges.docx”"));
    window.clickLabelled("Recover");
    window.until(() -> window.desk.documents().all().size() == 2 && notice().isEmpty());
    assertThat(Window.on(() -> window.desk.documents().all()))
        .extracting(this::first)
        .allSatisfy(t -> assertThat(t).containsAnyOf("Old Very ", "New "));
    Work again =
        Window.on(() -> window.desk.documents().of(folder.resolve("Rules.docx")).orElseThrow());
    Window.run(() -> window.desk.show(again));
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    assertThat(notice()).as("to the copy it had").contains("“Rules revised.docx”");
    try (var files = Files.list(folder)) {
      assertThat(files.map(f -> f.getFileName().toString())).doesNotContain("Rules revised 2.docx");
    }
  }

  @Test
  void aWorkingCopyThatIsOpenedAgainIsSavedToItself() throws IOException {
    Work rules = opened("Rules.docx");
    change(rules, "Old ");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    window.close();
    window = Window.open(folder.resolve("state"));
    Work again = window.takeIn(folder.resolve("Rules revised.docx"));
    window.go(StageName.REVISE);
    change(again, "Very ");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as “Rules revised.docx”"));
    try (var files = Files.list(folder)) {
      assertThat(files.filter(f -> f.toString().endsWith(".docx"))).hasSize(2);
    }
    assertThat(first(again)).isEqualTo("Very Old Rules.docx");
  }

  @Test
  void whatOthersChangedIsNotWrittenOverUnasked() throws IOException {
    Work rules = opened("Rules.docx");
    change(rules, "Old ");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    Path copy = folder.resolve("Rules revised.docx");
    Made.docx(copy, Made.text("by a colleague", Look.PLAIN));
    Files.setLastModifiedTime(copy, FileTime.fromMillis(1_700_000_000_000L));
    byte[] theirs = Files.readAllBytes(copy);
    window.type("Very ");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().contains("was changed by another program"));
    assertThat(copy).hasBinaryContent(theirs);
    window.clickLabelled("Save as “Rules revised 2.docx”");
    window.until(() -> notice().startsWith("Saved as “Rules revised 2.docx”"));
    assertThat(copy).hasBinaryContent(theirs);
    assertThat(Window.on(rules::unsaved)).isFalse();
  }

  @Test
  void twoWindowsKeepTheirOwnUnsavedWork() throws IOException {
    Work here = opened("Rules.docx");
    Window.run(() -> here.apply(r -> Commands.insert(r, "Here ")));
    var other = new decant.desktop.shell.Desk(folder.resolve("state"));
    Window.run(() -> other.takeIn(folder.resolve("Rules.docx")));
    window.until(() -> other.work().isPresent());
    assertThat(Window.on(() -> other.noticeProperty().get().orElseThrow().message()))
        .contains("is open in another window");
    Work there = Window.on(() -> other.work().orElseThrow());
    Window.run(() -> there.apply(r -> Commands.insert(r, "There ")));
    window.desk.keepUnsaved();
    other.keepUnsaved();
    other.close();
    window.close();
    window = Window.open(folder.resolve("state"));
    Window.run(window.desk::offerRecovery);
    window.until(() -> notice().contains("can be recovered"));
    window.clickLabelled("Recover");
    window.until(() -> window.desk.documents().all().size() == 2);
    assertThat(Window.on(() -> window.desk.documents().all()))
        .extracting(this::first)
        .containsExactlyInAnyOrder("Here Rules.docx", "There Rules.docx");
  }
}
