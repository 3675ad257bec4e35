package decant.desktop.page;

import decant.words.Words;
import java.util.List;
import java.util.stream.IntStream;

/** The levels of headings as they are chosen from. */
public final class HeadingLevels {
  private static final Words WORDS = Words.of(HeadingLevels.class);

  private HeadingLevels() {}

  /** That of the text first, then from the highest. */
  public static List<String> all() {
    return IntStream.rangeClosed(0, 6)
        .mapToObj(l ->
            l == 0 ? WORDS.say("heading-levels.body-text") : WORDS.say("heading-levels.heading", l))
        .toList();
  }
}
