package decant.pdf.read.page;

import decant.model.Inline;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;

/**
 * Glyphs into text in looks: what differs from the paragraph's own style is set, and nothing else.
 */
public final class LookMaker {
  /** Of the size of its line that raised and lowered text has at most; 0.58 to 0.83 is usual. */
  private static final double RAISED_SIZE = 0.85;

  /** Of the size of its line that the text beside it has at least. */
  private static final double FULL_SIZE = 0.9;

  /** How far above its line, in ems of it, text stands that is raised; 0.33 is usual. */
  private static final double RAISED = 0.15;

  /** How far below, likewise; 0.12 is usual. */
  private static final double LOWERED = 0.08;

  private LookMaker() {}

  /**
   * @param base the look that the paragraph's style gives to text
   * @param lineSize the size of the paragraph's letters, by which raised ones are told
   */
  public static List<Inline> inlines(List<Glyph> glyphs, Look base, double lineSize) {
    var out = new ArrayList<Inline>();
    var run = new StringBuilder();
    Look open = Look.PLAIN;
    for (int k = 0; k < glyphs.size(); k++) {
      Glyph g = glyphs.get(k);
      Look look =
          goesOn(glyphs, k, lineSize)
              ? open
              : g.isSpace() && k + 1 < glyphs.size() && k > 0
                  ? spaceLook(glyphs, k, base, lineSize)
                  : look(g, glyphs, k, base, lineSize);
      if (!look.equals(open) && !run.isEmpty()) {
        out.add(new Inline.Text(run.toString(), open));
        run.setLength(0);
      }
      open = look;
      run.append(g.text());
    }
    if (!run.isEmpty()) {
      out.add(new Inline.Text(run.toString(), open));
    }
    return composed(out);
  }

  /** Whether a glyph surely looks like the one before, which nearly all do. */
  private static boolean goesOn(List<Glyph> glyphs, int k, double lineSize) {
    if (k == 0 || glyphs.get(k - 1).isSpace()) {
      return false;
    }
    Glyph before = glyphs.get(k - 1);
    Glyph here = glyphs.get(k);
    if (!here.isSpace()) {
      return isAlike(before, here, lineSize);
    }
    return k + 1 < glyphs.size()
        && !glyphs.get(k + 1).isSpace()
        && isAlike(before, glyphs.get(k + 1), lineSize);
  }

  private static boolean isAlike(Glyph a, Glyph b, double lineSize) {
    return a.size() == b.size()
        && a.size() > lineSize * RAISED_SIZE
        && a.ink().equals(b.ink())
        && a.link().equals(b.link());
  }

  /** How many places the text of a glyph takes, composed and without ligatures. */
  public static int lengthOf(String text) {
    return text.length() == 1 && text.charAt(0) < 0x300
        ? 1
        : ligaturesUndone(Normalizer.normalize(text, Normalizer.Form.NFC)).length();
  }

  /** Unicode NFC, run by run. */
  private static List<Inline> composed(List<Inline> inlines) {
    var out = new ArrayList<Inline>();
    for (Inline i : inlines) {
      if (i instanceof Inline.Text t) {
        String s = ligaturesUndone(Normalizer.normalize(t.text(), Normalizer.Form.NFC));
        if (!s.isEmpty()) {
          out.add(new Inline.Text(s, t.look()));
        }
      }
    }
    return out;
  }

  private static String ligaturesUndone(String s) {
    StringBuilder b = null;
    for (int k = 0; k < s.length(); k++) {
      char c = s.charAt(k);
      boolean presentation =
          c >= '\uFB00' && c <= '\uFB06'
              || c >= '\uFB50' && c <= '\uFDFF'
              || c >= '\uFE70' && c <= '\uFEFC';
      if (presentation && b == null) {
        b = new StringBuilder(s.substring(0, k));
      }
      if (b != null) {
        b.append(
            presentation
                ? Normalizer.normalize(String.valueOf(c), Normalizer.Form.NFKC)
                : String.valueOf(c));
      }
    }
    return b == null ? s : b.toString();
  }

