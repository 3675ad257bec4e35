package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.reading.ReadRequest;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
}
