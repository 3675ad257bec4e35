package decant.pdf.choices;

/** The passwords of a protected file; empty for none. Never stored. */
public record Passwords(String open, String change) {
  public static final Passwords NONE = new Passwords("", "");

  @Override
  public String toString() {
    return "passwords that are not shown";
  }
}
