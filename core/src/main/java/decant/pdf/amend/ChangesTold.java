package decant.pdf.amend;

import decant.words.Words;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What is to be said of how pages stand after their words were changed. */
final class ChangesTold {
  private static final Words WORDS = Words.of(PdfAmender.class);

  private final List<String> wentOn = new ArrayList<>();
  private final Set<String> brought = new LinkedHashSet<>();
  private final List<Integer> smaller = new ArrayList<>();

  /**
   * @param page from 1
   * @param damaged whether not all that stands on it could be read
   */
  void ofPage(int page, PageWords words, boolean damaged) {
    if (damaged) {
      wentOn.add(WORDS.say("pdf-amender.damaged", page));
    }
    if (words.lines() > 0) {
      wentOn.add(WORDS.say("pdf-amender.went-on-page", page));
    }
    looks(page, words);
  }

  /** The same where one line was changed. */
  void ofLine(int page, PageWords words) {
    if (words.lines() > 1) {
      wentOn.add(WORDS.count("pdf-amender.went-on", words.lines() - 1));
    }
    looks(page, words);
  }

  private void looks(int page, PageWords words) {
    brought.addAll(words.brought());
    if (words.smaller()) {
      smaller.add(page);
    }
  }

  List<String> lines() {
    var out = new ArrayList<>(wentOn);
    brought.forEach(f -> out.add(WORDS.say("pdf-amender.brought", f)));
    smaller.forEach(page -> out.add(WORDS.say("pdf-amender.smaller", page)));
    return out;
  }
}
