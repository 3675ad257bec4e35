package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.pinned.PageOrderPanel;
import decant.desktop.shell.Work;
import decant.recipe.PagesKept;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Pages turned, cropped, moved, taken away and put in, in the window. */
class PageOrderWindowTest extends WindowCase {
  private Work rules() {
    Work work = revise("Berth rules.pdf");
    fire("#side-pages");
    window.until(() -> window.has("#page-order"));
    return work;
  }

  private String says() {
    return Window.on(() -> window.find("#page-order-says", Label.class).getText());
  }

  private boolean off(String button) {
    return Window.on(() -> window.find(button, Button.class).isDisabled());
  }

  /** Which pages of the source are where. */
  private List<Integer> order(Work work) {
    return Window.on(() ->
        work.revision().document().sections().stream()
            .map(s -> s.pinned().map(p -> p.page()).orElse(-1))
            .toList());
  }

  private void pinAll(Work work) {
    fire("#page-pin-all");
    window.until(() -> order(work).size() == 15 && !off("#page-later"));
    window.settle();
  }

  private static List<String> texts(Path pdf) throws IOException {
    var out = new ArrayList<String>();
    try (var got = Loader.loadPDF(pdf.toFile())) {
      for (int k = 1; k <= got.getNumberOfPages(); k++) {
        var s = new PDFTextStripper();
        s.setStartPage(k);
        s.setEndPage(k);
        out.add(s.getText(got).strip());
      }
    }
    return out;
  }

  @Test
  void pagesThatFlowSayWhyTheyStay() {
    rules();
    assertThat(off("#page-turn-left")).isTrue();
    assertThat(off("#page-later")).isTrue();
    assertThat(says()).contains("flows");
  }

  @Test
  void pagesGoElsewhereAndAreTakenAway() throws IOException {
    Work work = rules();
    pinAll(work);
    assertThat(says()).isEmpty();
    fire("#page-later");
    window.until(() -> order(work).subList(0, 3).equals(List.of(1, 0, 2)));
    window.until(
        () -> window.find("#page-order-which", Label.class).getText().startsWith("Page 2"));
    give("#page-to", "15");
    window.until(() -> order(work).getLast() == 0);
    window.settle();
    Window.run(() -> window.find("#pages", PagesView.class).reveal(0, 0, 40));
    window.until(
        () -> window.find("#page-order-which", Label.class).getText().startsWith("Page 1 "));
    fire("#page-away");
    window.until(() -> order(work).size() == 14 && order(work).getFirst() == 2);
    give("#page-to", "x");
    assertThat(notice()).contains("x");
    List<String> source = texts(folder.resolve("Berth rules.pdf"));
    var expected = new ArrayList<>(source.subList(2, 15));
    expected.add(source.getFirst());
    assertThat(texts(published(work, "In order"))).isEqualTo(expected);
    // The same where a recipe keeps all pages.
    Window.run(() ->
        work.draftProperty()
            .set(
                work.draftProperty()
                    .get()
                    .with(work.draftProperty().get().recipe().with(PagesKept.ALL))));
    Window.run(() -> work.receiptProperty().set(java.util.Optional.empty()));
    assertThat(texts(published(work, "Kept"))).isEqualTo(expected);
  }

  @Test
  void aPageIsTurnedAndCropped() throws Exception {
    Work work = rules();
    pinAll(work);
    fire("#page-crop");
    window.until(() -> says().contains("frame"));
    window.drag("#pages", 0, 80, 60, 400, 300);
    window.until(() -> Math.abs(work.layout().pages().getFirst().width() - 320) < 3);
    window.settle();
    assertThat(notice()).contains("hidden and stays in the file");
    fire("#page-turn-right");
    window.until(() -> Math.abs(work.layout().pages().getFirst().height() - 320) < 3);
    window.settle();
    Path out = published(work, "Turned");
    try (var pdf = Loader.loadPDF(out.toFile())) {
      assertThat(pdf.getPage(0).getRotation()).isEqualTo(90);
      assertThat(pdf.getPage(0).getCropBox().getWidth()).isCloseTo(320, within(3f));
    }
  }

  @Test
  void pagesOfAnotherFileArePutInAfterThePageInSight() throws Exception {
    Work work = rules();
    pinAll(work);
    Path form = copy("Berth application.pdf");
    Path none = copy("Winter storage notice.docx");
    Window.run(() -> window.find("#page-order", PageOrderPanel.class).putIn(none));
    window.until(() -> notice().contains("is no PDF"));
    Window.run(() -> window.find("#page-some", TextField.class).setText("7"));
    Window.run(() -> window.find("#page-order", PageOrderPanel.class).putIn(form));
    window.until(() -> notice().contains("7"));
    Window.run(() -> window.find("#page-some", TextField.class).setText(""));
    Window.run(() -> window.find("#page-order", PageOrderPanel.class).putIn(form));
    window.until(() -> order(work).size() == 16);
    window.settle();
    List<String> source = texts(folder.resolve("Berth rules.pdf"));
    List<String> now = texts(published(work, "Put in"));
    assertThat(now.get(1)).isEqualTo(texts(form).getFirst());
    assertThat(now.get(2)).isEqualTo(source.get(1));
  }

  @Test
  void thePdfIsWrittenWithItsChangedPages() throws Exception {
    Work work = rules();
    assertThat(off("#page-write-file")).isTrue();
    pinAll(work);
    fire("#page-turn-right");
    window.until(
        () -> work.layout().pages().getFirst().width() > work.layout().pages().getFirst().height());
    fire("#page-write-file");
    window.until(() -> notice().contains("is written"));
    assertThat(notice()).contains("1 page is changed").doesNotContain("edition before");
    Path first = work.draftProperty().get().folder().resolve("Berth rules amended.pdf");
    List<String> source = texts(work.source());
    assertThat(texts(first).subList(1, 15)).isEqualTo(source.subList(1, 15));
    Window.run(() -> window.find("#page-keep-old", CheckBox.class).setSelected(true));
    fire("#page-write-file");
    window.until(() -> notice().contains("edition before is inside"));
    byte[] was = Files.readAllBytes(work.source());
    Path second = work.draftProperty().get().folder().resolve("Berth rules amended 2.pdf");
    assertThat(Arrays.copyOf(Files.readAllBytes(second), was.length)).isEqualTo(was);
    try (var pdf = Loader.loadPDF(second.toFile())) {
      assertThat(pdf.getPage(0).getRotation()).isEqualTo(90);
      assertThat(pdf.getPage(1).getRotation()).isZero();
    }
  }

  @Test
  void aLockedFileIsAskedForItsPassword() throws Exception {
    Work work = rules();
    pinAll(work);
    Path form = folder.resolve("Locked application.pdf");
    try (var pdf = Loader.loadPDF(copy("Berth application.pdf").toFile())) {
      pdf.protect(new StandardProtectionPolicy("quay", "quay", new AccessPermission()));
      pdf.save(form.toFile());
    }
    Window.run(() -> window.find("#page-order", PageOrderPanel.class).putIn(form));
    window.until(() -> window.has("#notice-password"));
    answer("storm");
    window.until(() -> notice().contains("does not open"));
    assertThat(order(work)).hasSize(15);
    answer("quay");
    window.until(() -> order(work).size() == 16);
    window.settle();
    assertThat(texts(published(work, "Unlocked")).get(1)).contains("Application for a berth");
  }

  private void answer(String password) throws Exception {
    Window.run(() -> window.find("#notice-password", TextField.class).setText(password));
    window.clickLabelled("Unlock");
  }
}
