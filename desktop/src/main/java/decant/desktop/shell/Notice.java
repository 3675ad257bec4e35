package decant.desktop.shell;

import decant.io.WriteProblem;
import decant.words.Telling;
import decant.words.Words;
import java.util.List;
import java.util.function.Consumer;

/**
 * Something told in a bar above the stage, with what can be done about it. Never modal.
 *
 * @param asksPassword whether it has a field for a password, handed to {@code withText} when an
 *     answer is chosen
 */
public record Notice(String message, Weight weight, List<Answer> answers, boolean asksPassword) {
  private static final Words WORDS = Words.of(Notice.class);

  /** How it is to be taken. */
  public enum Weight {
    INFORMATION,
    QUESTION,
    PROBLEM
  }

  /** One thing to do about it. */
  public record Answer(String label, Consumer<String> withText) {
    public static Answer of(String label, Runnable run) {
      return new Answer(label, s -> run.run());
    }
  }

  public static Notice tell(String message) {
    return new Notice(message, Weight.INFORMATION, List.of(), false);
  }

  public static Notice problem(String message, Answer... answers) {
    return new Notice(message, Weight.PROBLEM, List.of(answers), false);
  }

  /** What went wrong, in the words that it was thrown with. */
  public static Notice problem(Telling thrown) {
    return problem(thrown.getMessage());
  }

  public static Notice ask(String message, Answer... answers) {
    return new Notice(message, Weight.QUESTION, List.of(answers), false);
  }

  /**
   * A file that could not be written; where only its name is taken, it may be replaced.
   *
   * @param message where it is not about the name
   * @param other another place for the file
   */
  static Notice notWritten(
      WriteProblem e, String message, Answer other, Runnable replace, Runnable dismiss) {
    Answer not = Answer.of(WORDS.say("notice.not-now"), dismiss);
    return e.kind() == WriteProblem.Kind.NAME_TAKEN
        ? ask(e.getMessage(), other, Answer.of(WORDS.say("notice.replace"), replace), not)
        : problem(message, other, not);
  }
}
