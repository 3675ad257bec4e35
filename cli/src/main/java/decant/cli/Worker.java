package decant.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.convert.Ready;
import decant.io.StateFolder;
import decant.process.Answering;
import decant.work.Log;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;

/**
 * Works on one file after another in a process of its own, so that a file which never ends, or
 * takes all memory, ends nothing but that process. Told of each file by a line of JSON on its
 * standard input, and answers by one.
 */
public final class Worker {
  private static final ObjectMapper JSON = new ObjectMapper();

  /**
   * One file to be worked on.
   *
   * @param args the command with its options and one file
   * @param inputs all files of the call
   * @param made what was made of those before
   */
  record Task(List<String> args, List<String> inputs, List<String> made) {}

  /** What came of it: the exit status, what is to be printed, and which files were made. */
  record Answer(int status, String out, String err, List<String> made) {}

  private Worker() {}

  public static void main(String[] args) throws InterruptedException {
    Log.into(StateFolder.usual(false));
    Thread.ofPlatform().daemon().name("ready").start(Ready::make);
    Main.ready();
    Answering.serve(Worker::answered);
  }

  private static String answered(String task) {
    try {
      return JSON.writeValueAsString(work(JSON.readValue(task, Task.class)));
    } catch (JsonProcessingException e) {
      throw new UncheckedIOException(e); // the process ends, and the one that asked says so
    }
  }

  private static Answer work(Task task) {
    var out = new ByteArrayOutputStream();
    var err = new ByteArrayOutputStream();
    System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
    Call call = Call.of(paths(task.inputs()), paths(task.made()));
    int status = call.within(() -> Main.run(task.args().toArray(String[]::new)));
    return new Answer(
        status,
        out.toString(StandardCharsets.UTF_8),
        err.toString(StandardCharsets.UTF_8),
        call.made().stream().map(Path::toString).toList());
  }

  private static List<Path> paths(List<String> names) {
    return names.stream().map(Path::of).toList();
  }
}
