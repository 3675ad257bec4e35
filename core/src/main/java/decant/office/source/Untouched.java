package decant.office.source;

import static java.lang.System.Logger.Level.DEBUG;

import decant.model.Document;
import decant.reading.ActiveContent;
import decant.reading.ReadProblem;
import decant.verify.Check;
import decant.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * Writes a document that is as it was taken in as the file that it came in; any other into that
 * file, where that can be done, or else alone.
 *
 * @param same whether two files that we wrote hold the same, whenever they were written
 * @param quiet whether nothing in a file acts, known to us or not
 * @param brought what a file becomes when it is given on: the same, or one of a later version
 * @param weaving puts what was changed into the file
 */
public record Untouched(
    Ways ways,
    BiPredicate<byte[], byte[]> same,
    Predicate<byte[]> quiet,
    UnaryOperator<byte[]> brought,
    Weaving weaving) {
  /** Puts what was changed in a document into the file that it came in. */
  public interface Weaving {
    /** For formats whose files are written anew. */
    Weaving NONE =
        new Weaving() {
          @Override
          public Optional<byte[]> of(byte[] source, byte[] before, byte[] after) {
            return Optional.empty();
          }

          @Override
          public boolean isSame(byte[] one, byte[] other) {
            return false;
          }
        };

    /**
     * One file made of three; empty if that cannot be done.
     *
     * @param before what we write of the document as it was taken in
     * @param after what we write of it now
     */
    Optional<byte[]> of(byte[] source, byte[] before, byte[] after);

    /** Whether two files that we wrote say the same, whatever names stand in them. */
    boolean isSame(byte[] one, byte[] other);
  }

  private static final Words WORDS = Words.of(Untouched.class);
  private static final System.Logger LOG = System.getLogger(Untouched.class.getName());

  /**
   * Writes.
   *
   * @return whether nothing of the file that the document came in was given up which its format
   *     could keep
   * @throws IOException if the stream, or a temporary file, cannot be written
   */
  public boolean write(Document d, OutputStream out) throws IOException {
    Optional<byte[]> source = SourceFile.in(d, ways.format());
    Optional<byte[]> given = source.isEmpty() ? source : given(source.get(), d);
    if (given.isPresent()) {
      out.write(given.get());
    } else {
      ways.writing().write(d, out);
    }
    return source.isEmpty() || given.isPresent() || weaving == Weaving.NONE;
  }

  /** What we write of a document; nobody keeps it. */
  private byte[] alone(Document d) throws IOException {
    var out = new ByteArrayOutputStream();
    ways.drafting().write(d, out);
    return out.toByteArray();
  }

  private Optional<byte[]> given(byte[] source, Document d) throws IOException {
    if (!isAsQuiet(source, d)) {
      return Optional.empty();
    }
    byte[] given = brought.apply(source);
    Beside<Optional<byte[]>> before = Beside.of(() -> anew(given));
    byte[] alone = alone(d);
    Optional<byte[]> was = before.join();
    if (was.isEmpty()) {
      return was; // what cannot be read any longer is not given on
    }
    if (same.test(was.get(), alone)) {
      return Optional.of(given);
    }
    Optional<byte[]> woven = weaving.of(given, was.get(), alone);
    LOG.log(DEBUG, "what was changed can stand in the source: {0}", woven.isPresent());
    return woven.isPresent() && isAsQuiet(woven.get(), d) && isRight(woven.get(), given, d, alone)
        ? woven
        : Optional.empty();
  }

  /** What was taken out of the document because it acts does not come back with the file. */
  private boolean isAsQuiet(byte[] file, Document d) {
    return !ActiveContent.in(d).isEmpty() || quiet.test(file);
  }

  /** What we write of the document that a file holds; empty if it cannot be read. */
  private Optional<byte[]> anew(byte[] bytes) throws IOException {
    Path file = Files.createTempFile("decant", ".source");
    try {
      Files.write(file, bytes);
      return Optional.of(alone(ways.read(file)));
    } catch (ReadProblem e) {
      return Optional.empty();
    } finally {
      Files.deleteIfExists(file);
    }
  }

  /**
   * Whether a file reads as the document is, and is that by other ways than by reading it too; as
   * far, that is, as those see what the source holds.
   */
  private boolean isRight(byte[] woven, byte[] given, Document d, byte[] alone) throws IOException {
    Beside<List<String>> checks = Beside.of(() -> failed(woven, Optional.of(d)));
    Optional<byte[]> back = anew(woven);
    boolean reads = back.isPresent() && readsAs(alone, back.get());
    List<String> failed = checks.join();
    boolean right = reads && isSound(failed, given);
    LOG.log(DEBUG, "woven: says the same {0}, fails {1}, is right {2}", reads, failed, right);
    return right;
  }

  private boolean isSound(List<String> failed, byte[] given) throws IOException {
    return failed.isEmpty() || failed(given, Optional.empty()).containsAll(failed);
  }

  /** Whether what was read again is what we wrote, or what is read again of that. */
  private boolean readsAs(byte[] alone, byte[] back) throws IOException {
    return weaving.isSame(alone, back)
        || anew(alone).filter(again -> weaving.isSame(again, back)).isPresent();
  }

  /** The checks that a file fails, held against a document or against what is read from it. */
  private List<String> failed(byte[] bytes, Optional<Document> d) throws IOException {
    Path file = Files.createTempFile("decant", ".source");
    try {
      Files.write(file, bytes);
      Document held = d.isPresent() ? d.get() : ways.read(file);
      return ways.failed(file, held).stream().map(Check::name).toList();
    } catch (ReadProblem e) {
      return List.of();
    } finally {
      Files.deleteIfExists(file);
    }
  }

  /**
   * Holds a file against a document by other ways than by reading it. Where those differ and the
   * file is the one that the document came in, of some other maker, or that with what was changed
   * put into it, it is enough that it still reads as the document is.
   */
  public List<Check> verify(Path file, Document d) {
    List<Check> found = ways.verifying().verify(file, d);
    Optional<byte[]> source = SourceFile.in(d, ways.format());
    if (source.isEmpty() || found.stream().allMatch(Check::passed)) {
      return found;
    }
    try {
      byte[] is = Files.readAllBytes(file);
      Optional<byte[]> ours = given(source.get(), d);
      if (ours.isEmpty() || !Arrays.equals(is, ours.get())) {
        return found;
      }
      boolean unchanged = Arrays.equals(is, brought.apply(source.get()));
      String what = unchanged ? "untouched.unchanged" : "untouched.kept";
      String how = unchanged ? "untouched.is" : "untouched.woven";
      return List.of(Check.of(WORDS.say(what), true, WORDS.say(how), ""));
    } catch (IOException e) {
      return found;
    }
  }
}
