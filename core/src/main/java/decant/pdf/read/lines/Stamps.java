package decant.pdf.read.lines;

import decant.model.Box;
import decant.model.look.Colour;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Stamps that are not turned: text in a frame that was put over other text. */
public final class Stamps {
  /**
   * @param stamps each with its lines
   * @param rest what else stands on the page
   */
  public record Result(List<ApartText> stamps, List<TextLine> rest) {}

  private Stamps() {}

  /**
   * The stamps among the pieces of lines of a page.
   *
   * @param frames of the page
   */
  public static Result of(List<Box> frames, List<TextLine> pieces) {
    var stamps = new ArrayList<ApartText>();
    Set<TextLine> taken = new HashSet<>();
    for (Box frame : frames) {
      List<TextLine> inside =
          stampedIn(frame, pieces).stream().filter(l -> !taken.contains(l)).toList();
      if (!inside.isEmpty()) {
        taken.addAll(inside);
        List<TextLine> rows = Regions.rows(inside);
        Box box = rows.stream().map(TextLine::box).reduce(Box::union).orElseThrow();
        stamps.add(new ApartText(0, box, rows));
      }
    }
    return stamps.isEmpty()
        ? new Result(List.of(), pieces)
        : new Result(stamps, pieces.stream().filter(l -> !taken.contains(l)).toList());
  }

  /** The lines in a frame that are of another look than those that its edge runs through. */
  private static List<TextLine> stampedIn(Box frame, List<TextLine> pieces) {
    Frames.Held held = Frames.held(frame, pieces);
    List<TextLine> under = held.crossing();
    return under.isEmpty()
        ? List.of()
        : held.inside().stream()
            .filter(l ->
                under.stream()
                    .noneMatch(u -> Sizes.same(u.size(), l.size()) && inkOf(u).equals(inkOf(l))))
            .toList();
  }

  private static Colour inkOf(TextLine l) {
    return l.glyphs().getFirst().ink().colour();
  }
}
