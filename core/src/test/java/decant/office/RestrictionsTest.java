package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.finding.Finding;
import decant.reading.Restriction;
import java.io.IOException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a document asks of those who open it is told (ISO/IEC 29500-1 §17.15.1.29 and .93). */
class RestrictionsTest extends MadeDocx {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<w:writeProtection w:recommended=\"1\"/>|READING_RECOMMENDED",
        "<w:writeProtection w:hashValue=\"AA==\"/>|WRITING_RESERVED",
        "<w:documentProtection w:edit=\"readOnly\" w:enforcement=\"1\"/>|READING_ONLY",
        "<w:documentProtection w:edit=\"comments\" w:enforcement=\"on\"/>|COMMENTS_ONLY",
        "<w:documentProtection w:edit=\"trackedChanges\" w:enforcement=\"true\"/>|TRACKED_ONLY",
        "<w:documentProtection w:edit=\"forms\" w:enforcement=\"1\"/>|FORMS_ONLY",
        "<w:documentProtection w:formatting=\"1\" w:enforcement=\"1\"/>|SOME_LOOKS_ONLY",
        // Not enforced, it asks nothing.
        "<w:documentProtection w:edit=\"readOnly\" w:enforcement=\"0\"/>|",
        "<w:documentProtection w:edit=\"forms\"/>|",
        "<w:writeProtection/>|",
      })
  void isTold(String setting, Restriction told) throws IOException {
    with("settings", "settings", "<w:settings " + ROOT + ">" + setting + "</w:settings>");
    assertThat(taken("<w:p/>").findings())
        .extracting(Finding::message)
        .filteredOn(m ->
            java.util.Arrays.stream(Restriction.values())
                .anyMatch(r -> r.finding().message().equals(m)))
        .isEqualTo(
            told == null ? java.util.List.of() : java.util.List.of(told.finding().message()));
  }
}
