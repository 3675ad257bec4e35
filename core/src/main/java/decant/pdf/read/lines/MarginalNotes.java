package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Notes in the margin: a few narrow lines beyond the edge that the text of a page keeps, set at a
 * pitch of their own. What stands there on the lines of the text is a column of it, not a note.
 */
public final class MarginalNotes {
  /**
   * @param notes each in its lines
   * @param rest what stands in the text
   */
  public record Result(List<List<TextLine>> notes, List<TextLine> rest) {}

  private MarginalNotes() {}

  /** The notes in the margins of one page. */
  public static Result of(List<TextLine> pieces) {
    var none = new Result(List.of(), pieces);
    if (pieces.size() < LineThresholds.MarginalNotes.MIN_LINES) {
      return none;
    }
    double measure = Regions.measure(pieces);
    List<TextLine> full =
        pieces.stream()
            .filter(l -> l.box().width() >= LineThresholds.MarginalNotes.FULL * measure)
            .toList();
    double left = full.stream().mapToDouble(l -> l.box().x()).min().orElse(0);
    double right = full.stream().mapToDouble(l -> l.box().right()).max().orElse(0);
    double top = full.stream().mapToDouble(l -> l.box().y()).min().orElse(0);
    double bottom = full.stream().mapToDouble(l -> l.box().bottom()).max().orElse(0);
    var beyond = new ArrayList<TextLine>();
    var text = new ArrayList<TextLine>();
    for (TextLine l : pieces) {
      double off = LineThresholds.MarginalNotes.OFF * l.size();
      boolean out = l.box().right() < left - off || l.box().x() > right + off;
      double reach = LineThresholds.MarginalNotes.REACH * l.size();
      (out && l.box().y() > top - reach && l.box().bottom() < bottom + reach ? beyond : text)
          .add(l);
    }
    if (beyond.isEmpty() || letters(beyond) > LineThresholds.MarginalNotes.MOST * letters(text)) {
      return none;
    }
    var notes = new ArrayList<List<TextLine>>();
    Set<TextLine> taken = new HashSet<>();
    for (List<TextLine> g : Regions.stacks(beyond, MarginalNotes::follows)) {
      if (isNote(g, beyond, text, right - left)) {
        notes.add(g);
        taken.addAll(g);
      }
    }
    return notes.isEmpty()
        ? none
        : new Result(notes, pieces.stream().filter(l -> !taken.contains(l)).toList());
  }

  private static int letters(List<TextLine> lines) {
    return lines.stream().mapToInt(l -> l.glyphs().size()).sum();
  }

  /** Lines below one another at one edge and of one size. */
  private static boolean follows(TextLine above, TextLine l) {
    double pitch = l.baseline() - above.baseline();
    return pitch > 0
        && pitch < LineThresholds.MarginalNotes.PITCH * l.size()
        && Sizes.same(l.size(), above.size())
        && l.box().sharedWidth(above.box())
            > LineThresholds.MarginalNotes.SHARED * Math.min(l.box().width(), above.box().width());
  }

  /** Whether lines are a note: neither they nor what stands above and below them keep the lines. */
  private static boolean isNote(
      List<TextLine> lines, List<TextLine> beyond, List<TextLine> text, double measure) {
    Box box = lines.stream().map(TextLine::box).reduce(Box::union).orElseThrow();
    if (lines.size() < 2 || box.width() >= LineThresholds.MarginalNotes.WIDEST * measure) {
      return false;
    }
    List<TextLine> column = beyond.stream().filter(l -> l.box().sharedWidth(box) > 0).toList();
    return onLines(lines, text) <= Math.max(1, lines.size() / 2)
        && onLines(column, text) <= Math.max(1, column.size() / 2);
  }

  private static long onLines(List<TextLine> lines, List<TextLine> text) {
    return lines.stream()
        .filter(
            l -> text.stream().anyMatch(t -> Sizes.samePlace(t.baseline(), l.baseline(), l.size())))
        .count();
  }
}
