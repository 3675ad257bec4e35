package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A long file shows its pages while it is taken in. */
class ArrivingTest {
  @TempDir Path folder;

  /** A PDF of many pages of prose. */
  private Path book(int pages) throws IOException {
    Path file = folder.resolve("harbour-book.pdf");
    try (var pdf = new PDDocument()) {
      var font = new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN);
      for (int p = 0; p < pages; p++) {
        var page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        try (var c = new PDPageContentStream(pdf, page)) {
          c.setFont(font, 11);
          for (int k = 0; k < 45; k++) {
            c.beginText();
            c.newLineAtOffset(72, 770 - 15 * k);
            c.showText(
                "Line " + k + " of page " + (p + 1) + " tells who keeps the keys of which berth.");
            c.endText();
          }
        }
      }
      pdf.save(file.toFile());
    }
    return file;
  }

  @Test
  void itsPagesAreThereBeforeItHasBeenRead() throws Exception {
    Path file = book(300);
    try (Window w = Window.open(folder.resolve("state"))) {
      Window.run(() -> w.desk.takeIn(file));
      w.until(() -> w.desk.arrivingProperty().get().isPresent());
      assertThat(Window.on(() -> w.find("#arriving-source", PagesView.class).source().count()))
          .isEqualTo(300);
      w.until(() ->
          w.desk.work().isPresent()
              || w.desk
                  .arrivingProperty()
                  .get()
                  .filter(a -> a.firstProperty().get().isPresent())
                  .isPresent());
      w.until(() -> w.desk.work().isPresent());
      assertThat(Window.on(() -> w.desk.arrivingProperty().get())).isEmpty();
      assertThat(w.work().taken().origin().pages()).isEqualTo(300);
    }
  }

  @Test
  void whatWasInWorkIsThereAgainWhenItIsCancelled() throws Exception {
    Path file = book(300);
    Path first = folder.resolve("first.pdf");
    Files.copy(file, first);
    try (Window w = Window.open(folder.resolve("state"))) {
      w.takeIn(first);
      w.go(StageName.REVISE);
      Window.run(() -> w.desk.takeIn(file));
      w.until(() -> w.desk.arrivingProperty().get().isPresent());
      Window.run(w.desk.jobs()::cancelShown);
      assertThat(Window.on(() -> w.desk.arrivingProperty().get())).isEmpty();
      assertThat(w.work().source()).isEqualTo(first.toAbsolutePath());
      assertThat(Window.on(() -> w.desk.stepProperty().get())).isEqualTo(StageName.REVISE);
    }
  }
}
