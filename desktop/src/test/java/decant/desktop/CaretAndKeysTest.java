package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Places;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.Look;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.stage.Popup;
import org.junit.jupiter.api.Test;

/** Where the caret and the keyboard go. */
class CaretAndKeysTest extends WindowCase {
  private Work made(String name, decant.model.Block... blocks) {
    Work w = window.takeIn(Made.docx(folder.resolve(name), blocks));
    window.go(StageName.REVISE);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
    return w;
  }

  private Node focus() {
    return Window.on(() -> window.stage.getScene().getFocusOwner());
  }

  private Selection selection(Work w) {
    return Window.on(() -> w.revision().selection());
  }

  @Test
  void endGoesToTheEndOfTheLineAndShiftEndSelectsForward() {
    Work work = made("Rules.docx", Made.text(Made.PROSE.repeat(3), Look.PLAIN));
    NodeId p = document(work).index().order().getFirst();
    Places.PlacedLine first =
        Window.on(() -> Places.lines(work.layout().pages().getFirst()).getFirst());
    caret(work, p, 3);
    window.press(KeyCode.END);
    int end = selection(work).caret().offset();
    assertThat(end)
        .as("the last place of the line, before the space that it breaks at")
        .isEqualTo(first.line().to() - 1);
    CaretPlace there = Window.on(() -> work.layout().caret(selection(work).caret()).orElseThrow());
    assertThat(there.top()).isEqualTo(first.top());
    window.press(KeyCode.HOME);
    assertThat(selection(work).caret().offset()).isZero();
    window.press(KeyCode.SHIFT, KeyCode.END);
    assertThat(selection(work)).isEqualTo(new Selection(new Position(p, 0), new Position(p, end)));
    window.press(KeyCode.END);
    window.type("x");
    assertThat(document(work).requireParagraph(p).text().charAt(end)).isEqualTo('x');
  }

  @Test
  void endStaysOnALineThatBreaksWithinAWord() {
    String word = "abcdefghij".repeat(30);
    Work work = made("Word.docx", Made.text(word, Look.PLAIN));
    NodeId p = document(work).index().order().getFirst();
    List<Places.PlacedLine> lines = Window.on(() -> Places.lines(work.layout().pages().getFirst()));
    assertThat(lines.size()).isGreaterThan(1);
    caret(work, p, 1);
    window.press(KeyCode.END);
    assertThat(selection(work).caret().offset()).isEqualTo(lines.getFirst().line().to());
    var caret =
        Window.on(() ->
            window
                .stage
                .getScene()
                .getRoot()
                .lookupAll(".caret")
                .iterator()
                .next()
                .localToScene(0, 0));
    PagesView pages = window.find("#pages", PagesView.class);
    Point2D firstLine =
        Window.on(
            () -> pages.localToScene(pages.viewPoint(0, 0, lines.getFirst().top()).orElseThrow()));
    Point2D secondLine =
        Window.on(
            () -> pages.localToScene(pages.viewPoint(0, 0, lines.get(1).top()).orElseThrow()));
    double top =
        Window.on(() ->
            window
                .stage
                .getScene()
                .getRoot()
                .lookupAll(".caret")
                .iterator()
                .next()
                .localToScene(
                    window
                        .stage
                        .getScene()
                        .getRoot()
                        .lookupAll(".caret")
                        .iterator()
                        .next()
                        .getBoundsInLocal())
                .getMinY());
    assertThat(top).isBetween(firstLine.getY() - 2, secondLine.getY() - 4);
    assertThat(caret).isNotNull();
    window.press(KeyCode.END);
    assertThat(selection(work).caret().offset())
        .as("End again stays there")
        .isEqualTo(lines.getFirst().line().to());
    window.press(KeyCode.HOME);
    assertThat(selection(work).caret().offset()).as("and Home goes back on it").isZero();
  }

  @Test
  void aShortcutThatMakesAHeadingTypesNothing() {
    Work work = made("Rules.docx", Made.text("Fuel berth", Look.PLAIN));
    NodeId p = document(work).index().order().getFirst();
    caret(work, p, 4);
    window.press(KeyCode.CONTROL, KeyCode.ALT, KeyCode.DIGIT1);
    assertThat(document(work).headingLevel(document(work).requireParagraph(p))).isEqualTo(1);
    assertThat(document(work).requireParagraph(p).text()).isEqualTo("Fuel berth");
    window.type("1");
    assertThat(document(work).requireParagraph(p).text())
        .as("a digit by itself is typed")
        .isEqualTo("Fuel1 berth");
  }

