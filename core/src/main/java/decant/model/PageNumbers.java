package decant.model;

import decant.model.look.ListDefinition;
import java.util.Optional;

/**
 * How a section's pages are numbered.
 *
 * @param start the first number; empty to go on from the section before
 */
public record PageNumbers(Optional<Integer> start, ListDefinition.NumberFormat format) {
  /** Going on from the section before, in decimal numbers. */
  public static final PageNumbers PLAIN =
      new PageNumbers(Optional.empty(), ListDefinition.NumberFormat.DECIMAL);
}
