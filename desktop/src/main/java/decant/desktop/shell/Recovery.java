package decant.desktop.shell;

import decant.io.StateFolder;
import decant.io.WriteProblem;
import decant.model.Document;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.recovery.UnsavedWork;
import decant.recovery.WorkFile;
import decant.work.Faults;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Keeps unsaved changes in a file of the program's own, so that a crash loses at most a few seconds
 * of work. A file is named by the whole path of its source, and held by a lock while its window is
 * open, so that another window neither offers nor takes away what is being worked on.
 */
final class Recovery {
  private static final int SECONDS = 5;
  private static final String END = ".work";

  /** Changes that an earlier run left behind. */
  record Left(Path file, boolean locked, Optional<Path> source) {}

  private final Path folder;
  private final ScheduledExecutorService timer =
      Executors.newSingleThreadScheduledExecutor(r -> {
        Thread t = new Thread(r, "recovery");
        t.setDaemon(true);
        return t;
      });
  private volatile Optional<Work> watched = Optional.empty();
  private volatile Optional<Document> kept = Optional.empty();
  private Optional<FileLock> held = Optional.empty();

  private final Runnable notKept;
  private boolean told;

  /**
   * @param notKept told, not on the thread of the screen, when unsaved work could not be kept; once
   *     until it can be again
   */
  Recovery(Path folder, Runnable notKept) {
    this.folder = folder;
    this.notKept = notKept;
    timer.scheduleWithFixedDelay(this::keep, SECONDS, SECONDS, TimeUnit.SECONDS);
  }

  synchronized void watch(Work work) {
    watched.ifPresent(this::forget);
    release();
    watched = Optional.of(work);
    kept = Optional.empty();
  }

  private Path file(Work work) {
    return folder.resolve(name(work.source()) + END);
  }

  /** By the whole path: two files of one name are two. */
  private static String name(Path source) {
    String path = source.toAbsolutePath().normalize().toString();
    try {
      byte[] digest =
          MessageDigest.getInstance("SHA-256").digest(path.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(digest, 0, 12);
    } catch (NoSuchAlgorithmException e) {
      throw new AssertionError("every Java runtime has SHA-256", e);
    }
  }

  /**
   * Keeps what is unsaved now; called every few seconds. Nothing is thrown: a timer ends for good
   * with the first thing that is, and work must be kept after that too.
   */
  synchronized void keep() {
    try {
      write();
      told = false;
    } catch (IOException
        | WriteProblem
        | RuntimeException
        | StackOverflowError
        | OutOfMemoryError e) {
      Faults.note("keeping unsaved work", e);
      kept = Optional.empty(); // tried again; the document itself is in memory
      if (!told) {
        told = true;
        notKept.run();
      }
    }
  }

  private void write() throws IOException, WriteProblem {
    Optional<Work> w = watched;
    if (w.isEmpty() || !w.get().unsaved()) {
      return;
    }
    Work work = w.get();
    Document d = work.revision().document();
    if (kept.isPresent() && kept.get() == d) {
      return;
    }
    StateFolder.make(folder);
    Path file = file(work);
    if (held.isEmpty()) {
      held = lock(file);
    }
    var now = new TakenIn(d, work.openFindings(), work.taken().origin());
    WorkFile.write(file, new UnsavedWork(work.source(), now), work.password());
    kept = Optional.of(d);
  }

  private static Path lockOf(Path file) {
    return file.resolveSibling(file.getFileName() + ".lock");
  }

  /** Takes the lock of a file; empty if another window has it. */
  private static Optional<FileLock> lock(Path file) throws IOException {
    FileChannel channel =
        FileChannel.open(lockOf(file), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
    try {
      Optional<FileLock> lock = Optional.ofNullable(channel.tryLock());
      if (lock.isEmpty()) {
        channel.close();
      }
      return lock;
    } catch (OverlappingFileLockException e) {
      channel.close();
      return Optional.empty();
    }
  }

  private void release() {
    held.ifPresent(l -> {
      try {
        l.acquiredBy().close();
      } catch (IOException e) {
        Faults.note("giving a lock back", e);
      }
    });
    held = Optional.empty();
  }

  synchronized void close() {
    timer.shutdown();
    release();
    watched = Optional.empty();
    kept = Optional.empty();
  }

  synchronized void forget(Work work) {
    delete(file(work));
    kept = Optional.empty();
  }

  private static void delete(Path file) {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      Faults.note("taking kept work away", e);
    }
  }

  /** What was left behind and is not being worked on in another window. */
  Optional<Left> found() {
    if (!Files.isDirectory(folder)) {
      return Optional.empty();
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path f : files.filter(f -> f.toString().endsWith(END)).sorted().toList()) {
        Optional<FileLock> free = lock(f);
        if (free.isPresent()) {
          free.get().acquiredBy().close();
          return Optional.of(new Left(f, WorkFile.isLocked(f), WorkFile.source(f)));
        }
      }
    } catch (IOException e) {
      Faults.note("looking for kept work", e);
    }
    return Optional.empty();
  }

  /** Reads what was left behind. */
  static UnsavedWork read(Left left, String password) throws ReadProblem {
    try {
      return WorkFile.read(left.file(), password);
    } catch (IOException e) {
      throw ReadProblem.fault(e);
    }
  }

  void discard(Left left) {
    delete(left.file());
  }
}
