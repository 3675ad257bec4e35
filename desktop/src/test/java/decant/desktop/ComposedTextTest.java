package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.look.Look;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.InputMethodEvent;
import javafx.scene.input.InputMethodHighlight;
import javafx.scene.input.InputMethodTextRun;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What an input method composes, and dead keys of a real keyboard layout. */
class ComposedTextTest extends WindowCase {
  private Work work;

  @BeforeEach
  void document() {
    work =
        window.takeIn(
            Made.docx(folder.resolve("Rules.docx"), Made.text("berths are let", Look.PLAIN)));
    window.go(StageName.REVISE);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
    caret(work, document(work).index().order().getFirst(), 0);
  }

  private String text() {
    return document(work).paragraphs().getFirst().text();
  }

  private void composed(String making, String decided) {
    Window.run(() -> {
      Node pages = window.stage.getScene().lookup("#pages");
      pages.fireEvent(
          new InputMethodEvent(
              InputMethodEvent.INPUT_METHOD_TEXT_CHANGED,
              making.isEmpty()
                  ? List.of()
                  : List.of(new InputMethodTextRun(making, InputMethodHighlight.UNSELECTED_RAW)),
              decided,
              making.length()));
    });
  }

  @Test
  void whatIsInTheMakingIsShownAtTheCaretAndTypedOnceItIsDecided() {
    composed("minato", "");
    assertThat(text()).as("nothing is typed yet").isEqualTo("berths are let");
    Label shown = window.find(".composed-text", Label.class);
    assertThat(shown.getText()).isEqualTo("minato");
    PagesView pages = window.find("#pages", PagesView.class);
    assertThat(Window.on(() -> pages.getInputMethodRequests().getTextLocation(0).getX()))
        .as("what there is to choose from stands at the caret")
        .isEqualTo(
            Window.on(() -> shown.localToScreen(0, 0).getX()),
            org.assertj.core.api.Assertions.within(2.0));
    composed("", "港");
    assertThat(text()).isEqualTo("港berths are let");
    assertThat(window.has(".composed-text")).isFalse();
    window.press(javafx.scene.input.KeyCode.CONTROL, javafx.scene.input.KeyCode.Z);
    assertThat(text()).isEqualTo("berths are let");
  }

  /** With real keys of X: the robot of the toolkit has none that are dead. */
  @Test
  void aDeadKeyAndALetterAreOneLetter() throws IOException, InterruptedException {
    run("setxkbmap", "us", "-variant", "intl");
    try {
      run("xdotool", "key", "dead_acute");
      run("xdotool", "key", "e");
      window.until(() -> text().startsWith("é"));
      run("xdotool", "key", "dead_diaeresis");
      run("xdotool", "key", "u");
      window.until(() -> text().startsWith("éü"));
      window.type("x");
      assertThat(text()).isEqualTo("éüxberths are let");
    } finally {
      run("setxkbmap", "us");
    }
  }

  private static void run(String... command) throws IOException, InterruptedException {
    Process p = new ProcessBuilder(command).inheritIO().start();
    assertThat(p.waitFor(20, TimeUnit.SECONDS)).isTrue();
    assertThat(p.exitValue()).isZero();
    Thread.sleep(120);
  }
}
