package decant.pdf.amend.setting;

import decant.pdf.amend.line.Row;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What of a line is to become other words. */
public final class LineDifference {
  /** A word of a line, by its letters. */
  private record Piece(String text, int from, int to) {}

  private LineDifference() {}

  /** The text of a line, its words parted by single spaces. */
  public static String text(Row row) {
    return String.join(" ", words(row).stream().map(Piece::text).toList());
  }

  /** The text of a line after changes of it, which do not reach into one another. */
  public static String text(Row row, List<Edit> edits) {
    var out = new StringBuilder();
    int k = 0;
    while (k < row.seen()) {
      int at = k;
      if (row.isApart(at)) {
        out.append(' ');
      }
      Optional<Edit> here = edits.stream().filter(e -> e.from() == at).findFirst();
      out.append(here.map(Edit::text).orElse(row.letters().get(at).text));
      k = here.map(Edit::to).orElse(at + 1);
    }
    return String.join(" ", ChangedWords.of(out.toString()));
  }

  /** The change that makes a line say a text; empty if it does already. */
  public static Optional<Edit> between(Row row, String text) {
    List<Piece> was = words(row);
    return ChangedWords.between(was.stream().map(Piece::text).toList(), ChangedWords.of(text))
        .map(c -> new Edit(row, was.get(c.from()).from, was.get(c.to() - 1).to, c.text()));
  }

  private static List<Piece> words(Row row) {
    var out = new ArrayList<Piece>();
    var text = new StringBuilder();
    int from = 0;
    for (int k = 0; k < row.seen(); k++) {
      if (row.isApart(k) && !text.isEmpty()) {
        out.add(new Piece(text.toString(), from, end(row, k)));
        text.setLength(0);
      }
      if (row.letters().get(k).isSpace()) {
        continue;
      }
      if (text.isEmpty()) {
        from = k;
      }
      text.append(row.letters().get(k).text);
    }
    if (!text.isEmpty()) {
      out.add(new Piece(text.toString(), from, row.seen()));
    }
    return out;
  }

  /** Where a word ends that a gap follows. */
  private static int end(Row row, int gap) {
    int k = gap;
    while (k > 0 && row.letters().get(k - 1).isSpace()) {
      k--;
    }
    return k;
  }
}
