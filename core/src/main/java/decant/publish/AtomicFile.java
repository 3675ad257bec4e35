package decant.publish;

import decant.words.Words;
import java.io.BufferedOutputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Locale;
import java.util.Optional;

/**
 * Writes a file whole or not at all: to a temporary file in the same folder, flushed to the disk,
 * then moved over the name. What was there before stays until the new file is complete.
 */
public final class AtomicFile {
  private static final Words WORDS = Words.of(AtomicFile.class);

  /** Something that writes to a stream. */
  @FunctionalInterface
  public interface Writing {
    void to(OutputStream out) throws IOException;
  }

  private AtomicFile() {}

  /** A file that is whole, but does not stand under its name yet. */
  public static final class Pending {
    private final Path temporary;
    private final Path target;

    private Pending(Path temporary, Path target) {
      this.temporary = temporary;
      this.target = target;
    }

    /** The file as it is now, to be read back. */
    public Path file() {
      return temporary;
    }

    /**
     * Moves the file to its name.
     *
     * @throws WriteProblem if that cannot be done; the file is gone then
     */
    public Path commit() throws WriteProblem {
      return commit(target);
    }

    /** Moves the file to another name in the same folder. */
    Path commit(Path name) throws WriteProblem {
      try {
        move(temporary, name);
        return name;
      } catch (IOException e) {
        throw problem(name, e);
      } finally {
        discard();
      }
    }

    /** Takes the file away, if it was not moved. */
    public void discard() {
      try {
        Files.deleteIfExists(temporary);
      } catch (IOException e) {
        temporary.toFile().deleteOnExit();
      }
    }
  }

  /**
   * Writes a file. @throws WriteProblem with the reason in plain words; then nothing has changed
   */
  public static void write(Path target, boolean overwrite, Writing writing) throws WriteProblem {
    prepare(target, overwrite, writing).commit();
  }

  /**
   * Writes a file beside its name, where it stands under another until it is committed. @throws
   * WriteProblem with the reason in plain words; then nothing has changed
   */
  public static Pending prepare(Path target, boolean overwrite, Writing writing)
      throws WriteProblem {
    Path whole = target.toAbsolutePath();
    check(whole, overwrite);
    Path temporary =
        whole.resolveSibling(
            "." + whole.getFileName() + "." + ProcessHandle.current().pid() + ".part");
    var pending = new Pending(temporary, whole);
    boolean done = false;
    try (FileOutputStream file = new FileOutputStream(temporary.toFile());
        OutputStream out = new BufferedOutputStream(file, 1 << 16)) {
      writing.to(out);
      out.flush();
      file.getFD().sync();
      done = true;
      return pending;
    } catch (UncheckedIOException e) {
      throw problem(whole, e.getCause());
    } catch (IOException e) {
      throw problem(whole, e);
    } finally {
      if (!done) {
        pending.discard();
      }
    }
  }

  private static void move(Path from, Path to) throws IOException {
    try {
      Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (AtomicMoveNotSupportedException e) {
      Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
    }
  }

  private static void check(Path target, boolean overwrite) throws WriteProblem {
    Path folder = Optional.ofNullable(target.getParent()).orElse(target);
    if (!Files.isDirectory(folder)) {
      throw new WriteProblem(
          WriteProblem.Kind.FOLDER_GONE, WORDS.say("atomic-file.the-folder-is-not-there", folder));
    }
    if (Files.isDirectory(target)) {
      throw new WriteProblem(
          WriteProblem.Kind.NAME_TAKEN,
          WORDS.say("atomic-file.is-the-name-of-a", target.getFileName()));
    }
    if (Files.exists(target)) {
      if (!overwrite) {
        throw new WriteProblem(
            WriteProblem.Kind.NAME_TAKEN,
            WORDS.say("atomic-file.there-is-a-file-named", target.getFileName()));
      }
      if (!Files.isWritable(target)) {
        throw new WriteProblem(
            WriteProblem.Kind.READ_ONLY,
            WORDS.say("atomic-file.is-read-only", target.getFileName()));
      }
    }
    if (!Files.isWritable(folder)) {
      throw new WriteProblem(
          WriteProblem.Kind.READ_ONLY, WORDS.say("atomic-file.you-may-not-write-into", folder));
    }
  }

  private static WriteProblem problem(Path target, IOException e) {
    String reason = Optional.ofNullable(e.getMessage()).orElse("").toLowerCase(Locale.ROOT);
    if (reason.contains("no space left")
        || reason.contains("disk full")
        || reason.contains("not enough space")
        || reason.contains("quota")) {
      return new WriteProblem(
          WriteProblem.Kind.DISK_FULL,
          WORDS.say("atomic-file.the-disk-that-holds-is", target.getParent()),
          e);
    }
    if (e instanceof AccessDeniedException
        || reason.contains("permission denied")
        || reason.contains("read-only")) {
      return new WriteProblem(
          WriteProblem.Kind.READ_ONLY,
          WORDS.say("atomic-file.cannot-be-written-it-or", target.getFileName()),
          e);
    }
    return new WriteProblem(
        WriteProblem.Kind.OTHER,
        WORDS.say("atomic-file.could-not-be-written", target.getFileName()),
        e);
  }

  /**
   * A name in the same folder that is free: "Berth rules revised.docx", "Berth rules revised
   * 2.docx" and so on.
   */
  public static Path freeName(Path wanted) {
    if (!Files.exists(wanted)) {
      return wanted;
    }
    String name = wanted.getFileName().toString();
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String end = dot > 0 ? name.substring(dot) : "";
    for (int n = 2; n < 10_000; n++) {
      Path p = wanted.resolveSibling(stem + " " + n + end);
      if (!Files.exists(p)) {
        return p;
      }
    }
    return wanted.resolveSibling(stem + " " + System.nanoTime() + end);
  }
}
