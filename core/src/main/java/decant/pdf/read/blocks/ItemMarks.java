package decant.pdf.read.blocks;

import decant.model.look.FormField;
import decant.model.look.Markers;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.TextLine;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What the items of a file begin with: bullets and numbers, and whatever sign begins several of its
 * lines and hardly stands anywhere else.
 *
 * @param odd signs that are no usual bullets
 * @param notes whether asterisks begin notes: as many daggers do, which come after them
 */
public record ItemMarks(Set<String> odd, boolean notes) {
  public ItemMarks {
    odd = Set.copyOf(odd);
  }

  /** The marks of the lines of all pages. */
  public static ItemMarks in(List<List<TextLine>> lines) {
    Map<String, int[]> counts = new HashMap<>(); // at the start of lines, and in all
    for (List<TextLine> page : lines) {
      for (TextLine l : page) {
        String text = l.text().strip();
        text.codePoints()
            .filter(ItemMarks::maySign)
            .forEach(c -> counts.computeIfAbsent(Character.toString(c), k -> new int[2])[1]++);
        leading(text).ifPresent(s -> counts.computeIfAbsent(s, k -> new int[2])[0]++);
      }
    }
    Set<String> odd = new HashSet<>();
    counts.forEach((sign, n) -> {
      if (n[0] >= BlockThresholds.ItemMarks.LEAST
          && n[0] >= BlockThresholds.ItemMarks.STARTS * n[1]) {
        odd.add(sign);
      }
    });
    long daggers =
        lines.stream().flatMap(List::stream).filter(l -> l.text().strip().matches("†.+")).count();
    int stars = counts.getOrDefault("*", new int[2])[0];
    return new ItemMarks(odd, stars > 0 && stars <= daggers);
  }

  /**
   * The mark of an item at the start of a line; a field of a form that looks like one is none, nor
   * is the mark of a note.
   */
  Optional<String> of(TextLine line) {
    boolean raised =
        line.glyphs().stream()
            .filter(g -> !g.isSpace())
            .findFirst()
            .filter(line::isRaised)
            .isPresent();
    String text = line.text();
    Optional<String> known = Markers.item(text);
    boolean star = known.filter("*"::equals).isPresent();
    // Small circles and squares stand above the line in many fonts, and head no notes.
    boolean sign = known.filter(Markers::isBullet).isPresent() && !star;
    if (raised && !sign || beginsWithSwitch(line)) {
      return Optional.empty();
    }
    if (notes && star) {
      return Optional.empty(); // the first of the signs of notes
    }
    return known.isPresent() ? known : leading(text).filter(odd::contains);
  }

  /** Whether a line begins with something to tick or to choose. */
  public static boolean beginsWithSwitch(TextLine line) {
    for (Glyph g : line.glyphs()) {
      if (!g.isSpace()) {
        int c = g.text().isEmpty() ? 0 : g.text().codePointAt(0);
        return isBox(c) || g.ink().decor().field().filter(FormField::isSwitch).isPresent();
      }
    }
    return false;
  }

  /** Boxes to tick are blanks of a form. */
  private static boolean isBox(int c) {
    return c >= 0x2610 && c <= 0x2612;
  }

  private static Optional<String> leading(String text) {
    if (text.isEmpty() || !maySign(text.codePointAt(0))) {
      return Optional.empty();
    }
    int n = Character.charCount(text.codePointAt(0));
    boolean apart =
        text.length() > n + 1
            && Character.isWhitespace(text.charAt(n))
            && !text.substring(n).isBlank();
    return apart ? Optional.of(text.substring(0, n)) : Optional.empty();
  }

  /** Whether a character is neither a letter nor a figure, nor what a sentence may begin with. */
  private static boolean maySign(int c) {
    if (isBox(c)) {
      return false;
    }
    return switch (Character.getType(c)) {
      case Character.OTHER_SYMBOL,
          Character.MATH_SYMBOL,
          Character.MODIFIER_SYMBOL,
          Character.DASH_PUNCTUATION,
          Character.FINAL_QUOTE_PUNCTUATION,
          Character.PRIVATE_USE ->
          true;
      case Character.OTHER_PUNCTUATION -> c > 0x7F || c == '*';
      default -> false;
    };
  }
}
