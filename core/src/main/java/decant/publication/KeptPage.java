package decant.publication;

import decant.model.Box;
import decant.model.NodeId;
import decant.model.look.Media;
import java.nio.file.Path;
import java.util.Map;

/**
 * A page that goes out as a file has it: what paints it stays as it is.
 *
 * @param source a PDF, which is not written
 * @param index which of its pages, from 0
 * @param places where the blocks that were read from it stand, in points from its top left as it is
 *     shown; empty where it is to have no tags
 */
public record KeptPage(Source source, int index, Map<NodeId, Box> places) {
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
