package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.reading.ReadRequest;
import java.io.OutputStream;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Documents of every kind that is taken in, revised in the window and saved. */
class KindsOfDocumentsTest extends WindowCase {
  private Path made(String id) throws Exception {
    Path demo = Path.of("..", "demo", "Winter storage notice.docx");
    var document =
        Formats.reader(Formats.recognise(demo)).orElseThrow().read(ReadRequest.of(demo)).document();
    Path file = folder.resolve("Notice." + id);
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(Formats.of(id).orElseThrow()).write(document, out);
    }
    return file;
  }

  private void revised(Path source) {
    Work w = window.takeIn(source);
    window.go(StageName.REVISE);
    settled();
    caret(w, document(w).index().order().getFirst(), 0);
    window.type("New ");
    window.settle();
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().contains("Saved as") || notice().contains("saved as"));
  }

  private static String first(Path file) throws Exception {
    return Formats.reader(Formats.recognise(file))
        .orElseThrow()
        .read(ReadRequest.of(file))
        .document()
        .paragraphs()
        .getFirst()
        .text();
  }

  /** A working copy is of its source's kind where that has room for all that is worked on. */
  @ParameterizedTest
  @CsvSource({"odt, odt", "docx, docx", "rtf, docx", "html, docx", "txt, docx"})
  void aWorkingCopyIsOfTheKindOfItsSource(String from, String to) throws Exception {
    revised(made(from));
    Path copy = folder.resolve("Notice revised." + to);
    assertThat(copy).exists();
    assertThat(first(copy)).startsWith("New ");
  }

  /** Where what is written cannot keep the file that it came from, that is told at once. */
  @ParameterizedTest
  @ValueSource(booleans = {false, true})
  void whatIsWrittenAnewIsTold(boolean macros) throws Exception {
    Path source = made("odt");
    if (macros) {
      try (FileSystem parts = FileSystems.newFileSystem(source)) {
        Files.createDirectories(parts.getPath("Basic/Standard"));
        Files.writeString(parts.getPath("Basic/Standard/Module1.xml"), "<m>Beep</m>");
      }
    }
    revised(source);
    assertThat(notice().contains("was written anew")).isEqualTo(macros);
    Work work = window.desk.work().orElseThrow();
    window.go(StageName.PUBLISH);
    choose("#publish-recipe", "Office copy");
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(window.find("#receipt-figures", Label.class).getText().contains("written anew"))
        .isEqualTo(macros);
  }
}
