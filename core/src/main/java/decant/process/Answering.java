package decant.process;

import java.io.BufferedReader;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.function.UnaryOperator;

/** The side of a worker: answers each line that comes in by one that goes out. */
public final class Answering {
  private Answering() {}

  /**
   * Answers until nobody asks any more; then the process ends, in the midst of its work too: who
   * asked is gone, and what is half done is done again by others.
   *
   * @param work gives the answer to a question; what it prints is no answer
   */
  public static void serve(UnaryOperator<String> work) throws InterruptedException {
    var answers =
        new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
    System.setOut(System.err);
    var questions = new LinkedBlockingQueue<String>();
    Thread.ofPlatform().daemon().name("questions").start(() -> listen(questions));
    while (true) {
      answers.println(work.apply(questions.take()));
    }
  }

  private static void listen(LinkedBlockingQueue<String> questions) {
    try (var in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8))) {
      for (String line = in.readLine(); line != null; line = in.readLine()) {
        questions.add(line);
      }
    } catch (IOException e) {
      Runtime.getRuntime().halt(0);
    }
    Runtime.getRuntime().halt(0); // whatever a file left running must not keep the process
  }
}
