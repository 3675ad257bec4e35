package decant.pdf.amend;

import decant.words.Words;

/**
 * A place that was not changed.
 *
 * @param page from 1
 * @param text what stands there
 */
public record Left(int page, String text, Reason reason) {
  private static final Words WORDS = Words.of(Left.class);

  /** Why not. */
  public enum Reason {
    /** The text is not seen: it lies over a picture of the page. */
    UNSEEN("left.unseen"),
    /** One sign, or a mark, says more than these words. */
    PART("left.part"),
    /** The mark around it refers to other objects, and says its text. */
    MARKED("left.marked"),
    RIGHT_TO_LEFT("left.right-to-left"),
    VERTICAL("left.vertical"),
    NO_ROOM("left.no-room"),
    /** Neither the font nor those that ship have all letters. */
    NO_LETTERS("left.no-letters"),
    /** The font is set in a way that cannot be taken up again after another. */
    FONT("left.font"),
    IN_FIELD("left.in-field"),
    IN_NOTE("left.in-note");

    private final String key;

    Reason(String key) {
      this.key = key;
    }

    /** Whether it stands in the content of the page. */
    boolean isOnPage() {
      return this != IN_FIELD && this != IN_NOTE;
    }

    /** In the person's words. */
    public String words() {
      return WORDS.say(key);
    }
  }
}
