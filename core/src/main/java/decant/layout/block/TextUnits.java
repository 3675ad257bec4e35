package decant.layout.block;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UCharacterDirection;
import com.ibm.icu.lang.UProperty;
import com.ibm.icu.text.Bidi;
import com.ibm.icu.text.BreakIterator;
import decant.layout.item.ParagraphStyle;
import decant.layout.item.TextStyle;
import decant.layout.label.FieldValues;
import decant.layout.label.Styles;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.Placement;
import decant.text.FontFace;
import decant.text.Glyphs;
import decant.text.Shaper;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Cuts a paragraph into the units that lines are filled with: words, spaces, tabs, breaks and
 * objects, each in one look, one face and one direction, already shaped. Break opportunities follow
 * UAX #14, directions UAX #9.
 */
public final class TextUnits {
  enum Kind {
    WORD,
    SPACE,
    TAB,
    LINE_BREAK,
    COLUMN_BREAK,
    PAGE_BREAK,
    OBJECT
  }

  /**
   * One unit.
   *
   * @param width in points
   * @param breakAfter a line may end after it
   * @param level its bidi embedding level
   * @param shown what an object shows in place of its one character; empty for a picture or shape
   * @param object the picture or shape that it stands for
   * @param hyphen a hyphen is shown where a line ends after it
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
      @Nullable Inline object,
      boolean hyphen) {
    Unit(
        Kind kind,
        int from,
        int to,
        TextStyle style,
        Glyphs glyphs,
        double width,
        boolean breakAfter,
        int level,
        String shown) {
      this(kind, from, to, style, glyphs, width, breakAfter, level, shown, null, false);
    }

    boolean isSpace() {
      return kind == Kind.SPACE;
    }

    /** Where the decimal sign of a number in it stands, from its start; -1 if there is none. */
    int decimalIn(String text) {
      for (int k = from; k < to; k++) {
        char c = text.charAt(k);
        boolean afterDigit = k > 0 && Character.isDigit(text.charAt(k - 1));
        if ((c == '.' || c == ',') && afterDigit) {
          return k - from;
        }
      }
      return -1;
    }

