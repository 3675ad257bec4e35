package decant.format;

import java.io.IOException;
import java.util.List;
import java.util.Optional;

/**
 * A document of headings and long tables that is written as it is told, so that its length takes no
 * memory: the log of a run over ten thousand files, say. Headings have levels from 1 to 3.
 */
public interface Ledger extends AutoCloseable {
  /**
   * A column of a table.
   *
   * @param share of the width, beside those of others
   * @param number whether what stands in it is set as numbers are, at the end of its cell
   */
  record Column(String head, double share, boolean number) {}

  /**
   * A line of a cell.
   *
   * @param link where it leads, as a reference of RFC 3986 that is relative to the file's folder,
   *     or absolute
   */
  record Line(String text, Optional<String> link) {
    public static Line of(String text) {
      return new Line(text, Optional.empty());
    }
  }

  void heading(int level, String text) throws IOException;

  void paragraph(String text) throws IOException;

  /** Begins a table; its head is repeated on every page. */
  void table(List<Column> columns) throws IOException;

  /**
   * A row of the table.
   *
   * @param cells the lines of each, as many as there are columns
   */
  void row(List<List<Line>> cells) throws IOException;

  void endTable() throws IOException;

  /** Ends the document; what it is written to stays open. */
  @Override
  void close() throws IOException;
}
