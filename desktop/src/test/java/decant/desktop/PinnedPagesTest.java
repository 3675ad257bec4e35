package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Box;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.pdf.amend.PageLine;
import decant.pin.AmendedPages;
import decant.pin.PinnedPages;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** Pages that stay as they were, seen and changed over in the window. */
class PinnedPagesTest extends WindowCase {
  private Work rules() throws java.io.IOException {
    Path file = folder.resolve("Berth rules.pdf");
    Files.copy(Path.of("..", "demo", "Berth rules.pdf"), file);
    Work work = window.takeIn(file);
    window.go(StageName.TAKE_IN);
    window.until(() -> work.judgingProperty().get() == Work.Judged.DONE);
    return work;
  }

  private static List<Integer> pinned(Work work) {
    return Window.on(() -> PinnedPages.numbers(work.revision().document()));
  }

  private static int kept(Work work) {
    return Window.on(() ->
        (int)
            work.layout().pages().stream().filter(p -> work.layout().kept(p).isPresent()).count());
  }

  @Test
  void aPageIsPinnedAndLetFlowByOneAct() throws java.io.IOException {
    Work work = rules();
    assertThat(pinned(work)).as("nothing is pinned that looks as it did").isEmpty();
    List<String> before =
        Window.on(
            () -> work.revision().document().paragraphs().stream().map(Paragraph::text).toList());
    window.clickPage("#take-in-result", 0, 120, 330, 1);
    window.until(() -> window.find("#mend-page", Button.class).getText().equals("Pin page 1"));
    window.click("#mend-page");
    window.until(() -> pinned(work).equals(List.of(1)) && kept(work) == 1);
    window.until(() ->
        window.stage.getScene().getRoot().lookupAll(".pinned-why").stream()
            .anyMatch(n -> ((Label) n).getText().contains("you chose so")));
    window.until(() -> window.find("#mend-page", Button.class).getText().equals("Let page 1 flow"));
    window.click("#mend-page");
    window.until(() -> pinned(work).isEmpty() && kept(work) == 0);
    assertThat(
            Window.on(() ->
                work.revision().document().paragraphs().stream().map(Paragraph::text).toList()))
        .isEqualTo(before);
  }

  @Test
  void allPagesArePinnedAndLetFlowByOneAct() throws java.io.IOException {
    Work work = rules();
    int all = work.taken().origin().pages();
    window.click("#mend-pages");
    window.until(() -> pinned(work).size() == all && kept(work) == all);
    window.until(
        () -> window.find("#mend-pages", Button.class).getText().equals("Let all pages flow"));
    window.click("#mend-pages");
    window.until(() -> pinned(work).isEmpty() && kept(work) == 0);
  }

  /** Pins the first page, and goes on to revise it. */
  private void pinFirst(Work work) {
    window.clickPage("#take-in-result", 0, 120, 330, 1);
    window.until(() -> !window.find("#mend-page", Button.class).isDisabled());
    window.click("#mend-page");
    window.until(() -> kept(work) == 1);
    window.go(StageName.REVISE);
  }

  @Test
  void whatIsTypedNeverGoesWhereItIsNotSeen() throws java.io.IOException {
    Work work = rules();
    pinFirst(work);
    var document = Window.on(() -> work.revision().document());
    Window.run(() -> window.find("#pages", decant.desktop.page.PagesView.class).requestFocus());
    window.type("x");
    window.press(KeyCode.DELETE);
    assertThat(Window.on(() -> work.revision().document())).isSameAs(document);
  }

  private static boolean fieldOpen() {
    return inPopup("#line-text", TextField.class).filter(t -> !t.isDisabled()).isPresent();
  }

  private void openLine(PageLine line) {
    window.clickPage(0, line.box().x() + 30, line.box().y() + line.box().height() / 2, 1);
    window.until(PinnedPagesTest::fieldOpen);
  }

