package decant.reading;

import java.awt.image.BufferedImage;
import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;

/**
 * The recognition program Tesseract, where it is installed: run for one page at a time by its
 * command line, whose table of words (the output "tsv") is read.
 */
public final class Tesseract implements Recogniser {
  private static final long LONGEST_SECONDS = 120;

  /** The columns of its table. */
  private static final int COLUMNS = 12;

  private static final String WORD = "5";
  private static final Pattern LANGUAGES = Pattern.compile("[A-Za-z_]+(\\+[A-Za-z_]+){0,4}");

  private final Path program;
  private final String languages;

  private Tesseract(Path program, String languages) {
    this.program = program;
    this.languages = languages;
  }

  /** Where the program is installed; empty if it is nowhere on the path. */
  public static Optional<Path> installed() {
    return installed(System.getenv().getOrDefault("PATH", ""));
  }

  static Optional<Path> installed(String path) {
    for (String folder : path.split(Pattern.quote(File.pathSeparator))) {
      for (String name : new String[] {"tesseract", "tesseract.exe"}) {
        Path p = Path.of(folder.isEmpty() ? "." : folder, name);
        if (!folder.isEmpty() && Files.isRegularFile(p) && Files.isExecutable(p)) {
          return Optional.of(p);
        }
      }
    }
    return Optional.empty();
  }

  /** The languages that it can read, by its codes; none if it cannot be asked. */
  public static List<String> languages(Path program) {
    try {
      String said = run(List.of(program.toString(), "--list-langs"), () -> false);
      return said.lines()
          .map(String::strip)
          .filter(l -> LANGUAGES.matcher(l).matches() && !l.equals("osd"))
          .toList();
    } catch (IOException e) {
      return List.of();
    }
  }

  /**
   * A recogniser of languages.
   *
   * @param languages codes as the program has them, joined by "+": {@code eng+deu}
   * @throws IllegalArgumentException if these are no such codes
   */
  public static Tesseract of(Path program, String languages) {
    if (!LANGUAGES.matcher(languages).matches()) {
      throw new IllegalArgumentException("no codes of languages: " + languages);
    }
    return new Tesseract(program, languages);
  }

  /** The name of a language by the program's code for it (ISO 639-2), or the code. */
  public static String name(String code) {
    String three = code.replaceFirst("_.*", "");
    for (String two : Locale.getISOLanguages()) {
      Locale l = Locale.of(two);
      boolean bibliographic =
          three.equals("fre") && two.equals("fr") || three.equals("ger") && two.equals("de");
      if (bibliographic || iso3(l).equals(three)) {
        return l.getDisplayLanguage(Locale.ENGLISH);
      }
    }
    return code;
  }

  private static String iso3(Locale l) {
    try {
      return l.getISO3Language();
    } catch (java.util.MissingResourceException e) {
      return "";
    }
  }

  @Override
  public String language() {
    var names = new ArrayList<String>();
    for (String code : languages.split("\\+")) {
      names.add(name(code));
    }
    return String.join(" and ", names);
  }

  @Override
  public List<Word> words(BufferedImage page, int dots, BooleanSupplier cancelled)
      throws IOException {
    Path picture = Files.createTempFile("decant-page", ".png");
    try {
      ImageIO.write(page, "png", picture.toFile());
      String table =
          run(
              List.of(
                  program.toString(),
                  picture.toString(),
                  "stdout",
                  "-l",
                  languages,
                  "--dpi",
                  Integer.toString(dots),
                  "tsv"),
              cancelled);
      return words(table);
    } finally {
      Files.deleteIfExists(picture);
    }
  }

  /** The words of its table: lines of twelve columns, of which level 5 are words. */
  static List<Word> words(String table) {
    var out = new ArrayList<Word>();
    int line = -1;
    String last = "";
    for (String row : table.lines().toList()) {
      String[] c = row.split("\t", COLUMNS);
      if (c.length < COLUMNS || !c[0].equals(WORD) || c[11].isBlank()) {
        continue;
      }
      String place = c[1] + " " + c[2] + " " + c[3] + " " + c[4];
      if (!place.equals(last)) {
        line++;
        last = place;
      }
      try {
        out.add(
            new Word(
                c[11].strip(),
                Integer.parseInt(c[6]),
                Integer.parseInt(c[7]),
                Integer.parseInt(c[8]),
                Integer.parseInt(c[9]),
                line,
                (int) Math.round(Double.parseDouble(c[10]))));
      } catch (NumberFormatException e) {
        // not a row of words
      }
    }
    return out;
  }

  private static String run(List<String> command, BooleanSupplier cancelled) throws IOException {
    Path said = Files.createTempFile("decant-said", ".txt");
    try {
      var builder = new ProcessBuilder(command);
      builder.environment().put("OMP_THREAD_LIMIT", "1"); // several threads slow a page down
      Process p =
          builder
              .redirectOutput(said.toFile())
              .redirectError(ProcessBuilder.Redirect.DISCARD)
              .start();
      p.getOutputStream().close();
      long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(LONGEST_SECONDS);
      while (!ended(p)) {
        if (cancelled.getAsBoolean()) {
          p.destroyForcibly();
          return "";
        }
        if (System.nanoTime() > until) {
          p.destroyForcibly();
          throw new IOException("Tesseract took too long for the page.");
        }
      }
      if (p.exitValue() != 0) {
        throw new IOException("Tesseract could not read the page.");
      }
      try (BufferedReader in = Files.newBufferedReader(said, StandardCharsets.UTF_8)) {
        return String.join("\n", in.lines().limit(200_000).toList());
      }
    } finally {
      Files.deleteIfExists(said);
    }
  }

  private static boolean ended(Process p) throws IOException {
    try {
      return p.waitFor(100, TimeUnit.MILLISECONDS);
    } catch (InterruptedException e) {
      p.destroyForcibly();
      Thread.currentThread().interrupt();
      throw new IOException("The recognition was broken off.", e);
    }
  }
}
