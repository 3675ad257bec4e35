package decant.desktop.shell;

import decant.work.Faults;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.util.Optional;

/**
 * Threads whose work can wait, so that a key never waits for it where there are few processors.
 * Linux takes no notice of the priorities of Java; there the thread asks for less itself.
 */
final class PatientThread {
  /**
   * From -20, before all others, to 19, after all others (POSIX.1-2017, setpriority). Where all
   * processors are busy it still gets a quarter of one: unsaved work is kept all the same.
   */
  private static final int NICE = 5;

  /** {@code PRIO_PROCESS}; on Linux 0 means the thread that asks (setpriority(2), “C library”). */
  private static final int OF_PROCESS = 0;

  private static final Optional<MethodHandle> SET = find();

  private PatientThread() {}

  /** A thread that does not keep the program from ending. */
  static Thread of(String name, Runnable work) {
    var t =
        new Thread(
            () -> {
              waitForOthers();
              work.run();
            },
            name);
    t.setDaemon(true);
    t.setPriority(Thread.MIN_PRIORITY);
    return t;
  }

  /** Empty where priorities are Java's own, or the system's call cannot be had. */
  @SuppressWarnings("restricted") // native access is granted to the program
  private static Optional<MethodHandle> find() {
    if (!System.getProperty("os.name", "").startsWith("Linux")) {
      return Optional.empty();
    }
    try {
      Linker linker = Linker.nativeLinker();
      var said =
          FunctionDescriptor.of(
              ValueLayout.JAVA_INT,
              ValueLayout.JAVA_INT,
              ValueLayout.JAVA_INT,
              ValueLayout.JAVA_INT);
      return linker.defaultLookup().find("setpriority").map(f -> linker.downcallHandle(f, said));
    } catch (RuntimeException | LinkageError e) {
      Faults.note("finding how to give way to keys", e);
      return Optional.empty();
    }
  }

  /** The work is done all the same where this fails: unsaved work is kept by such a thread. */
  private static void waitForOthers() {
    if (SET.isEmpty()) {
      return;
    }
    try {
      int failed = (int) SET.get().invokeExact(OF_PROCESS, 0, NICE);
      if (failed != 0) {
        Faults.note("giving way to keys", new IllegalStateException("setpriority: " + failed));
      }
    } catch (Throwable e) {
      Faults.note("giving way to keys", e);
    }
  }
}
