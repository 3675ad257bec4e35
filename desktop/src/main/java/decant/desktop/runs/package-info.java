/**
 * Runs: whole folders by a recipe. {@link decant.desktop.runs.RunState} is the run that is thought
 * of or goes on, and knows no controls; {@link decant.desktop.runs.RunsView} shows it as a
 * sentence, a strip and one table that fills.
 */
@org.jspecify.annotations.NullMarked
package decant.desktop.runs;
