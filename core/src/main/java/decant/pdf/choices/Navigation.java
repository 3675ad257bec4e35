package decant.pdf.choices;

import decant.words.Words;

/**
 * How a reader finds the way.
 *
 * @param bookmarkLevels headings down to this level become bookmarks (ISO 32000-2 §12.3.3); 0 for
 *     none, 9 for all
 * @param openLevels bookmarks down to this level are shown unfolded; 0 for none
 * @param numbered whether the labels of numbered headings stand before their bookmarks' text
 * @param links whether links, cross-references and contents entries can be followed
 * @param addresses what becomes of addresses that are written out in the text
 * @param pageLabels whether viewers show the page numbers that stand on the pages (§12.4.2)
 */
public record Navigation(
    int bookmarkLevels,
    int openLevels,
    boolean numbered,
    boolean links,
    Addresses addresses,
    boolean pageLabels)
    implements PdfSetting {
  private static final Words WORDS = Words.of(Navigation.class);

  /** The deepest level of headings. */
  public static final int ALL_LEVELS = 9;

  public static final Navigation DEFAULT =
      new Navigation(ALL_LEVELS, 1, true, true, Addresses.AS_TEXT, true);

  /**
   * Addresses in the text that are no links yet.
   *
   * @param linked whether they become links
   * @param underlined whether they are underlined then
   * @param colour what colour they take, as six hexadecimal digits; empty for that of the text
   */
  public record Addresses(boolean linked, boolean underlined, String colour) {
    public static final Addresses AS_TEXT = new Addresses(false, false, "");

    public Addresses {
      if (!colour.matches("|[0-9A-Fa-f]{6}")) {
        throw new IllegalArgumentException(
            WORDS.say("navigation.a-colour-is-six-hexadecimal", colour));
      }
    }
  }

  public Navigation {
    if (bookmarkLevels < 0 || bookmarkLevels > ALL_LEVELS) {
      throw new IllegalArgumentException(
          WORDS.say("navigation.bookmark-levels-are-0-to", bookmarkLevels));
    }
    if (openLevels < 0 || openLevels > ALL_LEVELS) {
      throw new IllegalArgumentException(WORDS.say("navigation.open-levels-are-0-to", openLevels));
    }
  }

  public boolean bookmarks() {
    return bookmarkLevels > 0;
  }
}