  @Test
  void backspaceInFrontOfAHeadingKeepsTheHeading() {
    Work work =
        made(
            "Rules.docx",
            Made.text("Above", Look.PLAIN),
            new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of()),
            Made.heading(1, "Berths"));
    NodeId heading = document(work).index().order().getLast();
    caret(work, heading, 0);
    window.press(KeyCode.BACK_SPACE);
    assertThat(document(work).paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("Above", "Berths");
    assertThat(document(work).headingLevel(document(work).requireParagraph(heading))).isEqualTo(1);
  }

  @Test
  void draggingFromTheBodyIntoANoteSelectsInTheBodyAndTypingGoesOn() {
    var noted = Made.noted();
    Path file =
        Made.docx(
            folder.resolve("Depths.docx"),
            Map.of(noted.getValue().id(), noted.getValue()),
            noted.getKey(),
            Made.text("Berths are numbered from the east stairs.", Look.PLAIN));
    Work work = window.takeIn(file);
    window.go(StageName.REVISE);
    PagesView pages = window.find("#pages", PagesView.class);
    Window.run(() -> pages.setZoom(0.5));
    window.until(pages::settled);
    NodeId body = document(work).index().order().get(1);
    NodeId note = document(work).stories().values().iterator().next().blocks().getFirst().id();
    CaretPlace from = Window.on(() -> work.layout().caret(new Position(body, 2)).orElseThrow());
    CaretPlace to = Window.on(() -> work.layout().caret(new Position(note, 5)).orElseThrow());
    window.drag("#pages", 0, from.x(), from.top() + 4, to.x(), to.top() + 4);
    assertThat(selection(work).anchor().paragraph()).isEqualTo(body);
    assertThat(document(work).index().sameText(body, selection(work).caret().paragraph())).isTrue();
    // And with both ends put there by the program, nothing throws either.
    Window.run(() -> work.select(new Selection(new Position(body, 2), new Position(note, 3))));
    window.settle();
    Window.run(pages::requestFocus);
    window.type("x");
    assertThat(document(work).requireParagraph(body).text()).startsWith("Bex");
  }

  @Test
  void typingGoesOnAfterTheTableThatHeldTheCaretIsLeftOut() {
    Work work =
        made(
            "Charges.docx",
            Made.text("Above", Look.PLAIN),
            Made.table("Berth", "Charge"),
            Made.text("Below", Look.PLAIN));
    var table = (Table) document(work).sections().getFirst().blocks().get(1);
    NodeId cell = table.rows().getFirst().cells().getFirst().blocks().getFirst().id();
    caret(work, cell, 2);
    window.go(StageName.TAKE_IN);
    var place = Window.on(() -> work.layout().placesOf(table.id()).getFirst());
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#take-in-result")).settled());
    window.clickPage("#take-in-result", 0, place.box().x() + 20, place.box().y() + 5, 1);
    window.click("#mend-drop");
    assertThat(document(work).sections().getFirst().blocks()).hasSize(2);
    window.go(StageName.REVISE);
    Window.run(() -> window.stage.getScene().lookup("#pages").requestFocus());
    window.type("x");
    assertThat(document(work).paragraphs()).anyMatch(p -> p.text().contains("x"));
  }

