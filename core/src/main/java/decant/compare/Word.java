package decant.compare;

import decant.layout.item.TextStyle;
import decant.model.look.Colour;
import decant.model.look.TextTraits.UnderlineKind;
import decant.text.FontBook;
import decant.text.FontFace;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * A word of a version.
 *
 * @param looks those of its letters, each once in a row
 * @param link where it leads; empty if nowhere
 */
record Word(String text, List<Looks> looks, String link) {
  /** Stands for a number of a page, which each version counts for itself. */
  static final String PAGE_NUMBER = "#";

  /** As pages are counted: in figures, in Roman ones, by letters. */
  private static final Pattern NUMBER =
      Pattern.compile("\\d{1,5}|[ivxlcdm]{1,8}|[IVXLCDM]{1,8}|[a-zA-Z]");

  /** How letters look, in the font that serves them. */
  record Looks(
      String family,
      double size,
      boolean bold,
      boolean italic,
      boolean underlined,
      boolean struck,
      int colour,
      Optional<Finer> finer) {
    private static final double SAME_SIZE = 0.3;

    /**
     * What pages do not tell, and documents do.
     *
     * @param highlight behind the letters; white for none
     * @param rise above the line, in points
     * @param spacing between letters, in points
     */
    record Finer(
        Optional<UnderlineKind> underline,
        boolean doublyStruck,
        Colour highlight,
        double rise,
        double spacing) {
      private static final double SAME = 0.2;

      void differing(Finer o, About.Found found) {
        found
            .add(underline.equals(o.underline), About.UNDERLINE)
            .add(doublyStruck == o.doublyStruck, About.STRIKE)
            .add(Near.colours(highlight, o.highlight), About.HIGHLIGHT)
            .add(Math.abs(rise - o.rise) <= SAME, About.RAISE)
            .add(Math.abs(spacing - o.spacing) <= SAME, About.LETTER_SPACING);
      }
    }

    /**
     * The looks of a character, in the face that steps in where the other lacks it.
     *
     * @param finely with what only documents tell
     */
    static Looks of(TextStyle asked, int codePoint, FontBook fonts, boolean finely) {
      TextStyle s =
          asked.letters().smallCaps() && Character.isLowerCase(codePoint)
              ? asked.smallCapital() // pages have them as small capitals
              : asked;
      FontFace face =
          codePoint < 0x80 || s.face().covers(codePoint)
              ? s.face()
              : fonts.stepIn(s.face(), codePoint);
      return new Looks(
          face.family(),
          s.size(), // raised text is smaller, whether it is known to be raised or not
          s.face().bold(),
          s.face().italic(),
          s.ink().decoration().underline().isPresent(),
          s.ink().decoration().strike() || s.ink().decoration().doubleStrike(),
          s.ink().colour().rgb(),
          finely ? Optional.of(finer(s)) : Optional.empty());
    }

    private static Finer finer(TextStyle s) {
      return new Finer(
          s.ink().decoration().underline(),
          s.ink().decoration().doubleStrike(),
          s.ink().highlight(),
          s.rise(),
          s.shaping().letterSpacing());
    }

    /** Files round sizes and colours each in their own way. */
    void differing(Looks o, About.Found found) {
      found
          .add(family.equals(o.family), About.FONT)
          .add(Math.abs(size - o.size) <= SAME_SIZE, About.SIZE)
          .add(bold == o.bold, About.WEIGHT)
          .add(italic == o.italic, About.SLANT)
          .add(underlined == o.underlined, About.UNDERLINE)
          .add(struck == o.struck, About.STRIKE)
          .add(Near.colours(colour, o.colour), About.COLOUR);
      if (finer.isPresent() && o.finer.isPresent()) {
        finer.get().differing(o.finer.get(), found);
      }
    }
  }

  Word {
    looks = List.copyOf(looks);
  }

  /** Whether it says the same; a number of a page is as good as any other. */
  boolean says(Word o) {
    return text.equals(o.text)
        || text.equals(PAGE_NUMBER) && isNumber(o.text)
        || o.text.equals(PAGE_NUMBER) && isNumber(text);
  }

  private static boolean isNumber(String s) {
    return NUMBER.matcher(s).matches();
  }

  /** What of its letters looks otherwise. */
  Set<About> differing(Word o) {
    if (looks.equals(o.looks)) {
      return Set.of(); // as nearly all do
    }
    var found = new About.Found();
    int most = Math.max(looks.size(), o.looks.size());
    for (int k = 0; k < most && !looks.isEmpty() && !o.looks.isEmpty(); k++) {
      looks
          .get(Math.min(k, looks.size() - 1))
          .differing(o.looks.get(Math.min(k, o.looks.size() - 1)), found);
    }
    return found.all();
  }

  static String join(List<Word> words) {
    return words.stream().map(Word::text).collect(Collectors.joining(" "));
  }
}