  private static String text(Path pdf) throws java.io.IOException {
    try (var got = org.apache.pdfbox.Loader.loadPDF(pdf.toFile())) {
      return new org.apache.pdfbox.text.PDFTextStripper().getText(got);
    }
  }

  @Test
  void aLineOfAPinnedPageIsChangedWhereItStands() throws Exception {
    Work work = rules();
    pinFirst(work);
    window.settle();
    Pinned before = page(work, 0);
    PageLine line =
        AmendedPages.parts(before).lines().stream()
            .filter(l -> l.text().split(" ").length > 12)
            .findFirst()
            .orElseThrow();
    String word =
        java.util.Arrays.stream(line.text().split(" "))
            .filter(w -> w.matches("[a-z]{7,}"))
            .findFirst()
            .orElseThrow();
    String now = line.text().replaceFirst(java.util.regex.Pattern.quote(word), "Quayside");
    openLine(line);
    assertThat(Window.on(() -> inPopup("#line-text", TextField.class).orElseThrow().getText()))
        .isEqualTo(line.text());
    // One that has no room is refused, with the reason, and the field stays.
    Window.run(
        () -> inPopup("#line-text", TextField.class).orElseThrow().setText((now + " ").repeat(12)));
    Window.run(() -> inPopup("#line-change", Button.class).orElseThrow().fire());
    window.until(() ->
        inPopup("#line-why", javafx.scene.text.Text.class)
            .filter(l -> l.getText().contains("no room"))
            .isPresent());
    Window.run(() -> inPopup("#line-text", TextField.class).orElseThrow().setText(now));
    Window.run(() -> inPopup("#line-change", Button.class).orElseThrow().fire());
    window.until(() -> !fieldOpen() && changed(work, before));
    Pinned after = page(work, 0);
    assertThat(AmendedPages.parts(after).lines()).extracting(PageLine::text).contains(now);
    assertThat(
            Window.on(() ->
                work.revision().document().paragraphs().stream()
                    .map(Paragraph::text)
                    .anyMatch(t -> t.contains("Quayside"))))
        .as("what was read from the page says so too")
        .isTrue();
    Path out = published(work, "Rules");
    assertThat(text(out)).contains("Quayside");
    window.go(StageName.REVISE);
    Window.run(() -> work.apply(decant.model.edit.Revision::undo));
    window.until(() -> !changed(work, before));
  }

  /** Opens the first picture of all pinned pages. @return the page that it stands on, from 0 */
  private int openPicture(Work work) throws Exception {
    window.click("#mend-pages");
    window.until(() -> kept(work) == work.layout().pages().size());
    window.go(StageName.REVISE);
    window.settle();
    int at = -1;
    for (int k = 0; at < 0; k++) {
      at = AmendedPages.parts(page(work, k)).pictures().isEmpty() ? at : k;
    }
    int on = at;
    Box box = picture(work, on);
    PagesView view = window.find("#pages", PagesView.class);
    Window.run(() -> view.reveal(on, box.y(), box.bottom()));
    window.until(view::settled);
    window.clickPage(on, box.x() + box.width() / 2, box.y() + box.height() / 2, 1);
    window.until(() -> inPopup("#picture-away", Button.class).isPresent());
    return on;
  }

