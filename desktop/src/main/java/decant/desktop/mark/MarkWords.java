package decant.desktop.mark;

import decant.mark.Mark;
import decant.words.Words;

/** What kinds of marks are called. */
final class MarkWords {
  private static final Words WORDS = Words.of(MarkWords.class);

  private MarkWords() {}

  static String kind(Mark.Kind k) {
    return switch (k) {
      case SIGNATURE -> WORDS.say("mark-words.signature");
      case INITIALS -> WORDS.say("mark-words.initials");
      case STAMP -> WORDS.say("mark-words.stamp");
    };
  }
}
