package decant.desktop.shell;

import decant.compare.Ticks;
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
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Keeps unsaved changes of each open document in a file of the program's own, so that a crash loses
 * at most a few seconds of work. A file is named by the whole path of its source, and held by a
 * lock as long as the document is open, so that another window neither offers nor takes away what
 * is being worked on.
 */
final class Recovery {
  private static final String END = ".work";

  /** Between two looks at whether there is something to keep, in milliseconds. */
  private static final long TICK = 1_000;

  /** Keeping a large document takes its time: it is not done all the while. In nanoseconds. */
  private static final long LEAST_REST = 1_000_000_000L;

  private static final long MOST_REST = 2_500_000_000L;

  /** How many times as long as it took to keep a document it is left alone. */
  private static final int REST = 8;

  private static final int MAX_NAMES = 100;

  /** Changes that an earlier run left behind. */
  record Left(Path file, boolean locked, Optional<Path> source) {}

  /** A file that is kept for one document. */
  private static final class Kept {
    private final Path file;
    private final FileLock lock;
    private @Nullable Document version;
    private Ticks ticks = Ticks.NONE;
    private long notBefore;

    Kept(Path file, FileLock lock) {
      this.file = file;
      this.lock = lock;
    }
  }

  private final Path folder;
  private final ScheduledExecutorService timer =
      Executors.newSingleThreadScheduledExecutor(r -> PatientThread.of("recovery", r));

  /** A document has no file yet where none could be made; it is tried again. */
  private final Map<Work, Optional<Kept>> watched = new IdentityHashMap<>();

  private final Runnable notKept;
  private boolean told;

  /**
   * @param notKept told, not on the thread of the screen, when unsaved work could not be kept; once
   *     until it can be again
   */
  Recovery(Path folder, Runnable notKept) {
    this.folder = folder;
    this.notKept = notKept;
    timer.scheduleWithFixedDelay(this::tick, TICK, TICK, TimeUnit.MILLISECONDS);
  }

  /**
   * Keeps the changes of a document from now on.
   *
   * @return whether another window has the same source open
   */
  synchronized boolean watch(Work work) {
    boolean elsewhere = isHeld(file(work, 1));
    watched.put(work, freeFile(work));
    return elsewhere;
  }

  private static boolean isHeld(Path file) {
    if (!Files.exists(lockOf(file))) {
      return false;
    }
    Optional<FileLock> lock = lock(file);
    lock.ifPresent(Recovery::giveBack);
    return lock.isEmpty();
  }

  /** Goes on with the file that an earlier run left behind. */
  synchronized void takeUp(Work work, Left left) {
    Optional<Kept> own = lock(left.file()).map(l -> new Kept(left.file(), l));
    watched.put(work, own.or(() -> freeFile(work)));
  }

  /** The first name that no other window has, and under which nothing was left behind. */
  private Optional<Kept> freeFile(Work work) {
    try {
      StateFolder.make(folder);
    } catch (IOException e) {
      Faults.note("making the folder for unsaved work", e);
      return Optional.empty(); // said when there is something to keep
    }
    for (int k = 1; k <= MAX_NAMES; k++) {
      Path file = file(work, k);
      Optional<FileLock> lock = Files.exists(file) ? Optional.empty() : lock(file);
      if (lock.isPresent()) {
        return Optional.of(new Kept(file, lock.get()));
      }
    }
    return Optional.empty();
  }

