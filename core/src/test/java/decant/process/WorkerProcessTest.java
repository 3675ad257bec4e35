package decant.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.reading.ReadProblem;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class WorkerProcessTest {
  private static final Duration LONG = Duration.ofSeconds(30);

  /** A worker that does as it is told. */
  public static final class Obedient {
    private Obedient() {}

    public static void main(String[] args) throws InterruptedException {
      Answering.serve(Obedient::answer);
    }

    private static String answer(String told) {
      System.out.println("{what is printed is no answer}");
      switch (told) {
        case "sleep" -> sleep();
        case "die" -> Runtime.getRuntime().halt(9);
        case "eat" -> {
          var all = new ArrayList<byte[]>();
          while (true) {
            all.add(new byte[1 << 20]);
          }
        }
        default -> {}
      }
      return "{" + told + " by " + ProcessHandle.current().pid() + "}";
    }

    private static void sleep() {
      try {
        Thread.sleep(Duration.ofHours(1));
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
  }

  private static WorkerProcess worker() {
    return new WorkerProcess(Obedient.class, 64, List.of("-XX:TieredStopAtLevel=1"));
  }

  @Test
  void oneProcessAnswersUntilItIsEndedAndAnotherTakesItsPlace() throws Exception {
    try (WorkerProcess w = worker()) {
      String first = w.ask("one", LONG);
      assertThat(first).startsWith("{one by ");
      assertThat(w.ask("two", LONG)).isEqualTo(first.replace("one", "two"));
      assertThatThrownBy(() -> w.ask("die", LONG))
          .isInstanceOf(WorkerProcess.Died.class)
          .hasMessageContaining("9");
      String other = w.ask("one", LONG);
      assertThat(other).startsWith("{one by ").isNotEqualTo(first);
    }
  }

  @Test
  void whatTakesTooLongOrTooMuchIsSaidSo() throws Exception {
    try (WorkerProcess w = worker()) {
      w.ask("one", LONG);
      assertThatThrownBy(() -> w.ask("sleep", Duration.ofMillis(300)))
          .isInstanceOf(ReadProblem.class)
          .extracting(e -> ((ReadProblem) e).kind())
          .isEqualTo(ReadProblem.Kind.TOO_SLOW);
      assertThatThrownBy(() -> w.ask("eat", LONG))
          .isInstanceOf(ReadProblem.class)
          .extracting(e -> ((ReadProblem) e).kind())
          .isEqualTo(ReadProblem.Kind.TOO_LARGE);
      assertThat(w.ask("one", LONG)).startsWith("{one by ");
    }
  }

  @Test
  void aWorkerEndsWhenNobodyAsksAnyMore() throws Exception {
    long pid;
    try (WorkerProcess w = worker()) {
      pid = Long.parseLong(w.ask("one", LONG).replaceAll("\\D+", ""));
      assertThat(ProcessHandle.of(pid)).isPresent();
    }
    ProcessHandle.of(pid).ifPresent(p -> p.onExit().join());
    assertThat(ProcessHandle.of(pid).filter(ProcessHandle::isAlive)).isEmpty();
  }
}
