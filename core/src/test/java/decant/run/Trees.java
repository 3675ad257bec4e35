package decant.run;

import decant.Samples;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.FileHash;
import decant.io.WriteProblem;
import decant.model.Block;
import decant.model.Document;
import decant.recipe.Output;
import decant.recipe.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Folders for tests, and what is in them. */
final class Trees {
  /** Makes plain text of everything, which is the same whenever it is made. */
  static final Recipe TEXT =
      new Recipe("Text", "", List.of(new Output.Office(Formats.of("txt").orElseThrow())));

  private Trees() {}

  /** A document of these paragraphs, in the format that its name says. */
  static Path document(Path file, String... paragraphs) throws IOException {
    Files.createDirectories(file.getParent());
    Document d =
        Samples.document(Arrays.stream(paragraphs).map(Samples::paragraph).toArray(Block[]::new));
    var format = Formats.byExtension(file.getFileName().toString()).orElseThrow();
    try {
      AtomicFile.write(file, true, out -> Formats.writer(format).write(d, out));
    } catch (WriteProblem e) {
      throw new IOException(e);
    }
    return file;
  }

  /** Every file below a folder with its content; folders with none. */
  static Map<String, String> all(Path root) throws IOException {
    var out = new TreeMap<String, String>();
    if (!Files.exists(root)) {
      return out;
    }
    try (Stream<Path> files = Files.walk(root)) {
      for (Path p : files.toList()) {
        out.put(
            root.relativize(p).toString(),
            Files.isRegularFile(p) ? FileHash.of(p) : Files.isDirectory(p) ? "folder" : "other");
      }
    }
    return out;
  }

  /** All rows of a run. */
  static List<Row> rows(Run run) {
    var out = new ArrayList<Row>();
    run.each(out::add);
    return out;
  }

  static Row row(Run run, String path) {
    return rows(run).stream().filter(r -> r.path().equals(path)).findFirst().orElseThrow();
  }
}