    /** Whether a line ends with it, whatever follows. */
    boolean endsLine() {
      return kind == Kind.LINE_BREAK || kind == Kind.COLUMN_BREAK || kind == Kind.PAGE_BREAK;
    }
  }

  /** Not safe for use by several threads at once; making one takes long. */
  private static final ThreadLocal<BreakIterator> LINE_BREAKS =
      ThreadLocal.withInitial(() -> BreakIterator.getLineInstance(Locale.ROOT));

  private static final char SOFT_HYPHEN = '\u00AD';
  private static final int FIRST_RIGHT_TO_LEFT = 0x590;

  private final Styles styles;
  private final Shaper shaper;

  TextUnits(Styles styles, Shaper shaper) {
    this.styles = styles;
    this.shaper = shaper;
  }

  List<Unit> cut(Paragraph p, String text, ParagraphStyle style, FieldValues fields) {
    var out = new ArrayList<Unit>();
    if (p.inlines().isEmpty()) {
      return out;
    }
    byte @Nullable [] levels = levels(text, style.lines().rightToLeft());
    boolean[] breaks = breakOpportunities(forBreaking(p, text));
    Look base = styles.base(p);
    int at = 0;
    for (Inline inline : p.inlines()) {
      TextStyle look = styles.text(base, inline.look());
      int end = at + inline.length();
      int level = levels == null ? 0 : levels[at];
      switch (inline) {
        case Inline.Text t -> {
          if (!look.letters().hidden()) {
            cutText(out, text, at, end, look, breaks, levels);
          }
        }
        case Inline.Picture pic -> {
          if (pic.placement() instanceof Placement.OnLine) {
            out.add(object(pic, pic.width(), at, end, look, breaks[end], level));
          }
        }
        case Inline.Shape shape -> {
          if (shape.placement() instanceof Placement.OnLine) {
            out.add(object(shape, shape.width(), at, end, look, breaks[end], level));
          }
        }
        case Inline.Field f -> out.add(shown(fields.show(f), at, end, look, breaks[end], level));
        case Inline.NoteMark n ->
            out.add(shown(fields.show(n), at, end, look.raised(), breaks[end], level));
        case Inline.KeptInline k -> out.add(shown(k.shown(), at, end, look, breaks[end], level));
      }
      at = end;
    }
    return out;
  }

  private static Unit object(
      Inline object,
      double width,
      int from,
      int to,
      TextStyle look,
      boolean breakAfter,
      int level) {
    return new Unit(
        Kind.OBJECT, from, to, look, Glyphs.NONE, width, breakAfter, level, "", object, false);
  }

  private Unit shown(String text, int from, int to, TextStyle look, boolean breakAfter, int level) {
    String clean = text.replaceAll("\\p{Cc}", " ");
    Glyphs g = clean.isEmpty() ? Glyphs.NONE : shape(look, clean, level);
    return new Unit(Kind.OBJECT, from, to, look, g, scaled(g, look), breakAfter, level, clean);
  }

  private void cutText(
      List<Unit> out,
      String text,
      int from,
      int to,
      TextStyle asked,
      boolean[] breaks,
      byte @Nullable [] levels) {
    int k = from;
    TextStyle look = asked;
    FontFace closest = styles.fonts().closest(asked.face()).orElse(null);
    int wordEnd = closest == null ? to : from;
    while (k < to) {
      if (closest != null && k >= wordEnd) {
        wordEnd = wordEnd(text, k, to);
        look = ofOneFont(asked, closest, text, k, wordEnd);
      }
      char c = text.charAt(k);
      int level = levels == null ? 0 : levels[k];
      if (isControl(c)) {
        out.add(new Unit(control(c), k, k + 1, look, Glyphs.NONE, 0, true, level, ""));
        k++;
        continue;
      }
      boolean space = isSpace(c);
      boolean small = look.letters().smallCaps() && isSmall(text.codePointAt(k));
      FontFace face = faceFor(look, text.codePointAt(k));
      int end = k + Character.charCount(text.codePointAt(k));
      while (end < to && !breaks[end]) {
        int cp = text.codePointAt(end);
        if (isSpace((char) cp) != space || isControl(cp)) {
          break;
        }
        if (levels != null && levels[end] != level) {
          break;
        }
        if (look.letters().smallCaps() && isSmall(cp) != small) {
          break;
        }
        // Marks, joiners and variation selectors stay with what they belong to.
        if (!attaches(cp) && faceFor(look, cp) != face) {
          break;
        }
        end += Character.charCount(cp);
      }
      TextStyle style = small ? look.smallCapital() : look;
      out.add(unit(text, k, end, style, face, space ? Kind.SPACE : Kind.WORD, breaks[end], level));
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
    if (look.letters().allCaps() || look.letters().smallCaps()) {
      s = capitals(s);
    }
    boolean soft = s.indexOf(SOFT_HYPHEN) >= 0;
    boolean hyphen = soft && s.charAt(s.length() - 1) == SOFT_HYPHEN;
    if (soft) {
      s = s.replace(SOFT_HYPHEN, '\u200B');
    }
    Glyphs g = shape(style, s, level);
    if (style.shaping().letterSpacing() != 0) {
      g = spaced(g, style);
    }
    return new Unit(
        kind, from, to, style, g, scaled(g, style), breakAfter, level, "", null, hyphen);
  }

  /** A part of a word, for words that are wider than the line. */
  Unit part(Unit u, String text, int from, int to, boolean breakAfter, boolean hyphen) {
    Unit p = unit(text, from, to, u.style(), u.style().face(), u.kind(), breakAfter, u.level());
    return hyphen
        ? new Unit(
            p.kind, from, to, p.style, p.glyphs, p.width, breakAfter, p.level, "", null, true)
        : p;
  }

  Glyphs shape(TextStyle style, String text, int level) {
    return shaper.shape(style.face(), text, (level & 1) == 1, style.shaping().joins());
  }

  /** Glyphs moved apart, each cluster as a whole, with the extra space after it. */
  private static Glyphs spaced(Glyphs g, TextStyle style) {
    float extra =
        (float) (style.shaping().letterSpacing() * style.face().unitsPerEm() / style.size());
    float[] x = g.x().clone();
    int clusters = 0;
    for (int k = 0; k < x.length; k++) {
      if (k > 0 && g.clusters()[k] != g.clusters()[k - 1]) {
        clusters++;
      }
      x[k] += extra * clusters;
    }
    int n = x.length == 0 ? 0 : clusters + 1;
    return new Glyphs(g.ids(), x, g.y(), g.clusters(), Math.max(0, g.width() + extra * n));
  }

  private static boolean isSmall(int cp) {
    return Character.isLowerCase(cp) && Character.toUpperCase(cp) != cp;
  }

  double spaceWidth(TextStyle style) {
    return scaled(shape(style, " ", 0), style);
  }

  static double scaled(Glyphs g, TextStyle style) {
    return g.width() * style.size() / style.face().unitsPerEm();
  }

  private FontFace faceFor(TextStyle look, int codePoint) {
    FontFace face = look.face();
    int shown = shown(look, codePoint);
    return codePoint < ' ' || face.covers(shown) ? face : styles.fonts().stepIn(face, shown);
  }

  private static int shown(TextStyle look, int codePoint) {
    return look.letters().allCaps() || look.letters().smallCaps()
        ? Character.toUpperCase(codePoint)
        : codePoint;
  }

  /** Where the word ends that begins here; ideographs are words for themselves. */
  private static int wordEnd(String text, int from, int to) {
    int k = from;
    while (k < to) {
      int cp = text.codePointAt(k);
      boolean end = isSpace((char) cp) || isControl(cp) || Character.isIdeographic(cp);
      if (end) {
        return Math.max(k, from + Character.charCount(text.codePointAt(from)));
      }
      k += Character.charCount(cp);
    }
    return to;
  }

  /**
   * A font that the document brings may lack letters. A word that has such a letter is set as a
   * whole in the family that is closest, for two designs do not mix in a word.
   */
  private static TextStyle ofOneFont(
      TextStyle look, FontFace closest, String text, int from, int to) {
    for (int k = from; k < to; ) {
      int cp = text.codePointAt(k);
      int shown = shown(look, cp);
      if (Character.isLetterOrDigit(cp) && !look.face().covers(shown) && closest.covers(shown)) {
        return look.in(closest);
      }
      k += Character.charCount(cp);
    }
    return look;
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

  private static boolean isControl(int c) {
    return c == '\t' || c == '\n' || c == Inline.COLUMN_BREAK || c == '\f';
  }

  private static Kind control(char c) {
    return switch (c) {
      case '\t' -> Kind.TAB;
      case '\n' -> Kind.LINE_BREAK;
      case Inline.COLUMN_BREAK -> Kind.COLUMN_BREAK;
      default -> Kind.PAGE_BREAK;
    };
  }

  private static boolean isSpace(char c) {
    return c == ' ' || c == '\u3000' || (c >= '\u2000' && c <= '\u200A' && c != '\u2007');
  }

  /** A text in capital letters; as it is where that would make it longer or shorter. */
  static String capitals(String s) {
    var b = new StringBuilder(s.length());
    s.codePoints().forEach(c -> b.appendCodePoint(Character.toUpperCase(c)));
    return b.length() == s.length() ? b.toString() : s;
  }

  /** For each place of a text whether a line may end there (UAX #14). */
  public static boolean[] breakOpportunities(String text) {
    BreakIterator lines = LINE_BREAKS.get();
    boolean[] breaks = new boolean[text.length() + 1];
    lines.setText(text);
    for (int k = lines.next(); k != BreakIterator.DONE; k = lines.next()) {
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
    byte[] levels = levelsOf(text, rightToLeft);
    return levels.length < text.length() + 1 ? Arrays.copyOf(levels, text.length() + 1) : levels;
  }

  /** The embedding level of each place of a text (UAX #9). */
  public static byte[] levelsOf(String text, boolean rightToLeft) {
    var bidi = new Bidi();
    bidi.setPara(text, rightToLeft ? Bidi.RTL : Bidi.LTR, null);
    byte[] levels = bidi.getLevels();
    // Marks on a bracket go with it (N0), which the library leaves out.
    int bracket = -1;
    for (int k = 0; k < text.length(); k++) {
      char c = text.charAt(k);
      int type = UCharacter.getDirection(c);
      if (UCharacter.getIntPropertyValue(c, UProperty.BIDI_PAIRED_BRACKET_TYPE)
          != UCharacter.BidiPairedBracketType.NONE) {
        bracket = k;
      } else if (type == UCharacterDirection.DIR_NON_SPACING_MARK && bracket >= 0) {
        levels[k] = levels[bracket];
      } else if (type != UCharacterDirection.BOUNDARY_NEUTRAL) {
        bracket = -1;
      }
    }
    return levels;
  }

  /** The hyphen that is shown where a line ends within a word. */
  Unit hyphenAfter(Unit u) {
    return shown("-", u.to(), u.to(), u.style(), true, u.level());
  }
}