  private static Box picture(Work work, int on) {
    try {
      return AmendedPages.parts(page(work, on)).pictures().getFirst().box();
    } catch (decant.reading.ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void aPictureOfAPinnedPageIsTakenAway() throws Exception {
    Work work = rules();
    int on = openPicture(work);
    Pinned before = page(work, on);
    Window.run(() -> inPopup("#picture-away", Button.class).orElseThrow().fire());
    window.until(() -> page(work, on) != before);
    assertThat(AmendedPages.parts(page(work, on)).pictures())
        .hasSize(AmendedPages.parts(before).pictures().size() - 1);
    Window.run(() -> work.apply(decant.model.edit.Revision::undo));
    int all = AmendedPages.parts(before).pictures().size();
    window.until(() -> pictures(work, on) == all);
  }

  @Test
  void aPictureOfAPinnedPageIsMovedAndScaledByItsFrame() throws Exception {
    Work work = rules();
    int on = openPicture(work);
    Box was = picture(work, on);
    double x = was.x() + was.width() / 2;
    double y = was.y() + was.height() / 2;
    window.drag("#pages", on, x, y, x - 15, y + 25);
    window.until(() -> Math.abs(picture(work, on).y() - was.y() - 25) < 2);
    Box moved = picture(work, on);
    assertThat(moved.x()).isCloseTo(was.x() - 15, within(2.0));
    assertThat(moved.width()).isCloseTo(was.width(), within(0.5));
    // It stays framed: a corner scales it, and it keeps its shape.
    window.settle();
    window.drag(
        "#pages", on, moved.right(), moved.bottom(), moved.right() - 80, moved.bottom() - 20);
    window.until(() -> picture(work, on).width() < moved.width() - 30);
    Box small = picture(work, on);
    assertThat(small.width() / small.height()).isCloseTo(was.width() / was.height(), within(0.02));
    assertThat(small.x()).isCloseTo(moved.x(), within(0.5));
    window.settle();
    window.press(KeyCode.RIGHT);
    window.until(() -> Math.abs(picture(work, on).x() - small.x() - 1) < 0.2);
    for (int k = 0; k < 3; k++) {
      Window.run(() -> work.apply(decant.model.edit.Revision::undo));
    }
    window.until(() -> Math.abs(picture(work, on).x() - was.x()) < 0.01);
    // The keys move it while its window is open too, and do not take it away.
    window.settle();
    window.clickPage(on, x, y, 1);
    window.until(() -> inPopup("#picture-away", Button.class).isPresent());
    window.press(KeyCode.DOWN);
    window.until(() -> Math.abs(picture(work, on).y() - was.y() - 1) < 0.2);
  }

  private static int pictures(Work work, int on) {
    try {
      return AmendedPages.parts(page(work, on)).pictures().size();
    } catch (decant.reading.ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  private static Pinned page(Work work, int k) {
    return Window.on(() -> work.layout().pinned(work.layout().pages().get(k)).orElseThrow());
  }

  private static boolean changed(Work work, Pinned before) {
    return Window.on(() ->
        work.layout()
            .pinned(work.layout().pages().getFirst())
            .filter(p -> p != before)
            .isPresent());
  }

  @Test
  void theSummarySaysThatThePagesWereCompared() throws java.io.IOException {
    Work work = rules();
    window.until(() -> work.judgingProperty().get() == Work.Judged.DONE);
    window.settle();
    assertThat(window.find("#findings-compared", Label.class).getText())
        .isEqualTo("The pages were compared with the original.");
  }

  @Test
  void allPagesGoOutAsTheyWereWhereThatIsChosen() throws java.io.IOException {
    Work work = rules();
    window.go(StageName.PUBLISH);
    Window.run(() ->
        window
            .find("#publish-pages-kept", javafx.scene.control.ComboBox.class)
            .getSelectionModel()
            .select(decant.recipe.PagesKept.ALL.ordinal()));
    Path out = folder.resolve("kept");
    Files.createDirectories(out);
    Window.run(() -> work.draftProperty().set(work.draftProperty().get().to(out, "As it was")));
    window.settle();
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified())).isTrue();
    try (var got = org.apache.pdfbox.Loader.loadPDF(out.resolve("As it was.pdf").toFile());
        var was = org.apache.pdfbox.Loader.loadPDF(work.source().toFile())) {
      assertThat(got.getNumberOfPages()).isEqualTo(was.getNumberOfPages());
      for (int p = 0; p < was.getNumberOfPages(); p++) {
        assertThat(got.getPage(p).getContents().readAllBytes())
            .as("page " + (p + 1))
            .isEqualTo(was.getPage(p).getContents().readAllBytes());
      }
    }
  }
}