  /**
   * A space takes on the look of its neighbours where they agree, so that runs are not cut at every
   * word.
   */
  private static Look spaceLook(List<Glyph> glyphs, int k, Look base, double size) {
    Look before = look(glyphs.get(k - 1), glyphs, k - 1, base, size);
    Look after = look(glyphs.get(k + 1), glyphs, k + 1, base, size);
    return before.equals(after)
        ? before
        : before
            .without(TextTraits.LINK)
            .without(TextTraits.UNDERLINE)
            .without(TextTraits.STRIKE)
            .without(TextTraits.HIGHLIGHT)
            .without(TextTraits.COMMENTS)
            .without(TextTraits.FIELD)
            .without(TextTraits.RAISE);
  }

  private static Look look(Glyph g, List<Glyph> all, int k, Look base, double lineSize) {
    Look look = Look.PLAIN;
    look = differing(look, base, TextTraits.FAMILY, g.ink().face().family());
    look = differing(look, base, TextTraits.BOLD, g.ink().face().bold());
    look = differing(look, base, TextTraits.ITALIC, g.ink().face().italic());
    look = differing(look, base, TextTraits.COLOUR, g.ink().colour());
    look = differing(look, base, TextTraits.UNDERLINE, g.ink().decor().underlined());
    look = differing(look, base, TextTraits.STRIKE, g.ink().decor().struck());
    if (g.ink().decor().highlight().isPresent()) {
      look = look.with(TextTraits.HIGHLIGHT, g.ink().decor().highlight().get());
    }
    TextTraits.Raise raise = raise(g, all, k, lineSize);
    if (raise != TextTraits.Raise.NONE) {
      look = look.with(TextTraits.RAISE, raise);
    } else {
      double size = rounded(g.size());
      if (!Sizes.same(size, base.value(TextTraits.SIZE))) {
        look = look.with(TextTraits.SIZE, size);
      }
    }
    if (g.ink().decor().field().isPresent()) {
      look = look.with(TextTraits.FIELD, g.ink().decor().field().get());
    }
    if (g.link().isPresent() && g.ink().decor().linkFrame().isPresent()) {
      look = look.with(TextTraits.LINK_FRAME, g.ink().decor().linkFrame().get());
    }
    if (!g.ink().decor().comments().isEmpty()) {
      look = look.with(TextTraits.COMMENTS, g.ink().decor().comments());
    }
    return g.link().isPresent() ? look.with(TextTraits.LINK, g.link().get()) : look;
  }

  /** A length to the nearest half point: no more can be measured. */
  public static double halves(double points) {
    return Math.round(points * 2) / 2.0;
  }

  public static double rounded(double size) {
    return Math.max(1, Math.round(size * 4) / 4.0);
  }

  private static TextTraits.Raise raise(Glyph g, List<Glyph> all, int k, double lineSize) {
    if (g.isSpace() || g.size() > lineSize * RAISED_SIZE) {
      return TextTraits.Raise.NONE;
    }
    // Against the nearest letter of full size.
    for (int d = 1; d < 8; d++) {
      for (int j : new int[] {k - d, k + d}) {
        if (j >= 0
            && j < all.size()
            && !all.get(j).isSpace()
            && all.get(j).size() > lineSize * FULL_SIZE) {
          double up = all.get(j).baseline() - g.baseline();
          if (Math.abs(up) < lineSize) {
            return up > lineSize * RAISED
                ? TextTraits.Raise.SUPERSCRIPT
                : up < -lineSize * LOWERED ? TextTraits.Raise.SUBSCRIPT : TextTraits.Raise.NONE;
          }
        }
      }
    }
    return TextTraits.Raise.NONE;
  }

  private static <T> Look differing(Look look, Look base, Trait<T> trait, T value) {
    return base.value(trait).equals(value) ? look : look.with(trait, value);
  }
}
