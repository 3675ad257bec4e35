package decant.pdf.read.lines;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.TextLine;
import decant.text.DividedWords;
import decant.text.EastAsian;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.regex.Pattern;

/**
 * Joins lines into running text: hyphens at line ends undone where they were put in by whoever
 * broke the lines.
 */
public final class Dehyphenator {
  private static final Pattern SPACES = Pattern.compile("\\s+");

  private final DividedWords words = new DividedWords();

  /** Hyphens at the ends of lines that are known to be of their words. */
  private final Set<Glyph> hard = Collections.newSetFromMap(new IdentityHashMap<>());

  private int divided;

  /**
   * @param lines all lines of the file, from which it learns which words exist
   * @param tellsSoft which pages, from 0, are known to tell hyphens of divided words from others,
   *     as ISO 32000-1 §14.8.2.2.3 asks: a hyphen that is no soft one then stays
   */
  public Dehyphenator(List<List<TextLine>> lines, IntPredicate tellsSoft) {
    for (int page = 0; page < lines.size(); page++) {
      boolean tells = tellsSoft.test(page);
      for (TextLine l : lines.get(page)) {
        words.learn(List.of(SPACES.split(l.text())));
        Glyph last = l.glyphs().getLast();
        if (tells && !last.text().endsWith("\u00AD")) {
          hard.add(last);
        }
      }
    }
  }

  /** How many words were divided at line ends, of the lines joined so far. */
  public int divided() {
    return divided;
  }

  /** The glyphs of lines one after the other, with what stands between them. */
  public List<Glyph> join(List<TextLine> lines) {
    Joined j = joined(lines);
    for (boolean undone : j.divided()) {
      divided += undone ? 1 : 0;
    }
    return j.glyphs();
  }

  /**
   * Lines as one.
   *
   * @param begins for each line the number of its first glyph
   * @param divided for each line whether it begins within a word whose hyphen was left out
   */
  public record Joined(List<Glyph> glyphs, int[] begins, boolean[] divided) {}

  /** The glyphs of lines one after the other, and where each line begins among them. */
  public Joined joined(List<TextLine> lines) {
    var out = new ArrayList<Glyph>();
    int[] begins = new int[lines.size()];
    boolean[] undone = new boolean[lines.size()];
    for (int k = 0; k < lines.size(); k++) {
      TextLine l = lines.get(k);
      if (out.isEmpty()) {
        out.addAll(l.glyphs());
        continue;
      }
      Glyph last = out.getLast();
      Glyph first = l.glyphs().getFirst();
      boolean hyphen =
          DividedWords.endsInHyphen(last.text())
              && out.size() > 1
              && isLetter(out.get(out.size() - 2));
      if (hyphen && isLowerCase(first)) {
        String head = tailWord(out);
        String tail = headWord(l.glyphs());
        if (!hard.contains(last)
            && words.between(head, last.text(), tail) != DividedWords.Hyphen.STAYS) {
          out.removeLast();
          undone[k] = true;
        }
      } else if (hyphen && isLetterOrDigit(first)) {
        // "North-" and "East" keep their hyphen and get no space
      } else if (!breaksWithoutSpace(last, first)) {
        out.add(Lines.space(last, first));
      }
      begins[k] = out.size();
      out.addAll(l.glyphs());
    }
    return new Joined(out, begins, undone);
  }

  private static String tailWord(List<Glyph> glyphs) {
    var b = new StringBuilder();
    for (int k = glyphs.size() - 2; k >= 0 && !glyphs.get(k).isSpace(); k--) {
      b.insert(0, glyphs.get(k).text());
    }
    return b.toString();
  }

  private static String headWord(List<Glyph> glyphs) {
    var b = new StringBuilder();
    for (Glyph g : glyphs) {
      if (g.isSpace()) {
        break;
      }
      b.append(g.text());
    }
    return b.toString();
  }

  private static boolean isLetter(Glyph g) {
    return !g.text().isEmpty() && Character.isLetter(g.text().codePointAt(0));
  }

  private static boolean isLetterOrDigit(Glyph g) {
    return !g.text().isEmpty() && Character.isLetterOrDigit(g.text().codePointAt(0));
  }

  private static boolean isLowerCase(Glyph g) {
    return !g.text().isEmpty() && Character.isLowerCase(g.text().codePointAt(0));
  }

  /** Scripts that have no spaces between words (UAX #14, class ID). */
  private static boolean breaksWithoutSpace(Glyph a, Glyph b) {
    return isIdeographic(a) && isIdeographic(b);
  }

  private static boolean isIdeographic(Glyph g) {
    if (g.text().isEmpty()) {
      return false;
    }
    return EastAsian.hasNoSpaces(g.text().codePointBefore(g.text().length()));
  }
}
