package decant.pdf.amend.setting;

import decant.pdf.amend.line.Found;
import decant.pdf.amend.line.Plain;
import decant.pdf.amend.line.Row;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A change of a line.
 *
 * @param from the first letter that goes, and
 * @param to the one after the last
 * @param text what comes in their place; empty for nothing
 */
public record Edit(Row row, int from, int to, String text) {
  /**
   * What is to be changed where something was found. Words keep their lines and their looks where
   * there are as many as before.
   */
  public static List<Edit> of(Found found, String with) {
    List<String> words = with.isBlank() ? List.of() : List.of(Plain.of(with).strip().split(" +"));
    int before = found.pieces().getLast().word() + 1;
    var out = new ArrayList<Edit>();
    if (words.size() == before) {
      int last = -1;
      for (Found.Piece p : found.pieces()) {
        // What a hyphen parted comes whole in the line where it began.
        out.add(new Edit(p.row(), p.from(), p.to(), p.word() == last ? "" : words.get(p.word())));
        last = p.word();
      }
      return out.stream().filter(e -> !e.isNothing()).toList();
    }
    var byRow = new ArrayList<List<Found.Piece>>();
    for (Found.Piece p : found.pieces()) {
      if (byRow.isEmpty() || byRow.getLast().getFirst().row() != p.row()) {
        byRow.add(new ArrayList<>());
      }
      byRow.getLast().add(p);
    }
    int given = 0;
    int passed = 0;
    for (List<Found.Piece> row : byRow) {
      passed += row.size();
      int to = (int) Math.round((double) words.size() * passed / found.pieces().size());
      String text = words.subList(given, to).stream().collect(Collectors.joining(" "));
      out.add(new Edit(row.getFirst().row(), row.getFirst().from(), row.getLast().to(), text));
      given = to;
    }
    return out;
  }

  /** Whether the same words stand there already. */
  private boolean isNothing() {
    return row.letters().subList(from, to).stream()
        .map(l -> l.text)
        .collect(Collectors.joining())
        .equals(text);
  }
}
