package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.model.Position;
import decant.model.look.Look;
import decant.pdf.choices.Security;
import decant.recipe.PageChoice;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;

/** Nothing moves under the pointer, and what an act gives appears where the act was. */
class StillHandsTest extends WindowCase {
  /** Where controls stand on the screen. */
  private Map<String, Double> heights(String... selectors) {
    var out = new LinkedHashMap<String, Double>();
    for (String s : selectors) {
      Node n = window.find(s, Node.class);
      out.put(s, Window.on(() -> n.localToScreen(n.getBoundsInLocal()).getMinY()));
    }
    return out;
  }

  private Bounds bounds(String selector) {
    Node n = window.find(selector, Node.class);
    return Window.on(() -> n.localToScene(n.getBoundsInLocal()));
  }

  private static final String[] PUBLISH_SIDE = {
    "#publish-recipe", "#publish-output-1", "#group-size", "#group-pages", "#group-wayfinding",
    "#group-type", "#group-weight", "#group-rights", "#group-afterwards", "#publish-stem",
    "#publish-go", "#publish-later"
  };

  @Test
  void thePublishSideStandsStillWhileSizesArriveAndAfterPublishing() {
    Work work = revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    Map<String, Double> atOnce = heights(PUBLISH_SIDE);
    assertThat(window.find("#group-size-says", Label.class).getText())
        .as("it says at once that it is working something out, or what it found")
        .isNotBlank();
    window.until(() -> !window.find("#publish-busy", Node.class).isVisible());
    assertThat(heights(PUBLISH_SIDE)).as("sizes have arrived").isEqualTo(atOnce);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    window.settle();
    assertThat(heights(PUBLISH_SIDE)).as("the receipt has come").isEqualTo(atOnce);
    Bounds go = bounds("#publish-go");
    Bounds receipt = bounds("#receipt-head");
    assertThat(receipt.getMinY())
        .as("right below the button")
        .isBetween(go.getMaxY(), go.getMaxY() + 12);
  }

  @Test
  void aChangedChoiceMovesNoChoice() {
    revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    window.until(() -> !window.find("#publish-busy", Node.class).isVisible());
    Map<String, Double> before =
        heights(
            "#publish-recipe",
            "#publish-output-1",
            "#group-size",
            "#group-pages",
            "#publish-range",
            "#publish-split",
            "#publish-naming",
            "#group-wayfinding");
    Window.run(() -> window.find("#publish-range", TextField.class).setText("99"));
    window.settle();
    assertThat(heights(before.keySet().toArray(String[]::new))).isEqualTo(before);
  }

  @Test
  void pickingABlockMovesNothingInTheTakeInSide() {
    Work work = window.takeIn(copy("Berth rules.pdf"));
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#take-in-result")).settled());
    String[] acts = {
      "#findings", "#mend-level", "#mend-list", "#mend-join", "#mend-drop", "#mend-all"
    };
    Map<String, Double> before = heights(acts);
    CaretPlace p =
        Window.on(() ->
            work.layout()
                .caret(new Position(document(work).index().order().get(3), 10))
                .orElseThrow());
    window.clickPage("#take-in-result", 0, p.x(), p.top() + 4, 1);
    window.settle();
    assertThat(heights(acts)).isEqualTo(before);
    window.until(() -> work.judgingProperty().get() == Work.Judged.DONE);
    window.settle();
    assertThat(heights(acts)).as("the pages have been compared").isEqualTo(before);
  }

  @Test
  void selectingTextMovesNothingInTheReviseSide() {
    Work work = revise("Winter storage notice.docx");
    String[] side = {"#look-level", "#look-bold", "#align-start", "#remark-text", "#outline"};
    Map<String, Double> before = heights(side);
    caret(work, document(work).index().order().get(1), 0);
    window.press(KeyCode.SHIFT, KeyCode.END);
    window.settle();
    assertThat(heights(side)).isEqualTo(before);
  }

