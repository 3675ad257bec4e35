package decant.proof;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.pdf.Published;
import decant.proof.Counts.Thing;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.apache.poi.xwpf.usermodel.IBodyElement;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.junit.jupiter.api.Test;

class CountsTest {
  @Test
  void everyKindIsCounted() {
    Counts c = Counts.of(Published.everything());
    assertThat(c.numbers())
        .containsEntry(Thing.HEADINGS, 3)
        .containsEntry(Thing.LIST_ITEMS, 3)
        .containsEntry(Thing.TABLES, 1)
        .containsEntry(Thing.CELLS, 6)
        .containsEntry(Thing.PICTURES, 3)
        .containsEntry(Thing.LINKS, 2);
    assertThat(c.entries()).extracting(Counts.Entry::what).containsExactly(Thing.values());
    assertThat(c.entries()).allMatch(e -> e.number() == c.of(e.what()));
    assertThat(c.entries()).allMatch(e -> !e.what().label().isBlank());
  }

  @Test
  void anEmptyDocumentHasOneParagraphAndNothingElse() {
    Document d = Samples.document(Samples.paragraph(""));
    assertThat(Counts.of(d).numbers())
        .allSatisfy((what, n) -> assertThat(n).isEqualTo(what == Thing.PARAGRAPHS ? 1 : 0));
  }

  @Test
  void aCharacterOutsideTheFirstPlaneIsOne() {
    Document d = Samples.document(Samples.paragraph("a\uD83D\uDEA2b"));
    assertThat(Counts.of(d).of(Thing.CHARACTERS)).isEqualTo(3);
  }

  /** POI counts the same tables, cells and pictures in the demo's documents. */
  @Test
  void anotherReaderCountsTheSame() throws IOException {
    try (var files = Files.list(Samples.DEMO)) {
      for (Path f : files.filter(p -> p.toString().endsWith(".docx")).toList()) {
        Counts c = Counts.of(Samples.taken(f).document());
        try (InputStream in = Files.newInputStream(f);
            var other = new XWPFDocument(in)) {
          int tables = 0;
          int cells = 0;
          for (IBodyElement e : other.getBodyElements()) {
            if (e instanceof XWPFTable t) {
              tables++;
              cells += t.getRows().stream().mapToInt(r -> r.getTableCells().size()).sum();
            }
          }
          assertThat(Map.of(Thing.TABLES, c.of(Thing.TABLES), Thing.CELLS, c.of(Thing.CELLS)))
              .as(f.toString())
              .isEqualTo(Map.of(Thing.TABLES, tables, Thing.CELLS, cells));
        }
      }
    }
  }
}
