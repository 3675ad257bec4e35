package decant.office.odf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.finding.Finding;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Programs in documents are told of (ODF 1.3 part 3, §3.12). */
class OdfProgramsTest {
  /** Empty libraries, which many programs write, are none. */
  @ParameterizedTest
  @CsvSource({
    "Basic/Standard/Module1.xml, true",
    "Scripts/python/tide.py, true",
    "Basic/Standard/script-lb.xml, false",
    "Basic/script-lc.xml, false",
    "Scripts/, false",
    "Pictures/Basic.png, false"
  })
  void partsThatHoldProgramsAreKnown(String part, boolean told) {
    assertThat(OdfPrograms.areIn(List.of("content.xml", part), "<office:text/>")).isEqualTo(told);
  }

  @Test
  void programsInTheTextAreTold(@TempDir Path folder) throws Exception {
    String script = "<text:script xmlns:script=\"x\" script:language=\"JS\">x()</text:script>";
    Path with =
        FlatOdt.write(folder.resolve("a.fodt"), "", "", "", "<text:p>Tide" + script + "</text:p>");
    assertThat(Samples.taken(with).findings())
        .filteredOn(f -> f.severity() == Finding.Severity.LOSS)
        .extracting(Finding::message)
        .containsExactly(
            "The document has macros. They never run in Decant, and what is saved or published goes"
                + " without them.");
    Path without = FlatOdt.write(folder.resolve("b.fodt"), "", "", "", "<text:p>Tide</text:p>");
    assertThat(Samples.taken(without).findings()).isEmpty();
  }
}