  @Test
  void aNoticeMovesNothing() {
    revise("Winter storage notice.docx");
    PagesView pages = window.find("#pages", PagesView.class);
    double top = Window.on(() -> pages.localToScreen(0, 0).getY());
    double height = Window.on(pages::getHeight);
    Window.run(() -> window.desk.tell("The tide gauge was read."));
    window.settle();
    assertThat(Window.on(() -> pages.localToScreen(0, 0).getY())).isEqualTo(top);
    assertThat(Window.on(pages::getHeight)).isEqualTo(height);
  }

  @Test
  void anotherRecipeClearsTheReceipt() {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    choose("#publish-recipe", "Light copy");
    assertThat(window.find("#receipt-head", Label.class).getText()).isEqualTo("Not published yet.");
    assertThat(Window.on(() -> work.receiptProperty().get())).isEmpty();
  }

  @Test
  void theReceiptOfAnOfficeFileNamesItsFormatAndNoPages() {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    choose("#publish-recipe", "Office copy");
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(window.find("#receipt-figures", Label.class).getText())
        .startsWith("DOCX, ")
        .doesNotContain("page");
  }

  @Test
  void aMissingPasswordOpensItsGroupAndHasTheKeyboard() {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    choose("#publish-protection", Security.Protection.AES_256);
    window.click("#publish-go");
    window.until(() -> window.stage.getScene().getFocusOwner() instanceof PasswordField);
    assertThat(Window.on(() -> window.stage.getScene().getFocusOwner().getId()))
        .isEqualTo("publish-open-password");
    Bounds field = bounds("#publish-open-password");
    Bounds go = bounds("#publish-go");
    assertThat(field.getMaxY()).as("in sight").isLessThan(go.getMinY());
    window.type("low tide");
    assertThat(draft(work).passwords().open()).as("typed once is not sure").isEmpty();
    window.press(KeyCode.TAB);
    window.press(KeyCode.TAB);
    window.type("low tyde");
    assertThat(window.find("#publish-open-password-differs", Label.class).getText())
        .isEqualTo("The two entries differ.");
    window.fill("#publish-open-password-again", "low tide");
    assertThat(draft(work).passwords().open()).isEqualTo("low tide");
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
  }

  @Test
  void aPasswordThatIsSeenIsTypedOnce() {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    fire("#group-rights");
    choose("#publish-protection", Security.Protection.AES_256);
    window.click("#publish-open-password-show");
    window.fill("#publish-open-password-seen", "low tide");
    assertThat(draft(work).passwords().open()).isEqualTo("low tide");
  }

  @Test
  void whatMayLookDifferentElsewhereComesLastAmongTheSavings() {
    revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    window.until(() -> !window.find("#publish-busy", Node.class).isVisible());
    var names = new ArrayList<String>();
    Window.run(() ->
        window
            .find("#publish-others", Pane.class)
            .lookupAll(".alternative")
            .forEach(n -> names.add(((Button) n).getText())));
    assertThat(names).contains("Do not embed fonts (may look different elsewhere)");
    assertThat(names.getLast()).isEqualTo("Do not embed fonts (may look different elsewhere)");
  }

  @Test
  void longPathsAndNamesLeaveTheSideAsItIs() throws IOException {
    Path deep = folder;
    for (int k = 0; k < 6; k++) {
      deep = deep.resolve("a folder of the harbour office with a long name " + k);
    }
    Files.createDirectories(deep);
    Path file =
        Made.docx(
            deep.resolve(
                "Notice to all holders of a berth at the east stairs about the winter.docx"),
            Made.text(Made.PROSE, Look.PLAIN));
    window.takeIn(file);
    window.go(StageName.PUBLISH);
    Node side = Window.on(() -> window.stage.getScene().lookup(".publish-side"));
    assertThat(Window.on(() -> side.getLayoutBounds().getWidth())).isEqualTo(366, within(1.0));
    Region name = window.find("#head-name", Region.class);
    assertThat(Window.on(name::getWidth)).as("a long name has the free room").isGreaterThan(330);
  }

