package decant.run;

import decant.pdf.choices.Passwords;
import java.util.Map;

/**
 * The passwords of a run, which are kept in memory only.
 *
 * @param all opens every locked source that has none of its own; empty for none
 * @param own those of sources by the numbers of their rows
 * @param results what the results get
 */
public record Secrets(String all, Map<Long, String> own, Passwords results) {
  public static final Secrets NONE = new Secrets("", Map.of(), Passwords.NONE);

  public Secrets {
    own = Map.copyOf(own);
  }

  String of(Row r) {
    return own.getOrDefault(r.number(), all);
  }

  @Override
  public String toString() {
    return "passwords that are not shown";
  }
}
