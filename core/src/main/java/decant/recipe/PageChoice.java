package decant.recipe;

import decant.words.Words;
import java.util.List;

/**
 * Which pages, and into how many files.
 *
 * @param range as {@link PageRange} has it; empty for all
 * @param chapters the headings whose pages are taken, by their text; empty for no such choice
 * @param split into how many files
 */
public record PageChoice(String range, List<String> chapters, Split split) {
  private static final Words WORDS = Words.of(PageChoice.class);

  public static final PageChoice ALL = new PageChoice("", List.of(), Split.ONE_FILE);

  /** Into how many files. */
  public enum Split {
    ONE_FILE("page-choice.one-file"),
    EACH_PAGE("page-choice.a-file-for-each-page"),
    EACH_CHAPTER("page-choice.a-file-for-each-chapter");

    private final String label;

    Split(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  public PageChoice {
    chapters = List.copyOf(chapters);
  }
}
