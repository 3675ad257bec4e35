package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.layout.Rich;
import decant.model.Document;
import decant.model.Inline;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.walk.HiddenText;
import decant.preview.LeftOut;
import decant.reading.ReadRequest;
import decant.verify.Check;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Text that does not show is in the open nowhere: formats that cannot hide it do not get it. */
class HiddenTextTest {
  private static final Look HIDDEN = Look.of(TextTraits.HIDDEN, true);

  @TempDir Path folder;

  /** Hidden words in the flow, in a note and in a header. */
  private static Document document() {
    var rich = new Rich();
    Inline secret = new Inline.Text("Unsaid ", HIDDEN);
    rich.section(
        PageSetup.A4,
        Section.Start.NEW_PAGE,
        Map.of(),
        List.of(
            Rich.of(Rich.text("Berths "), secret, Rich.text("and charges")),
            Samples.table(new String[] {"Berth", "Depth"}),
            Rich.of(Rich.text("Winter"), rich.note(Story.Kind.FOOTNOTE, "As of March."))));
    return rich.document();
  }

  private Path written(Format format, Document d) throws Exception {
    Path file = folder.resolve("a." + format.extension());
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(format).write(d, out);
    }
    return file;
  }

  @ParameterizedTest
  @ValueSource(strings = {"txt", "html"})
  void whereNothingCanBeHiddenItIsNot(String id) throws Exception {
    Format format = Formats.of(id).orElseThrow();
    Document d = document();
    Path file = written(format, d);
    assertThat(Files.readString(file))
        .contains("Berths", "charges", "March")
        .doesNotContain("Unsaid");
    var verifier = Formats.verifier(format);
    assertThat(verifier.verify(file, d)).allMatch(Check::passed);
    Files.writeString(file, Files.readString(file).replace("Depth", ""));
    assertThat(verifier.verify(file, d)).as("lacking").anyMatch(c -> !c.passed());
    assertThat(LeftOut.of(d, format)).contains("Hidden text.");
  }

  @ParameterizedTest
  @ValueSource(strings = {"docx", "odt", "rtf", "doc"})
  void whereItCanBeHiddenItStaysHidden(String id) throws Exception {
    Format format = Formats.of(id).orElseThrow();
    Path file = written(format, document());
    Document back = Formats.reader(format).orElseThrow().read(ReadRequest.of(file)).document();
    assertThat(HiddenText.isIn(back)).isTrue();
    assertThat(Samples.text(Samples.taken(file))).contains("Unsaid");
    assertThat(HiddenText.without(back).paragraphs().getFirst().text())
        .isEqualTo("Berths and charges");
    assertThat(LeftOut.of(document(), format)).doesNotContain("Hidden text.");
  }

  @Test
  void aDocumentThatHidesNothingIsItself() {
    Document d = Samples.demo("Winter storage notice.docx").document();
    assertThat(HiddenText.isIn(d)).isFalse();
    assertThat(HiddenText.without(d)).isSameAs(d);
  }
}