  @Test
  void undoInAFieldTakesBackWhatWasTypedThere() {
    Work work = made("Rules.docx", Made.text("Fuel berth", Look.PLAIN));
    caret(work, document(work).index().order().getFirst(), 0);
    window.type("New ");
    window.press(KeyCode.CONTROL, KeyCode.F);
    window.fill("#find-text", "berth");
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.find("#find-text", TextField.class).getText()).isNotEqualTo("berth");
    assertThat(document(work).paragraphs().getFirst().text())
        .as("the document stays as it is")
        .isEqualTo("New Fuel berth");
    window.press(KeyCode.ESCAPE);
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(document(work).paragraphs().getFirst().text()).isEqualTo("Fuel berth");
  }

  @Test
  void theKeyboardComesAlongToEveryStageAndBackFromTheCommandField() {
    Work work = made("Rules.docx", Made.text("Fuel berth", Look.PLAIN));
    assertThat(focus().getId()).isEqualTo("pages");
    window.press(KeyCode.CONTROL, KeyCode.K);
    assertThat(focus().getId()).isEqualTo("command-field");
    window.press(KeyCode.ESCAPE);
    assertThat(focus().getId()).as("back where it was").isEqualTo("pages");
    window.type("x");
    assertThat(document(work).paragraphs().getFirst().text()).contains("x");
    window.press(KeyCode.CONTROL, KeyCode.DIGIT1);
    assertThat(focus().getId()).isIn("findings", "take-in-result");
    window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
    assertThat(focus().getId()).isEqualTo("proof-revision");
    window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
    assertThat(focus().getId()).isEqualTo("publish-recipe");
    window.press(KeyCode.CONTROL, KeyCode.DIGIT2);
    assertThat(focus().getId()).isEqualTo("pages");
    window.press(KeyCode.CONTROL, KeyCode.DIGIT0);
    assertThat(focus().getId()).isEqualTo("tray-list");
  }

  @Test
  void f6GoesRoundTheAreasAndThePageSaysSo() {
    made("Rules.docx", Made.text("Fuel berth", Look.PLAIN));
    assertThat(window.find("#foot-hint", Label.class).getText()).contains("F6");
    assertThat(window.find("#pages", PagesView.class).getAccessibleText()).contains("F6");
    var visited = new java.util.LinkedHashSet<String>();
    for (int k = 0; k < 4; k++) {
      window.press(KeyCode.F6);
      visited.add(area(focus()));
    }
    assertThat(visited).containsExactly("side", "foot-bar", "head", "pages");
    window.press(KeyCode.SHIFT, KeyCode.F6);
    assertThat(area(focus())).isEqualTo("head");
  }

  private static String area(Node n) {
    for (Node up = n; up != null; up = up.getParent()) {
      for (String s : List.of("head", "foot-bar", "side", "pages")) {
        if (up.getStyleClass().contains(s)) {
          return s;
        }
      }
    }
    return "none";
  }

  private ListView<?> commands() {
    return Window.on(() ->
        javafx.stage.Window.getWindows().stream()
            .filter(w -> w instanceof Popup && w.isShowing())
            .map(w -> (ListView<?>) w.getScene().lookup("#command-list"))
            .filter(l -> l != null)
            .findFirst()
            .orElse(null));
  }

  @Test
  void theCommandFieldFindsWhatPeopleCallThings() {
    made("Rules.docx", Made.text("Fuel berth", Look.PLAIN));
    Map<String, String> wanted =
        Map.of(
            "open", "take-in",
            "export", "publish",
            "pdf", "publish",
            "print", "publish",
            "undo", "undo",
            "search", "find",
            "toc", "contents");
    wanted.forEach((words, id) -> {
      window.press(KeyCode.CONTROL, KeyCode.K);
      window.type(words);
      assertThat(commands().getItems())
          .as(words + ", written: " + window.find("#command-field", TextField.class).getText())
          .extracting(a -> ((decant.desktop.shell.Action) a).id())
          .contains(id)
          .doesNotHaveDuplicates();
      assertThat(commands().getItems())
          .extracting(a -> ((decant.desktop.shell.Action) a).name())
          .doesNotHaveDuplicates();
      window.press(KeyCode.ESCAPE);
    });
    window.press(KeyCode.CONTROL, KeyCode.K);
    window.type("xyzzy");
    assertThat(Window.on(() -> commands().isVisible())).as("no empty box").isFalse();
    Label none = Window.on(() -> (Label) commands().getParent().lookup("#command-none"));
    assertThat(none.getText()).isEqualTo("No command for “xyzzy”");
    window.press(KeyCode.ESCAPE);
  }

  @Test
  void noShortcutIsCutOffInTheCommandList() {
    made("Rules.docx", Made.text("Fuel berth", Look.PLAIN));
    window.press(KeyCode.CONTROL, KeyCode.K);
    ListView<?> list = commands();
    double right = Window.on(() -> list.localToScreen(list.getBoundsInLocal()).getMaxX());
    var labels =
        Window.on(() ->
            list.lookupAll(".label").stream()
                .filter(n -> n instanceof Label l && l.getText().contains("Ctrl"))
                .toList());
    assertThat(labels).isNotEmpty();
    for (Node n : labels) {
      assertThat(Window.on(() -> n.localToScreen(n.getBoundsInLocal()).getMaxX()))
          .isLessThanOrEqualTo(right);
      assertThat(Window.on(() -> ((Label) n).getWidth() + 0.5 >= ((Label) n).prefWidth(-1)))
          .isTrue();
    }
    window.press(KeyCode.ESCAPE);
  }

  @Test
  void theCommandListOpensOnlyWhenItIsAskedFor() {
    made("Rules.docx", Made.text("Fuel berth", Look.PLAIN));
    Window.run(() -> window.find("#command-field", TextInputControl.class).requestFocus());
    window.settle();
    assertThat(commands()).as("the keyboard only passed by").isNull();
    window.press(KeyCode.SHIFT, KeyCode.TAB);
    assertThat(commands()).isNull();
    window.press(KeyCode.CONTROL, KeyCode.K);
    assertThat(commands()).isNotNull();
    window.press(KeyCode.SHIFT, KeyCode.TAB);
    assertThat(commands()).as("and closes when the keyboard leaves").isNull();
  }
}
