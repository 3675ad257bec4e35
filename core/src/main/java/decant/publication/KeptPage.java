package decant.publication;

import decant.model.look.Media;
import java.nio.file.Path;

/**
 * A page that goes out as a file has it: what paints it stays as it is.
 *
 * @param source a PDF, which is not written
 * @param index which of its pages, from 0
 */
public record KeptPage(Source source, int index) {
  /** Where the PDF is. */
  public sealed interface Source {}

  /**
   * A file.
   *
   * @param password that opens it; empty if it needs none
   */
  public record InFile(Path file, String password) implements Source {}

  /** A PDF that a document brings along; it opens without a password. */
  public record InMemory(Media pdf) implements Source {}
}
