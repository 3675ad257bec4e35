package decant.reading;

import com.ibm.icu.lang.UCharacter;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.words.Words;
import java.lang.Character.UnicodeScript;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Finds text that no font at hand can show. */
public final class GlyphCoverage {
  private static final Words WORDS = Words.of(GlyphCoverage.class);

  private static final int ALWAYS_COVERED = 0x17F;

  private static final class Missing {
    int characters;
    final Paragraph first;

    Missing(Paragraph first) {
      this.first = first;
    }
  }

  private GlyphCoverage() {}

  /**
   * One finding for each script that has characters no font shows, at the first paragraph that has
   * them.
   */
  public static List<Finding> of(Document d, FontBook book) {
    Map<UnicodeScript, Missing> missing = new EnumMap<>(UnicodeScript.class);
    Map<Integer, Boolean> known = new HashMap<>();
    for (Paragraph p : d.paragraphs()) {
      Look base = d.styles().textBase(p.look());
      for (Inline i : p.inlines()) {
        if (i instanceof Inline.Text t) {
          t.text()
              .codePoints()
              .filter(c -> c > ALWAYS_COVERED && !isInvisible(c))
              .filter(c -> !known.computeIfAbsent(c, x -> isShown(x, d, base, t, book)))
              .forEach(c ->
                  missing.computeIfAbsent(UnicodeScript.of(c), s -> new Missing(p)).characters++);
        }
      }
    }
    return missing.entrySet().stream()
        .map(e ->
            Finding.of(
                Finding.Kind.GLYPHS_MISSING,
                Finding.Severity.LOSS,
                WORDS.count(
                    "glyph-coverage.not-shown", e.getValue().characters, script(e.getKey())),
                e.getValue().first.id()))
        .toList();
  }

  private static String script(UnicodeScript s) {
    return UCharacter.toTitleCase(s.name().replace('_', ' '), null);
  }

  private static boolean isInvisible(int c) {
    int type = Character.getType(c);
    return type == Character.FORMAT
        || type == Character.CONTROL
        || type == Character.SPACE_SEPARATOR
        || Character.isWhitespace(c);
  }

  private static boolean isShown(int c, Document d, Look base, Inline.Text t, FontBook book) {
    Look look = d.styles().textLook(base, t.look());
    FontFace face =
        book.serve(
                look.value(TextTraits.FAMILY),
                look.value(TextTraits.BOLD),
                look.value(TextTraits.ITALIC))
            .face();
    return face.covers(c) || book.stepIn(face, c).covers(c);
  }
}
