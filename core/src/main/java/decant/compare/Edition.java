package decant.compare;

import java.util.List;
import java.util.Map;

/**
 * A version of a document, taken apart to be compared.
 *
 * @param paged whether it is made of pages, on which only what they show is known of headers and
 *     footers
 * @param pages how many it has
 * @param pieces in the order in which they are read
 * @param running headers and footers, each once
 * @param notes in their order
 * @param remarks comments, in the order of what they are on
 * @param fields what is filled in, by the names of the places for it
 */
public record Edition(
    boolean paged,
    int pages,
    List<Piece> pieces,
    List<Piece> running,
    List<Piece> notes,
    Map<String, Filled> fields,
    List<Remark> remarks) {
  /** What is filled in at a place, and the page of that. */
  record Filled(int page, String value) {}

  /** A comment on something on a page, with who made it. */
  record Remark(int page, String text) {}

  public Edition {
    remarks = List.copyOf(remarks);
    pieces = List.copyOf(pieces);
    running = List.copyOf(running);
    notes = List.copyOf(notes);
    fields = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(fields));
  }
}
