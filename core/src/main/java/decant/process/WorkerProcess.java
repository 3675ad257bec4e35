package decant.process;

import decant.reading.ReadProblem;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jspecify.annotations.Nullable;

/**
 * A process that does one piece of work after another, and is ended and replaced when one of them
 * overruns its time or the memory. For one thread at a time.
 */
public final class WorkerProcess implements AutoCloseable {
  /** Besides a piece's own time, for the process to start and to answer. */
  private static final Duration START = Duration.ofSeconds(5);

  /**
   * The property that names what the virtual machine of a worker takes ready-made: classes that are
   * loaded and linked already. Where it does not fit, it goes without.
   */
  private static final String CACHE = "decant.worker.cache";

  /** What the virtual machine ends with when memory is out and it was told to end then. */
  private static final int OUT_OF_MEMORY = 3;

  /** Something ended the process that was no fault of its work: a signal from outside, say. */
  public static final class Died extends IOException {
    private static final long serialVersionUID = 1;

    private Died(int status) {
      super("the worker ended with " + status);
    }
  }

  private final ExecutorService waiting =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("worker").factory());
  private final List<String> command;
  private volatile @Nullable Process process;
  private @Nullable BufferedReader answers;

  /**
   * @param main the class whose {@code main} answers, by {@link Answering}
   * @param memory the most that its heap takes, in MiB
   * @param options more for its virtual machine
   */
  public WorkerProcess(Class<?> main, long memory, List<String> options) {
    this(List.of(), main, memory, options);
  }

  /** Where the system has it: gives way to programs that somebody waits for (POSIX nice). */
  private static final Path NICE = Path.of("/usr/bin/nice");

  /** Like {@link #WorkerProcess}, but giving way to what people do meanwhile. */
  public static WorkerProcess patient(Class<?> main, long memory, List<String> options) {
    return new WorkerProcess(
        Files.isExecutable(NICE) ? List.of(NICE.toString(), "-n", "10") : List.of(),
        main,
        memory,
        options);
  }

  private WorkerProcess(List<String> before, Class<?> main, long memory, List<String> options) {
    var c = new ArrayList<String>(before);
    c.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    c.add("-Xmx" + memory + "m");
    c.addAll(
        List.of(
            "-XX:+UseSerialGC",
            "-XX:+ExitOnOutOfMemoryError",
            "--enable-native-access=ALL-UNNAMED",
            "-Djava.awt.headless=true"));
    Optional.ofNullable(System.getProperty(CACHE))
        .ifPresent(cache -> c.addAll(List.of("-XX:AOTCache=" + cache, "-Xlog:disable")));
    c.addAll(options);
    c.addAll(List.of("-cp", System.getProperty("java.class.path"), main.getName()));
    command = List.copyOf(c);
  }

  /**
   * Asks for one piece of work, and gives the answer.
   *
   * @throws ReadProblem if it took too long or too much memory, or the thread was interrupted
   * @throws Died if the process ended otherwise
   */
  public String ask(String question, Duration allowed) throws ReadProblem, IOException {
    Process running = process;
    boolean fresh = running == null || !running.isAlive();
    Process now = running == null || fresh ? start() : running;
    BufferedReader from = answers;
    if (from == null) {
      throw new IOException("no worker");
    }
    Future<@Nullable String> line =
        waiting.submit(() -> {
          now.getOutputStream().write((question + "\n").getBytes(StandardCharsets.UTF_8));
          now.getOutputStream().flush();
          return firstAnswer(from);
        });
    Duration until = fresh ? allowed.plus(START) : allowed;
    try {
      String answer = line.get(until.toMillis(), TimeUnit.MILLISECONDS);
      if (answer == null) {
        throw ended(now);
      }
      return answer;
    } catch (TimeoutException e) {
      end();
      throw ReadProblem.tooSlow(allowed);
    } catch (ExecutionException e) {
      throw ended(now);
    } catch (InterruptedException e) {
      end();
      Thread.currentThread().interrupt();
      throw ReadProblem.cancelled();
    }
  }

  private Died ended(Process now) throws ReadProblem {
    end();
    int status = now.onExit().join().exitValue();
    if (status == OUT_OF_MEMORY) {
      throw ReadProblem.tooLarge();
    }
    return new Died(status);
  }

  /** A virtual machine that runs out of memory tells so among the answers; that is none of them. */
  private static @Nullable String firstAnswer(BufferedReader from) throws IOException {
    String line = from.readLine();
    while (line != null && !line.startsWith("{")) {
      line = from.readLine();
    }
    return line;
  }

  private Process start() throws IOException {
    Process p = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    process = p;
    answers = new BufferedReader(new InputStreamReader(p.getInputStream(), StandardCharsets.UTF_8));
    return p;
  }

  /** Ends the process with all that it started; another one does the next piece of work. */
  public void end() {
    Optional.ofNullable(process)
        .ifPresent(p -> {
          p.descendants().forEach(ProcessHandle::destroyForcibly);
          p.destroyForcibly();
        });
    process = null;
  }

  @Override
  public void close() {
    end();
    waiting.shutdownNow();
  }
}
