package decant.compare;

import decant.compare.Word.Looks;
import decant.layout.item.TextStyle;
import decant.text.FontBook;
import java.util.ArrayList;
import java.util.List;

/** Collects words from letters. */
final class Letters {
  /** Characters that no file tells have numbers of their own in each; that they differ is seen. */
  private static final int UNKNOWN = 0xF0000;

  private final List<Word> words = new ArrayList<>();
  private final StringBuilder word = new StringBuilder();
  private final List<Looks> looks = new ArrayList<>();
  private final FontBook fonts;
  private final boolean finely;
  private String link = "";

  /**
   * @param finely whether words have the looks that only documents tell
   */
  Letters(FontBook fonts, boolean finely) {
    this.fonts = fonts;
    this.finely = finely;
  }

  void add(String text, TextStyle style, String to) {
    for (int k = 0; k < text.length(); ) {
      int read = text.codePointAt(k);
      k += Character.charCount(read);
      int c = read >= UNKNOWN ? UNKNOWN : read;
      if (c == 0xAD || c == 0x200B || c == 0xFEFF) {
        continue;
      }
      if (isSpace(c)) {
        end();
        continue;
      }
      boolean alone = Character.isIdeographic(c);
      if (alone || !link.equals(to)) {
        end();
      }
      link = to;
      word.appendCodePoint(c);
      Looks look = Looks.of(style, c, fonts, finely);
      if (looks.isEmpty() || !looks.getLast().equals(look)) {
        looks.add(look);
      }
      if (alone) {
        end();
      }
    }
  }

  private static boolean isSpace(int c) {
    return c <= ' ' || Character.isWhitespace(c) || Character.isSpaceChar(c);
  }

  /** All words so far. */
  List<Word> words() {
    end();
    return List.copyOf(words);
  }

  private void end() {
    if (!word.isEmpty()) {
      words.add(new Word(word.toString(), looks, link));
      word.setLength(0);
      looks.clear();
    }
  }
}
