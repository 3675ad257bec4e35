package decant.pdf.amend.line;

import java.util.List;

/**
 * A place where what was searched for stands.
 *
 * @param pieces its words in their order; one that is parted at the end of a line has two
 * @param whole whether it ends where letters end; else a sign says more than what was searched for
 */
public record Found(List<Piece> pieces, boolean whole) {
  /**
   * @param from its first letter in the row, and
   * @param to the one after its last
   * @param word which word of what was searched for
   */
  public record Piece(Row row, int from, int to, int word) {
    public List<Letter> letters() {
      return row.letters().subList(from, to);
    }
  }

  public Found {
    pieces = List.copyOf(pieces);
  }

  public boolean unseen() {
    return pieces.stream().anyMatch(p -> p.letters().stream().anyMatch(l -> l.show.unseen()));
  }
}
