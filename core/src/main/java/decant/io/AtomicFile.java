package decant.io;

import decant.words.Words;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/**
 * Writes a file whole or not at all: to a temporary file in the same folder, flushed to the disk,
 * then moved over the name, and the folder flushed. What was there before stays until the new file
 * is complete; its permissions go over to the new one. Where the name is a symbolic link, the file
 * that it leads to is written and the link stays.
 */
public final class AtomicFile {
  private static final Words WORDS = Words.of(AtomicFile.class);
  private static final SecureRandom RANDOM = new SecureRandom();

  /** What temporary files are called: nobody else's files are. */
  private static final Pattern PART = Pattern.compile("\\..+\\.[0-9a-f]{16}\\.decant-part");

  /** A temporary file that is older was left behind by a program that was ended. */
  private static final Duration STALE = Duration.ofDays(1);

  private static final Set<Path> SWEPT = ConcurrentHashMap.newKeySet();

  private static final FileAttribute<Set<PosixFilePermission>> OWNER_ALONE =
      PosixFilePermissions.asFileAttribute(
          EnumSet.of(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE));

  /** Something that writes to a stream. */
  @FunctionalInterface
  public interface Writing {
    void to(OutputStream out) throws IOException;
  }

  /** Who may read a file that was not there before. */
  public enum Readers {
    /** As the system has it for new files. */
    DEFAULT,
    /** The user whose file it is, and nobody else. */
    OWNER
  }

  private AtomicFile() {}

  /** A file that is whole, but does not stand under its name yet. */
  public static final class Pending {
    private final Path temporary;
    private final Path target;
    private final boolean overwrite;

    private Pending(Path temporary, Path target, boolean overwrite) {
      this.temporary = temporary;
      this.target = target;
      this.overwrite = overwrite;
    }

    /** The file as it is now, to be read back. */
    public Path file() {
      return temporary;
    }

    /**
     * Moves the file to its name.
     *
     * @throws WriteProblem if that cannot be done, or if a file came to be there meanwhile and may
     *     not be replaced; this file is gone then
     */
    public Path commit() throws WriteProblem {
      return commit(target, overwrite);
    }

    /**
     * Moves the file to another name in the same folder, where no file is yet.
     *
     * @throws WriteProblem if that cannot be done; this file is gone then
     */
    public Path commitAs(Path name) throws WriteProblem {
      return commit(name, false);
    }

