package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Block;
import decant.model.PageSetup;
import decant.model.look.Look;
import java.util.Collections;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** Paper, margins, columns and numbers are seen and set in the side. */
class PagesOfDocumentTest extends WindowCase {
  private static final double MM = 72 / 25.4;

  private Work made() {
    Block[] blocks =
        Collections.nCopies(30, 0).stream()
            .map(k -> Made.text(Made.PROSE.repeat(3), Look.PLAIN))
            .toArray(Block[]::new);
    Work w = window.takeIn(Made.docx(folder.resolve("Rules.docx"), blocks));
    window.go(StageName.REVISE);
    settled();
    window.click("#side-pages");
    window.until(() -> window.stage.getScene().lookup("#page-panel") != null);
    return w;
  }

  private PageSetup page(Work w, int section) {
    return document(w).sections().get(section).page();
  }

  @Test
  void paperMarginsAndColumnsChangeWithOneUndoEach() {
    Work work = made();
    assertThat(window.find("#page-paper", ComboBox.class).getValue()).isEqualTo("A4");
    assertThat(window.find("#page-scope", ComboBox.class).isDisabled())
        .as("there is but one kind of pages")
        .isTrue();
    int pages = Window.on(() -> work.layout().pages().size());
    choose("#page-paper", "A5");
    Window.run(() -> window.find("#page-sideways", CheckBox.class).fire());
    give("#page-left", "30,5");
    give("#page-columns", "2");
    PageSetup p = page(work, 0);
    assertThat(p.width()).isCloseTo(210 * MM, within(0.5));
    assertThat(p.height()).isCloseTo(148 * MM, within(0.5));
    assertThat(p.margins().left()).isCloseTo(30.5 * MM, within(0.01));
    assertThat(p.columns().count()).isEqualTo(2);
    window.until(() -> work.layout().complete() && work.layout().pages().size() > pages);
    Window.run(() -> window.find("#pages", PagesView.class).requestFocus());
    for (int k = 0; k < 4; k++) {
      window.press(KeyCode.CONTROL, KeyCode.Z);
    }
    assertThat(Window.on(() -> work.revision().canUndo())).isFalse();
    window.until(() -> "A4".equals(window.find("#page-paper", ComboBox.class).getValue()));
  }

  @Test
  void otherPagesBeginAtTheCaretAndHaveNumbersOfTheirOwn() {
    Work work = made();
    caret(work, document(work).index().order().get(10), 0);
    window.until(() -> !window.find("#page-begin-part", javafx.scene.Node.class).isDisabled());
    fire("#page-begin-part");
    assertThat(document(work).sections()).hasSize(2);
    window.until(() -> !window.find("#page-scope", ComboBox.class).isDisabled());
    Window.run(() -> window.find("#page-sideways", CheckBox.class).fire());
    give("#page-start", "7");
    choose("#page-format", "i, ii, iii");
    assertThat(page(work, 0).width()).isLessThan(page(work, 0).height());
    assertThat(page(work, 1).width()).isGreaterThan(page(work, 1).height());
    assertThat(page(work, 1).numbers().start()).contains(7);
    choose("#page-scope", "the whole document");
    give("#page-top", "40");
    assertThat(page(work, 0).margins().top()).isCloseTo(40 * MM, within(0.01));
    assertThat(page(work, 1).margins().top()).isCloseTo(40 * MM, within(0.01));
    fire("#page-join-part");
    assertThat(document(work).sections()).hasSize(1);
    assertThat(page(work, 0).width()).isLessThan(page(work, 0).height());
  }
}