  @Test
  void atASmallWindowAPageFitsItsWidthAndEverythingIsThere() {
    Window.run(() -> {
      window.stage.setWidth(1024);
      window.stage.setHeight(700);
    });
    revise("Berth rules.pdf");
    PagesView pages = window.find("#pages", PagesView.class);
    double page = Window.on(() -> pages.source().width(0) * pages.scale());
    assertThat(page)
        .isLessThan(Window.on(pages::getWidth))
        .isGreaterThan(Window.on(pages::getWidth) * 0.85);
    Bounds foot =
        Window.on(() -> {
          Node f = pages.lookup(".pages-foot");
          return f.localToScene(f.getBoundsInLocal());
        });
    assertThat(Window.on(() -> pages.viewHeight()))
        .as("the zoom stands below the pages, not over them")
        .isLessThanOrEqualTo(
            foot.getMinY() - Window.on(() -> pages.localToScene(0, 0).getY()) + 0.5);
    window.go(StageName.PUBLISH);
    for (String s :
        List.of(
            "#publish-go",
            "#publish-later",
            "#publish-stem",
            "#receipt",
            "#foot-tray",
            "#command-field")) {
      Bounds b = bounds(s);
      assertThat(b.getMaxY())
          .as(s)
          .isLessThanOrEqualTo(Window.on(() -> window.stage.getScene().getHeight()));
      assertThat(b.getMaxX())
          .as(s)
          .isLessThanOrEqualTo(Window.on(() -> window.stage.getScene().getWidth()));
      assertThat(b.getMinX()).as(s).isGreaterThanOrEqualTo(0);
    }
  }

  @Test
  void afterASplitTheProofSaysWhichPartIsSeenAndThatCountsAreOfTheWhole() {
    Work work = revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    choose("#publish-split", PageChoice.Split.EACH_PAGE);
    Window.run(() -> window.find("#publish-range", TextField.class).setText("1-3"));
    window.settle();
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    window.click("#receipt-open");
    window.until(() -> window.desk.stepProperty().get() == StageName.PROOF);
    ComboBox<?> beside = window.find("#proof-beside", ComboBox.class);
    assertThat(Window.on(() -> beside.getItems().size())).isEqualTo(4);
    assertThat(window.find("#proof-counted", Label.class).getText())
        .contains("whole document and not of the published file");
    assertThat(window.find("#proof-differ", Label.class).getText())
        .contains("a part of the document");
    List<String> titles = new ArrayList<>();
    Window.run(() ->
        window
            .stage
            .getScene()
            .getRoot()
            .lookupAll(".pair-title")
            .forEach(n -> titles.add(((Label) n).getText())));
    assertThat(titles).anyMatch(t -> t.contains("(file 1 of 3)"));
    Window.run(() -> beside.getSelectionModel().select(0));
    window.settle();
    assertThat(window.find("#proof-counted", Label.class).getText())
        .startsWith("Counts of what was taken in");
    window.until(() ->
        window.find("#proof-differ", Label.class).getText().endsWith("as they were taken in."));
  }

  /** A blurred shadow of a page's size is made anew with each key. */
  @Test
  void whatKeysChangeOnThePagesHasNoShadowThatIsMadeAnew() {
    Work work = revise("Berth rules.pdf");
    Region paper = window.find("#pages .paper", Region.class);
    List<Node> all = Window.on(() -> List.copyOf(paper.getParent().getParent().lookupAll("*")));
    assertThat(all).contains(paper).allSatisfy(n -> assertThat(n.getEffect()).isNull());
    var page = work.layout().pages().getFirst();
    assertThat(Window.on(paper::getWidth) / Window.on(paper::getHeight))
        .as("paper shows where nothing is painted yet")
        .isCloseTo(page.width() / page.height(), within(0.001));
    assertThat(Window.on(() -> paper.getBorder().getOutsets().getBottom())).isGreaterThan(2);
  }
}
