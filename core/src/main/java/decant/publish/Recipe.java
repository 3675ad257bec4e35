package decant.publish;

import java.util.List;

/**
 * A named set of publishing choices, with one or more outputs.
 *
 * @param name what it is called
 * @param purpose what it is for, in a line
 * @param outputs the files that it makes, all under one stem
 */
public record Recipe(String name, String purpose, List<Output> outputs) {
  public Recipe {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a recipe needs a name");
    }
    if (outputs.isEmpty()) {
      throw new IllegalArgumentException("a recipe makes at least one file");
    }
    outputs = List.copyOf(outputs);
  }

  public Recipe named(String other) {
    return new Recipe(other, purpose, outputs);
  }

  /** This recipe with one of its outputs replaced. */
  public Recipe with(int at, Output other) {
    var copy = new java.util.ArrayList<>(outputs);
    copy.set(at, other);
    return new Recipe(name, purpose, copy);
  }

  public Recipe withOutputs(List<Output> others) {
    return new Recipe(name, purpose, others);
  }

  /** Whether a password has to be given before it can be followed. */
  public boolean asksForPasswords() {
    return outputs.stream()
        .anyMatch(
            o -> o instanceof Output.Pdf p && (p.rights().askToOpen() || p.rights().askToChange()));
  }
}
