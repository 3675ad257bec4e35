package decant.pdf.read.fonts;

import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.reading.ReplacedFonts;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.Joins;
import decant.words.Words;
import java.awt.font.FontRenderContext;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * Says which fonts are replaced, by how much their letters differ, and which had to be repaired.
 */
public final class FontDoubts {
  private static final Words WORDS = Words.of(FontDoubts.class);

  private static final FontRenderContext UNITS = new FontRenderContext(null, true, true);

  private final FileFonts fonts;
  private final FontBook book;
  private final List<String> withheld;

  /**
   * @param book where the fonts that the file brings are looked up too
   * @param withheld the families whose licence forbids that text is edited in them
   */
  public FontDoubts(FileFonts fonts, FontBook book, List<String> withheld) {
    this.fonts = fonts;
    this.book = book;
    this.withheld = withheld;
  }

  public List<Finding> of(List<ScannedPage> pages) {
    Map<String, SourceFace> families = new LinkedHashMap<>();
    fonts.faces().forEach(f -> families.putIfAbsent(f.family(), f));
    var out = new ArrayList<Finding>();
    families.forEach((family, face) -> {
      FontBook.Served s = book.serve(family, face.bold(), face.italic());
      if (s.reason() == FontBook.Reason.FALLBACK) {
        out.add(replaced(family, s.face(), wider(family, pages)));
      } else {
        ReplacedFonts.sameMetrics(s).ifPresent(out::add);
      }
    });
    for (String name : fonts.repaired()) {
      out.add(
          Finding.general(
              Kind.CHARACTERS_UNKNOWN,
              Severity.DOUBT,
              WORDS.say("font-doubts.the-file-does-not-say", name)));
    }
    return out;
  }

  private Finding replaced(String family, FontFace by, OptionalDouble wider) {
    String start =
        WORDS.say(
            withheld.contains(family)
                ? "font-doubts.may-be-read-but-not"
                : "font-doubts.is-not-at-hand",
            family,
            by.family());
    if (wider.isPresent() && Math.abs(wider.getAsDouble()) < FontThresholds.FontDoubts.SMALL) {
      return Finding.general(
          Kind.FONT_REPLACED,
          Severity.NOTE,
          WORDS.say("font-doubts.its-letters-are-as-wide", start));
    }
    String whole =
        wider.isEmpty()
            ? WORDS.say("font-doubts.so-lines-may-break-elsewhere", start)
            : WORDS.say(
                wider.getAsDouble() > 0 ? "font-doubts.wider" : "font-doubts.narrower",
                start,
                percent(Math.abs(wider.getAsDouble()) * 100));
    return Finding.general(Kind.FONT_REPLACED, Severity.DOUBT, whole);
  }

  private static String percent(double v) {
    return v < 9.5 ? String.format(java.util.Locale.ROOT, "%.1f", v) : Long.toString(Math.round(v));
  }

  /** By which share the letters that stand on the pages are wider in the face that serves them. */
  private static OptionalDouble wider(String family, List<ScannedPage> pages) {
    Map<SourceFace, FontFace> served = new HashMap<>();
    Map<FontFace, Map<String, Double>> widths = new HashMap<>();
    double was = 0;
    double is = 0;
    int n = 0;
    for (ScannedPage p : pages) {
      for (Glyph g : p.glyphs()) {
        boolean letter =
            g.ink().face().family().equals(family)
                && g.text().length() == 1
                && Character.isLetterOrDigit(g.text().charAt(0))
                && g.width() > 0;
        if (letter && n < FontThresholds.FontDoubts.ENOUGH) {
          FontFace by =
              served.computeIfAbsent(
                  g.ink().face(),
                  f -> FontBook.shipped().serve(family, f.bold(), f.italic()).face());
          if (by.covers(g.text().charAt(0))) {
            n++;
            was += g.width() / g.size();
            is +=
                widths
                    .computeIfAbsent(by, f -> new HashMap<>())
                    .computeIfAbsent(g.text(), t -> ems(by, t));
          }
        }
      }
      if (n >= FontThresholds.FontDoubts.ENOUGH) {
        break;
      }
    }
    return n < 20 || was <= 0 ? OptionalDouble.empty() : OptionalDouble.of(is / was - 1);
  }

  private static double ems(FontFace face, String letter) {
    return face.unitFont(Joins.NONE)
            .createGlyphVector(UNITS, letter)
            .getGlyphMetrics(0)
            .getAdvanceX()
        / face.unitsPerEm();
  }
}
