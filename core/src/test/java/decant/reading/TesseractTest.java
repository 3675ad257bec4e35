package decant.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TesseractTest {
  /** The program's table of words, as its manual describes the output "tsv". */
  private static final String TABLE =
      """
      level	page_num	block_num	par_num	line_num	word_num	left	top	width	height	conf	text
      1	1	0	0	0	0	0	0	1654	2339	-1\t
      4	1	1	1	1	0	100	200	500	40	-1\t
      5	1	1	1	1	1	100	200	90	40	96.5	Berth
      5	1	1	1	1	2	200	200	80	40	31	ru1es
      5	1	1	1	2	1	100	250	80	40	95	of\t1
      5	1	1	1	2	2	100	250	80	40	95	\s
      5	1	1	1	3	1	what	250	80	40	95	damaged
      """;

  @TempDir Path folder;

  @Test
  void wordsAreReadWithTheirPlacesAndLines() {
    assertThat(Tesseract.words(TABLE))
        .containsExactly(
            new Recogniser.Word("Berth", 100, 200, 90, 40, 0, 97),
            new Recogniser.Word("ru1es", 200, 200, 80, 40, 0, 31),
            new Recogniser.Word("of\t1", 100, 250, 80, 40, 1, 95));
    assertThat(Tesseract.words("")).isEmpty();
  }

  @Test
  void theProgramIsLookedForOnThePath() throws IOException {
    Path bin = Files.createDirectories(folder.resolve("bin"));
    Path program = Files.writeString(bin.resolve("tesseract"), "#!/bin/sh\n");
    String path = folder + java.io.File.pathSeparator + bin;
    assertThat(Tesseract.installed(path)).as("it cannot be run").isEmpty();
    assertThat(program.toFile().setExecutable(true)).isTrue();
    assertThat(Tesseract.installed(path)).contains(program);
    assertThat(Tesseract.installed("")).isEmpty();
  }

  @Test
  void languagesAreAskedOfTheProgram() throws IOException {
    Path program =
        Files.writeString(
            folder.resolve("tesseract"),
            "#!/bin/sh\necho 'List of available languages (3):'\necho eng\necho deu\necho osd\n");
    assertThat(program.toFile().setExecutable(true)).isTrue();
    assertThat(Tesseract.languages(program)).containsExactly("eng", "deu");
    assertThat(Tesseract.languages(folder.resolve("none"))).isEmpty();
  }

  @Test
  void aProgramThatFailsIsReportedInWords() throws IOException {
    Path program = Files.writeString(folder.resolve("tesseract"), "#!/bin/sh\nexit 3\n");
    assertThat(program.toFile().setExecutable(true)).isTrue();
    var page = new java.awt.image.BufferedImage(10, 10, java.awt.image.BufferedImage.TYPE_INT_RGB);
    assertThatThrownBy(() -> Tesseract.of(program, "eng").words(page, 300, () -> false))
        .hasMessage("Tesseract could not read the page.");
  }

  @Test
  void codesOfLanguagesAreCheckedAndNamed() {
    assertThatThrownBy(() -> Tesseract.of(folder, "eng; rm"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(Tesseract.of(folder, "eng+deu").language()).isEqualTo("English and German");
    assertThat(List.of("fra", "spa", "chi_sim"))
        .extracting(Tesseract::name)
        .containsExactly("French", "Spanish", "chi_sim");
  }
}
