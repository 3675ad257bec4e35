package decant.verify;

/**
 * One thing that was checked.
 *
 * @param name what was looked at
 * @param detail what was found, in plain words
 */
public record Check(String name, boolean passed, String detail) {
  public static Check of(String name, boolean passed, String whenPassed, String whenFailed) {
    return new Check(name, passed, passed ? whenPassed : whenFailed);
  }
}
