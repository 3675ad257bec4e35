package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.revise.PictureActions;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.PlacedTable;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.DataFormat;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Lists and tables by keys and pointer, and what goes over the clipboard. */
class ListsTablesAndClipboardTest extends WindowCase {
  private Work made(decant.model.Block... blocks) {
    Work work = window.takeIn(Made.docx(folder.resolve("Made.docx"), Map.of(), blocks));
    window.go(StageName.REVISE);
    PagesView pages = window.find("#pages", PagesView.class);
    window.until(pages::settled);
    caret(work, 0, 0);
    return work;
  }

  private void caret(Work work, int paragraph, int offset) {
    NodeId id = document(work).index().order().get(paragraph);
    select(work, new Position(id, offset), new Position(id, offset));
  }

  private void select(Work work, Position from, Position to) {
    Window.run(() -> {
      work.select(new Selection(from, to));
      window.stage.getScene().lookup("#pages").requestFocus();
    });
    window.settle();
  }

  private List<String> shown(Work work) {
    Document d = document(work);
    Map<NodeId, String> labels = ListLabels.of(d);
    return d.paragraphs().stream()
        .map(p -> (labels.getOrDefault(p.id(), "") + " " + p.text()).strip())
        .toList();
  }

  private static Table table(Document d) {
    return d.sections().getFirst().blocks().stream()
        .filter(b -> b instanceof Table)
        .map(b -> (Table) b)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aListIsTypedMovedInAndLeft() {
    Work work = made(Paragraph.of(Look.PLAIN, ""));
    window.type("1. oars");
    window.press(KeyCode.ENTER);
    window.press(KeyCode.TAB);
    window.type("spare");
    window.press(KeyCode.ENTER);
    window.press(KeyCode.SHIFT, KeyCode.TAB);
    window.type("rope");
    window.press(KeyCode.ENTER);
    window.press(KeyCode.ENTER);
    window.type("End.");
    assertThat(shown(work)).containsExactly("1. oars", "a. spare", "2. rope", "End.");
    window.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.B);
    assertThat(shown(work)).last().isEqualTo("• End.");
    window.press(KeyCode.HOME);
    window.press(KeyCode.BACK_SPACE);
    assertThat(shown(work)).last().isEqualTo("End.");
  }

  @Test
  void tabGoesThroughATableAndItsPanelChangesIt() {
    Work work =
        made(
            Made.text("Above", Look.PLAIN),
            Made.table("Berth", "12"),
            Made.text("Below", Look.PLAIN));
    Node panel = window.find("#table-panel", Node.class);
    window.settle();
    assertThat(Window.on(panel::isVisible)).as("only where there is a table").isFalse();
    caret(work, 1, 0);
    window.until(panel::isVisible);
    window.press(KeyCode.TAB);
    window.press(KeyCode.TAB);
    window.type("A1");
    window.press(KeyCode.TAB);
    assertThat(table(document(work)).rows()).hasSize(2);
    window.click("#table-sum-column");
    assertThat(shown(work)).containsExactly("Above", "Berth", "12", "A1", "12", "Below");
    window.click("#table-column-after");
    assertThat(table(document(work)).rows()).allMatch(r -> r.cells().size() == 3);
    window.click("#table-delete-column");
    caret(work, 1, 0);
    window.settle();
    window.click("#table-table-head");
    assertThat(table(document(work)).rows().getFirst().look().value(TableTraits.HEADER_ROW))
        .isTrue();
    window.click("#table-delete-row");
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(table(document(work)).rows()).hasSize(2);
  }

