package decant.pdf.read.scan;

import decant.pdf.read.page.Glyph;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Accents that a file draws as signs of their own. One that stands over a letter belongs to it, as
 * when a type's accents and letters are set one over the other; one that stands over nothing is the
 * sign alone, as an opening quotation mark set with a grave accent is.
 */
final class Accents {
  /** The signs that the marks are when they stand alone. */
  private static final Map<String, String> ALONE =
      Map.ofEntries(
          Map.entry("\u0300", "`"),
          Map.entry("\u0301", "\u00B4"),
          Map.entry("\u0302", "\u02C6"),
          Map.entry("\u0303", "\u02DC"),
          Map.entry("\u0304", "\u00AF"),
          Map.entry("\u0306", "\u02D8"),
          Map.entry("\u0307", "\u02D9"),
          Map.entry("\u0308", "\u00A8"),
          Map.entry("\u030A", "\u02DA"),
          Map.entry("\u030B", "\u02DD"),
          Map.entry("\u030C", "\u02C7"),
          Map.entry("\u0327", "\u00B8"),
          Map.entry("\u0328", "\u02DB"));

  /** Combining marks by the signs that look the same, of which some have another that does. */
  private static final Map<String, String> COMBINING = combining();

  private static Map<String, String> combining() {
    var out = new HashMap<>(Map.of("\u02CB", "\u0300", "\u02CA", "\u0301", "\u02C9", "\u0304"));
    ALONE.forEach((mark, sign) -> out.put(sign, mark));
    return Map.copyOf(out);
  }

  private Accents() {}

  /** Glyphs in the order they are painted, each accent with its letter or as what it is alone. */
  static List<Glyph> settled(List<Glyph> glyphs) {
    if (glyphs.stream().noneMatch(g -> mark(g.text()).isPresent() || isBare(g))) {
      return glyphs;
    }
    var out = new ArrayList<Glyph>(glyphs.size());
    for (int k = 0; k < glyphs.size(); k++) {
      Glyph g = glyphs.get(k);
      if (isBare(g)) {
        Optional<Glyph> before = out.isEmpty() ? Optional.empty() : Optional.of(out.getLast());
        out.add(withItsLetter(g, before, nextLetter(glyphs, k)));
        continue;
      }
      Optional<String> mark = mark(g.text());
      if (mark.isEmpty() || g.width() < ScanThresholds.Accents.OWN_WIDTH * g.size()) {
        out.add(g);
        continue;
      }
      if (!out.isEmpty() && ALONE.containsKey(g.text()) && follows(g, out.getLast())) {
        out.add(g); // a mark that is drawn back over the letter before it
      } else if (!out.isEmpty() && isOver(g, out.getLast())) {
        out.add(with(out.removeLast(), mark.get()));
      } else if (k + 1 < glyphs.size() && isOver(g, glyphs.get(k + 1))) {
        out.add(with(glyphs.get(++k), mark.get()));
      } else {
        out.add(with(g, ALONE.getOrDefault(g.text(), g.text()), ""));
      }
    }
    return out;
  }

  /** Whether a glyph takes no room: it is set over a letter beside it. */
  private static boolean isBare(Glyph g) {
    return g.width() < ScanThresholds.Accents.NO_WIDTH * g.size()
        && !g.text().isEmpty()
        && g.text().charAt(0) >= '\u0300'
        && g.turn() == 0
        && !isRightToLeft(g);
  }

  /** The next glyph in painting order that is more than marks. */
  private static Optional<Glyph> nextLetter(List<Glyph> glyphs, int k) {
    for (int n = k + 1; n < glyphs.size(); n++) {
      if (!isBare(glyphs.get(n)) || !isMarks(glyphs.get(n))) {
        return Optional.of(glyphs.get(n));
      }
    }
    return Optional.empty();
  }

  private static boolean isRightToLeft(Glyph g) {
    if (g.text().isEmpty()) {
      return false;
    }
    byte d = Character.getDirectionality(g.text().codePointAt(0));
    return d == Character.DIRECTIONALITY_RIGHT_TO_LEFT
        || d == Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC;
  }

