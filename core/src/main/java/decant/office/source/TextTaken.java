package decant.office.source;

import decant.model.finding.Finding;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Which text of a file was taken in. A file may have text where its standard has no place for any,
 * or where nothing looks for it; what was not taken is told.
 */
public final class TextTaken {
  private static final Words WORDS = Words.of(TextTaken.class);
  private static final int TOLD = 60; // characters of it

  private final Set<Object> taken = Collections.newSetFromMap(new IdentityHashMap<>());
  private final List<String> left = new ArrayList<>();

  /** The text that stands in something is taken. */
  public void take(Object holder) {
    taken.add(holder);
  }

  /** Notes the text that stands in something, if it was not taken. */
  public void after(Object holder, String text) {
    if (!taken.contains(holder) && !text.isBlank()) {
      left.add(text.strip());
    }
  }

  /** Forgets what was taken, for nothing of it comes again. */
  public void forget() {
    taken.clear();
  }

  /** As much of a text as tells which it is. */
  public static String some(String text) {
    return text.length() <= TOLD ? text : text.substring(0, TOLD) + "\u2026";
  }

  /** What is to be said of the text that was not taken. */
  public Optional<Finding> finding() {
    if (left.isEmpty()) {
      return Optional.empty();
    }
    String some = some(left.getFirst());
    return Optional.of(
        Finding.general(
            Finding.Kind.CONTENT_LEFT_OUT,
            Finding.Severity.LOSS,
            WORDS.count("text-taken.left", left.size(), some)));
  }
}
