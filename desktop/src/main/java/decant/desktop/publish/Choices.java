package decant.desktop.publish;

import decant.pdf.choices.Conflict;
import decant.recipe.Output;
import java.util.Optional;

/** One group of a PDF's choices. */
interface Choices {
  Group group();

  /** The conflicts that are mended here. */
  default Optional<Conflict.Group> conflicts() {
    return Optional.empty();
  }

  /** Puts the keyboard where a conflict is mended. */
  default void mend() {}

  /** Shows what is chosen, and what it comes to. */
  void show(Output.Pdf o);
}
