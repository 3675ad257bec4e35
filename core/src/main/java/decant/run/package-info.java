/**
 * Whole folders by a recipe: {@link decant.run.RunOrder} says what is asked for, {@link
 * decant.run.Planner} what will become of each file before anything is written, {@link
 * decant.run.Run} does it in worker processes, and {@link decant.run.Journal} remembers what was
 * done, so that a run goes on after a kill and never does anything twice.
 */
@org.jspecify.annotations.NullMarked
package decant.run;