  @Test
  void whatIsCopiedIsPastedInItsLook() {
    Look bold = Look.of(TextTraits.BOLD, true);
    Work work = made(Made.text("No mooring", bold), Made.text("Notice: ", Look.PLAIN));
    NodeId first = document(work).index().order().getFirst();
    select(work, new Position(first, 3), new Position(first, 10));
    window.press(KeyCode.CONTROL, KeyCode.C);
    Clipboard c = Window.on(Clipboard::getSystemClipboard);
    assertThat(Window.on(c::getString)).isEqualTo("mooring");
    assertThat(Window.on(c::getHtml)).contains("<b>mooring</b>");
    assertThat(Window.on(c::getRtf)).startsWith("{\\rtf1").contains("mooring");
    caret(work, 1, 8);
    window.press(KeyCode.CONTROL, KeyCode.V);
    Paragraph p = document(work).paragraphs().getLast();
    assertThat(p.text()).isEqualTo("Notice: mooring");
    assertThat(p.lookAt(12).value(TextTraits.BOLD)).isTrue();
    window.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.V);
    p = document(work).paragraphs().getLast();
    assertThat(p.text()).isEqualTo("Notice: mooringmooring");
    window.press(KeyCode.CONTROL, KeyCode.Z);
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(document(work).paragraphs().getLast().text()).isEqualTo("Notice: ");
  }

  private void offer(Map<DataFormat, Object> what) {
    Window.run(() -> {
      var content = new ClipboardContent();
      content.putAll(what);
      Clipboard.getSystemClipboard().setContent(content);
    });
  }

  @Test
  void whatOtherProgramsCopiedIsPasted() {
    Work work = made(Paragraph.of(Look.PLAIN, ""), Made.text("Last", Look.PLAIN));
    offer(
        Map.of(
            DataFormat.HTML,
            "<ul><li>oars</li><li><b>rope</b></li></ul>",
            DataFormat.PLAIN_TEXT,
            "oars\nrope"));
    window.press(KeyCode.CONTROL, KeyCode.V);
    assertThat(shown(work)).containsExactly("• oars", "• rope", "Last");
    caret(work, 2, 4);
    offer(Map.of(DataFormat.RTF, "{\\rtf1\\ansi  by {\\b night}}"));
    window.press(KeyCode.CONTROL, KeyCode.V);
    assertThat(shown(work)).contains("Last by night");
    assertThat(document(work).paragraphs().getLast().lookAt(9).value(TextTraits.BOLD)).isTrue();
    window.press(KeyCode.CONTROL, KeyCode.Z);
    offer(Map.of(DataFormat.PLAIN_TEXT, "A1\t6\nA2\t8"));
    window.press(KeyCode.CONTROL, KeyCode.V);
    assertThat(table(document(work)).rows()).hasSize(2);
    var image = new WritableImage(40, 30);
    offer(Map.of(DataFormat.IMAGE, image));
    window.press(KeyCode.CONTROL, KeyCode.V);
    assertThat(document(work).paragraphs())
        .anyMatch(p -> p.inlines().stream().anyMatch(i -> i instanceof Inline.Picture));
    window.until(() -> work.layout().complete());
  }

  @Test
  void aLookThatWasPickedUpIsLaidDownUntilEscape() {
    Look bold = Look.of(TextTraits.BOLD, true);
    Work work =
        made(
            Made.text("Bold line", bold),
            Made.text("Second line", Look.PLAIN),
            Made.text("Third line", Look.PLAIN));
    window.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
    Node says = window.find("#look-laying", Node.class);
    assertThat(Window.on(says::isVisible)).isTrue();
    clickOn(work, 1);
    window.until(() -> isBold(work, 1));
    clickOn(work, 2);
    window.until(() -> isBold(work, 2));
    window.press(KeyCode.ESCAPE);
    assertThat(Window.on(says::isVisible)).isFalse();
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(Window.on(() -> isBold(work, 2))).isFalse();
    clickOn(work, 2);
    window.settle();
    assertThat(Window.on(() -> isBold(work, 2))).as("it is laid down no more").isFalse();
  }

  private void clickOn(Work work, int paragraph) {
    NodeId id = document(work).index().order().get(paragraph);
    var at = Window.on(() -> work.layout().caret(new Position(id, 3)).orElseThrow());
    window.clickPage("#pages", at.page().number() - 1, at.x(), at.top() + at.height() / 2, 1);
  }

  private static boolean isBold(Work work, int paragraph) {
    Document d = work.revision().document();
    return d.paragraphs().get(paragraph).lookAt(3).value(TextTraits.BOLD);
  }

  @Test
  void aPictureOfAFileIsPutInAndWhatIsNoneIsSaid() throws IOException {
    Work work = made(Made.text("Above", Look.PLAIN));
    Path picture = folder.resolve("Crane.png");
    ImageIO.write(new BufferedImage(96, 48, BufferedImage.TYPE_INT_RGB), "png", picture.toFile());
    Window.run(() -> PictureActions.put(window.desk, work, picture));
    assertThat(document(work).paragraphs().getFirst().inlines().getFirst())
        .isInstanceOfSatisfying(Inline.Picture.class, p -> assertThat(p.alt()).isEqualTo("Crane"));
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(document(work).paragraphs().getFirst().text()).isEqualTo("Above");
    Path text = Files.writeString(folder.resolve("Notes.png"), "no picture");
    Window.run(() -> PictureActions.put(window.desk, work, text));
    assertThat(notice()).contains("“Notes.png” is not a picture").contains("Choose a PNG");
  }

  @Test
  void aColumnsEdgeIsDraggedAndCellsAreShadedRuledAndSpaced() {
    Work work = made(Made.text("Above", Look.PLAIN), Made.table("a", "b"));
    Table t = table(work);
    caret(work, t.rows().getFirst().cells().getFirst().blocks().getFirst().id(), 0);
    window.settle();
    PlacedTable placed = placed(work);
    double top =
        placed.box().y() - 5 / Window.on(() -> window.find("#pages", PagesView.class).scale());
    double edge = placed.edges().get(1);
    window.drag("#pages", 0, edge, top, edge - 30, top);
    assertThat(placed(work).edges().get(1)).isEqualTo(edge - 30, within(2.0));
    assertThat(placed(work).edges().getLast()).isEqualTo(placed.edges().getLast(), within(1.0));
    fire("#cell-lines-none");
    assertThat(table(work).rows().getFirst().cells().getFirst().look().sets(TableTraits.RULES))
        .isTrue();
    Window.run(() -> {
      javafx.scene.control.TextField f =
          window.find("#cell-margin-sides", javafx.scene.control.TextField.class);
      f.setText("4");
      f.getOnAction().handle(null);
    });
    assertThat(table(work).look().value(TableTraits.CELL_PADDING).left())
        .isEqualTo(4 * 72 / 25.4, within(0.01));
    choose("#cell-place", "at the bottom");
    assertThat(
            table(work)
                .rows()
                .getFirst()
                .cells()
                .getFirst()
                .look()
                .value(TableTraits.VERTICAL_ALIGNMENT))
        .isEqualTo(decant.model.look.VerticalAlignment.BOTTOM);
    Window.run(() -> window.frame.actions().require("table-to-text").perform());
    assertThat(document(work).paragraphs())
        .extracting(Paragraph::text)
        .anyMatch(x -> x.contains("a\tb"));
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(table(work).rows()).isNotEmpty();
  }

  private Table table(Work work) {
    return document(work).sections().getFirst().blocks().stream()
        .filter(b -> b instanceof Table)
        .map(b -> (Table) b)
        .findFirst()
        .orElseThrow();
  }

  private PlacedTable placed(Work work) {
    return Window.on(
        () -> PlacedTable.of(work.layout().pages().getFirst(), table(work).id()).orElseThrow());
  }

  @Test
  void marksAndTheFirstNumberOfAListAreChosenInTheSide() {
    Work work = made(Made.text("Fenders", Look.PLAIN), Made.text("Lines", Look.PLAIN));
    caret(work, document(work).paragraphs().getFirst().id(), 0);
    assertThat(window.find("#list-row", Node.class).isVisible()).isFalse();
    fire("#look-numbers");
    window.until(() -> window.find("#list-row", Node.class).isVisible());
    choose("#list-marks", "a)");
    NodeId first = document(work).paragraphs().getFirst().id();
    assertThat(ListLabels.of(document(work)).get(first)).isEqualTo("a)");
    window.until(() -> window.find("#list-start", Node.class).isVisible());
    window.fill("#list-start", "3");
    window.press(KeyCode.ENTER);
    assertThat(ListLabels.of(document(work)).get(first)).isEqualTo("c)");
    choose("#list-marks", "–");
    assertThat(ListLabels.of(document(work)).get(first)).isEqualTo("–");
    window.until(() -> !window.find("#list-start", Node.class).isVisible());
  }
}
