package decant.pdf.read.fonts;

import decant.model.look.EmbeddedFont;
import decant.model.look.Media;
import decant.text.EmbeddingRights;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.OutlineFont;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * The fonts that a file brings along, as fonts that its text can be set in further: made of the
 * letters that they showed. What a letter lacks is shown by the closest family that ships.
 */
public final class BroughtFonts {
  /** Outlines of Type 1 and CFF programs, whose curves are of another kind, are kept this fine. */
  private static final int FINE = 2000;

  /**
   * @param withheld the families whose licence forbids that text is edited in them
   */
  public record Result(List<EmbeddedFont> fonts, List<String> withheld) {}

  private record Key(String family, boolean bold, boolean italic) {}

  private BroughtFonts() {}

  public static Result of(FileFonts fonts) {
    Map<String, ShownLetters> byName = new LinkedHashMap<>();
    fonts.letters().forEach(l -> byName.merge(l.face().name(), l, ShownLetters::and));
    // Several designs may go by one family, light and black ones too; the most used serves.
    Map<Key, ShownLetters> chosen = new LinkedHashMap<>();
    byName.values().stream()
        .sorted(
            Comparator.comparingInt((ShownLetters l) -> -l.used())
                .thenComparing(l -> l.face().name()))
        .forEach(l ->
            chosen.putIfAbsent(new Key(l.face().family(), l.face().bold(), l.face().italic()), l));
    var out = new ArrayList<EmbeddedFont>();
    var withheld = new TreeSet<String>();
    chosen.forEach((key, letters) -> {
      FontBook.Served closest = FontBook.shipped().serve(key.family(), key.bold(), key.italic());
      if (closest.reason() == FontBook.Reason.SAME || letters.letters().isEmpty()) {
        return; // the font itself ships, and whole
      }
      if (!new EmbeddingRights(letters.embedding().orElse(0)).mayEdit()) {
        withheld.add(key.family());
        return;
      }
      font(key, letters, closest.face(), out);
    });
    return new Result(out, List.copyOf(withheld));
  }

  private static void font(Key key, ShownLetters shown, FontFace closest, List<EmbeddedFont> out) {
    int units = shown.unitsPerEm().orElse(FINE);
    if (units < 16 || units > 16_384) {
      units = FINE;
    }
    Map<String, OutlineFont.Letter> letters = shown.in(units);
    spaces(letters, units);
    byte[] file =
        OutlineFont.make(
            new OutlineFont.Facts(
                key.family(),
                key.bold(),
                key.italic(),
                units,
                closest.tables(),
                shown.embedding().orElse(0)),
            letters);
    out.add(new EmbeddedFont(key.family(), key.bold(), key.italic(), Media.of("font/ttf", file)));
  }

  /** Many files show no spaces, but move on: the font needs one, as wide as its letters suggest. */
  private static void spaces(Map<String, OutlineFont.Letter> letters, int units) {
    OutlineFont.Letter space = letters.get(" ");
    if (space == null || space.advance() <= 0) {
      double[] advances =
          letters.values().stream().mapToDouble(l -> Math.round(l.advance())).distinct().toArray();
      // Marks that stand over other letters are all of no width, which says nothing of a space.
      boolean even = advances.length == 1 && advances[0] > 0;
      double advance =
          even ? advances[0] : FontThresholds.BroughtFonts.USUAL_SPACE * units / 1000.0;
      space = new OutlineFont.Letter(new java.awt.geom.Path2D.Double(), advance);
      letters.put(" ", space);
    }
    letters.put("\u00A0", space);
  }
}
