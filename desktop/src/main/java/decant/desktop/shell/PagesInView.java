package decant.desktop.shell;

/**
 * The pages that a person sees.
 *
 * @param first the number of the first one, from 0
 * @param count how many they are, at least 1
 */
public record PagesInView(int first, int count) {}
