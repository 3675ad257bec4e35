package decant.cli;

import decant.format.Formats;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Does once what commands, or their workers, do most, while the virtual machine notes which classes
 * that takes. Later calls take them ready-made from the cache that it leaves (JEP 483, JEP 514).
 * Each of the two has a cache of its own, since all of a cache is loaded whether needed or not.
 */
public final class Rehearsal {
  private Rehearsal() {}

  /**
   * @param args {@code command} or {@code worker}, then the files to rehearse with; nothing is kept
   *     of what is made of them
   */
  public static void main(String[] args) throws IOException {
    List<String> files = List.of(args).subList(1, args.length);
    Path folder = Files.createTempDirectory("decant-rehearsal");
    System.setProperty("java.awt.headless", "true");
    System.setOut(new PrintStream(OutputStream.nullOutputStream()));
    try {
      Path made = Files.createDirectories(folder.resolve("made"));
      if (args[0].equals("command")) {
        command(files, made, folder.resolve("run"));
      } else {
        worker(files, made);
      }
    } finally {
      try (Stream<Path> all = Files.walk(folder)) {
        for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
          Files.delete(p);
        }
      }
    }
  }

  private static void command(List<String> files, Path made, Path run) {
    Main.run("--version");
    Main.run("describe", "--json", files.getFirst());
    Main.run(
        "publish",
        "--to",
        Formats.working().id(),
        "--receipt",
        "--out",
        made.toString(),
        files.getFirst());
    Main.run("run", made.toString(), run.toString());
  }

  private static void worker(List<String> files, Path made) {
    for (String f : files) {
      inPlace("describe", "--json", f);
      published(f, made, "--to", Formats.working().id());
    }
    for (Recipe r : RecipeBook.shipped()) {
      if (r.outputs().stream().allMatch(Output.Pdf.class::isInstance) && !r.asksForPasswords()) {
        published(files.getFirst(), made, "--recipe", r.name());
      }
    }
    inPlace("compare", "--json", files.getFirst(), files.getLast());
    for (String f : files) {
      if (f.endsWith("." + Formats.pages().extension())) {
        String to = made.resolve("amended." + Formats.pages().extension()).toString();
        inPlace("amend", f, "--replace", "the=one", "--json", "--out", to);
      }
    }
  }

  private static void published(String file, Path made, String by, String what) {
    inPlace("publish", by, what, "--receipt", "--overwrite", "--out", made.toString(), file);
  }

  /** As a worker does it, in this process. */
  private static void inPlace(String... args) {
    Call.of(List.of(), List.of()).within(() -> Main.run(args));
  }
}
