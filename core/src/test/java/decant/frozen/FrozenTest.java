package decant.frozen;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.Samples;
import decant.describe.Describer;
import decant.layout.Layout;
import decant.model.finding.Finding;
import decant.pdf.choices.PdfChoices;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Forty frozen files by four makers, made by the project in {@code frozen/} with what they were
 * made from beside them: their structure as it is recovered, their pages as they are published. No
 * figure of {@code scores.json} may ever become less. One that became more is written there by
 * {@code mvn -pl core test -Dtest=FrozenTest -Ddecant.frozen.raise=true}.
 */
class FrozenTest {
  private static final Path FILES = Path.of("src", "test", "resources", "frozen");
  private static final Path SCORES = FILES.resolve("scores.json");
  private static final ObjectMapper JSON = new ObjectMapper();

  /** Rounding of the figures that are kept. */
  private static final double SLACK = 0.0011;

  @TempDir Path folder;

  @Test
  void noFigureBecomesLess() throws IOException {
    boolean raise = Boolean.getBoolean("decant.frozen.raise");
    JsonNode kept = Files.exists(SCORES) ? JSON.readTree(SCORES.toFile()) : JSON.createObjectNode();
    ObjectNode now = JSON.createObjectNode();
    var less = new ArrayList<String>();
    List<Path> files;
    try (Stream<Path> all = Files.list(FILES)) {
      files = all.filter(f -> f.toString().endsWith(".pdf")).sorted().toList();
    }
    assertThat(files).hasSize(40);
    for (Path f : files) {
      String name = f.getFileName().toString().replace(".pdf", "");
      ObjectNode row = now.putObject(name);
      measure(f, JSON.readTree(FILES.resolve(name + ".truth.json").toFile()))
          .forEach((k, v) -> {
            double had = kept.path(name).path(k).asDouble(0);
            row.put(k, Math.max(had, Math.round(v * 1000) / 1000.0));
            if (v < had - SLACK) {
              less.add("%s %s %.3f instead of %.3f".formatted(name, k, v, had));
            }
            if (!raise && !kept.path(name).has(k)) {
              less.add(name + " has no figure for " + k);
            }
          });
    }
    if (raise) {
      Files.writeString(
          SCORES, JSON.writerWithDefaultPrettyPrinter().writeValueAsString(now) + "\n");
    }
    assertThat(less).isEmpty();
  }

  private Map<String, Double> measure(Path file, JsonNode truth) throws IOException {
    TakenIn t = Samples.taken(file);
    assertThat(t.findings())
        .as("lost of " + file.getFileName())
        .noneMatch(f -> f.severity() == Finding.Severity.LOSS);
    JsonNode answer =
        JSON.readTree(
            Describer.describe(
                file.toString(), t, t.origin().pages(), List.of(), id -> Optional.empty()));
    var out = new TreeMap<>(Structure.score(truth, answer));
    Layout l = Samples.layout(t.document());
    PdfChoices c = Samples.choices(l);
    Path published = Files.write(folder.resolve("published.pdf"), Samples.pdf(l, c));
    assertThat(PdfVerifier.verify(published, l, c))
        .as("published " + file.getFileName())
        .allMatch(Check::passed);
    double pages = l.pages().size();
    out.put("pages", Math.min(pages, t.origin().pages()) / Math.max(pages, t.origin().pages()));
    out.put("alike", Ink.alike(file, published));
    return out;
  }
}
