package decant.run;

import static org.assertj.core.api.Assertions.assertThat;

import decant.format.Intake;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Table;
import decant.reading.ReadRequest;
import decant.run.log.Csv;
import decant.run.log.RunLog;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The log as a document, held against the folders and against the values. */
class RunLogTest {
  @TempDir Path folder;

  private static String text(Cell c) {
    var b = new StringBuilder();
    c.blocks().forEach(x -> b.append(x instanceof Paragraph p ? p.text() : ""));
    return b.toString();
  }

  private static List<Table> tables(Document d) {
    return d.sections().stream()
        .flatMap(s -> s.blocks().stream())
        .filter(Table.class::isInstance)
        .map(Table.class::cast)
        .toList();
  }

  @Test
  void theLogOpensHereAndAddsUp() throws Exception {
    Path source = Files.createDirectories(folder.resolve("source"));
    Trees.document(source.resolve("Notices/a b.odt"), "A");
    Trees.document(source.resolve("Notices/c.odt"), "C");
    Trees.document(source.resolve("d.docx"), "D");
    Files.writeString(source.resolve("damaged.docx"), "PK\u0003\u0004 and no more");
    Files.createFile(source.resolve("empty.odt"));
    Path destination = folder.resolve("results");
    Path log = folder.resolve("log.odt");
    var csv = new ByteArrayOutputStream();
    try (Run run =
        Run.plan(
            RunOrder.of(source, destination, Trees.TEXT),
            Run.Start.NEW,
            Secrets.NONE,
            n -> {},
            () -> false)) {
      run.work(2, r -> {});
      try (var out = Files.newOutputStream(log)) {
        RunLog.write(run, log, out);
      }
      Csv.write(run, csv);
    }
    Document d = Intake.take(ReadRequest.of(log)).document();
    List<Table> tables = tables(d);
    // Totals, what failed, and a table each for DOCX, ODT, and what was not looked at.
    assertThat(tables).hasSize(5);
    List<List<String>> totals = new ArrayList<>();
    for (var r : tables.getFirst().rows()) {
      totals.add(r.cells().stream().map(RunLogTest::text).toList());
    }
    assertThat(totals.getFirst()).startsWith("Kind", "Files", "Done", "Failed", "Left out");
    assertThat(totals).anySatisfy(r -> assertThat(r).startsWith("DOCX", "2", "1", "1", "0"));
    assertThat(totals).anySatisfy(r -> assertThat(r).startsWith("ODT", "2", "2", "0", "0"));
    assertThat(totals.getLast()).startsWith("All", "5", "3", "1", "1");
    long made = 0;
    for (String f : List.of("Notices/a b.txt", "Notices/c.txt", "d.txt")) {
      made += Files.size(destination.resolve(f));
    }
    assertThat(totals.getLast().get(7)).isEqualTo(Long.toString(made));
    assertThat(text(tables.get(1).rows().get(1).cells().get(0))).isEqualTo("damaged.docx");
    assertThat(text(tables.get(1).rows().get(1).cells().get(2))).startsWith("failed: ");
    // The values say the same of every file.
    String[] lines = csv.toString(StandardCharsets.UTF_8).split("\r\n");
    long done = java.util.Arrays.stream(lines).filter(l -> l.contains(",done,")).count();
    assertThat(lines).hasSize(6);
    assertThat(done).isEqualTo(3);
    // Links lead to the files from where the log is (ODF 1.3-2 §3.7: up and out of the package).
    try (var zip = new ZipFile(log.toFile())) {
      String content =
          new String(
              zip.getInputStream(zip.getEntry("content.xml")).readAllBytes(),
              StandardCharsets.UTF_8);
      assertThat(content)
          .contains("xlink:href=\"../source/Notices/a%20b.odt\"")
          .contains("xlink:href=\"../results/Notices/a%20b.txt\"");
    }
  }
}
