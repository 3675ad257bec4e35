package decant.office.odf;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * The validator of the ODF Toolkit, which holds files against the schemas of ODF 1.3 and against
 * the rules of conforming documents (part 3, §2). The build puts it where it is found.
 */
final class OdfValidator {
  private static final Path JAR = Path.of("target", "validators", "odfvalidator.jar");

  private OdfValidator() {}

  /** What it finds wrong with files; nothing for files that conform. */
  static List<String> errors(List<Path> files) throws IOException, InterruptedException {
    var command = new ArrayList<String>();
    command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    command.addAll(List.of("-XX:TieredStopAtLevel=1", "-jar", JAR.toString(), "-c"));
    files.forEach(f -> command.add(f.toString()));
    Path told = Files.createTempFile("odfvalidator", ".txt");
    Process p =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(told.toFile()).start();
    int ended = p.waitFor();
    List<String> lines = Files.readAllLines(told);
    Files.delete(told);
    List<String> errors =
        lines.stream().filter(l -> l.contains("Error") || l.contains("Fatal")).toList();
    if (ended != 0 && errors.isEmpty()) {
      throw new IOException("the validator ended with " + ended + ": " + lines);
    }
    return errors;
  }
}
