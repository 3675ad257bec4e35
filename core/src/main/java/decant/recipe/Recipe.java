package decant.recipe;

import decant.format.Format;
import decant.format.Formats;
import decant.reading.Active;
import decant.words.Words;
import java.util.List;
import java.util.Optional;

/**
 * A named set of publishing choices, with one or more outputs.
 *
 * @param name what it is called
 * @param purpose what it is for, in a line
 * @param outputs the files that it makes, all under one stem
 * @param active what is done with content that acts by itself
 * @param afterwards what is done once they are made
 * @param pagesKept which pages of a PDF go out as they were
 */
public record Recipe(
    String name,
    String purpose,
    List<Output> outputs,
    Active active,
    Afterwards afterwards,
    PagesKept pagesKept) {
  private static final Words WORDS = Words.of(Recipe.class);

  /**
   * What is done with files that were made and verified.
   *
   * @param beside they are opened beside the source
   * @param folder their folder is shown
   * @param outTray they are laid into the Out-tray
   */
  public record Afterwards(boolean beside, boolean folder, boolean outTray) {
    public static final Afterwards NOTHING = new Afterwards(false, false, false);
  }

  /** A recipe after which nothing is done. */
  public Recipe(String name, String purpose, List<Output> outputs) {
    this(name, purpose, outputs, Active.REMOVE, Afterwards.NOTHING, PagesKept.AUTO);
  }

  public Recipe {
    if (name.isBlank()) {
      throw new IllegalArgumentException(WORDS.say("recipe.a-recipe-needs-a-name"));
    }
    if (outputs.isEmpty()) {
      throw new IllegalArgumentException(WORDS.say("recipe.a-recipe-makes-at-least"));
    }
    outputs = List.copyOf(outputs);
  }

  public Recipe named(String other) {
    return new Recipe(other, purpose, outputs, active, afterwards, pagesKept);
  }

  /** This recipe with one of its outputs replaced. */
  public Recipe with(int at, Output other) {
    var copy = new java.util.ArrayList<>(outputs);
    copy.set(at, other);
    return new Recipe(name, purpose, copy, active, afterwards, pagesKept);
  }

  public Recipe withOutputs(List<Output> others) {
    return new Recipe(name, purpose, others, active, afterwards, pagesKept);
  }

  public Recipe with(Afterwards other) {
    return new Recipe(name, purpose, outputs, active, other, pagesKept);
  }

  public Recipe with(Active other) {
    return new Recipe(name, purpose, outputs, other, afterwards, pagesKept);
  }

  public Recipe with(PagesKept other) {
    return new Recipe(name, purpose, outputs, active, afterwards, other);
  }

  /**
   * This recipe for a source of a kind, by whose format a copy for further editing is made.
   *
   * @param source empty if it is not known
   */
  public Recipe forSource(Optional<Format> source) {
    List<Output> all =
        outputs.stream()
            .map(
                o -> o instanceof Output.Office d ? d.in(Formats.forSource(d.format(), source)) : o)
            .toList();
    return all.equals(outputs) ? this : withOutputs(all);
  }

  /** Whether a password has to be given before it can be followed. */
  public boolean asksForPasswords() {
    return outputs.stream()
        .anyMatch(o ->
            switch (o) {
              case Output.Pdf p ->
                  p.settings().security().askToOpen() || p.settings().security().askToChange();
              case Output.Office d -> d.password();
            });
  }
}