  /**
   * A glyph without a width at the place in its line where it is read: a mark after the letter that
   * was painted before it, a letter that became a sign, as a repha, before the next. From right to
   * left, what is read after a letter stands at its left, and is painted first as often as not.
   */
  private static Glyph withItsLetter(Glyph g, Optional<Glyph> before, Optional<Glyph> after) {
    if (isMarks(g)) {
      Optional<Glyph> leaning =
          after
              .filter(a -> isRightToLeft(a) && isNear(g, a))
              .or(() -> before.filter(b -> isRightToLeft(b) && isNear(g, b)));
      if (leaning.isPresent()) {
        return beforeThe(leaning.get(), g);
      }
      return before
          .filter(b -> isNear(g, b) && !isRightToLeft(b))
          .map(b -> g.upright(b.x() + b.width() * ScanThresholds.Accents.WITHIN, b.baseline()))
          .orElse(g);
    }
    if (g.text().codePoints().noneMatch(Accents::isMark)) {
      return g; // the parts of a syllable, as of Hangul, stand in the order they are painted
    }
    return after.filter(a -> isNear(g, a)).map(a -> beforeThe(a, g)).orElse(g);
  }

  private static Glyph beforeThe(Glyph letter, Glyph sign) {
    return sign.upright(
        letter.x() - letter.size() * ScanThresholds.Accents.JUST_BEFORE, letter.baseline());
  }

  private static boolean isMarks(Glyph g) {
    return g.text().codePoints().allMatch(Accents::isMark);
  }

  private static boolean isMark(int codePoint) {
    return switch (Character.getType(codePoint)) {
      case Character.NON_SPACING_MARK, Character.COMBINING_SPACING_MARK, Character.ENCLOSING_MARK ->
          true;
      default -> false;
    };
  }

  private static boolean isNear(Glyph mark, Glyph letter) {
    double reach = ScanThresholds.Accents.REACH * letter.size();
    return !letter.text().isEmpty()
        && !letter.isSpace()
        && letter.turn() == 0
        && Math.abs(mark.baseline() - letter.baseline())
            < ScanThresholds.Accents.RAISED * letter.size()
        && mark.x() > letter.x() - reach
        && mark.x() < letter.right() + reach;
  }

  private static Optional<String> mark(String text) {
    if (text.length() != 1 || text.charAt(0) != '`' && text.charAt(0) < '\u00A8') {
      return Optional.empty(); // nearly always
    }
    return ALONE.containsKey(text) ? Optional.of(text) : Optional.ofNullable(COMBINING.get(text));
  }

  private static boolean follows(Glyph mark, Glyph letter) {
    return letter.text().codePoints().anyMatch(Character::isLetter)
        && Math.abs(mark.baseline() - letter.baseline())
            < ScanThresholds.Accents.RAISED * letter.size()
        && Math.abs(mark.x() - letter.right()) < ScanThresholds.Accents.BESIDE * letter.size();
  }

  /** Whether an accent stands over, or under, a letter: its middle within the letter's width. */
  private static boolean isOver(Glyph accent, Glyph letter) {
    double middle = accent.x() + accent.width() / 2;
    double inset = letter.width() * ScanThresholds.Accents.INSET;
    return accent.turn() == 0
        && letter.turn() == 0
        && !letter.text().isEmpty()
        && letter.text().codePoints().allMatch(Character::isLetter)
        && middle > letter.x() + inset
        && middle < letter.right() - inset
        && Math.abs(accent.baseline() - letter.baseline())
            < ScanThresholds.Accents.RAISED * letter.size()
        && accent.size() < letter.size() * ScanThresholds.Accents.SAME_SIZE
        && letter.size() < accent.size() * ScanThresholds.Accents.SAME_SIZE;
  }

  private static Glyph with(Glyph letter, String mark) {
    // The dot of an i gives way to its accent.
    String base =
        switch (letter.text()) {
          case "\u0131" -> "i";
          case "\u0237" -> "j";
          default -> letter.text();
        };
    return with(letter, base, mark);
  }

  private static Glyph with(Glyph g, String base, String mark) {
    return new Glyph(
        Normalizer.normalize(base + mark, Normalizer.Form.NFC),
        g.x(),
        g.baseline(),
        g.width(),
        g.size(),
        g.ink(),
        g.turn(),
        g.marked(),
        g.link());
  }
}
