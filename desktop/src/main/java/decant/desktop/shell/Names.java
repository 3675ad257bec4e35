package decant.desktop.shell;

import decant.words.Words;
import java.util.List;
import java.util.stream.Collectors;

/** Names of documents in a sentence. */
final class Names {
  private static final Words WORDS = Words.of(Names.class);
  private static final int SHOWN = 3;

  private Names() {}

  /** The first few, and how many more there are. */
  static String of(List<String> names) {
    int shown = names.size() > SHOWN + 1 ? SHOWN : names.size();
    String first =
        names.stream()
            .limit(shown)
            .map(n -> WORDS.say("names.quoted", n))
            .collect(Collectors.joining(", "));
    return shown == names.size() ? first : WORDS.say("names.more", first, names.size() - shown);
  }
}