    private Path commit(Path name, boolean replace) throws WriteProblem {
      try {
        if (replace) {
          keepPermissions(name, temporary);
          replace(temporary, name);
        } else {
          place(temporary, name);
        }
        flushFolder(name);
        return name;
      } catch (FileAlreadyExistsException e) {
        throw taken(name);
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
   * Writes a file that only its owner may read, over what is there. @throws WriteProblem with the
   * reason in plain words; then nothing has changed
   */
  public static void writeForOwner(Path target, Writing writing) throws WriteProblem {
    prepare(target, true, Readers.OWNER, writing).commit();
  }

  /**
   * Writes a file beside its name, where it stands under another until it is committed. @throws
   * WriteProblem with the reason in plain words; then nothing has changed
   */
  public static Pending prepare(Path target, boolean overwrite, Writing writing)
      throws WriteProblem {
    return prepare(target, overwrite, Readers.DEFAULT, writing);
  }

  /** The folder that a file stands in. */
  public static Path folderOf(Path file) {
    return Objects.requireNonNull(file.toAbsolutePath().getParent(), "a file stands in a folder");
  }

  private static Pending prepare(Path name, boolean overwrite, Readers readers, Writing writing)
      throws WriteProblem {
    Path target = linkedTo(name.toAbsolutePath());
    check(target, overwrite);
    sweep(folderOf(target));
    Path temporary =
        target.resolveSibling("." + target.getFileName() + "." + random() + ".decant-part");
    var pending = new Pending(temporary, target, overwrite);
    boolean done = false;
    // What replaces a file has the permissions of that file at the end, and before then no more.
    boolean alone = readers == Readers.OWNER || Files.exists(target);
    try (FileChannel file = create(temporary, alone);
        OutputStream out = new BufferedOutputStream(Channels.newOutputStream(file), 1 << 16)) {
      writing.to(out);
      out.flush();
      file.force(true);
      done = true;
      return pending;
    } catch (UncheckedIOException e) {
      throw problem(target, Objects.requireNonNull(e.getCause()));
    } catch (IOException e) {
      throw problem(target, e);
    } finally {
      if (!done) {
        pending.discard();
      }
    }
  }

  private static String random() {
    byte[] bytes = new byte[8];
    RANDOM.nextBytes(bytes);
    return HexFormat.of().formatHex(bytes);
  }

  private static FileChannel create(Path file, boolean ownerAlone) throws IOException {
    Set<StandardOpenOption> options =
        EnumSet.of(StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
    return ownerAlone && isPosix(file)
        ? FileChannel.open(file, options, OWNER_ALONE)
        : FileChannel.open(file, options);
  }

  private static boolean isPosix(Path file) throws IOException {
    FileStore store = Files.getFileStore(Optional.ofNullable(file.getParent()).orElse(file));
    return store.supportsFileAttributeView(PosixFileAttributeView.class);
  }

  /** The file that a name leads to through links; the name itself if it is none. */
  private static Path linkedTo(Path name) throws WriteProblem {
    if (!Files.isSymbolicLink(name)) {
      return name;
    }
    try {
      return name.toRealPath();
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER, WORDS.say("atomic-file.link", name.getFileName()), e);
    }
  }

  private static void keepPermissions(Path from, Path to) throws IOException {
    if (Files.exists(from) && isPosix(from)) {
      Files.setPosixFilePermissions(to, Files.getPosixFilePermissions(from));
    }
  }

  private static void replace(Path from, Path to) throws IOException {
    try {
      Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (AtomicMoveNotSupportedException e) {
      Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
    }
  }

  /**
   * Gives a file a name that must be free. A link is made in one step, or not if the name is taken:
   * whoever creates a file of that name at the same moment loses nothing.
   */
  private static void place(Path from, Path to) throws IOException {
    try {
      Files.createLink(to, from);
    } catch (FileAlreadyExistsException e) {
      throw e;
    } catch (IOException | UnsupportedOperationException e) {
      Files.move(from, to); // the file system has no hard links
    }
  }

  /** So that the new name outlives a loss of power; where folders can be flushed. */
  private static void flushFolder(Path file) {
    try (FileChannel folder = FileChannel.open(file.getParent(), StandardOpenOption.READ)) {
      folder.force(true);
    } catch (IOException e) {
      return; // some systems flush no folders
    }
  }

  /** Takes away what an earlier run left half-written in a folder; once for each folder. */
  private static void sweep(Path folder) {
    if (!SWEPT.add(folder)) {
      return;
    }
    removeParts(folder, Instant.now().minus(STALE));
  }

  /**
   * Takes away all that was left half-written in a folder, where it is known that nobody writes.
   */
  public static void removeParts(Path folder) {
    removeParts(folder, Instant.MAX);
  }

  private static void removeParts(Path folder, Instant before) {
    try (DirectoryStream<Path> parts =
        Files.newDirectoryStream(folder, f -> PART.matcher(f.getFileName().toString()).matches())) {
      for (Path p : parts) {
        boolean old =
            Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS)
                && Files.getLastModifiedTime(p).toInstant().isBefore(before);
        if (old) {
          Files.deleteIfExists(p);
        }
      }
    } catch (IOException | java.nio.file.DirectoryIteratorException e) {
      return; // another program's folder may not be listed; nothing is lost by that
    }
  }

  private static WriteProblem taken(Path target) {
    return new WriteProblem(
        WriteProblem.Kind.NAME_TAKEN,
        WORDS.say("atomic-file.there-is-a-file-named", target.getFileName()));
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
        throw taken(target);
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
          WORDS.say("atomic-file.the-disk-that-holds-is", folderOf(target)),
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
    if (!Files.exists(wanted, LinkOption.NOFOLLOW_LINKS)) {
      return wanted;
    }
    String name = wanted.getFileName().toString();
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String end = dot > 0 ? name.substring(dot) : "";
    for (int n = 2; n < 10_000; n++) {
      Path p = wanted.resolveSibling(stem + " " + n + end);
      if (!Files.exists(p, LinkOption.NOFOLLOW_LINKS)) {
        return p;
      }
    }
    return wanted.resolveSibling(stem + " " + System.nanoTime() + end);
  }
}
