package decant.layout;

import com.ibm.icu.text.Bidi;
import com.ibm.icu.text.BreakIterator;
import decant.model.Inline;
import decant.model.Look;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.text.FontFace;
import decant.text.Glyphs;
import decant.text.Shaper;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Cuts a paragraph into the units that lines are filled with: words, spaces, tabs, breaks and
 * objects, each in one look, one face and one direction, already shaped. Break opportunities follow
 * UAX #14, directions UAX #9.
 */
final class TextUnits {
  enum Kind {
    WORD,
    SPACE,
    TAB,
    LINE_BREAK,
    PAGE_BREAK,
    OBJECT
  }

  /**
   * One unit.
   *
   * @param width in points
   * @param breakAfter a line may end after it
   * @param level its bidi embedding level
   * @param shown what an object shows in place of its one character; empty for a picture
   */
  record Unit(
      Kind kind,
      int from,
      int to,
      TextStyle style,
      Glyphs glyphs,
      double width,
      boolean breakAfter,
      int level,
      String shown,
      Inline.@Nullable Picture picture) {
    boolean isSpace() {
      return kind == Kind.SPACE;
    }
  }

  private static final char SOFT_HYPHEN = '\u00AD';
  private static final int FIRST_RIGHT_TO_LEFT = 0x590;

  private final Styles styles;
  private final Shaper shaper;
  private final Map<NodeId, String> noteLabels;
  private final BreakIterator lineBreaks = BreakIterator.getLineInstance(Locale.ROOT);

  TextUnits(Styles styles, Shaper shaper, Map<NodeId, String> noteLabels) {
    this.styles = styles;
    this.shaper = shaper;
    this.noteLabels = noteLabels;
  }

  List<Unit> cut(Paragraph p, ParagraphStyle style, FieldValues fields) {
    var out = new ArrayList<Unit>();
    if (p.inlines().isEmpty()) {
      return out;
    }
    String text = p.text();
    byte @Nullable [] levels = levels(text, style.rightToLeft());
    boolean[] breaks = breakOpportunities(p, text);
    Look base = styles.base(p);
    int at = 0;
    for (Inline inline : p.inlines()) {
      TextStyle look = styles.text(base, inline.look());
      int end = at + inline.length();
      int level = levels == null ? 0 : levels[at];
      switch (inline) {
        case Inline.Text t -> {
          if (!look.hidden()) {
            cutText(out, text, at, end, look, breaks, levels);
          }
        }
        case Inline.Picture pic ->
            out.add(
                new Unit(
                    Kind.OBJECT,
                    at,
                    end,
                    look,
                    Glyphs.NONE,
                    pic.width(),
                    breaks[end],
                    level,
                    "",
                    pic));
        case Inline.Field f -> out.add(shown(fields.show(f), at, end, look, breaks[end], level));
        case Inline.NoteMark n ->
            out.add(
                shown(
                    noteLabels.getOrDefault(n.note(), "*"),
                    at,
                    end,
                    look.raised(),
                    breaks[end],
                    level));
        case Inline.KeptInline k -> out.add(shown(k.shown(), at, end, look, breaks[end], level));
      }
      at = end;
    }
    return out;
  }

  private Unit shown(String text, int from, int to, TextStyle look, boolean breakAfter, int level) {
    String clean = text.replaceAll("\\p{Cc}", " ");
    Glyphs g = clean.isEmpty() ? Glyphs.NONE : shape(look.face(), clean, level);
    return new Unit(
        Kind.OBJECT, from, to, look, g, scaled(g, look), breakAfter, level, clean, null);
  }

  private void cutText(
      List<Unit> out,
      String text,
      int from,
      int to,
      TextStyle look,
      boolean[] breaks,
      byte @Nullable [] levels) {
    int k = from;
    while (k < to) {
      char c = text.charAt(k);
      int level = levels == null ? 0 : levels[k];
      if (c == '\t' || c == '\n' || c == '\f') {
        Kind kind = c == '\t' ? Kind.TAB : c == '\n' ? Kind.LINE_BREAK : Kind.PAGE_BREAK;
        out.add(new Unit(kind, k, k + 1, look, Glyphs.NONE, 0, true, level, "", null));
        k++;
        continue;
      }
      boolean space = isSpace(c);
      FontFace face = faceFor(look.face(), text.codePointAt(k));
      int end = k + Character.charCount(text.codePointAt(k));
      while (end < to && !breaks[end]) {
        int cp = text.codePointAt(end);
        if (isSpace((char) cp) != space || cp == '\t' || cp == '\n' || cp == '\f') {
          break;
        }
        if (levels != null && levels[end] != level) {
          break;
        }
        // Marks, joiners and variation selectors stay with what they belong to.
        if (!attaches(cp) && faceFor(look.face(), cp) != face) {
          break;
        }
        end += Character.charCount(cp);
      }
      out.add(unit(text, k, end, look, face, space ? Kind.SPACE : Kind.WORD, breaks[end], level));
      k = end;
    }
  }

