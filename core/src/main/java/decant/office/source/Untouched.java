package decant.office.source;

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
 * Writes a document that is as it was taken in as the file that it came in, and any other alone.
 *
 * @param same whether two files that we wrote hold the same
 * @param quiet whether nothing in a file acts, known to us or not
 * @param brought what a file becomes when it is given on: the same, or one of a later version
 */
public record Untouched(
    Ways ways,
    BiPredicate<byte[], byte[]> same,
    Predicate<byte[]> quiet,
    UnaryOperator<byte[]> brought) {
  private static final Words WORDS = Words.of(Untouched.class);

  /** Writes. @throws IOException if the stream, or a temporary file, cannot be written */
  public void write(Document d, OutputStream out) throws IOException {
    Optional<byte[]> source = SourceFile.in(d, ways.format());
    byte[] alone = alone(d);
    out.write(source.isEmpty() ? alone : given(source.get(), d, alone).orElse(alone));
  }

  private byte[] alone(Document d) throws IOException {
    var out = new ByteArrayOutputStream();
    ways.writing().write(d, out);
    return out.toByteArray();
  }

  private Optional<byte[]> given(byte[] source, Document d, byte[] alone) throws IOException {
    if (ActiveContent.in(d).isEmpty() && !quiet.test(source)) {
      return Optional.empty();
    }
    byte[] given = brought.apply(source);
    return holds(given, d, alone) ? Optional.of(given) : Optional.empty();
  }

  /** Whether a file reads as the document is. */
  private boolean holds(byte[] given, Document d, byte[] alone) throws IOException {
    Path file = Files.createTempFile("decant", ".source");
    try {
      Files.write(file, given);
      byte[] was = alone(ways.read(file));
      // A minute may have gone by meanwhile, which some formats tell.
      return same.test(was, alone) || same.test(was, alone(d));
    } catch (ReadProblem e) {
      return false; // what cannot be read any longer is not given on
    } finally {
      Files.deleteIfExists(file);
    }
  }

  /**
   * Holds a file against a document by other ways than by reading it. Where those differ and the
   * file is the one that the document came in, of some other maker, it is enough that every byte is
   * there and that it still reads as the document is.
   */
  public List<Check> verify(Path file, Document d) {
    List<Check> found = ways.verifying().verify(file, d);
    Optional<byte[]> source = SourceFile.in(d, ways.format());
    if (source.isEmpty() || found.stream().allMatch(Check::passed)) {
      return found;
    }
    try {
      byte[] given = brought.apply(source.get());
      boolean unchanged = Arrays.equals(Files.readAllBytes(file), given);
      return unchanged && holds(given, d, alone(d))
          ? List.of(Check.of(WORDS.say("untouched.unchanged"), true, WORDS.say("untouched.is"), ""))
          : found;
    } catch (IOException e) {
      return found;
    }
  }
}
