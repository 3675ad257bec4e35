package decant.desktop;

import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.recovery.UnsavedWork;
import decant.recovery.WorkFile;
import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Kills the program at random moments while two documents are typed in, and looks at what is left:
 * {@code scripts/bench.sh killed [TIMES]}. Each number typed stands for its moment.
 */
final class Killed {
  private static final long MOST_LOST = 5_000;

  private Killed() {}

  public static void main(String[] args) throws Exception {
    if (args[0].equals("type")) {
      type(Path.of(args[1]));
    } else {
      kill(Integer.parseInt(args[1]));
    }
  }

  /** Types on until it is killed, and says when it has typed what. */
  private static void type(Path folder) {
    Window w = Window.open(folder.resolve("state"));
    var works = new ArrayList<Work>();
    for (String name : List.of("Rules", "Charges")) {
      works.add(w.takeIn(folder.resolve(name + ".docx")));
      w.go(StageName.REVISE);
    }
    for (int k = 1; ; k++) {
      Work work = works.get(k % 2);
      String number = " n" + k;
      Window.run(() -> {
        var first = work.revision().document().index().order().getFirst();
        int end = work.revision().document().requireParagraph(first).length();
        work.select(Selection.at(new Position(first, end)));
        work.apply(r -> Commands.insert(r, number));
      });
      System.out.println("typed " + k + " " + System.currentTimeMillis());
      System.out.flush();
      try {
        Thread.sleep(60);
      } catch (InterruptedException e) {
        return;
      }
    }
  }

  private static void kill(int times) throws Exception {
    var random = new Random(9);
    long worst = 0;
    for (int k = 0; k < times; k++) {
      Path folder = Files.createTempDirectory("decant-killed");
      for (String name : List.of("Rules", "Charges")) {
        Made.docx(folder.resolve(name + ".docx"), Made.text(name, decant.model.look.Look.PLAIN));
      }
      long lost = once(folder, 500 + random.nextInt(9_000));
      worst = Math.max(worst, lost);
      System.out.printf(Locale.ROOT, "killed %d: %d ms of typing lost%n", k + 1, lost);
    }
    System.out.printf(Locale.ROOT, "killed %d times: at most %d ms of typing lost%n", times, worst);
    System.exit(worst <= MOST_LOST ? 0 : 1);
  }

  /** How much typing was lost, in milliseconds. */
  private static long once(Path folder, long after) throws Exception {
    Process p =
        new ProcessBuilder(
                ProcessHandle.current().info().command().orElse("java"),
                "--enable-native-access=ALL-UNNAMED",
                "-Djava.awt.headless=true",
                "-Dprism.order=sw",
                "-cp",
                System.getProperty("java.class.path"),
                Killed.class.getName(),
                "type",
                folder.toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    var typed = new TreeMap<Integer, Long>();
    long first = 0;
    try (BufferedReader out = p.inputReader()) {
      for (String line = out.readLine(); line != null; line = out.readLine()) {
        String[] parts = line.split(" ");
        if (parts.length == 3 && parts[0].equals("typed")) {
          typed.put(Integer.parseInt(parts[1]), Long.parseLong(parts[2]));
          first = first == 0 ? System.currentTimeMillis() : first;
        }
        if (first > 0 && System.currentTimeMillis() - first > after) {
          p.destroyForcibly(); // SIGKILL
          break;
        }
      }
    }
    p.waitFor(20, TimeUnit.SECONDS);
    long killed = typed.lastEntry().getValue();
    int kept = kept(folder.resolve("state/recovery"));
    Integer lost = typed.higherKey(kept);
    return lost == null ? 0 : killed - typed.get(lost);
  }

  /** The lowest of the last numbers that each document has; none of its text is damaged. */
  private static int kept(Path recovery) throws IOException {
    int all = Integer.MAX_VALUE;
    int files = 0;
    List<Path> work;
    try (Stream<Path> s = Files.exists(recovery) ? Files.list(recovery) : Stream.of()) {
      work = s.filter(f -> f.toString().endsWith(".work")).toList();
    }
    for (Path f : work) {
      try {
        UnsavedWork w = WorkFile.read(f, "");
        String text = w.taken().document().paragraphs().getFirst().text();
        String[] numbers = text.split(" n");
        int last = 0;
        for (int k = 1; k < numbers.length; k++) {
          int n = Integer.parseInt(numbers[k]);
          if (last > 0 && n != last + 2) {
            throw new AssertionError("damaged: " + text);
          }
          last = n;
        }
        all = Math.min(all, last);
        files++;
      } catch (decant.reading.ReadProblem e) {
        throw new AssertionError("what was kept cannot be read", e);
      }
    }
    return files < 2 ? 0 : all + 1;
  }
}