  private Unit unit(
      String text,
      int from,
      int to,
      TextStyle look,
      FontFace face,
      Kind kind,
      boolean breakAfter,
      int level) {
    TextStyle style = look.in(face);
    String s = text.substring(from, to);
    if (look.allCaps()) {
      s = capitals(s);
    }
    if (s.indexOf(SOFT_HYPHEN) >= 0) {
      s = s.replace(SOFT_HYPHEN, '\u200B');
    }
    Glyphs g = shape(face, s, level);
    return new Unit(kind, from, to, style, g, scaled(g, style), breakAfter, level, "", null);
  }

  /** A part of a word, for words that are wider than the line. */
  Unit part(Unit u, String text, int from, int to, boolean breakAfter) {
    return unit(text, from, to, u.style(), u.style().face(), u.kind(), breakAfter, u.level());
  }

  Glyphs shape(FontFace face, String text, int level) {
    return shaper.shape(face, text, (level & 1) == 1);
  }

  static double scaled(Glyphs g, TextStyle style) {
    return g.width() * style.size() / style.face().unitsPerEm();
  }

  private FontFace faceFor(FontFace face, int codePoint) {
    return codePoint < 0x7F || face.covers(codePoint)
        ? face
        : styles.fonts().stepIn(face, codePoint);
  }

  private static boolean attaches(int cp) {
    if (cp < 0x300) {
      return false;
    }
    int type = Character.getType(cp);
    return type == Character.NON_SPACING_MARK
        || type == Character.ENCLOSING_MARK
        || type == Character.COMBINING_SPACING_MARK
        || type == Character.FORMAT;
  }

  private static boolean isSpace(char c) {
    return c == ' ' || c == '\u3000' || (c >= '\u2000' && c <= '\u200A' && c != '\u2007');
  }

  private static String capitals(String s) {
    var b = new StringBuilder(s.length());
    s.codePoints().forEach(c -> b.appendCodePoint(Character.toUpperCase(c)));
    return b.length() == s.length() ? b.toString() : s;
  }

  private boolean[] breakOpportunities(Paragraph p, String text) {
    boolean[] breaks = new boolean[text.length() + 1];
    lineBreaks.setText(forBreaking(p, text));
    for (int k = lineBreaks.next(); k != BreakIterator.DONE; k = lineBreaks.next()) {
      breaks[k] = true;
    }
    return breaks;
  }

  /**
   * Note marks and fields break like the words they stand by, pictures like the objects they are.
   */
  private static String forBreaking(Paragraph p, String text) {
    if (p.inlines().stream()
        .allMatch(i -> i instanceof Inline.Text || i instanceof Inline.Picture)) {
      return text;
    }
    char[] chars = text.toCharArray();
    int at = 0;
    for (Inline i : p.inlines()) {
      if (!(i instanceof Inline.Text) && !(i instanceof Inline.Picture)) {
        chars[at] = 'a';
      }
      at += i.length();
    }
    return new String(chars);
  }

  private static byte @Nullable [] levels(String text, boolean rightToLeft) {
    boolean plain = !rightToLeft;
    for (int k = 0; k < text.length() && plain; k++) {
      plain = text.charAt(k) < FIRST_RIGHT_TO_LEFT || text.charAt(k) == Inline.OBJECT;
    }
    if (plain) {
      return null;
    }
    var bidi = new Bidi();
    bidi.setPara(text, rightToLeft ? Bidi.RTL : Bidi.LTR, null);
    byte[] levels = bidi.getLevels();
    if (levels.length < text.length() + 1) {
      levels = Arrays.copyOf(levels, text.length() + 1);
    }
    return levels;
  }

  /** The visible hyphen at a soft hyphen that a line ends with. */
  Optional<Unit> hyphenAfter(Unit u, String text) {
    if (u.kind() != Kind.WORD || text.charAt(u.to() - 1) != SOFT_HYPHEN) {
      return Optional.empty();
    }
    return Optional.of(shown("-", u.to(), u.to(), u.style(), true, u.level()));
  }
}
