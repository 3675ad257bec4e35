package decant.reading;

import decant.words.Telling;
import decant.words.Words;
import decant.work.Faults;
import java.time.Duration;

/** Why a file could not be taken in, in the person's words: what, and what to do. */
public final class ReadProblem extends Telling {
  private static final long serialVersionUID = 1;
  private static final Words WORDS = Words.of(ReadProblem.class);

  /** What is wrong, for programs. */
  public enum Kind {
    NOT_FOUND,
    UNREADABLE,
    EMPTY,
    NOT_A_DOCUMENT,
    NOT_SERVED,
    /** A password opens it. */
    ENCRYPTED,
    /** Locked in a way that Decant cannot open with a password: to a certificate, say. */
    CANNOT_UNLOCK,
    WRONG_PASSWORD,
    DAMAGED,
    TOO_LARGE,
    /** It was not read within its time. */
    TOO_SLOW,
    /** A fault of our own, which the log explains by its id. */
    FAULT,
    CANCELLED;

    /** As the command line prints it. */
    public String code() {
      return this == CANNOT_UNLOCK
          ? ENCRYPTED.code() // programs have known both as one
          : name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
  }

  private final Kind kind;

  public ReadProblem(Kind kind, String message) {
    super(message);
    this.kind = kind;
  }

  public ReadProblem(Kind kind, String message, Throwable cause) {
    super(message, cause);
    this.kind = kind;
  }

  public Kind kind() {
    return kind;
  }

  /** Whether a password, or another one, opens the file. */
  public boolean isLocked() {
    return kind == Kind.ENCRYPTED || kind == Kind.WRONG_PASSWORD;
  }

  public static ReadProblem cancelled() {
    return new ReadProblem(Kind.CANCELLED, WORDS.say("read-problem.cancelled"));
  }

  /** Whatever else was thrown while a file was read: a fault of our own, with its id in the log. */
  public static ReadProblem fault(Throwable thrown) {
    return new ReadProblem(
        Kind.FAULT, WORDS.say("read-problem.fault", Faults.note("reading", thrown)), thrown);
  }

  /** The file took longer than it may. */
  public static ReadProblem tooSlow(Duration allowed) {
    return new ReadProblem(
        Kind.TOO_SLOW, WORDS.count("read-problem.too-slow", Math.max(1, allowed.toSeconds())));
  }

  /** The file asks for more memory than there is. */
  public static ReadProblem tooLarge() {
    return new ReadProblem(Kind.TOO_LARGE, WORDS.say("read-problem.too-large"));
  }

  /** Another password opens it. */
  public static ReadProblem wrongPassword() {
    return new ReadProblem(Kind.WRONG_PASSWORD, WORDS.say("read-problem.wrong-password"));
  }
}
