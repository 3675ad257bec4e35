package decant.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Gathers every message of all modules that can be shown, and reads them over. */
class WordsTest {
  private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
  private static final List<String> MODULES = List.of("core", "cli", "desktop");

  /** The sentences of one package, with the sources that say them. */
  private record Bundle(Path file, Map<String, String> sentences, String sources) {}

  private static List<Bundle> bundles;

  @BeforeAll
  static void gather() throws IOException {
    bundles = new ArrayList<>();
    for (String module : MODULES) {
      Path resources = ROOT.resolve(module + "/src/main/resources");
      try (Stream<Path> files = Files.walk(resources)) {
        for (Path f : files.filter(p -> p.endsWith("words.properties")).sorted().toList()) {
          var read = new Properties();
          try (Reader in = Files.newBufferedReader(f)) {
            read.load(in);
          }
          var sentences = new TreeMap<String, String>();
          read.forEach((k, v) -> sentences.put((String) k, (String) v));
          Path sources =
              ROOT.resolve(module + "/src/main/java").resolve(resources.relativize(f).getParent());
          bundles.add(new Bundle(ROOT.relativize(f), sentences, sourcesOf(sources)));
        }
      }
    }
  }

  private static String sourcesOf(Path folder) throws IOException {
    var b = new StringBuilder();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path f : files.filter(p -> p.toString().endsWith(".java")).sorted().toList()) {
        b.append(Files.readString(f)).append('\n');
      }
    }
    return b.toString();
  }

  private static final Pattern SAID =
      Pattern.compile("WORDS\\s*\\.(say|count)\\(\\s*\"([^\"]+)\"\\s*([,)+])");

  @Test
  void everySentenceThatIsSaidIsInTheBundle() {
    assertThat(bundles).hasSizeGreaterThan(15);
    var missing = new TreeSet<String>();
    int said = 0;
    for (Bundle b : bundles) {
      Matcher m = SAID.matcher(b.sources());
      while (m.find()) {
        said++;
        String key = m.group(2);
        if (m.group(3).equals("+")) {
          continue; // put together where it is said
        }
        List<String> wanted =
            m.group(1).equals("count") ? List.of(key + ".one", key + ".other") : List.of(key);
        wanted.stream()
            .filter(k -> !b.sentences().containsKey(k))
            .forEach(k -> missing.add(b.file() + ": " + k));
      }
    }
    assertThat(missing).isEmpty();
    assertThat(said).isGreaterThan(500);
  }

  @Test
  void everySentenceInABundleIsSaid() {
    var unsaid = new TreeSet<String>();
    for (Bundle b : bundles) {
      for (String key : b.sentences().keySet()) {
        String base = key.replaceAll("\\.(one|other|also)$", "");
        boolean whole = b.sources().contains('"' + base + '"');
        boolean puttogether =
            Stream.of("action.", "counts.")
                    .anyMatch(p -> base.startsWith(p) && b.sources().contains('"' + p + '"'))
                || base.startsWith("digest-check.") && b.sources().contains("\"digest-check.\" +")
                || base.matches("conformance-choices\\..*-(along|left)")
                || base.startsWith("foot-bar.") && b.sources().contains("\"foot-bar.\" +")
                || base.endsWith("usage.description"); // asked for by the reader of arguments
        if (!whole && !puttogether) {
          unsaid.add(b.file() + ": " + key);
        }
      }
    }
    assertThat(unsaid).isEmpty();
  }

  /** What is the same for one and for many. */
  private static final Set<String> EITHER = Set.of("replaced", "more", "not", "more,");

  @Test
  void oneIsOneAndManyAreMany() {
    var wrong = new TreeSet<String>();
    int pairs = 0;
    for (Bundle b : bundles) {
      for (Map.Entry<String, String> e : b.sentences().entrySet()) {
        if (!e.getKey().endsWith(".one")) {
          continue;
        }
        pairs++;
        String many = b.sentences().get(e.getKey().replaceAll("one$", "other"));
        if (many == null) {
          wrong.add(b.file() + ": " + e.getKey() + " has no form for many");
          continue;
        }
        String one = word(e.getValue());
        String other = word(many);
        boolean neutral = EITHER.contains(one) && one.equals(other) || one.isEmpty();
        boolean right =
            neutral || !one.equals(other) || !e.getValue().equals(many) && !one.endsWith("s");
        if (!right || one.matches(".*[^s]s") && !one.matches("(is|was|has|this)")) {
          wrong.add(b.file() + ": " + e.getKey() + "=" + e.getValue() + " / " + many);
        }
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(pairs).isGreaterThan(50);
  }

  /** The word after the number. */
  private static String word(String sentence) {
    Matcher m = Pattern.compile("\\{n} ([\\p{L}]+)").matcher(sentence);
    return m.find() ? m.group(1) : "";
  }

  /** Sentences whose number is never one. */
  private static final Set<String> NEVER_ONE =
      Set.of(
          "opened-pdf.the-pdf-has-pages-up",
          "pages-choices.some-pages",
          "package-file.the-file-holds-more-than",
          "block-doubts.table",
          "mend-panel.alike",
          "picture-list.pixels",
          "page-doubts.coarse",
          "picture-maker.colours-lossless");

  private static final Pattern COUNTED =
      Pattern.compile(
          "\\{\\d} (pages|files|findings|fonts|pictures|links|bookmarks|words|paragraphs|characters|headings|changes|places|rows|cells|levels|fields|comments)\\b");

  @Test
  void whatIsCountedIsSaidByNumber() {
    var wrong = new TreeSet<String>();
    for (Bundle b : bundles) {
      b.sentences()
          .forEach((k, v) -> {
            // In a check that failed, the numbers are what it is about: “1 pages instead of 2”.
            boolean differs = v.contains("instead of") || v.contains("do not match");
            if (COUNTED.matcher(v).find() && !NEVER_ONE.contains(k) && !differs) {
              wrong.add(b.file() + ": " + k + "=" + v);
            }
          });
    }
    assertThat(wrong).isEmpty();
  }

  /** Words of libraries, and phrases that new users stumbled over. */
  private static final Pattern STRANGE =
      Pattern.compile(
          "(?i)\\b(exception|null|stack ?trace|dictionary|parse ?error|malformed|invalid token"
              + "|nothing is lost|carry over\\?|to be done|let go|let the changes|take them up"
              + "|settled?|aids|the cipher|veraPDF's judgement|lifts? the limits|stand for"
              + "|cannot be followed|read (earlier|later)|unfolded|in size|beside it|pages stand"
              + "|reaching|closer|served by|leave it so|running text|blanks?|remarks?|not there"
              + "|cannot be told|it was not taken for one|coarsely|full sharpness)\\b");

  @Test
  void wordsArePlain() {
    var strange = new TreeSet<String>();
    for (Bundle b : bundles) {
      b.sentences()
          .forEach((k, v) -> {
            if (STRANGE.matcher(v).find() && !k.endsWith(".also")) {
              strange.add(b.file() + ": " + k + "=" + v);
            }
            if (v.contains("  ") && !v.contains("Ctrl")) {
              strange.add(b.file() + ": " + k + " has two spaces");
            }
            if (v.matches(".*\\{\\D.*") && !v.contains("{n}") && !v.contains("{stem}")) {
              strange.add(b.file() + ": " + k + " has an odd brace: " + v);
            }
          });
    }
    assertThat(strange).isEmpty();
  }

  private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\\\n]|\\\\.)*)\"");
  private static final Pattern PROSE = Pattern.compile("[\\p{Ll}’']{2,}[.,:;…]? [\\p{L}“(]");

  /** Literals that look like sentences but are none: no person reads them. */
  private static final Pattern UNSEEN =
      Pattern.compile(
          "IllegalArgumentException|IllegalStateException|UnsupportedOperationException|AssertionError"
              + "|NoSuchElementException|Faults\\.(note|mended)|new IOException|LOG\\.log|\\.log\\(|new Thread|Pattern\\.compile|matches\\("
              + "|ofPattern|lookup|XMLStreamException|Words\\.of|freeName|factory\\(\\)");

  @Test
  void noSentenceStandsInTheCodeOfScreensAndTheCommandLine() throws IOException {
    var found = new TreeSet<String>();
    for (String module : List.of("cli", "desktop")) {
      try (Stream<Path> files = Files.walk(ROOT.resolve(module + "/src/main/java"))) {
        for (Path f : files.filter(p -> p.toString().endsWith(".java")).sorted().toList()) {
          String code =
              Files.readString(f)
                  .replaceAll("(?s)/\\*.*?\\*/", "")
                  .replaceAll("(?m)(^|\\s)//.*$", "");
          Matcher m = LITERAL.matcher(code);
          while (m.find()) {
            String before = code.substring(Math.max(0, m.start() - 90), m.start());
            boolean seen = PROSE.matcher(m.group(1)).find() && !UNSEEN.matcher(before).find();
            if (seen) {
              found.add(ROOT.relativize(f) + ": " + m.group(1));
            }
          }
        }
      }
    }
    assertThat(found).isEmpty();
  }

  @Test
  void sentencesAreFilledAndNumbersWritten() {
    Words w = Words.of(decant.pdf.choices.Conflict.class);
    assertThat(w.count("conflict.opens-at", 1, 3))
        .isEqualTo("The file opens at page 3, but has only 1 page.");
    assertThat(w.count("conflict.opens-at", 12345, 3)).contains("12\u202F345 pages");
    assertThat(w.say("conflict.needs-pdf-or-newer-pdf", "PDF/A-2a", "1.7", "1.4"))
        .isEqualTo("PDF/A-2a needs PDF 1.7 or newer; PDF 1.4 is chosen.");
    assertThat(Figures.size(1)).isEqualTo("1\u202Fbyte");
    assertThat(Figures.size(999)).isEqualTo("999\u202Fbytes");
    assertThat(Figures.size(12_400_000)).isEqualTo("12.4\u202FMB");
    assertThat(Figures.size(84_256_700_000L)).isEqualTo("84.3\u202FGB");
    assertThat(Figures.size(1_440)).isEqualTo("1.4\u202FkB");
    assertThat(Figures.size(36_652)).isEqualTo("37\u202FkB");
    assertThat(Figures.size(1_662_000)).isEqualTo("1\u202F662\u202FkB");
    assertThat(Figures.size(12_400_000)).isEqualTo("12.4\u202FMB");
    assertThat(Figures.decimal(10.50, 2)).isEqualTo("10.5");
    assertThat(Figures.decimal(100, 0)).isEqualTo("100");
  }
}