  private Path file(Work work, int number) {
    return folder.resolve(name(work.source()) + (number == 1 ? "" : "-" + number) + END);
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

  private synchronized void tick() {
    long now = System.nanoTime();
    keep(k -> now - k.notBefore >= 0);
  }

  /** Keeps all that is unsaved now. */
  synchronized void keep() {
    keep(k -> true);
  }

  /**
   * Keeps what is unsaved. Nothing is thrown: a timer ends for good with the first thing that is,
   * and work must be kept after that too.
   */
  private void keep(java.util.function.Predicate<Kept> due) {
    boolean failed = false;
    for (Work work : List.copyOf(watched.keySet())) {
      try {
        write(work, due);
      } catch (IOException
          | WriteProblem
          | RuntimeException
          | StackOverflowError
          | OutOfMemoryError e) {
        Faults.note("keeping unsaved work", e);
        failed = true; // tried again; the document itself is in memory
      }
    }
    if (failed && !told) {
      notKept.run();
    }
    told = failed;
  }

  private void write(Work work, java.util.function.Predicate<Kept> due)
      throws IOException, WriteProblem {
    Document d = work.revision().document();
    Ticks ticks = work.proofing().ticksProperty().get();
    if (!work.unsaved() && ticks.equals(Ticks.NONE)) {
      return;
    }
    StateFolder.make(folder);
    Optional<Kept> had = watched.getOrDefault(work, Optional.empty());
    if (had.isEmpty()) {
      had = freeFile(work);
      watched.put(work, had);
    }
    Kept kept = had.orElseThrow(() -> new IOException("there is no file for unsaved work"));
    if (kept.version == d && kept.ticks.equals(ticks) || !due.test(kept)) {
      return;
    }
    long start = System.nanoTime();
    var now = new TakenIn(d, work.openFindings(), work.taken().origin());
    WorkFile.write(
        kept.file, new UnsavedWork(work.source(), now, work.savedCopy(), ticks), work.password());
    kept.version = d;
    kept.ticks = ticks;
    long end = System.nanoTime();
    kept.notBefore = end + Math.clamp(REST * (end - start), LEAST_REST, MOST_REST);
  }

  private static Path lockOf(Path file) {
    return file.resolveSibling(file.getFileName() + ".lock");
  }

  /** Takes the lock of a file; empty if another window has it, or none can be had. */
  private static Optional<FileLock> lock(Path file) {
    try {
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
    } catch (IOException e) {
      Faults.note("taking a lock", e);
      return Optional.empty();
    }
  }

  private static void release(Kept kept) {
    delete(lockOf(kept.file));
    giveBack(kept.lock);
  }

  private static void giveBack(FileLock lock) {
    try {
      lock.acquiredBy().close();
    } catch (IOException e) {
      Faults.note("giving a lock back", e);
    }
  }

  synchronized void close() {
    timer.shutdown();
    watched.values().forEach(k -> k.ifPresent(Recovery::release));
    watched.clear();
  }

  /** A document was saved: nothing of it need be kept for now. */
  synchronized void saved(Work work) {
    watched
        .getOrDefault(work, Optional.empty())
        .ifPresent(k -> {
          delete(k.file);
          k.version = null;
        });
  }

  /** A document is closed, and what is not saved of it may go. */
  synchronized void forget(Work work) {
    saved(work);
    Optional<Kept> kept = watched.getOrDefault(work, Optional.empty());
    watched.remove(work);
    kept.ifPresent(Recovery::release);
  }

  /** The window closes: what was kept of documents without unsaved changes may go. */
  synchronized void forgetSaved() {
    List.copyOf(watched.keySet()).stream().filter(w -> !w.unsaved()).forEach(this::forget);
  }

  private static void delete(Path file) {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      Faults.note("taking kept work away", e);
    }
  }

  /** What was left behind and is not being worked on in another window. */
  List<Left> found() {
    var out = new ArrayList<Left>();
    if (!Files.isDirectory(folder)) {
      return out;
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path f : files.filter(f -> f.toString().endsWith(END)).sorted().toList()) {
        Optional<FileLock> free = lock(f);
        if (free.isPresent()) {
          giveBack(free.get());
          out.add(new Left(f, WorkFile.isLocked(f), WorkFile.source(f)));
        }
      }
    } catch (IOException e) {
      Faults.note("looking for kept work", e);
    }
    return out;
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
    delete(lockOf(left.file()));
  }
}
