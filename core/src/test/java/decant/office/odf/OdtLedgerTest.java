package decant.office.odf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.format.Formats;
import decant.format.Intake;
import decant.format.Ledger;
import decant.model.Document;
import decant.model.Table;
import decant.reading.ReadRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class OdtLedgerTest {
  @TempDir Path folder;

  private Path written() throws Exception {
    Path file = folder.resolve("log.odt");
    try (var out = Files.newOutputStream(file);
        Ledger l = Formats.ledger("log.odt").orElseThrow().begin("Run & log", out)) {
      l.heading(1, "Run <1>");
      l.paragraph("From \u0000here \uD83D\uDE00 to there");
      l.table(
          List.of(new Ledger.Column("Original", 3, false), new Ledger.Column("Bytes", 1, true)));
      l.row(
          List.of(
              List.of(
                  new Ledger.Line("a b.odt", Optional.of("source/a%20b.odt")),
                  Ledger.Line.of("again")),
              List.of(Ledger.Line.of("12"))));
      l.row(List.of(List.of(), List.of(Ledger.Line.of("0"))));
      l.endTable();
    }
    return file;
  }

  /** The ODF Toolkit's validator: the schemas of ODF 1.3, and conformance (part 3, §2). */
  @Test
  void itConforms() throws Exception {
    assertThat(OdfValidator.errors(List.of(written()))).isEmpty();
  }

  @Test
  void itIsTakenInAsItWasTold() throws Exception {
    Document d = Intake.take(ReadRequest.of(written())).document();
    assertThat(d.metadata().title()).isEqualTo("Run & log");
    assertThat(d.paragraphs().getFirst().text()).isEqualTo("Run <1>");
    assertThat(d.paragraphs().get(1).text()).isEqualTo("From \uFFFDhere \uD83D\uDE00 to there");
    Table t =
        d.sections().stream()
            .flatMap(s -> s.blocks().stream())
            .filter(Table.class::isInstance)
            .map(Table.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(t.rows()).hasSize(3);
    assertThat(t.columns().get(0))
        .isEqualTo(3 * t.columns().get(1), org.assertj.core.data.Offset.offset(1.0));
    assertThat(d.paragraphs()).anySatisfy(p -> assertThat(p.text()).isEqualTo("a b.odt"));
  }
}
