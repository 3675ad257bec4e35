package decant.cli;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.process.WorkerProcess;
import decant.reading.ReadProblem;
import java.io.IOException;
import java.time.Duration;
import java.util.List;

/** The process that works on the files of a call one after another. */
final class Workers implements AutoCloseable {
  /** What is told of a long document is longer than what the library takes by itself. */
  private static final ObjectMapper JSON =
      new ObjectMapper(
          JsonFactory.builder()
              .streamReadConstraints(
                  StreamReadConstraints.builder().maxStringLength(Integer.MAX_VALUE).build())
              .build());

  private final WorkerProcess process =
      new WorkerProcess(
          Worker.class, Runtime.getRuntime().maxMemory() >> 20, List.of("-XX:TieredStopAtLevel=1"));

  /**
   * Works on one file.
   *
   * @throws ReadProblem if it took too long, too much memory, or ended the process
   */
  Worker.Answer work(Worker.Task task, Duration allowed) throws ReadProblem, IOException {
    try {
      return JSON.readValue(
          process.ask(JSON.writeValueAsString(task), allowed), Worker.Answer.class);
    } catch (WorkerProcess.Died e) {
      throw ReadProblem.fault(e);
    }
  }

  @Override
  public void close() {
    process.close();
  }
}
