package decant.publish;

import java.util.List;

/**
 * Which pages, and into how many files.
 *
 * @param range as {@link PageRange} has it; empty for all
 * @param chapters the headings whose pages are taken, by their text; empty for no such choice
 * @param split into how many files
 */
public record PageChoice(String range, List<String> chapters, Split split) {
  public static final PageChoice ALL = new PageChoice("", List.of(), Split.ONE_FILE);

  /** Into how many files. */
  public enum Split {
    ONE_FILE("One file"),
    EACH_PAGE("A file for each page"),
    EACH_CHAPTER("A file for each chapter");

    private final String label;

    Split(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public PageChoice {
    chapters = List.copyOf(chapters);
  }
}
