package decant.pdf.amend;

/**
 * Words that come in place of others.
 *
 * @param words what is searched for: exact case, whole words
 * @param with what comes instead; empty to take the words away
 */
public record Replacement(String words, String with) {}
