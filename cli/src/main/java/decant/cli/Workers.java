package decant.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.reading.ReadProblem;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
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
 * A process that works on the files of a call one after another, and is ended and replaced when one
 * of them overruns its time or the memory.
 */
final class Workers implements AutoCloseable {
  private static final ObjectMapper JSON = new ObjectMapper();

  /** Besides a file's own time, for the process to start and to answer. */
  private static final Duration START = Duration.ofSeconds(5);

  private final ExecutorService waiting =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("worker").factory());
  private @Nullable Process process;
  private @Nullable BufferedReader answers;

  /**
   * Works on one file.
   *
   * @throws ReadProblem if it took too long, too much memory, or ended the process
   */
  Worker.Answer work(Worker.Task task, Duration allowed) throws ReadProblem, IOException {
    boolean fresh = process == null || !process.isAlive();
    if (fresh) {
      start();
    }
    Process now = process;
    BufferedReader from = answers;
    if (now == null || from == null) {
      throw new IOException("no worker");
    }
    Future<@Nullable String> line =
        waiting.submit(() -> {
          now.getOutputStream()
              .write((JSON.writeValueAsString(task) + "\n").getBytes(StandardCharsets.UTF_8));
          now.getOutputStream().flush();
          return firstAnswer(from);
        });
    Duration until = fresh ? allowed.plus(START) : allowed;
    try {
      return answer(line.get(until.toMillis(), TimeUnit.MILLISECONDS), now);
    } catch (TimeoutException e) {
      end();
      throw ReadProblem.tooSlow(allowed);
    } catch (ExecutionException e) {
      end();
      throw ReadProblem.fault(e);
    } catch (InterruptedException e) {
      end();
      Thread.currentThread().interrupt();
      throw ReadProblem.cancelled();
    }
  }

  /** A virtual machine that runs out of memory tells so among the answers; that is none of them. */
  private static @Nullable String firstAnswer(BufferedReader from) throws IOException {
    String line = from.readLine();
    while (line != null && !line.startsWith("{")) {
      line = from.readLine();
    }
    return line;
  }

  private Worker.Answer answer(@Nullable String line, Process now)
      throws ReadProblem, JsonProcessingException {
    if (line != null) {
      return JSON.readValue(line, Worker.Answer.class);
    }
    end();
    int status = now.onExit().join().exitValue();
    // What the virtual machine ends with when memory is out and it was told to end then.
    throw status == 3
        ? ReadProblem.tooLarge()
        : ReadProblem.fault(new IOException("the worker ended with " + status));
  }

  private void start() throws IOException {
    var command = new ArrayList<String>();
    command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    command.add("-Xmx" + (Runtime.getRuntime().maxMemory() >> 20) + "m");
    command.addAll(
        List.of(
            "-XX:+UseSerialGC",
            "-XX:TieredStopAtLevel=1",
            "-XX:+ExitOnOutOfMemoryError",
            "-Xshare:auto",
            "-Djava.awt.headless=true",
            "-cp",
            System.getProperty("java.class.path"),
            Worker.class.getName()));
    process = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    answers =
        new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
  }

  private void end() {
    Optional.ofNullable(process)
        .ifPresent(p -> {
          p.descendants().forEach(ProcessHandle::destroyForcibly);
          p.destroyForcibly();
        });
    process = null;
    answers = null;
  }

  @Override
  public void close() {
    end();
    waiting.shutdownNow();
  }
}
