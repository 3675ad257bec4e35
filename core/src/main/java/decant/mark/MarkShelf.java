package decant.mark;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import decant.io.AtomicFile;
import decant.io.NamedFile;
import decant.io.WriteProblem;
import decant.model.look.Media;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javax.crypto.AEADBadTagException;
import org.jspecify.annotations.Nullable;

/** The person's marks, each a file that only its owner can read, locked where that was wanted. */
public final class MarkShelf {
  private static final Words WORDS = Words.of(MarkShelf.class);
  private static final int VERSION = 1;
  private static final int MAX_BYTES = 8 << 20;
  private static final double LARGEST = 14_400;

  private static final JsonMapper JSON =
      JsonMapper.builder().enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();

  static {
    JSON.getFactory()
        .setStreamReadConstraints(
            StreamReadConstraints.builder().maxStringLength(MAX_BYTES).maxNestingDepth(8).build());
  }

  private final Path folder;

  /**
   * @param folder where they are; made when the first is kept
   */
  public MarkShelf(Path folder) {
    this.folder = folder;
  }

  /** A mark that is kept, before it is opened. */
  public record Kept(String name, Mark.Kind kind, boolean locked, Path file) {}

  /**
   * What the shelf has.
   *
   * @param unread what is wrong with files that cannot be read; they stay
   */
  public record Contents(List<Kept> marks, List<String> unread) {
    public Contents {
      marks = List.copyOf(marks);
      unread = List.copyOf(unread);
    }
  }

  /** What a file has: the drawing, or the same locked. */
  private record File(
      int mark, String name, Mark.Kind kind, @Nullable Shown shown, @Nullable Locked locked) {}

  private record Shown(String type, byte[] picture, double width, double height) {}

  /** The marks, by name. */
  public Contents contents() {
    var marks = new ArrayList<Kept>();
    var unread = new ArrayList<String>();
    if (Files.isDirectory(folder)) {
      try (Stream<Path> files = Files.list(folder)) {
        for (Path f : files.filter(p -> p.toString().endsWith(".json")).sorted().toList()) {
          try {
            File read = read(f);
            marks.add(new Kept(read.name, read.kind, read.locked != null, f));
          } catch (MarkProblem e) {
            unread.add(e.getMessage());
          }
        }
      } catch (IOException e) {
        unread.add(WORDS.say("mark-shelf.folder", folder));
      }
    }
    marks.sort(Comparator.comparing(k -> k.name().toLowerCase(Locale.ROOT)));
    return new Contents(marks, unread);
  }

  /** Whether there is a mark of a name. */
  public boolean has(String name) {
    return Files.exists(file(name));
  }

  /**
   * Keeps a mark, over one of the same name.
   *
   * @param passphrase that opens it; empty to keep it open
   * @throws WriteProblem if it cannot be written
   */
  public void keep(Mark m, Optional<char[]> passphrase) throws WriteProblem {
    var shown = new Shown(m.picture().type(), m.picture().bytes(), m.width(), m.height());
    try {
      File file =
          passphrase.isPresent()
              ? new File(
                  VERSION,
                  m.name(),
                  m.kind(),
                  null,
                  Locked.lock(JSON.writeValueAsBytes(shown), passphrase.get()))
              : new File(VERSION, m.name(), m.kind(), shown, null);
      byte[] bytes = JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(file);
      Files.createDirectories(folder);
      AtomicFile.writeForOwner(file(m.name()), out -> out.write(bytes));
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.READ_ONLY, WORDS.say("mark-shelf.not-kept", folder), e);
    }
  }

  /**
   * A mark that is kept.
   *
   * @param passphrase empty where it is not locked
   * @throws MarkProblem if its file cannot be read, or the passphrase is another
   */
  public Mark open(Kept kept, Optional<char[]> passphrase) throws MarkProblem {
    File file = read(kept.file);
    Shown shown = file.shown;
    if (file.locked != null) {
      char[] by = passphrase.orElseThrow(() -> locked(file.name));
      try {
        shown = JSON.readValue(file.locked.open(by), Shown.class);
      } catch (AEADBadTagException e) {
        throw locked(file.name);
      } catch (GeneralSecurityException | IOException e) {
        throw new MarkProblem(WORDS.say("mark-shelf.damaged", name(kept.file)), e);
      }
    }
    return mark(file, shown, kept.file);
  }

  private static MarkProblem locked(String name) {
    return new MarkProblem(WORDS.say("mark-shelf.locked", name));
  }

  private static boolean isWhole(Shown s) {
    return s.picture != null
        && (Mark.SVG.equals(s.type) || Mark.PNG.equals(s.type))
        && s.width > 0
        && s.width <= LARGEST
        && s.height > 0
        && s.height <= LARGEST;
  }

  private static Mark mark(File file, @Nullable Shown shown, Path from) throws MarkProblem {
    if (shown == null || !isWhole(shown)) {
      throw new MarkProblem(WORDS.say("mark-shelf.damaged", name(from)));
    }
    Media picture = Media.of(shown.type, shown.picture);
    return new Mark(file.name, file.kind, picture, shown.width, shown.height);
  }

  /** Lets a mark go. @throws WriteProblem if its file cannot be taken away */
  public void forget(Kept kept) throws WriteProblem {
    try {
      Files.deleteIfExists(kept.file);
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.READ_ONLY, WORDS.say("mark-shelf.not-forgotten", kept.name), e);
    }
  }

  private static File read(Path file) throws MarkProblem {
    try {
      if (Files.size(file) > MAX_BYTES) {
        throw new MarkProblem(WORDS.say("mark-shelf.damaged", name(file)));
      }
      File read = JSON.readValue(Files.readAllBytes(file), File.class);
      if (read == null
          || read.mark != VERSION
          || read.name == null
          || read.name.isBlank()
          || read.kind == null) {
        throw new MarkProblem(WORDS.say("mark-shelf.damaged", name(file)));
      }
      return read;
    } catch (JsonProcessingException e) {
      throw new MarkProblem(WORDS.say("mark-shelf.damaged", name(file)), e);
    } catch (IOException e) {
      throw new MarkProblem(WORDS.say("mark-shelf.unreadable", name(file)), e);
    }
  }

  private static String name(Path file) {
    return String.valueOf(file.getFileName());
  }

  private Path file(String name) {
    return NamedFile.in(folder, name);
  }
}
