package decant.office.source;

import decant.model.Document;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.verify.Check;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;

/**
 * How files of one format are read, written and verified.
 *
 * @param format its id
 * @param drafting writes the same as writing does, sooner and larger: what nobody keeps
 */
public record Ways(
    String format, Reading reading, Writing writing, Writing drafting, Verifying verifying) {
  /** Ways of a format whose files are written as soon as may be. */
  public Ways(String format, Reading reading, Writing writing, Verifying verifying) {
    this(format, reading, writing, writing, verifying);
  }

  /** Reads a file. */
  @FunctionalInterface
  public interface Reading {
    Document read(ReadRequest request) throws ReadProblem;
  }

  /** Writes a document alone, whatever it came in. */
  @FunctionalInterface
  public interface Writing {
    void write(Document d, OutputStream out) throws IOException;
  }

  /** Holds a file against a document. */
  @FunctionalInterface
  public interface Verifying {
    List<Check> verify(Path file, Document d);
  }

  /** What a file holds. @throws ReadProblem if it cannot be read */
  public Document read(Path file) throws ReadProblem {
    return reading.read(ReadRequest.of(file));
  }

  /** What of a document a file does not hold, as can be told by other ways than by reading it. */
  public List<Check> failed(Path file, Document d) {
    return verifying.verify(file, d).stream().filter(c -> !c.passed()).toList();
  }
}
