package decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** What a call of {@code decant} ended with and printed. */
record Called(int status, String out, String err) {
  static final Path DEMO = Path.of("..", "demo").toAbsolutePath().normalize();
  private static final ObjectMapper JSON = new ObjectMapper();

  /** A file of the demonstration, copied into a folder. */
  static Path copy(String name, Path folder) throws IOException {
    return Files.copy(DEMO.resolve(name), folder.resolve(name));
  }

  static Called run(String... args) {
    PrintStream out = System.out;
    PrintStream err = System.err;
    var o = new ByteArrayOutputStream();
    var e = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(o, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(e, true, StandardCharsets.UTF_8));
      int status = OwnProcess.with(() -> Main.run(args)); // as a call from outside begins
      return new Called(
          status, o.toString(StandardCharsets.UTF_8), e.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
  }

  /** The same, the first words and the further ones apart. */
  static Called run(List<String> first, String... more) {
    var args = new ArrayList<>(first);
    args.addAll(List.of(more));
    return run(args.toArray(String[]::new));
  }

  /** What was printed, which has to be one line of JSON. */
  JsonNode json() throws IOException {
    assertThat(out.strip().lines()).hasSize(1);
    return JSON.readTree(out);
  }

  /** What was printed, a value of JSON on each line. */
  List<JsonNode> lines() throws IOException {
    var all = new ArrayList<JsonNode>();
    for (String l : out.lines().toList()) {
      all.add(JSON.readTree(l));
    }
    return all;
  }
}
